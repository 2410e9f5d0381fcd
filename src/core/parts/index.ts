export * from './form'
export * from './part'
