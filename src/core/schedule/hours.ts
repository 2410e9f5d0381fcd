import { isTicked, plannedSteps } from '../build'
import type { Job } from '../job'
import { median } from '../reading'

const MINUTE_MS = 60_000

/** Minutes at a job by the clock, up to a moment where it still runs. */
export const workedMinutes = ({ hours }: Pick<Job, 'hours'>, now: string): number =>
  hours.reduce((sum, h) => sum + Math.max(0, Date.parse(h.to ?? now) - Date.parse(h.from)), 0) / MINUTE_MS

/** Hands-on minutes as planned: of all steps, and of those that are done. */
export function plannedMinutes(job: Job): { readonly all: number; readonly done: number } {
  const steps = plannedSteps(job)
  const sum = (list: typeof steps): number => list.reduce((s, { minutes }) => s + minutes, 0)
  return { all: sum(steps), done: sum(steps.filter((s) => isTicked(job, s.id))) }
}

/** so much of a job is done and so long was it clocked before its pace tells anything */
const LEAST_MIN = 30
/** nobody is that much faster or slower: the clock was left running, or never started */
const ENDS = [0.2, 6] as const

/**
 * Real minutes over planned ones of one job; null where too little was clocked to tell.
 * @example a job of 60 planned minutes, all done in 90, has a pace of 1.5
 */
export function paceOf(job: Job, now: string): number | null {
  const [worked, { done }] = [workedMinutes(job, now), plannedMinutes(job)]
  if (worked < LEAST_MIN || done < LEAST_MIN) return null
  const pace = worked / done
  return pace >= ENDS[0] && pace <= ENDS[1] ? pace : null
}

/** The pace of a workshop by its jobs, its middle one: one clock left running moves it little. 1 where none tells. */
export function usualPace(jobs: readonly Job[], now: string): { readonly pace: number; readonly jobs: number } {
  const paces = jobs.map((j) => paceOf(j, now)).filter((p) => p !== null)
  return { pace: median(paces) ?? 1, jobs: paces.length }
}
