import { openDebts } from '../build'
import type { Job } from '../job'
import { calendarDay } from '../units'
import { say } from '../words'

/** Something of a job that falls due on a day. */
export interface Call {
  readonly id: string
  readonly what: string
  /** calendar day, 2026-01-31 */
  readonly dueOn: string
}

/**
 * What is looked after and not done yet, and fixes for now on the day they may stand until, or that of their
 * making.
 */
export const callsOf = (job: Job): Call[] => [
  ...job.after.flatMap((a) =>
    a.dueOn !== null && a.doneOn === null ? [{ id: a.id, what: a.what, dueOn: a.dueOn }] : [],
  ),
  ...openDebts(job).map((d) => ({
    id: d.id,
    what: say`${d.dangerous ? say`Nobody drives with it` : say`Only for now`}, since ${calendarDay(d.at)}: ${d.what}`,
    dueOn: d.until ?? calendarDay(d.at),
  })),
]
