export * from './job-file'
export * from './json-schema'
export * from './problems'
export * from './shelf-file'
