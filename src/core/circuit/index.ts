export * from './netlist'
export * from './solve'
export * from './faults'
