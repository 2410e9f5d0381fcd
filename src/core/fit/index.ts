export * from './shapes'
export * from './slot'
export * from './fixing'
export * from './clocking'
