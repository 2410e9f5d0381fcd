import { say } from '../words'

/** A dial without a scale: where it stood, by the clock, and at what the fan started. */
export interface DialPoint {
  /** 0 to 12, as on a clock face */
  readonly position: number
  /** at the probe, °C */
  readonly startsC: number
}

export type DialAnswer =
  | { readonly kind: 'position'; readonly position: number; readonly offK: number }
  | { readonly kind: 'open'; readonly why: string }

/** a thermometer and a hand on a dial agree no nearer than this, K (estimate) */
const LEAST_OFF_K = 2

/**
 * Where a dial without a scale must stand for a start: between the two points that bracket it, in a straight line;
 * never beyond what was tried.
 * @param points two or more, in any order
 * @param wantedC start that is wanted, at the probe, °C
 * @returns position by the clock and what it may be off by, K; or why that cannot be told
 * @see engineering §3.3
 * @example dialFor([2, 6].map((p) => ({ position: p, startsC: 5 * p })), 20).kind //=> 'position'
 */
export function dialFor(points: readonly DialPoint[], wantedC: number): DialAnswer {
  const sorted = [...points].sort((a, b) => a.position - b.position)
  const [first, last] = [sorted[0], sorted.at(-1)]
  if (!first || !last || first.position === last.position)
    return { kind: 'open', why: say`Note two positions or more, well apart.` }
  const rises = Math.sign(last.startsC - first.startsC)
  const turnsBack = sorted.some((p, i) => i > 0 && Math.sign(p.startsC - sorted[i - 1]!.startsC) === -rises)
  if (rises === 0 || turnsBack)
    return {
      kind: 'open',
      why: say`The points contradict each other: warmer one way and colder further on. Try one again.`,
    }
  const pairs = sorted.slice(1).map((b, i) => [sorted[i]!, b] as const)
  const between = pairs.find(([a, b]) => (wantedC - a.startsC) * (wantedC - b.startsC) <= 0 && a.startsC !== b.startsC)
  if (!between) {
    const colder = (wantedC - first.startsC) * rises < 0
    return {
      kind: 'open',
      why: say`Nothing was tried that far: turn it ${colder ? say`lower` : say`further`} and note where it starts.`,
    }
  }
  const [a, b] = between
  const share = (wantedC - a.startsC) / (b.startsC - a.startsC)
  return {
    kind: 'position',
    position: a.position + share * (b.position - a.position),
    // a curve between two points strays at most by a quarter of what lies between them, and least beside one
    offK: Math.max(LEAST_OFF_K, (Math.abs(b.startsC - a.startsC) / 4) * (share === 0 || share === 1 ? 0 : 1)),
  }
}
