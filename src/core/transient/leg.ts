/**
 * One stretch of a duty in which nothing changes from outside. SI, °C.
 * A duty is a list of legs; what a machine's readings make of it is worked out before the run begins.
 */
export interface Leg {
  readonly name: string
  readonly seconds: number
  /** engine, or what stands in for it, is on; off: pump stopped, no heat, no charge */
  readonly running: boolean
  /** heat that goes into metal (or, without any, into the bay), W */
  readonly heatW: number
  /** share of the rated coolant flow that the pump moves, 0…1 and more */
  readonly pumpShare: number
  readonly travelMs: number
  readonly airC: number
  /** kg/m³ */
  readonly density: number
  /** where its coolant boils; Infinity in a bay */
  readonly boilsC: number
  readonly chargeA: number
  /** what is taken besides fan and controller */
  readonly loadsA: number
  /** the key, or what keeps the fan's circuit alive, is on */
  readonly live: boolean
  /** which row of the tables of air belongs to it */
  readonly row: number
}

/** @returns s */
export const lengthOf = (legs: readonly Leg[]): number => legs.reduce((sum, l) => sum + l.seconds, 0)
