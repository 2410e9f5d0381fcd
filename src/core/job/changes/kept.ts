import type { SettingPurpose } from '../choices'
import type { Job } from '../document'
import { type Listed, mostOf, tooMany } from '../limits'
import type { By } from './bench'
import { freshId } from './fresh-id'

type Taken = Job | { readonly full: string }
export type Bought = Job['bought'][number]
export type Trace = Job['traces'][number]
export type SettingLeft = Job['settings'][number]

/** Puts an entry at a list's end, with an id of its own; where there is no room, says how many there may be. */
function withEntry<L extends Listed & ('hours' | 'bought' | 'settings' | 'looseJoints' | 'traces')>(
  job: Job,
  list: L,
  stem: string,
  entry: Omit<Job[L][number], 'id'>,
): Taken {
  return job[list].length >= mostOf(list)
    ? { full: tooMany(list) }
    : { ...job, [list]: [...job[list], { id: freshId(stem, job[list]), ...entry }] }
}

/** Begins work at it, or ends what is open; a clock that was set back ends it where it began. */
export function clockIn(job: Job, by: string, at: string): Taken {
  const open = job.hours.find((h) => h.to === null)
  if (!open) return withEntry(job, 'hours', 'hours', { from: at, to: null, by })
  const to = at > open.from ? at : open.from
  return { ...job, hours: job.hours.map((h) => (h === open ? { ...h, to } : h)) }
}

/** Takes a time at work out: the clock was left running. */
export const removeHours = (job: Job, id: string): Job => ({ ...job, hours: job.hours.filter((h) => h.id !== id) })

export const setMoney = (job: Job, money: Partial<Job['money']>): Job => ({
  ...job,
  money: { ...job.money, ...money },
})

/** What may be spent on a part of the job; null: nobody said. */
export const setBudget = (job: Job, of: keyof Job['money']['budget'], most: number | null): Job =>
  setMoney(job, { budget: { ...job.money.budget, [of]: most } })

/** @param entry of what nobody said otherwise it is none of the budget's */
export const addBought = (
  job: Job,
  { of = 'other', ...entry }: Omit<Bought, 'id' | 'of'> & { readonly of?: Bought['of'] },
): Taken => withEntry(job, 'bought', 'bought', { ...entry, of })

export const changeBought = (job: Job, id: string, change: Partial<Omit<Bought, 'id'>>): Job => ({
  ...job,
  bought: job.bought.map((b) => (b.id === id ? { ...b, ...change } : b)),
})

export const removeBought = (job: Job, id: string): Job => ({ ...job, bought: job.bought.filter((b) => b.id !== id) })

/** Keeps what a controller was left at, and why. */
export const leaveSetting = (
  job: Job,
  left: { controller: string; startsC: number; stopsC: number; purpose: SettingPurpose; why: string },
  by: By,
): Taken => withEntry(job, 'settings', 'setting', { ...left, ...by })

export const addLooseJoint = (job: Job, where: string, at: string): Taken =>
  withEntry(job, 'looseJoints', 'joint', { where, at })

export const removeLooseJoint = (job: Job, id: string): Job => ({
  ...job,
  looseJoints: job.looseJoints.filter((j) => j.id !== id),
})

export const keepTrace = (job: Job, trace: Omit<Trace, 'id'>): Taken => withEntry(job, 'traces', 'trace', trace)

export const removeTrace = (job: Job, id: string): Job => ({ ...job, traces: job.traces.filter((t) => t.id !== id) })
