import type { Job } from '../job'
import type { Findings } from '../margins'
import { findingsOf, type FindingsStep, runWaitsFor, withoutRun } from '../run'
import type { Weighing } from '../reading'
import { nextLooks } from './next-look'
import { countingIn } from './seen'
import { weigh } from './weigh'

/** how much of the work weighing is, against all that is run */
const FIRST = 0.25

/** The findings of a job as soon as what was seen is weighed: its runs once, at the readings by it. */
function soFar(job: Job, at: string, evidence: Weighing): Findings {
  const first = runWaitsFor(job) ? null : findingsOf(job, at, evidence).next()
  return first && !first.done ? first.value.findings : { ...withoutRun(job, at, evidence), settled: false }
}

/**
 * All that is known of a job besides its readings: what was seen, weighed; what its runs come to with that; what to
 * look at next. The first findings come as soon as what was seen is weighed; the last value is settled.
 * @param at when, ISO
 * @throws StiffError where its readings cannot belong to one machine
 * @see engineering §0, margins.md, evidence
 */
export function* knownOf(
  job: Job,
  at: string,
): Generator<{ readonly findings: Findings | null; readonly share: number }, Findings | null> {
  let evidence: Findings['evidence'] = null
  for (const { weighing, done, of } of weigh(job)) {
    evidence = weighing ?? evidence
    yield { findings: weighing ? soFar(job, at, weighing) : null, share: (FIRST * done) / of }
  }
  if (runWaitsFor(job)) {
    const findings = withoutRun(job, at, evidence)
    if (evidence) yield { findings, share: 1 }
    return evidence ? findings : null
  }
  let last: FindingsStep | null = null
  for (const step of findingsOf(job, at, evidence)) {
    last = step
    if (!step.findings.settled) yield { findings: step.findings, share: FIRST + ((1 - FIRST) * step.done) / step.of }
  }
  const settled = { ...last!.findings, next: nextLooks(job, last!.findings) }
  yield { findings: settled, share: 1 }
  return settled
}

/** Whether anything is known of a job besides its readings: a run can be made, or something was seen. */
export const canBeKnown = (job: Job): boolean => runWaitsFor(job) === null || countingIn(job).length > 0

/** All of {@link knownOf} at once; null where there is neither a run nor anything that was seen. */
export function allKnown(job: Job, at: string): Findings | null {
  const steps = knownOf(job, at)
  let step = steps.next()
  while (!step.done) step = steps.next()
  return step.value
}
