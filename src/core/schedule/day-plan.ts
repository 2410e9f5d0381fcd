import type { BenchDay, Pins, Work } from './lay-out'

/** How a day is laid out by hand: its hours, the jobs in their order, what shall not begin before some minute. */
export interface DayPlan extends BenchDay {
  /** ids of jobs, the most urgent first; those not named follow as they come */
  readonly order: readonly string[]
  /** ids of jobs that are not worked at */
  readonly off: readonly string[]
  /** by {@link pinKey}: minute of the day */
  readonly pins: readonly (readonly [key: string, minute: number])[]
}

export const usualDayPlan: DayPlan = {
  from: 8 * 60,
  until: 17 * 60,
  people: 1,
  pause: { from: 12 * 60, until: 12 * 60 + 30 },
  order: [],
  off: [],
  pins: [],
}

/** The work of a day in its order, without jobs that are left out of it. */
export const worksOfDay = (plan: DayPlan, works: readonly Work[]): Work[] => {
  const place = (job: string): number => (plan.order.includes(job) ? plan.order.indexOf(job) : plan.order.length)
  return works.filter((w) => !plan.off.includes(w.job)).sort((a, b) => place(a.job) - place(b.job))
}

export const pinsOf = (plan: DayPlan): Pins => new Map(plan.pins)

/** The plan with a block no earlier than some minute; null lets it begin as soon as it can. */
export const withPin = (plan: DayPlan, key: string, minute: number | null): DayPlan => ({
  ...plan,
  pins: [...plan.pins.filter(([k]) => k !== key), ...(minute === null ? [] : [[key, minute] as const])],
})

/** The plan with a job one place up (-1) or down (1) in the order given. */
export function moved(plan: DayPlan, jobs: readonly string[], job: string, by: -1 | 1): DayPlan {
  const order = [...jobs]
  const at = order.indexOf(job)
  const to = at + by
  if (at < 0 || to < 0 || to >= order.length) return plan
  order.splice(at, 1)
  order.splice(to, 0, job)
  return { ...plan, order }
}

/** "08:05" of a minute of the day. @example clockTime(485) //=> '08:05' */
export const clockTime = (minute: number): string => {
  const m = Math.round(minute)
  return `${String(Math.floor(m / 60)).padStart(2, '0')}:${String(m % 60).padStart(2, '0')}`
}

/** Minute of the day of "8", "8:05", "08.05"; null for what is no time of a day. @example minuteOf('8:05') //=> 485 */
export function minuteOf(text: string): number | null {
  const found = /^\s*(\d{1,2})(?:[:.](\d{2}))?\s*$/.exec(text)
  if (!found) return null
  const [hours, minutes] = [Number(found[1]), Number(found[2] ?? 0)]
  return hours <= 24 && minutes < 60 && hours * 60 + minutes <= 1440 ? hours * 60 + minutes : null
}
