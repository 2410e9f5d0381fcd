export * from './probe-offset'
export * from './propose'
export * from './rules'
export * from './thermostat'
