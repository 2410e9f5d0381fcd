import { range, sum } from './sums'
import type { Cell, Found, Move, Table } from './table'

/** a word is right so often; the rest is shared by the others. @see engineering §6 */
const RIGHT = 0.9
/** a meter that was held wrongly shows anything: so often */
const SLIP = 0.02
/** figures beyond so many standard deviations do not fit */
const FITS_SD = 3
/** beyond so many a normal counts as nothing */
const FAR_SD = 6
/** steps over which a figure's chances are summed, at least and at most */
const STEPS = [40, 120] as const
/** causes that are believed less are left out of what a figure tells */
const LEAST_BELIEF = 1e-4
/** bits that are not worth a walk to the machine */
const LEAST_BITS = 0.02
const SQRT_2PI = Math.sqrt(2 * Math.PI)

const sdOf = ({ figure }: Move, value: number): number => figure!.sd + figure!.share * Math.abs(value)
const density = (x: number, mean: number, sd: number): number => {
  const z = (x - mean) / sd
  return Math.exp(-0.5 * z * z) / (sd * SQRT_2PI)
}

/** How likely a cause makes what was found; of a figure its density. @see engineering §6 */
export function likelihood(move: Move, cell: Cell, found: string | number): number {
  if (move.answers) {
    const n = move.answers.length
    if (cell === null) return 1 / n
    return found === cell ? RIGHT : (1 - RIGHT) / (n - 1)
  }
  const [low, high] = move.figure!.ends
  const even = 1 / (high - low)
  return typeof cell === 'number' && typeof found === 'number'
    ? (1 - SLIP) * density(found, cell, sdOf(move, cell)) + SLIP * even
    : even
}

/** Whether what was found is what a cause makes, within what a meter and an eye may be off by. */
export function fits(move: Move, cell: Cell, found: string | number): boolean {
  if (cell === null) return true
  if (typeof cell === 'string') return cell === found
  return typeof found === 'number' && Math.abs(found - cell) <= FITS_SD * sdOf(move, cell)
}

const columnOf = (table: Table, id: string): number => table.moves.findIndex((m) => m.id === id)

/**
 * What was found at moves that there are, with their columns; a later answer to a move takes the earlier one's
 * place.
 */
export function standing(table: Table, found: readonly Found[]): (Found & { readonly column: number })[] {
  const last = new Map(found.map((f) => [f.move, f]))
  return [...last.values()].flatMap((f) => {
    const column = columnOf(table, f.move)
    return column < 0 ? [] : [{ ...f, column }]
  })
}

/**
 * What is believed of each cause after what was found, by Bayes.
 * @returns one share a cause, in the order of the table's; together 1
 * @see engineering §6
 */
export function beliefs(table: Table, found: readonly Found[]): number[] {
  const seen = standing(table, found)
  const logs = table.causes.map(
    (c, i) =>
      Math.log(c.weight) +
      sum(seen, ({ column, found: f }) => Math.log(likelihood(table.moves[column]!, table.cells[i]![column]!, f))),
  )
  const most = Math.max(...logs)
  const weights = logs.map((l) => Math.exp(l - most))
  const all = sum(weights, (w) => w)
  return weights.map((w) => w / all)
}

/** Causes that make all that was found. */
export function fitting(table: Table, found: readonly Found[]): number[] {
  const seen = standing(table, found)
  return range(table.causes.length).filter((i) =>
    seen.every(({ column, found: f }) => fits(table.moves[column]!, table.cells[i]![column]!, f)),
  )
}

const entropyOf = (share: number): number => (share > 0 ? -share * Math.log2(share) : 0)
function entropy(shares: ArrayLike<number>): number {
  let bits = 0
  for (let k = 0; k < shares.length; k++) bits += entropyOf(shares[k]!)
  return bits
}

/** Bits that the words of a move tell about the cause. */
function bitsOfWords(move: Move, cells: readonly Cell[], belief: readonly number[]): number {
  // causes that make the same word are one row
  const shares = new Map<Cell, number>()
  cells.forEach((c, i) => shares.set(c, (shares.get(c) ?? 0) + belief[i]!))
  const rows = [...shares].map(([cell, share]) => ({
    share,
    given: move.answers!.map((a) => likelihood(move, cell, a.id)),
  }))
  const together = move.answers!.map((_, k) => sum(rows, (r) => r.share * r.given[k]!))
  return entropy(together) - sum(rows, (r) => r.share * entropy(r.given))
}

/** Bits that a figure tells, summed over steps between the least and the most that any cause makes. */
function bitsOfFigure(move: Move, cells: readonly Cell[], belief: readonly number[]): number {
  // causes that make the same figure are one column
  const shares = new Map<Cell, number>()
  cells.forEach((c, i) => {
    const key = typeof c === 'number' ? Math.round(c * 100) / 100 : c
    if (belief[i]! > LEAST_BELIEF) shares.set(key, (shares.get(key) ?? 0) + belief[i]!)
  })
  const values = [...shares.keys()].filter((c): c is number => typeof c === 'number')
  if (shares.size < 2 || !values.length) return 0
  const [low, high] = move.figure!.ends
  const from = Math.max(low, Math.min(...values.map((v) => v - 4 * sdOf(move, v))))
  const to = Math.min(high, Math.max(...values.map((v) => v + 4 * sdOf(move, v))))
  const least = Math.min(...values.map((v) => sdOf(move, v)))
  const steps = Math.min(STEPS[1], Math.max(STEPS[0], Math.ceil((to - from) / least)))
  const together = new Float64Array(steps)
  let apart = 0
  for (const [cell, share] of shares) {
    const { even, first, near } = chances(move, cell, from, (to - from) / steps, steps)
    for (let k = 0; k < steps; k++)
      together[k]! += share * (k < first || k >= first + near.length ? even : near[k - first]!)
    apart += share * (entropy(near) + (steps - near.length) * entropyOf(even))
  }
  return entropy(together) - apart
}

/**
 * What a cause makes of each step of a figure, together 1: a normal about its own, beside the slips. Steps that are
 * not near its own are all alike.
 */
function chances(
  move: Move,
  cell: Cell,
  from: number,
  step: number,
  steps: number,
): { even: number; first: number; near: number[] } {
  const [low, high] = move.figure!.ends
  const even = cell === null ? 1 / (high - low) : SLIP / (high - low)
  if (typeof cell !== 'number') return { even: 1 / steps, first: 0, near: [] }
  const sd = sdOf(move, cell)
  const first = Math.max(0, Math.floor((cell - FAR_SD * sd - from) / step))
  const last = Math.min(steps - 1, Math.ceil((cell + FAR_SD * sd - from) / step))
  const near = range(Math.max(0, last - first + 1)).map(
    (k) => even + (1 - SLIP) * density(from + (first + k + 0.5) * step, cell, sd),
  )
  const all = sum(near, (a) => a) + (steps - near.length) * even
  return { even: even / all, first, near: near.map((a) => a / all) }
}

/** How much a move is expected to tell, in bits: the mutual information of cause and outcome. @see engineering §6 */
export function bitsOf(table: Table, column: number, belief: readonly number[]): number {
  const move = table.moves[column]!
  const cells = table.cells.map((r) => r[column]!)
  return Math.max(0, move.answers ? bitsOfWords(move, cells, belief) : bitsOfFigure(move, cells, belief))
}

export interface Proposed {
  readonly move: Move
  readonly bits: number
  /** bits a minute, its danger counted as minutes */
  readonly worth: number
}

/**
 * Moves that were not made yet, the one that settles most a minute first; what tells next to nothing is left out.
 * @see engineering §6
 */
export function proposals(table: Table, found: readonly Found[]): Proposed[] {
  const belief = beliefs(table, found)
  const made = new Set(found.map((f) => f.move))
  return table.moves
    .flatMap((move, column) => {
      if (made.has(move.id)) return []
      const bits = bitsOf(table, column, belief)
      return bits < LEAST_BITS ? [] : [{ move, bits, worth: bits / (move.minutes + move.risk) }]
    })
    .sort((a, b) => b.worth - a.worth)
}
