import { z } from 'zod'

/**
 * What a machine does in a leg of its day; load share, engine speed and travel are the job's own readings of that work.
 */
export const works = ['off', 'idle', 'slow', 'heavy', 'speed', 'towed', 'charger', 'alone'] as const
export type Work = (typeof works)[number]
export const MOST_LEGS = 600
/** a day and a night, and another: longer is several days, s */
export const LONGEST_DAY = 172_800
const id = z.string().regex(/^[\w-]{1,40}$/)

/** One leg; what stands as null is as the job's readings have it. SI, °C. */
export const dutyLegSchema = z.strictObject({
  id,
  name: z.string().trim().min(1).max(40),
  work: z.enum(works),
  seconds: z.number().min(0).max(LONGEST_DAY),
  speedMs: z.number().min(0).max(80).nullable(),
  loadShare: z.number().min(0).max(1.5).nullable(),
  rpm: z.number().min(0).max(20_000).nullable(),
  /** counts on a usual day; the coldest and the hottest day have their own */
  airC: z.number().min(-60).max(70).nullable(),
  /** rise over run; decides the load where no load share is given */
  grade: z.number().min(-1).max(1).nullable(),
  heightM: z.number().min(-430).max(6000).nullable(),
})

export type DutyLeg = z.infer<typeof dutyLegSchema>

/** A day that somebody put together, or that came from a track or a table; null: the usual one for its kind. */
export const dutySchema = z
  .strictObject({
    name: z.string().trim().min(1).max(80),
    from: z.enum(['library', 'hand', 'track', 'table']),
    legs: z.array(dutyLegSchema).min(1).max(MOST_LEGS),
  })
  .refine((d) => d.legs.reduce((sum, l) => sum + l.seconds, 0) <= LONGEST_DAY + 1, 'a day is no longer than 48 hours')
  .nullable()

export type Day = NonNullable<z.infer<typeof dutySchema>>
