export * from './say'
