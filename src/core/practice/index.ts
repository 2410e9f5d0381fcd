export * from './round'
export * from './bench'
export * from './good-path'
export * from './drills'
