import { type Day, type DutyLeg, type Job, LONGEST_DAY, mostOf } from '../job'
import { dayLength, dayOf, daysFor, plainLeg, workDefinitions, worksOf } from './days'
import { say } from '../words'

/** how long a leg is that is added, s */
const ANOTHER_S = 600
/** Changes of the day that a job is run through; each returns a new job. */

/** One of the library's days; the usual one stands as none of its own. */
export const chooseDay = (job: Job, name: string): Job => {
  const days = daysFor(job.machine.kind)
  const chosen = days.find((d) => d.name === name)
  return chosen ? { ...job, duty: chosen === days[0] ? null : chosen } : job
}

export const takeDay = (job: Job, day: Day): Job => ({ ...job, duty: day })

const byHand = (job: Job, legs: readonly DutyLeg[]): Job => ({
  ...job,
  duty: { name: dayOf(job).from === 'hand' ? dayOf(job).name : say`a day of its own`, from: 'hand', legs: [...legs] },
})

export const nameDay = (job: Job, name: string): Job => ({
  ...job,
  duty: {
    ...dayOf(job),
    from: dayOf(job).from === 'library' ? 'hand' : dayOf(job).from,
    name: name.trim().slice(0, 80) || say`a day of its own`,
  },
})

export const changeDayLeg = (job: Job, id: string, change: Partial<DutyLeg>): Job =>
  byHand(
    job,
    dayOf(job).legs.map((l) => (l.id === id ? { ...l, ...change } : l)),
  )

export function addDayLeg(job: Job): Job {
  const { legs } = dayOf(job)
  if (legs.length >= mostOf('legsOfDay') || dayLength(dayOf(job)) + ANOTHER_S > LONGEST_DAY) return job
  const work = worksOf(job)[1] ?? 'idle'
  let n = legs.length + 1
  while (legs.some((l) => l.id === `leg${n}`)) n++
  return byHand(job, [...legs, plainLeg(`leg${n}`, workDefinitions[work].name, work, ANOTHER_S / 60)])
}

/** A day keeps one leg at least. */
export const removeDayLeg = (job: Job, id: string): Job => {
  const legs = dayOf(job).legs.filter((l) => l.id !== id)
  return legs.length ? byHand(job, legs) : job
}

export function moveDayLeg(job: Job, id: string, by: -1 | 1): Job {
  const legs = [...dayOf(job).legs]
  const from = legs.findIndex((l) => l.id === id)
  const to = from + by
  if (from < 0 || to < 0 || to >= legs.length) return job
  const [leg] = legs.splice(from, 1)
  legs.splice(to, 0, leg!)
  return byHand(job, legs)
}
