import { DRAWS } from '../reading'
import { logLikelihood, misfit } from './likelihood'
import type { Prediction } from './predict'
import type { Seen } from './seen'

/** with fewer draws that count nothing is told */
export const TOO_FEW = 20
/** misfits beyond this many σ, all draws together, are no chance */
export const TOO_FAR = 3
/** where every machine that was drawn lies further off than this, none drawn anew will be near */
const OUT_OF_REACH = 6

/** One round of draws with what each predicts. */
export interface Round {
  readonly drawn: ReadonlyMap<string, Float64Array>
  /** by what was seen, by draw */
  readonly predicted: readonly (readonly Prediction[])[]
  /** of each draw: prior over proposal, logarithm */
  readonly logPrior: Float64Array
}

/** Weights of a round by some of what was seen, together 1. @param power below 1: what was seen counts less sharply */
export function weightsOf(
  round: Round,
  seen: readonly Seen[],
  counts: (index: number) => boolean,
  power = 1,
): number[] {
  const logs = Array.from({ length: DRAWS }, (_, k) => {
    let sum = 0
    for (let j = 0; j < seen.length; j++) if (counts(j)) sum += logLikelihood(round.predicted[j]![k]!, seen[j]!)
    return power * (sum + round.logPrior[k]!)
  })
  const most = Math.max(...logs)
  const raw = logs.map((l) => Math.exp(l - most))
  const total = raw.reduce((a, b) => a + b, 0)
  return raw.map((w) => w / total)
}

/** All misfits of one thing that was seen, root of their mean square by the weights, in σ. */
export const farOff = (predicted: readonly Prediction[], seen: Seen, weights: readonly number[]): number =>
  Math.sqrt(predicted.reduce((s, p, k) => s + weights[k]! * misfit(p, seen) ** 2, 0))

/** Whether no draw comes near everything that was seen. */
export const outOfReach = ({ predicted }: Round, seen: readonly Seen[]): boolean =>
  Array.from({ length: DRAWS }, (_, k) =>
    seen.some((s, j) => Math.abs(misfit(predicted[j]![k]!, s)) > OUT_OF_REACH),
  ).every(Boolean)
