import { type Summary } from './summary-schema'
import { CORE_VERSION, type Evaluation, evaluate, worstInWords } from '../margins'
import { faultSought, type Job, jobKinds } from '../job'
import { stations } from '../fields'
import { proofsOf, stateOfProof } from '../build'
import { callsOf } from './calls'
import { filled } from './filled'
import { nextThing } from './next'
import { complaintInWords } from './complaint-words'
import { calendarDay } from '../units'
import { say, spokenWord } from '../words'

/** a height on the rail to a thousandth: no bar shows more, and a yard is read faster */
const drawn = (x: number | null): number | null => (x === null ? null : Math.round(x * 1000) / 1000)

/** a day before all calendars: nothing is due on it */
const NEVER_DUE = '0000-01-01'

/** What a proof or a search found that no margin says; null where all is as predicted, or may stand. */
function proofInWords(job: Job): string | null {
  const found = proofsOf(job).find((p) => ['failed', 'differs'].includes(stateOfProof(job, p)))
  if (found) return say`Proof ${spokenWord(stateOfProof(job, found))}: ${found.name}`
  const sought = faultSought(job)
  return sought ? say`A fault is being sought, since ${calendarDay(sought.at)}` : null
}

/** A job's line of the yard. @param evaluation its margins, told as the job's own page tells them */
export function summaryOf(job: Job, evaluation: Evaluation = evaluate(job)): Summary {
  return {
    coreVersion: CORE_VERSION,
    title: job.title,
    kind: job.machine.kind,
    about: [
      ...(job.machine.name === job.title ? [] : [job.machine.name]),
      ...(job.machine.owner ? [job.machine.owner] : []),
      jobKinds[job.kind].name,
    ].join(', '),
    complaint: complaintInWords(job),
    promisedOn: job.promisedOn,
    signedOn: job.signature ? calendarDay(job.signature.at) : null,
    endedOn: job.ended ? calendarDay(job.ended.at) : null,
    margins: evaluation.margins.map(({ id, name, verdict, x, xWorst, xBest }) => ({
      id,
      name,
      verdict,
      x: drawn(x),
      xWorst: drawn(xWorst),
      xBest: drawn(xBest),
    })),
    worst: job.ended
      ? say`Ended without a fan: ${spokenWord(job.ended.why)}`
      : (proofInWords(job) ?? worstInWords(evaluation, job.units)),
    next: nextThing(job, evaluation, NEVER_DUE).text,
    ticks: stations.map((s) => {
      const { done, total } = filled(job, s)
      if (total > 0 && done === total) return 'full'
      return done > 0 ? 'begun' : 'empty'
    }),
    care: callsOf(job).map(({ what, dueOn }) => ({ what, dueOn })),
  }
}
