import { z } from 'zod'
import { between, legEnds, upTo } from '../limits'

/**
 * What a machine does in a leg of its day; load share, engine speed and travel are the job's own readings of that work.
 */
export const works = ['off', 'idle', 'slow', 'heavy', 'speed', 'towed', 'charger', 'alone'] as const
export type Work = (typeof works)[number]
/** a day and a night, and another: longer is several days, s */
export const LONGEST_DAY = 172_800
const id = z.string().regex(/^[\w-]{1,40}$/)

/** One leg; what stands as null is as the job's readings have it. SI, °C. */
export const dutyLegSchema = z.strictObject({
  id,
  name: z.string().trim().min(1).max(40),
  work: z.enum(works),
  seconds: z.number().min(0).max(LONGEST_DAY),
  speedMs: between(legEnds.speedMs).nullable(),
  loadShare: between(legEnds.loadShare).nullable(),
  rpm: between(legEnds.rpm).nullable(),
  /** counts on a usual day; the coldest and the hottest day have their own */
  airC: between(legEnds.airC).nullable(),
  /** rise over run; decides the load where no load share is given */
  grade: between(legEnds.grade).nullable(),
  heightM: between(legEnds.heightM).nullable(),
})

export type DutyLeg = z.infer<typeof dutyLegSchema>

/** A day that somebody put together, or that came from a track or a table; null: the usual one for its kind. */
export const dutySchema = z
  .strictObject({
    name: z.string().trim().min(1).max(80),
    from: z.enum(['library', 'hand', 'track', 'table']),
    legs: z
      .array(dutyLegSchema)
      .min(1)
      .max(...upTo('legsOfDay')),
  })
  .refine((d) => d.legs.reduce((sum, l) => sum + l.seconds, 0) <= LONGEST_DAY + 1, 'a day is no longer than 48 hours')
  .nullable()

export type Day = NonNullable<z.infer<typeof dutySchema>>
