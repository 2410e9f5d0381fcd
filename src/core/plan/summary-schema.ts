import { machineKinds } from '../job'
import { marginIds } from '../job'
import { verdicts } from '../reading'
import { z } from 'zod'

/** A job as one line of the yard: worked out when it is saved, so that a yard of thousands opens at once. */
export const summarySchema = z.strictObject({
  coreVersion: z.string(),
  title: z.string(),
  kind: z.enum(machineKinds),
  about: z.string(),
  complaint: z.string(),
  promisedOn: z.string().nullable(),
  signedOn: z.string().nullable(),
  endedOn: z.string().nullable(),
  margins: z.array(
    z.strictObject({
      id: z.enum(marginIds),
      name: z.string(),
      verdict: z.enum(verdicts),
      x: z.number().nullable(),
      xWorst: z.number().nullable(),
      xBest: z.number().nullable(),
    }),
  ),
  worst: z.string(),
  /** the next thing to do but for what falls due by the calendar */
  next: z.string(),
  ticks: z.array(z.enum(['full', 'begun', 'empty'])),
  /** what is looked after, not yet done, with its day */
  care: z.array(z.strictObject({ what: z.string(), dueOn: z.string() })),
})

export type Summary = z.infer<typeof summarySchema>
