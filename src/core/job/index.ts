export * from './address'
export * from './choose'
export * from './compare-fans'
export * from './difference'
export * from './document'
export * from './evaluate'
export * from './evaluation'
export * from '../fields'
export {
  circuitsOf,
  marginUnits,
  neighbours,
  depthStack,
  powerFlows,
  batteryOutlook,
  holeMove,
  boilsAt,
  outletDropAt,
  pointsOf,
  chargeAt,
  isThermostat,
  type Flow,
  type BatteryOutlook,
  type MarginUnit,
  type FanCircuit,
} from './margins'
export * from './kinds'
export * from './ladder'
export * from './lift'
export * from './moved-air'
export * from './placement'
export * from './placement-words'
export * from './compare-cores'
export * from './bay-ways'
export * from './bay-air'
export * from './replace-fan'
export * from './makeshift'
export * from './mark-rules'
export * from './curves'
export * from './leads'
export * from './lead-remedies'
export * from './firms-up'
export * from './snap'
export * from './cooler'
export * from '../parts'
export * from './probe-lead'
export * from './propose'
export * from './remedies'
export * from './run'
export * from './run-findings'
export * from './sample'
export * from './shelf-changes'
export * from './start'
export * from './typical'
export * from './words'
export * from './wiring'
