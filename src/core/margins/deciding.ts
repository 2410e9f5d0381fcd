import type { Verdict } from '../reading'
import type { PartResult } from './evaluation'

/** A part's place on the rail; one that is short without a number lies below all others. */
export const xOf = (part: PartResult, at: 'value' | 'worst' | 'best' = 'value'): number => {
  const value = part[at]
  return value === null || part.scale === null ? Number.NEGATIVE_INFINITY : value / part.scale
}

/**
 * The part that decides a verdict: of those that come to it the one short most often, else lowest on the rail. None
 * where it holds, or waits: there the lowest of all counts.
 */
export function decidingOf(parts: readonly PartResult[], verdict: Verdict): PartResult | undefined {
  if (verdict !== 'short' && verdict !== 'unsure') return undefined
  const at = verdict === 'unsure' ? 'worst' : 'value'
  const graver = (a: PartResult, b: PartResult): boolean =>
    a.chanceShort !== undefined && b.chanceShort !== undefined && a.chanceShort !== b.chanceShort
      ? b.chanceShort > a.chanceShort
      : xOf(b, at) < xOf(a, at)
  return parts
    .filter((p) => !p.warns && p.verdict === verdict)
    .reduce<PartResult | undefined>((a, b) => (a === undefined || graver(a, b) ? b : a), undefined)
}
