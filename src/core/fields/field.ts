import type { Limits } from '../reading'
import type { Quantity } from '../units'
import { say } from '../words'

export const stations = ['machine', 'measure', 'place', 'power', 'wire', 'trigger', 'build', 'prove', 'after'] as const
export type Station = (typeof stations)[number]

/** What each station is called. */
export const stationNames: Readonly<Record<Station, string>> = {
  machine: say`Machine`,
  measure: say`Measure`,
  place: say`Place`,
  power: say`Power`,
  wire: say`Wire`,
  trigger: say`Trigger`,
  build: say`Build`,
  prove: say`Prove`,
  after: say`After`,
}

/** What a reading of the document is called, what it measures, what it can be, and where it is asked for. */
export interface Field {
  readonly label: string
  readonly quantity: Quantity
  readonly limits: Limits
  readonly station: Station
  /** how to take it, in a few words */
  readonly tell: string
  /** a wish, not a measurement: it has no spread and no source */
  readonly wish: boolean
  /** nobody can take it at a bench */
  readonly seenOnly?: true
}
