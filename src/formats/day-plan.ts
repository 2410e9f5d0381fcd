import { z } from 'zod'
import { say } from '../core/words'

const minute = z.number().min(0).max(1440)
const id = z.string().min(1).max(80)

/** How a day was laid out, as it is sent and kept. */
export const dayPlanSchema = z
  .strictObject({
    from: minute,
    until: minute,
    people: z.union([z.literal(1), z.literal(2)]),
    pause: z.strictObject({ from: minute, until: minute }).nullable(),
    order: z.array(id).max(200),
    off: z.array(id).max(200),
    pins: z.array(z.tuple([z.string().min(1).max(160), minute])).max(400),
  })
  .refine((p) => p.from < p.until, say`a day ends after it began`)
  .refine((p) => p.pause === null || p.pause.from < p.pause.until, say`a pause ends after it began`)
