import { isGuard, toldFromDraws } from './told-from-draws'
import type { Evaluation, MarginResult, PartResult } from './evaluation'

/** a chance that stands for a verdict until the draws have told; it is never shown */
const stand = { holds: 0, unsure: 0.25, short: 0.5 } as const

const moved = (now: number | null, then: number | null, was: number | null): number | null =>
  now === null || then === null || was === null ? null : now + (was - then)

/** What the whiskers of before come to, moved with a figure: short below the line, sure where they are above it. */
const verdictOf = (value: number, low: number): keyof typeof stand => {
  if (value < 0) return 'short'
  return low >= 0 ? 'holds' : 'unsure'
}

function partAt(now: PartResult, then: PartResult | undefined) {
  const low = moved(now.value, then?.value ?? null, then?.worst ?? null)
  const high = moved(now.value, then?.value ?? null, then?.best ?? null)
  if (now.value === null || low === null || high === null || then?.chanceShort === undefined) return []
  // what has not moved is as likely as it was
  const chanceShort = now.value === then.value ? then.chanceShort : stand[verdictOf(now.value, low)]
  return [{ id: now.id, low, high, chanceShort }]
}

function marginAt(now: MarginResult, then: MarginResult | undefined): MarginResult {
  if (isGuard(now.id) || then?.toldFrom !== 'draws') return now
  const before = new Map(then.parts.map((p) => [p.id, p]))
  const parts = now.parts.flatMap((p) => partAt(p, before.get(p.id)))
  // a part that was not there before has no whiskers to move: its corner counts, and so it does for them all
  if (parts.length < now.parts.filter((p) => p.value !== null).length) return now
  const [low, high] = [moved(now.x, then.x, then.xWorst), moved(now.x, then.x, then.xBest)]
  const x = now.x === null || low === null || high === null ? null : { low, high }
  const told = toldFromDraws(now, {
    x,
    chanceShort: x && now.x !== then.x ? stand[verdictOf(now.x!, x.low)] : (then.chanceShort ?? null),
    parts,
    measureNext: then.measureNext ?? null,
  })
  return {
    ...told,
    chanceShort: null,
    soft: true,
    parts: told.parts.map((p) => ({ ...p, chanceShort: undefined })),
  }
}

/**
 * An evaluation until its own draws are made: the whiskers of before, moved with its figures.
 * @param before the same job as it was last told from draws
 * @see engineering §0
 */
export const softly = (evaluation: Evaluation, before: Evaluation): Evaluation => ({
  ...evaluation,
  margins: evaluation.margins.map((m) =>
    marginAt(
      m,
      before.margins.find((b) => b.id === m.id),
    ),
  ),
})
