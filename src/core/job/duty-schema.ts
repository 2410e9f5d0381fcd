import { z } from 'zod'

/** What a machine does in a leg of its day; load share, engine speed and travel are the job's own readings of that work. */
export const works = ['off', 'idle', 'slow', 'heavy', 'speed', 'towed', 'charger', 'alone'] as const
export type Work = (typeof works)[number]

const id = z.string().regex(/^[\w-]{1,40}$/)

/** One leg; what stands as null is as the job's readings have it. SI, °C. */
export const dutyLegSchema = z.strictObject({
  id, name: z.string().trim().min(1).max(40), work: z.enum(works),
  seconds: z.number().min(0).max(172_800),
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

export const MOST_LEGS = 600

/** A day that somebody put together, or that came from a track or a table; null: the usual one for its kind. */
export const dutySchema = z.strictObject({
  name: z.string().trim().min(1).max(80), from: z.enum(['library', 'hand', 'track', 'table']),
  legs: z.array(dutyLegSchema).min(1).max(MOST_LEGS),
}).nullable()
export type Day = NonNullable<z.infer<typeof dutySchema>>
