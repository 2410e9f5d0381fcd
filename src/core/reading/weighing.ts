import type { Lookup } from './bench'
import { endsOf } from './reading'
import type { WeighedReading, Weighing } from './weighing-schema'

/** Whether a reading still stands as it was weighed. */
export function asWeighed(lookup: Lookup, { address, was }: WeighedReading): boolean {
  const { reading, quantity, limits } = lookup(address)
  const { low, high } = endsOf(reading, quantity, limits)
  return reading.value === was.value && low === was.low && high === was.high
}

/** The readings as what was seen has them; what was typed since stands as it was typed, and ends stay as they were. */
export function informedLookup(lookup: Lookup, weighing: Weighing | null): Lookup {
  if (!weighing?.informed.length) return lookup
  const told = new Map(weighing.informed.map((r) => [r.address, r]))
  return (address) => {
    const placed = lookup(address)
    const found = told.get(address)
    if (!found || !asWeighed(lookup, found)) return placed
    const { low, high } = endsOf(placed.reading, placed.quantity, placed.limits)
    return { ...placed, reading: { ...placed.reading, value: found.value }, ends: { low, high } }
  }
}

/**
 * Values below which shares of all draws lie, by their weights.
 * @param weights as many as values, together 1; empty: all alike
 * @returns one for each share
 */
export function quantilesOf(
  values: ArrayLike<number>,
  weights: ArrayLike<number>,
  shares: readonly number[],
): number[] {
  const alike = weights.length === 0
  const order = alike ? null : Array.from(values, (_, i) => i).sort((a, b) => values[a]! - values[b]!)
  const sorted = order ? order.map((i) => values[i]!) : Float64Array.from(values).sort()
  const each = 1 / values.length
  return shares.map((share) => {
    let sum = 0
    for (let n = 0; n < sorted.length; n++) {
      sum += order ? weights[order[n]!]! : each
      if (sum >= share - 1e-12) return sorted[n]!
    }
    return sorted[sorted.length - 1]!
  })
}

const finite = (x: number): number | null => (Number.isFinite(x) ? x : null)

/** 5th, 50th and 95th of a hundred, by their weights; null for one that has no end. */
export const bandOf = (
  values: ArrayLike<number>,
  weights: ArrayLike<number>,
): [low: number | null, middle: number | null, high: number | null] => {
  const [low, middle, high] = quantilesOf(values, weights, [0.05, 0.5, 0.95])
  return [finite(low!), finite(middle!), finite(high!)]
}

/** Share of draws below the water line, by their weights; what is no figure does not hold. */
export function shareShort(results: ArrayLike<number>, weights: ArrayLike<number>): number {
  let sum = 0
  for (let i = 0; i < results.length; i++)
    if (results[i]! < 0 || Number.isNaN(results[i]!)) sum += weights.length ? weights[i]! : 1 / results.length
  return Math.min(1, sum)
}

/** (Σw)²/Σw². @see engineering §0 */
export function effectiveNumber(weights: ArrayLike<number>): number {
  let [sum, squares] = [0, 0]
  for (let i = 0; i < weights.length; i++) {
    sum += weights[i]!
    squares += weights[i]! ** 2
  }
  return squares > 0 ? sum ** 2 / squares : 0
}
