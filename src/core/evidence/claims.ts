import type { ClaimKind, Job } from '../job'
import { LIKE_AIR_K } from './before-after'
import { say } from '../words'

export type Claim = Job['claims'][number]

/** runs of each state that are too few to tell anything */
const FEWEST = 3

/** What a claim's runs say of it. */
export interface ClaimHeld {
  readonly verdict: 'no evidence' | 'as claimed' | 'less than claimed' | 'a gain' | 'a loss' | 'no difference'
  /** why there is no evidence; null where there is */
  readonly because: string | null
  /** what was gained, as a share of what it was: 5th, middle and 95th; null where there is no evidence */
  readonly gain: { readonly low: number; readonly middle: number; readonly high: number } | null
  readonly before: number
  readonly after: number
}

/** 95 % quantiles of Student's t for 1 to 30 degrees of freedom, as every table prints them. */
const T95 = [
  6.314, 2.92, 2.353, 2.132, 2.015, 1.943, 1.895, 1.86, 1.833, 1.812, 1.796, 1.782, 1.771, 1.761, 1.753, 1.746, 1.74,
  1.734, 1.729, 1.725, 1.721, 1.717, 1.714, 1.711, 1.708, 1.706, 1.703, 1.701, 1.699, 1.697,
]
const t95 = (freedom: number): number => T95[Math.max(1, Math.floor(freedom)) - 1] ?? 1.645

/** Mean of some figures, and the variance of that mean. */
function meanOf(values: readonly number[]): { readonly mean: number; readonly variance: number; readonly n: number } {
  const n = values.length
  const mean = values.reduce((a, b) => a + b, 0) / n
  const variance = values.reduce((s, v) => s + (v - mean) ** 2, 0) / (n - 1) / n
  return { mean, variance, n }
}

/** less fuel is a gain, more power is */
const sign: Readonly<Record<ClaimKind, 1 | -1>> = { fuel: -1, power: 1 }

/**
 * Runs as it came against runs as fitted, by Welch's interval of the difference of two means: a gain only where the 5th
 * of a hundred lies above nothing. Too few runs, another way or other air are no evidence, whatever they show.
 * @see engineering §0, claims
 */
export function claimHeld(claim: Claim): ClaimHeld {
  const of = (state: 'as it came' | 'as fitted') => claim.runs.filter((r) => r.state === state)
  const [before, after] = [of('as it came'), of('as fitted')]
  const counts = { before: before.length, after: after.length }
  const none = (because: string): ClaimHeld => ({ verdict: 'no evidence', because, gain: null, ...counts })
  if (Math.min(before.length, after.length) < FEWEST)
    return none(
      say`it takes ${FEWEST} runs as it came and ${FEWEST} as fitted; there are ${before.length} and ${after.length}`,
    )
  const ways = new Set(claim.runs.map((r) => r.way.trim().toLowerCase()))
  if (ways.size > 1) return none(say`its runs are not all of the same way`)
  const air = (list: Claim['runs']): number => list.reduce((s, r) => s + r.airC, 0) / list.length
  if (Math.abs(air(before) - air(after)) > LIKE_AIR_K)
    return none(say`the air differed by ${Math.round(Math.abs(air(before) - air(after)))} K`)
  const [a, b] = [meanOf(before.map((r) => r.figure)), meanOf(after.map((r) => r.figure))]
  const variance = a.variance + b.variance
  // all figures alike: nobody reads a gauge that sharply twice, but nothing else is known of it
  const freedom =
    variance > 0 ? variance ** 2 / (a.variance ** 2 / (a.n - 1) + b.variance ** 2 / (b.n - 1)) : a.n + b.n - 2
  const middle = (sign[claim.what] * (b.mean - a.mean)) / a.mean
  const half = (t95(freedom) * Math.sqrt(variance)) / a.mean
  const gain = { low: middle - half, middle, high: middle + half }
  return { verdict: verdictOf(gain, claim.share), because: null, gain, ...counts }
}

function verdictOf(
  gain: { readonly low: number; readonly high: number },
  claimed: number | null,
): ClaimHeld['verdict'] {
  if (gain.high < 0) return 'a loss'
  if (gain.low <= 0) return 'no difference'
  if (claimed === null) return 'a gain'
  return gain.high < claimed ? 'less than claimed' : 'as claimed'
}
