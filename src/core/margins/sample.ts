import { RUN_DRAWS } from './outcomes'
import { type Job, lookupOf, type MarginId } from '../job'
import { Bench, chanceBelowZero, drawSample, NotingBench, overSamples, sobolIndex } from '../reading'
import type { Evaluation, MeasureNext } from './evaluation'
import { type Findings } from './findings'
import { marginsOf } from './margins-of'
import { type ComputedPart, figureOf, isMissing, isOpen, marginUnits } from './part'

/** What sampling adds to an evaluation of the same job. */
export interface SampledMargin {
  readonly id: MarginId
  /** null where the margin is open */
  readonly chanceShort: number | null
  readonly parts: readonly { readonly id: string; readonly chanceShort: number }[]
  /** the reading whose uncertainty matters most, and its share of the variance */
  readonly measureNext: MeasureNext | null
}

/**
 * Chance that each margin is short, and what to measure next.
 * @see engineering §0, margins.md
 */
export function sample(job: Job, run: Findings | null = null): SampledMargin[] {
  const lookup = lookupOf(job)
  const margins = marginsOf(job, new Bench(lookup), run).map((margin) => {
    const computed = margin.parts
      .filter((p): p is ComputedPart => !isOpen(p) && !isMissing(p))
      .map((part) => {
        const bench = new NotingBench(lookup)
        part.compute(bench)
        return {
          part,
          touched: bench.touched,
          scaleSi: Math.max(part.scale(new Bench(lookup)), 1e-9) * marginUnits[part.unit].si,
        }
      })
    return { margin, computed }
  })
  const drawn = drawSample(lookup, [...new Set(margins.flatMap((m) => m.computed.flatMap((c) => c.touched)))])
  // what a run decides was run at samples of its own: its chances are told from those
  const fewer = run?.settled ? drawSample(lookup, [...drawn.drawn.keys()], RUN_DRAWS) : null
  return margins.map(({ margin, computed }) => {
    const missing = margin.parts.some(isMissing)
    const results = computed.map(({ part, scaleSi, touched }) => ({
      part,
      scaleSi,
      touched,
      over: overSamples((b) => figureOf(part, b), lookup, drawn),
    }))
    const counting = results.filter((r) => r.part.warns === undefined)
    const ran =
      fewer && margin.basis === 'run'
        ? new Map(results.map((r) => [r, overSamples((b) => figureOf(r.part, b), lookup, fewer)]))
        : null
    const overOf = (r: (typeof results)[number]): Float64Array => ran?.get(r) ?? r.over
    const least = (of: typeof counting, over: (r: (typeof results)[number]) => Float64Array): Float64Array =>
      over(of[0]!).map((_, i) => Math.min(...of.map((r) => over(r)[i]! / r.scaleSi)))
    const parts = results.map((r) => ({ id: r.part.id, chanceShort: chanceBelowZero(overOf(r)) }))
    if (missing || counting.length === 0)
      return { id: margin.id, chanceShort: missing ? 1 : null, parts, measureNext: null }
    const x = least(counting, (r) => r.over)
    const best = [...new Set(counting.flatMap((r) => r.touched))]
      .filter((a) => drawn.stratum.has(a))
      .map((address) => ({ address, label: lookup(address).label, share: sobolIndex(x, drawn.stratum.get(address)!) }))
      .reduce<MeasureNext | null>((a, b) => (b.share > (a?.share ?? 0) ? b : a), null)
    return { id: margin.id, chanceShort: chanceBelowZero(ran ? least(counting, overOf) : x), parts, measureNext: best }
  })
}

/** An evaluation with what sampling found. */
export function withSample(evaluation: Evaluation, sampled: readonly SampledMargin[]): Evaluation {
  return {
    ...evaluation,
    margins: evaluation.margins.map((m) => {
      const found = sampled.find((s) => s.id === m.id)
      if (!found) return m
      return {
        ...m,
        chanceShort: found.chanceShort,
        measureNext: found.measureNext,
        parts: m.parts.map((p) => {
          const chance = found.parts.find((q) => q.id === p.id)?.chanceShort
          return chance === undefined ? p : { ...p, chanceShort: chance }
        }),
      }
    }),
  }
}
