import { addDays } from '../build/days'
import { careDays, type Job } from '../job'
import { CORE_VERSION } from '../margins'
import { calendarDay } from '../units'

/** A signed job without what was seen of the machine since: its signature never answered for that. */
export const asSigned = (job: Job): Job => {
  const at = job.signature?.at
  return at === undefined || job.observations.every((o) => o.at <= at)
    ? job
    : { ...job, observations: job.observations.filter((o) => o.at <= at) }
}

/**
 * What a signature stands for: everything but the signature itself, what is looked after and seen later, and the
 * workshop's own notes of hours, parts, settings as left and traces.
 */
const signedContent = (job: Job, at: string): string =>
  JSON.stringify({
    ...job,
    observations: job.observations.filter((o) => o.at <= at),
    // the units it is shown in change nothing of it
    units: null,
    claims: [],
    hours: [],
    money: null,
    bought: [],
    settings: [],
    looseJoints: [],
    searches: [],
    traces: [],
    notes: [],
    signature: null,
    after: [],
  })

/** A job without what was seen since an older version of it: whatever a clock says, that was not there to be signed. */
const withoutNewlySeen = (job: Job, before: Job): Job => ({
  ...job,
  observations: job.observations.filter((o) => before.observations.some((b) => b.id === o.id)),
})

/**
 * Whether the next version of a job may carry the signature it has: none, or the same with nothing that was signed
 * changed.
 */
export const keepsSignature = (before: Job, after: Job): boolean =>
  after.signature === null ||
  (JSON.stringify(after.signature) === JSON.stringify(before.signature) &&
    signedContent(before, after.signature.at) === signedContent(withoutNewlySeen(after, before), after.signature.at))

/** The next version of a job: a change to anything that was signed takes the signature off it. */
export const withoutStaleSignature = (before: Job, after: Job): Job =>
  keepsSignature(before, after) ? after : { ...after, signature: null }

/**
 * The signed job: signature set and the days of aftercare filled in where nobody chose them.
 * @param at moment of signing, ISO
 */
export function signed(job: Job, by: string, at: string): Job {
  const day = calendarDay(at)
  return {
    ...job,
    after: job.after.map((a) => (a.dueOn === null ? { ...a, dueOn: addDays(day, careDays(a.id, day)) } : a)),
    signature: { by, at, coreVersion: CORE_VERSION },
  }
}
