export * from './form'
export * from './part'
export * from './fan-guess'
