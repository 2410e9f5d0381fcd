import { z } from 'zod'
import { type Reading, sources } from './reading'

/** Reads a reading. */
export const readingSchema = z.strictObject({
  value: z.number(),
  source: z.enum(sources),
  spread: z.number().nonnegative().optional(),
  typed: z.string().max(80).optional(),
}) satisfies z.ZodType<Reading>
