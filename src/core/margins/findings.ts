import { z } from 'zod'
import type { Bench } from '../reading'

/** What one reading does to an outcome at both ends of its spread: what is added to it there. */
const effectSchema = z.strictObject({
  address: z.string(),
  low: z.number(),
  value: z.number(),
  high: z.number(),
  atLow: z.number(),
  atHigh: z.number(),
})

export type Effect = z.infer<typeof effectSchema>
/** how many samples a run is made for: chances are told to a hundredth or two */
export const RUN_DRAWS = 64

/** Outcomes of a run that margins are told from. Temperatures °C, shares 0…1, times s, starts each hour. */
export const outcomeNames = [
  'peak, hottest',
  'peak, coldest',
  'starts',
  'share, idle',
  'share, slow work',
  'share, cruise',
  'share, towed',
  'share, on its charger',
  'share, standing alone',
  'after switch-off',
] as const

export type OutcomeName = (typeof outcomeNames)[number]

const outcomeSchema = z.strictObject({
  value: z.number(),
  /** over all that was run, with all readings at their ends together too */ least: z.number(),
  most: z.number(),
  effects: z.array(effectSchema).max(120),
  /** at samples of all readings drawn together; empty until they are run */ draws: z.array(z.number()).max(512),
})

/**
 * What a job's runs came to, as it is handed to `evaluate` and `sample`. It belongs to one state of one job: `key`.
 * @see margins.md
 */
export const findingsSchema = z.strictObject({
  key: z.string().max(80),
  coreVersion: z.string().max(20),
  /** when it was run, ISO */
  at: z.iso.datetime(),
  day: z.string().max(80),
  /** the spreads of the readings have been run through as well */
  settled: z.boolean(),
  outcomes: z.partialRecord(z.enum(outcomeNames), outcomeSchema),
})

export type Findings = z.infer<typeof findingsSchema>

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
  return { ...now, outcomes }
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
