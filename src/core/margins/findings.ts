import { outcomeNames } from './outcome-names'
import { z } from 'zod'

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
