import type { MarginId } from '../job'
import type { Evaluation, MeasureNext } from './evaluation'
import { toldFromDraws } from './told-from-draws'

/** Chance that something is short, and where 5 and 95 of a hundred draws of it lie. */
export interface Drawn {
  readonly chanceShort: number
  readonly low: number
  readonly high: number
}

/** What sampling adds to an evaluation of the same job. */
export interface SampledMargin {
  readonly id: MarginId
  /** of its worst part in each draw, by x = value / scale; null where the margin is open, or short without a number */
  readonly x: Drawn | null
  readonly chanceShort: number | null
  /** figures in the part's own unit */
  readonly parts: readonly (Drawn & { readonly id: string })[]
  /** of what can be had at a bench, the reading whose doubt matters most, and its share of the variance */
  readonly measureNext: MeasureNext | null
}

/** An evaluation with what sampling found: judgements are told from it. */
export const withSample = (evaluation: Evaluation, sampled: readonly SampledMargin[]): Evaluation => ({
  ...evaluation,
  margins: evaluation.margins.map((m) => {
    const found = sampled.find((s) => s.id === m.id)
    return found ? toldFromDraws(m, found) : m
  }),
})
