import { between } from './common'
import { claimKinds, endings, seenStates } from '../choices'
import { marginIds } from '../choices'
import { z } from 'zod'
import { field } from '../../fields'
import { idSchema } from '../../parts'
import { choiceEnds, seenEnds, upTo } from '../limits'
import { daySchema, line, momentSchema, name } from './common'

/** What is kept to, what was done and proved, and what was accepted and signed. */
export const recordShape = {
  limits: z.strictObject({
    dropShare: z.union([z.literal(0.02), z.literal(0.03), z.literal(0.05), z.literal(0.1)]),
    leastAreaM2: z.union([z.literal(0.5e-6), z.literal(0.75e-6)]),
    boilKeepK: between(choiceEnds.boilKeepK),
  }),
  use: z.strictObject({
    live: z.enum(['key only', 'after-run', 'isolator', 'whenever hot']),
    afterRunS: field('after-run wanted', 'minutes', [0, 36_000], 'power', 'minutes with the key off', true),
    standsS: field('longest it stands', 'days', [0, 3.2e7], 'power', 'days between outings', true),
    fanWhileCranking: z.boolean(),
  }),
  setting: z.strictObject({ state: z.enum(['test', 'working']) }),
  proofs: z
    .array(
      z.strictObject({
        id: idSchema,
        measured: z.strictObject({ value: between(choiceEnds.proof), typed: line(80) }).nullable(),
        answer: z.enum(['yes', 'no']).nullable(),
        /** why it was not proved */
        notProved: line(300).nullable(),
        /** what was seen besides, in words */
        words: line(300),
        /** a figure that differs and may stand, of the very value that was accepted */
        accepted: z.strictObject({ value: z.number(), why: name(300), by: name(80), at: momentSchema }).nullable(),
        /** what was found before it was put right and proved again */
        earlier: z.array(z.strictObject({ found: name(160), at: momentSchema })).max(...upTo('earlierProofs')),
        at: momentSchema,
      }),
    )
    .max(...upTo('proofs')),
  after: z
    .array(
      z.strictObject({
        id: idSchema,
        what: line(120),
        dueOn: daySchema.nullable(),
        doneOn: daySchema.nullable(),
        /** what was found when it was done */
        found: line(300),
      }),
    )
    .max(...upTo('care')),
  acceptances: z
    .array(
      z.strictObject({
        margin: z.enum([...marginIds, 'plan']),
        part: line(60),
        verdict: z.enum(['unsure', 'open', 'warning', 'short']),
        /** the worst corner that was accepted, in the part's unit; null where there was no figure */
        worst: z.number().nullable(),
        who: name(80),
        at: momentSchema,
        why: name(400),
      }),
    )
    .max(...upTo('acceptances')),
  /** what is claimed of the fan, and the runs that it is held against */
  claims: z
    .array(
      z.strictObject({
        id: idSchema,
        what: z.enum(claimKinds),
        /** what is claimed: so much less fuel, so much more power; null: no figure was named */
        share: between(choiceEnds.claimShare).nullable(),
        by: line(80),
        /** what its figures are in, for all its runs */
        unit: name(20),
        runs: z
          .array(
            z.strictObject({
              id: idSchema,
              at: momentSchema,
              state: z.enum(seenStates),
              figure: between(choiceEnds.claimFigure),
              airC: between(seenEnds.airC),
              /** the same way, load and speed have the same words */
              way: name(60),
            }),
          )
          .max(...upTo('claimRuns')),
      }),
    )
    .max(...upTo('claims')),
  /** a job that ends without a fan, and why */
  ended: z.strictObject({ why: z.enum(endings), note: line(300), by: name(80), at: momentSchema }).nullable(),
  signature: z
    .strictObject({
      by: name(80),
      at: momentSchema,
      coreVersion: line(20),
      /** in a file alone: of what it was signed for, so that a change by hand is seen */
      digest: z
        .string()
        .regex(/^[0-9a-f]{64}$/)
        .optional(),
    })
    .nullable(),
}
