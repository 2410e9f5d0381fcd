import { type OutcomeName } from './outcome-names'
import { type Findings } from './findings'
import type { Bench } from '../reading'

/**
 * Findings of a changed job until its spreads are run through: its own figures, with the effects that readings had
 * before.
 * @param before settled findings of the job as it was; null: none
 */
export function afterwards(now: Findings, before: Findings | null): Findings {
  if (!before || now.settled) return now
  if (before.key === now.key) return before
  const outcomes = Object.fromEntries(
    Object.entries(now.outcomes).map(([name, o]) => {
      const was = before.outcomes[name as OutcomeName]
      const moved = was && o ? o.value - was.value : 0
      return [
        name,
        was && o
          ? {
              ...was,
              value: o.value,
              least: Math.min(o.value, was.least + moved),
              most: Math.max(o.value, was.most + moved),
              draws: [],
            }
          : o,
      ]
    }),
  )
  return { ...now, outcomes, next: before.next }
}

/**
 * An outcome with this pass's readings: as it was run, with what each reading that has moved does to it, straight
 * between the ends of its spread; never beyond what any run came to.
 * @returns null where the runs have no such outcome
 */
export function outcomeAt(findings: Findings, name: OutcomeName, bench: Bench): number | null {
  const outcome = findings.outcomes[name]
  if (!outcome) return null
  const sample = bench.sampleOf
  if (sample && sample.size === outcome.draws.length) return outcome.draws[sample.index]!
  let value = outcome.value
  for (const e of outcome.effects) {
    const x = bench.value(e.address)
    if (x < e.value && e.low < e.value) value += (e.atLow * (e.value - x)) / (e.value - e.low)
    else if (x > e.value && e.high > e.value) value += (e.atHigh * (x - e.value)) / (e.high - e.value)
  }
  return outcome.effects.length ? Math.min(outcome.most, Math.max(outcome.least, value)) : value
}
