import type { MarginId } from '../job'
import { gravest, type Verdict } from '../reading'
import { decidingOf } from './deciding'
import type { MarginResult, MeasureNext, PartResult } from './evaluation'
import { say } from '../words'

/** Margins that answer for what can burn: they keep the worst corner of all readings, whatever is likely. */
const guards: readonly MarginId[] = ['wire', 'fuse', 'contacts']
export const isGuard = (id: MarginId): boolean => guards.includes(id)
/** What was seen tells of heat, air and charge; a guard keeps its readings, and so does a fit: a tape tells of that. */
export const heedsSeen = (id: MarginId): boolean => !isGuard(id) && id !== 'fit'

/** A judgement holds where at most so many of all draws are short, and is short from so many on. @see engineering §0 */
const [HOLDS, SHORT] = [0.05, 0.5]
export function verdictFromDraws(chanceShort: number): Verdict {
  if (chanceShort <= HOLDS) return 'holds'
  return chanceShort >= SHORT ? 'short' : 'unsure'
}

/** A warning of what is not sure, and the same without that. */
export const perhaps = (text: string): string => say`Perhaps: ${text}`
const certain = (text: string): string => (text.startsWith(perhaps('')) ? text.slice(perhaps('').length) : text)

interface FromDraws {
  readonly x: { readonly low: number; readonly high: number } | null
  readonly chanceShort: number | null
  readonly parts: readonly {
    readonly id: string
    readonly chanceShort: number
    readonly low: number
    readonly high: number
  }[]
  readonly measureNext: MeasureNext | null
}

const clamp = (value: number | null, to: (a: number, b: number) => number, end: number): number | null =>
  value === null || !Number.isFinite(end) ? value : to(value, end)

function partFromDraws(part: PartResult, found: FromDraws['parts'][number] | undefined): PartResult {
  if (!found || part.value === null) return part
  return {
    ...part,
    verdict: verdictFromDraws(found.chanceShort),
    chanceShort: found.chanceShort,
    worst: clamp(part.value, Math.min, found.low),
    best: clamp(part.value, Math.max, found.high),
    corner: { worst: part.worst, best: part.best },
  }
}

/** A margin with what sampling found: a judgement's verdict and whiskers come from it, a guard keeps its corner. */
export function toldFromDraws(margin: MarginResult, found: FromDraws): MarginResult {
  const { chanceShort, measureNext } = found
  const chances = new Map(found.parts.map((p) => [p.id, p]))
  if (isGuard(margin.id))
    return {
      ...margin,
      chanceShort,
      measureNext,
      toldFrom: 'corner',
      parts: margin.parts.map((p) => (chances.has(p.id) ? { ...p, chanceShort: chances.get(p.id)!.chanceShort } : p)),
    }
  const parts = margin.parts.map((p) => partFromDraws(p, chances.get(p.id)))
  // parts that are seldom short each may together be so too often: then the likeliest of them is not sure either
  const counting = parts.filter((p) => !p.warns)
  const together = chanceShort === null ? 'holds' : verdictFromDraws(chanceShort)
  const own = gravest(counting.map((p) => p.verdict))
  const likeliest = counting.reduce<PartResult | undefined>(
    (a, b) => ((b.chanceShort ?? -1) > (a?.chanceShort ?? -1) ? b : a),
    undefined,
  )
  const graver = found.x !== null && likeliest !== undefined && gravest([own, together]) !== own
  const settled = graver ? parts.map((p) => (p === likeliest ? { ...p, verdict: together } : p)) : parts
  const verdict = gravest(settled.filter((p) => !p.warns).map((p) => p.verdict))
  const least = decidingOf(settled, verdict) ?? settled.find((p) => p.id === margin.part)
  const texts = new Map(margin.warnings.map((w) => [w.part, certain(w.text)]))
  return {
    ...margin,
    verdict,
    ...(least
      ? {
          part: least.id,
          unit: least.unit,
          value: least.value,
          required: least.required,
          worst: least.worst,
          best: least.best,
          working: least.working,
        }
      : {}),
    xWorst: found.x ? clamp(margin.x, Math.min, found.x.low) : margin.xWorst,
    xBest: found.x ? clamp(margin.x, Math.max, found.x.high) : margin.xBest,
    chanceShort,
    measureNext,
    toldFrom: 'draws',
    parts: settled,
    warnings: settled
      .filter((p) => p.warns && (p.verdict === 'short' || p.verdict === 'unsure') && texts.has(p.id))
      .map((p) => ({ part: p.id, text: p.verdict === 'short' ? texts.get(p.id)! : perhaps(texts.get(p.id)!) })),
  }
}
