import { beliefs, fits, fitting, likelihood, standing } from './belief'
import { sum } from './sums'
import type { Cell, Found, Move, Table } from './table'

/** What a thing that was found says about one cause. */
export interface Speaks {
  readonly move: Move
  readonly found: string | number
  readonly side: 'for' | 'against' | 'neither'
  /** what the cause makes of it */
  readonly makes: Cell
}

/** twice as likely under it as under the others speaks for it */
const SPEAKS = 2

/** For each thing that was found whether it speaks for a cause, against it, or neither. */
export function speaksFor(table: Table, found: readonly Found[], cause: number): Speaks[] {
  const belief = beliefs(table, [])
  return standing(table, found).map(({ column, found: f }) => {
    const move = table.moves[column]!
    const of = (i: number): number => likelihood(move, table.cells[i]![column]!, f)
    const others = sum(belief, (b, i) => (i === cause ? 0 : b * of(i))) / Math.max(1e-12, 1 - belief[cause]!)
    const ratio = of(cause) / others
    const makes = table.cells[cause]![column]!
    if (makes === null) return { move, found: f, makes, side: 'neither' as const }
    if (!fits(move, makes, f)) return { move, found: f, makes, side: 'against' as const }
    return { move, found: f, makes, side: ratio >= SPEAKS ? ('for' as const) : ('neither' as const) }
  })
}

/**
 * Of what was found, what should be looked at again: no cause makes all of it, and without this one some cause would.
 * @returns null where some cause makes all, or where leaving out one of them is not enough
 */
export function doubtful(table: Table, found: readonly Found[]): string | null {
  if (!found.length || fitting(table, found).length) return null
  const best = standing(table, found)
    .map(({ move }) => {
      const others = found.filter((f) => f.move !== move)
      const left = fitting(table, others)
      const belief = beliefs(table, others)
      return { move, share: left.length ? sum(left, (i) => belief[i]!) * sum(left, (i) => table.causes[i]!.weight) : 0 }
    })
    .sort((a, b) => b.share - a.share)[0]
  return best && best.share > 0 ? best.move : null
}

/**
 * What a cause would make true besides what it was called in for: where it differs from a circuit with nothing
 * wrong.
 */
export function alsoTrue(
  table: Table,
  found: readonly Found[],
  cause: number,
): { move: Move; makes: string | number }[] {
  const sound = table.causes.findIndex((c) => c.id === 'nothing')
  if (sound < 0) return []
  const seen = new Set(found.map((f) => f.move))
  return table.moves.flatMap((move, column) => {
    const makes = table.cells[cause]![column]!
    const usual = table.cells[sound]![column]!
    if (seen.has(move.id) || makes === null || usual === null || move.tier === 'swap') return []
    return fits(move, usual, makes) ? [] : [{ move, makes }]
  })
}
