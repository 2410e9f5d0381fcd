import type { Quantity } from '../units'

/** How a move is made: nothing touched, something put in another's place, leads held to a terminal, heat watched. */
export const tiers = ['look', 'swap', 'meter', 'heat'] as const
export type Tier = (typeof tiers)[number]

/** What a cause belongs to; a complaint says which of these may be behind it. */
export type Area = 'circuit' | 'heat' | 'machine' | 'noise' | 'coolant'

/** Something that may be wrong. */
export interface Cause {
  readonly id: string
  readonly words: string
  readonly area: Area
  /** how often it is met beside the others, before anything was seen (estimate) */
  readonly weight: number
  /** why it is that likely */
  readonly why: string
  /** edits of the circuit, as of `faultsAt`; two where two things are wrong at once */
  readonly faults: readonly string[]
  /** what puts it right, and what shows that it is */
  readonly repair: Repair
}

export interface Repair {
  readonly step: string
  readonly parts: readonly string[]
  readonly proof: string
}

/** One of the words that a move can end with. */
export interface Answer {
  readonly id: string
  readonly words: string
}

/** A figure that a move ends with: what it may be off by, and between what ends it can lie at all. */
export interface Figure {
  readonly quantity: Quantity
  /** standard deviation: so much, and so much of the figure */
  readonly sd: number
  readonly share: number
  readonly ends: readonly [low: number, high: number]
}

/** Something that can be looked at, tried or measured. */
export interface Move {
  readonly id: string
  readonly title: string
  /** leads, meter, engine and key */
  readonly how: string
  readonly caution: string
  readonly minutes: number
  /** what its danger weighs, in minutes */
  readonly risk: number
  readonly tier: Tier
  readonly answers: readonly Answer[] | null
  readonly figure: Figure | null
}

/** What a cause makes of a move: the word, the figure, or null where it says nothing about it. */
export type Cell = string | number | null

/** Everything that is needed to find a fault, as plain data: rows are causes, columns moves. */
export interface Table {
  readonly causes: readonly Cause[]
  readonly moves: readonly Move[]
  readonly cells: readonly (readonly Cell[])[]
}

/** What was seen at a move: the id of one of its answers, or a figure in SI units and °C. */
export interface Found {
  readonly move: string
  readonly found: string | number
}

/** A table of those causes alone that belong to some areas. */
export function within(table: Table, areas: readonly Area[]): Table {
  const kept = table.causes.flatMap((c, i) => (areas.includes(c.area) ? [i] : []))
  return { ...table, causes: kept.map((i) => table.causes[i]!), cells: kept.map((i) => table.cells[i]!) }
}

/** Two tables of the same moves, one below the other. */
export const withMore = (table: Table, causes: readonly Cause[], cells: readonly (readonly Cell[])[]): Table => ({
  ...table,
  causes: [...table.causes, ...causes],
  cells: [...table.cells, ...cells],
})
