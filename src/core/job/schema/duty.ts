import { between } from './common'
import { works } from '../choices'
import { LONGEST_DAY } from '../choices'
import { z } from 'zod'
import { legEnds, upTo } from '../limits'
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
