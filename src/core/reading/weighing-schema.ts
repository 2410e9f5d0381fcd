import { z } from 'zod'
import { DRAWS } from './draws'

const endsSchema = z.strictObject({ low: z.number(), value: z.number(), high: z.number() })

/** A reading as it was typed when it was weighed, and what it was drawn from, or came to. */
export const weighedSchema = z.strictObject({ address: z.string().max(120), was: endsSchema, ...endsSchema.shape })
export type WeighedReading = z.infer<typeof weighedSchema>

/** One thing that was seen, beside what was predicted for it before it was seen, and after. */
export const seenSchema = z.strictObject({
  id: z.string().max(40),
  /** 5th, 50th and 95th of a hundred before anything that was seen counts; null: it does not come to it */
  predicted: z.tuple([z.number().nullable(), z.number().nullable(), z.number().nullable()]).nullable(),
  /** the same once all that was seen counts */
  after: z.tuple([z.number().nullable(), z.number().nullable(), z.number().nullable()]).nullable(),
  seen: z.number().nullable(),
  agrees: z.boolean(),
  /** why nothing is told from it; null where it counts */
  apart: z.string().max(200).nullable(),
})
export type SeenResult = z.infer<typeof seenSchema>

/** Heat that goes into coolant or bay at each work that was seen, W: 5th and 95th, before it and by it. */
export const heatSchema = z.array(
  z.strictObject({
    work: z.string().max(20),
    before: z.tuple([z.number(), z.number()]),
    after: z.tuple([z.number(), z.number()]),
  }),
)

/** How what was seen and what was read cannot belong to one machine. */
export const contradictionSchema = z.strictObject({
  /** readings that would have to move furthest */
  move: z.array(z.strictObject({ address: z.string(), from: z.number(), to: z.number() })),
  /** what, left out, makes the rest agree */
  leaveOut: z.string().nullable(),
})
export type Contradiction = z.infer<typeof contradictionSchema>

/**
 * What was seen of a machine, weighed against its readings: how likely it makes each of the machines that were drawn,
 * and what the readings are by it.
 * @see engineering §0, evidence
 */
export const weighingSchema = z.strictObject({
  /** as many as draws, together 1; empty where all count alike */
  weights: z.array(z.number()).max(DRAWS),
  /** (Σw)²/Σw²: of how many draws it is told */
  effective: z.number(),
  /** readings that were drawn anew about where they must lie, and from what */
  drawnFrom: z.array(weighedSchema),
  /** readings that what was seen tells something of: their mean, 5th and 95th */
  informed: z.array(weighedSchema),
  seen: z.array(seenSchema),
  heat: heatSchema,
  /** what was seen and what was read cannot belong to one machine */
  contradiction: contradictionSchema.nullable(),
})
export type Weighing = z.infer<typeof weighingSchema>
