export * from './bench-sheet'
export * from './measuring-sheet'
export * from './sheet-schema'
