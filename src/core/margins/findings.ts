import { outcomeNames } from './outcome-names'
import { z } from 'zod'
import { observationKinds, works } from '../job'
import { weighingSchema } from '../reading'

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

/** Something to look at next: an observation, or a reading by its address, and what it would settle. */
export const lookSchema = z.strictObject({
  kind: z.enum([...observationKinds, 'reading']),
  address: z.string().nullable(),
  work: z.enum(works).nullable(),
  toC: z.number().nullable(),
  fromC: z.number().nullable(),
  /** how long it is watched, s */
  forS: z.number().nullable(),
  /** what would be seen: 5th, 50th and 95th of a hundred, in its own unit */
  predicted: z.tuple([z.number().nullable(), z.number().nullable(), z.number().nullable()]),
  /** how long it takes, min */
  minutes: z.number(),
  /** the margin whose doubt it lessens, by which share, and in how many of a hundred cases that is then settled */
  margin: z.string(),
  share: z.number(),
  settles: z.number(),
})
export type Look = z.infer<typeof lookSchema>

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
  /** what was seen of the machine, weighed; null: nothing was, or it has not been weighed yet */
  evidence: weighingSchema.nullable(),
  /** what to look at next, the best first */
  next: z.array(lookSchema).max(3),
})

export type Findings = z.infer<typeof findingsSchema>
