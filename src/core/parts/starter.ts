import { controlKinds } from '../control'
import { label, typical } from '../reading'
import type { BatteryPart, ControllerPart, Part, ProbePart, RelayPart, SwitchPart } from './part'
import { fanSizes, typicalFan } from './typical-fan'

const bare = { maker: '', note: 'typical of its kind: put in what its label says', facts: [] }
/** copper that most terminals of this size take, m² */
const TERMINAL_M2 = 2.5e-6

const controllerBase = {
  ...bare,
  kind: 'controller',
  range: null,
  fixed: null,
  leastDuty: null,
  contact: { ratedA: 10, rating: 'motor', makeA: null },
  terminalAreaM2: TERMINAL_M2,
  standbyA: typical(0.005),
  inputs: [],
  probeOpen: 'fan off',
  probeShorted: 'fan on',
  ingress: null,
  leadM: null,
  supplyLeadM: null,
  keys: [],
  suppliedProbeId: 'generic-probe',
} satisfies Partial<ControllerPart>

const range = { minC: 30, maxC: 110, stepK: 1, bandMinK: 2, bandMaxK: 15 }

const thermostat = (band: 'below' | 'above' | 'ramp'): ControllerPart => ({
  ...controllerBase,
  id: `generic-controller-${band}`,
  name: `Generic controller, ${controlKinds[band].name}`,
  band,
  range,
})

/** A switch of fixed points; makers print them, and they are some kelvin off (estimate). */
const fixedSwitch = (closesC: number, opensC: number): ControllerPart => ({
  ...controllerBase,
  id: `generic-switch-${closesC}`,
  name: `Generic fixed switch ${closesC}/${opensC} °C`,
  band: 'fixed',
  fixed: { closesC: label(closesC, 3), opensC: label(opensC, 3) },
  standbyA: typical(0, 0),
  suppliedProbeId: null,
})

const handSwitch: ControllerPart = {
  ...controllerBase,
  id: 'generic-hand',
  name: 'Generic hand switch',
  band: 'hand',
  standbyA: typical(0, 0),
  suppliedProbeId: null,
}

const probe: ProbePart = {
  ...bare,
  id: 'generic-probe',
  name: 'Generic probe, 10 kΩ',
  kind: 'probe',
  r25Ohm: 10_000,
  betaK: 3950,
  leadM: typical(0.8),
}

const relay = (coilV: 12 | 24): RelayPart => ({
  ...bare,
  id: `generic-relay-${coilV}`,
  name: `Generic relay 30 A, ${coilV} V`,
  kind: 'relay',
  contact: { ratedA: 30, rating: 'resistive', makeA: null },
  coilOhm: coilV === 12 ? 90 : 320,
  coilV,
  suppressed: true,
  terminalAreaM2: TERMINAL_M2,
})

const keySwitch: SwitchPart = {
  ...bare,
  id: 'generic-key',
  name: 'Generic key switch, 10 A',
  kind: 'switch',
  contact: { ratedA: 10, rating: 'resistive', makeA: null },
  terminalAreaM2: TERMINAL_M2,
}

/** A battery as most of its capacity are. @param ah at the twenty-hour rate */
export const typicalBattery = (ah: number): BatteryPart => ({
  ...bare,
  id: `generic-battery-${ah}`,
  name: `Generic battery ${ah} Ah`,
  kind: 'battery',
  chemistry: 'agm',
  hourRateH: 20,
  capacityAh: typical(ah),
  coldCrankingA: typical(13 * ah),
  massKg: typical(0.35 * ah),
})

/** larger ones are made for 24 V too */
const FOR_24_FROM_M = 0.19

/**
 * Parts to begin with where a shelf is empty: one of each size and kind that is on sale, made by nobody, each figure
 * typical until somebody reads a label.
 */
export const starterShelf = (): Part[] => [
  ...fanSizes.flatMap((diameterM) => [
    typicalFan({ diameterM, motor: 'brushed', ratedV: 12 }),
    typicalFan({ diameterM, motor: 'brushless', ratedV: 12 }),
    ...(diameterM >= FOR_24_FROM_M ? [typicalFan({ diameterM, motor: 'brushed', ratedV: 24 })] : []),
  ]),
  ...(['below', 'above', 'ramp'] as const).map(thermostat),
  fixedSwitch(92, 87),
  fixedSwitch(82, 77),
  handSwitch,
  probe,
  relay(12),
  relay(24),
  keySwitch,
  ...[7, 12, 24, 60].map(typicalBattery),
]
