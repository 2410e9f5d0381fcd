export * from './field'
