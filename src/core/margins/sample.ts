import { type Job, lookupOf } from '../job'
import {
  Bench,
  drawSample,
  NotingBench,
  overSamples,
  quantilesOf,
  type Sample,
  shareShort,
  sobolIndex,
} from '../reading'
import { evaluate } from './evaluate'
import type { Evaluation, MeasureNext } from './evaluation'
import { type Findings } from './findings'
import { marginsOf } from './margins-of'
import { type ComputedPart, figureOf, isMissing, isOpen, type MarginDefinition, marginUnits } from './part'
import { ranOf } from './ran'
import { heedsSeen } from './told-from-draws'
import { type Drawn, type SampledMargin, withSample } from './with-sample'

const LOW_AND_HIGH = [0.05, 0.95]

interface DrawnPart {
  readonly part: ComputedPart
  readonly touched: readonly string[]
  readonly si: number
  readonly scaleSi: number
  /** over its requirement in each draw, SI */
  readonly over: Float64Array
}

/** A margin at every draw of the job's readings. */
export interface DrawnMargin {
  readonly margin: MarginDefinition
  readonly drawn: Sample
  readonly parts: readonly DrawnPart[]
  /** of its worst part in each draw, by x = over / scale; null where it is open, or short without a number */
  readonly x: Float64Array | null
}

const counts = ({ part }: DrawnPart): boolean => part.warns === undefined

/**
 * Every margin of a job at 256 draws of its readings. What was seen of the machine weighs the draws of judgements;
 * guards count all draws alike.
 * @see engineering §0, evidence
 */
export function drawnMargins(job: Job, findings: Findings | null = null): DrawnMargin[] {
  const lookup = lookupOf(job)
  const margins = marginsOf(job, new Bench(lookup), ranOf(findings)).map((margin) => ({
    margin,
    computed: margin.parts
      .filter((p): p is ComputedPart => !isOpen(p) && !isMissing(p))
      .map((part) => {
        const bench = new NotingBench(lookup)
        part.compute(bench)
        const { si } = marginUnits[part.unit]
        return { part, touched: bench.touched, si, scaleSi: Math.max(part.scale(new Bench(lookup)), 1e-9) * si }
      }),
  }))
  const touched = [...new Set(margins.flatMap((m) => m.computed.flatMap((c) => c.touched)))]
  const plain = drawSample(lookup, touched)
  const weighed = findings?.evidence ? drawSample(lookup, touched, findings.evidence) : plain
  return margins.map(({ margin, computed }) => {
    const drawn = heedsSeen(margin.id) ? weighed : plain
    const parts = computed.map((c) => ({ ...c, over: overSamples((b) => figureOf(c.part, b), lookup, drawn) }))
    const counting = parts.filter(counts)
    const x =
      margin.parts.some(isMissing) || counting.length === 0
        ? null
        : counting[0]!.over.map((_, i) => Math.min(...counting.map((r) => r.over[i]! / r.scaleSi)))
    return { margin, drawn, parts, x }
  })
}

function drawnFrom(values: Float64Array, weights: readonly number[], unit: number): Drawn {
  const [low, high] = quantilesOf(values, weights, LOW_AND_HIGH)
  return { chanceShort: shareShort(values, weights), low: low! / unit, high: high! / unit }
}

/**
 * Chance that each margin is short, where most of its draws lie, and what to measure next.
 * @see engineering §0, margins.md
 */
export function sample(job: Job, findings: Findings | null = null): SampledMargin[] {
  const lookup = lookupOf(job)
  return drawnMargins(job, findings).map(({ margin, drawn, parts, x }): SampledMargin => {
    const told = parts.map((r) => ({ id: r.part.id, ...drawnFrom(r.over, drawn.weights, r.si) }))
    if (!x)
      return { id: margin.id, x, chanceShort: margin.parts.some(isMissing) ? 1 : null, parts: told, measureNext: null }
    const best = [...new Set(parts.filter(counts).flatMap((r) => r.touched))]
      .filter((a) => drawn.stratum.has(a) && !lookup(a).seenOnly)
      .map((address) => {
        const { label, reading } = lookup(address)
        const share = sobolIndex(x, drawn.stratum.get(address)!)
        return { address, label, share, measured: reading.source === 'measured' }
      })
      .reduce<MeasureNext | null>((a, b) => (b.share > (a?.share ?? 0) ? b : a), null)
    const of = drawnFrom(x, drawn.weights, 1)
    return { id: margin.id, x: of, chanceShort: of.chanceShort, parts: told, measureNext: best }
  })
}

/** Every margin of a job with its verdict: what screen, sheet, yard, signature and command line show. */
export const judge = (job: Job, findings: Findings | null = null): Evaluation =>
  withSample(evaluate(job, findings), sample(job, findings))
