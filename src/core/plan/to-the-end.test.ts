import { exampleShelf } from '../../formats/test-support/examples'
import { answerTo, lockOf, needsOfJob, proofLock, proofsOf, stateOfProof, stepsOf } from '../build'
import {
  answerNeeds,
  answerProof,
  beginSearch,
  changeMount,
  endSearch,
  type Job,
  jobKinds,
  mountsFor,
  tickStep,
} from '../job'
import { startedJobs } from '../job/test-support/started'
import { evaluate } from '../margins'
import { signing, summaryOf } from '.'
import { chosen } from './test-support/chosen'

const AT = '2026-03-01T10:00:00Z'
const shelf = exampleShelf()
/** Answers a proof as it should be: the middle of its band, or yes. */
const proved = (job: Job, id: string): Job => {
  const { predicted } = proofsOf(job).find((p) => p.id === id)!
  return answerProof(
    job,
    id,
    predicted
      ? { measured: { value: predicted.value, typed: 'x' }, answer: null, notProved: null }
      : { measured: null, answer: 'yes', notProved: null },
    AT,
  )
}

/**
 * Works as somebody would who does what is not locked, whatever comes first, until nothing is left or all is
 * locked.
 */
function workedThrough(begun: Job): { job: Job; stuck: string[] } {
  let job: Job = answerNeeds(
    { ...begun, baseline: { ...begun.baseline, state: 'cannot be had' } },
    needsOfJob(begun, shelf).map((n) => n.id),
    { here: true },
    { by: 'me', at: AT },
  )
  for (let round = 0; round < 200; round++) {
    const step = stepsOf(job).find((s) => !job.build.done.some((d) => d.step === s.id) && lockOf(job, s) === null)
    const proof = proofsOf(job).find((p) => !answerTo(job, p) && proofLock(job, p) === null)
    if (step) job = tickStep(job, step.id, AT)
    else if (proof) job = proved(job, proof.id)
    else if (job.setting.state === 'test') job = { ...job, setting: { state: 'working' } }
    else break
  }
  return {
    job,
    stuck: [
      ...stepsOf(job)
        .filter((s) => !job.build.done.some((d) => d.step === s.id))
        .map((s) => s.id),
      ...proofsOf(job)
        .filter((p) => stateOfProof(job, p) === 'open')
        .map((p) => p.id),
    ],
  }
}

test(
  'every kind of job on every machine comes to its end: no lock waits for what waits for it, then it can ' +
    'be signed, and not a step before',
  () => {
    const jobs = startedJobs().flatMap((job) =>
      (jobKinds[job.kind].mountsFan ? mountsFor(job) : [job.place.mount]).map((mount) => changeMount(job, mount)),
    )
    expect(jobs.length).toBeGreaterThan(15)
    for (const begun of jobs) {
      const { job, stuck } = workedThrough(chosen({ ...begun, setting: { state: 'test' } }, shelf))
      const who = [job.machine.kind, job.kind, job.place.mount]
      expect([...who, stuck]).toEqual([...who, []])
      const { blockers, toAccept } = signing(job, evaluate(job))
      expect([...who, blockers]).toEqual([...who, []])
      const accepted: Job = {
        ...job,
        acceptances: toAccept.map(({ margin, part: of, verdict, worst }) => ({
          margin,
          part: of,
          verdict,
          worst,
          who: 'me',
          at: AT,
          why: 'told',
        })),
      }
      expect([...who, signing(accepted, evaluate(accepted)).ready]).toEqual([...who, true])
      // nor while a fault is sought in it; once that is found and put right it can be again
      const sought = beginSearch(accepted, [{ move: 'noise', found: 'rubs', typed: '' }], AT) as Job
      const evaluation = evaluate(sought)
      expect([...who, signing(sought, evaluation).blockers.join()]).toEqual([
        ...who,
        'A fault is being sought: end the search, in Prove.',
      ])
      expect(summaryOf(sought).worst).toMatch(/^A fault is being sought/)
      const end = { cause: 'x', words: 'x', repair: 'x', proof: 'x', by: 'me', at: AT }
      expect(signing(endSearch(sought, 'search1', end), evaluation).ready).toBe(true)
      // with one step back it is not
      const back = { ...accepted, build: { ...accepted.build, done: accepted.build.done.slice(0, -1) } }
      expect([...who, signing(back, evaluate(back)).ready]).toEqual([...who, false])
    }
  },
)
