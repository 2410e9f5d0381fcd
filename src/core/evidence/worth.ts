import { verdictFromDraws } from '../margins'

export const BINS = 8

interface Worth {
  /** share of the doubt that it takes away */
  readonly share: number
  /** of a hundred cases, in how many the margin is settled then */
  readonly settles: number
}

/**
 * What knowing a figure would take of a margin's doubt: its draws in eight bins of equal weight, the chance short in
 * each.
 * @see engineering §0, evidence
 */
export function worthOf(values: ArrayLike<number>, short: ArrayLike<number>, weights: ArrayLike<number>): Worth {
  const order = Array.from({ length: values.length }, (_, i) => i).sort((a, b) => values[a]! - values[b]!)
  const total = order.reduce((s, i) => s + weights[i]!, 0)
  const bins = Array.from({ length: BINS }, () => ({ weight: 0, short: 0, squares: 0 }))
  let sum = 0
  for (const i of order) {
    const bin = bins[Math.min(BINS - 1, Math.floor((BINS * (sum + weights[i]! / 2)) / total))]!
    sum += weights[i]!
    bin.weight += weights[i]! / total
    bin.short += (short[i]! * weights[i]!) / total
    bin.squares += (weights[i]! / total) ** 2
  }
  const p = bins.reduce((s, b) => s + b.short, 0)
  const now = p * (1 - p)
  // few draws in a bin agree by chance alone: so much of what they seem to tell is taken off again
  const then = bins.reduce((s, b) => {
    if (b.weight <= 0) return s
    const q = b.short / b.weight
    const many = b.weight ** 2 / b.squares
    return s + b.weight * q * (1 - q) * (many > 1 ? many / (many - 1) : 1)
  }, 0)
  const settled = bins.reduce((s, b) => {
    const q = b.weight > 0 ? b.short / b.weight : 0
    return s + (b.weight > 0 && verdictFromDraws(q) !== 'unsure' ? b.weight : 0)
  }, 0)
  return { share: now > 0 ? Math.max(0, 1 - then / now) : 0, settles: Math.round(100 * settled) }
}
