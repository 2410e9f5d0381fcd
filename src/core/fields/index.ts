export * from './field'
export * from './schema'
export * from './walk'
