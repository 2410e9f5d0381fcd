export * from './shapes'
export * from './fixing'
