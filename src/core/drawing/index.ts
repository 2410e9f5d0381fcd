export * from './shapes'
export * from './front'
export * from './section'
export * from './bay-flow'
