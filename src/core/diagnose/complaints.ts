import type { Area, Found, Move, Table } from './table'
import { say } from '../words'

/** What is asked first of somebody who brings it, by part. */
export interface AskedFirst {
  readonly part: string
  readonly moves: readonly Move[]
}

const parts: readonly (readonly [part: string, of: RegExp])[] = [
  [say`The fan`, /^fan:/],
  [say`The relay`, /^coil:/],
  [say`A new fuse blows`, /^blows:/],
  [say`Cooling`, /^cooling$/],
  [say`Noise`, /^noise$/],
  [say`Coolant`, /^falls$/],
]

/** What can be said at the door, before anything is opened: what it does, and when. */
export const askedFirst = (table: Table): AskedFirst[] =>
  parts.flatMap(([part, of]) => {
    const moves = table.moves.filter((m) => of.test(m.id))
    return moves.length ? [{ part, moves }] : []
  })

/** What a circuit and a machine with nothing wrong show at a move; null where they say nothing. */
export const usually = (table: Table, move: string): string | number | null => {
  const sound = table.causes.findIndex((c) => c.id === 'nothing')
  const column = table.moves.findIndex((m) => m.id === move)
  return sound < 0 || column < 0 ? null : table.cells[sound]![column]!
}

const everywhere: readonly Area[] = ['circuit', 'heat', 'machine', 'noise', 'coolant']
const behind: Readonly<Record<string, readonly Area[]>> = {
  cooling: ['circuit', 'heat', 'machine'],
  noise: ['noise'],
  falls: ['coolant', 'heat', 'machine'],
}

/**
 * What may be behind what was found: a fan that stands is of the circuit, a noise is not. All of it where nothing that
 * was found is out of the usual.
 */
export function areasOf(table: Table, found: readonly Found[]): readonly Area[] {
  const strange = found.filter((f) => f.found !== usually(table, f.move) && typeof f.found === 'string')
  const named = strange.flatMap(
    (f) => behind[f.move] ?? (/^(fan|coil|blows):/.test(f.move) ? (['circuit'] as const) : []),
  )
  return named.length ? [...new Set(named)] : everywhere
}
