export * from './atmosphere'
export * from './boiling'
export * from './heat'
