import type { Station } from '../fields'
import type { Job } from '../job'
import { isDry } from './coolant'
import { holdingEntries, openEntries } from './ledger'
import { missingNeeds } from './needs'
import { stateOfProof, unsettledProofs } from './proof-state'
import { type Proof, proofsOf } from './proofs'
import { isTicked, plannedSteps } from './planned'
import type { PlannedStep } from './step'
import { say } from '../words'

/** What a step or a proof waits for. */
export interface Lock {
  readonly waits: readonly string[]
  /** something was tried and failed, or would be lost: nobody goes past it by name */
  readonly firm: boolean
  /** where the first of it is settled */
  readonly station: Station
}

const andMore = ([one, ...more]: readonly string[]): string | null =>
  one === undefined ? null : `${one}${more.length ? say` and ${more.length} more` : ''}`

const first = (titles: readonly string[]): string[] => {
  const named = andMore(titles)
  return named === null ? [] : [say`${named} first`]
}

/** Steps of a list that this job has and that are not ticked. */
const unticked = (job: Job, ids: readonly string[]): PlannedStep[] =>
  plannedSteps(job).filter((s) => ids.includes(s.id) && !isTicked(job, s.id))

/** What some steps wait for besides other steps. */
const more: Readonly<Record<string, (job: Job) => string[]>> = {
  'have-all': (job) => {
    const missing = andMore(missingNeeds(job).map((n) => n.what))
    return [
      ...(job.fans.length ? [] : [say`a fan to choose first`]),
      ...(missing === null ? [] : [say`what is needed, not answered: ${missing}`]),
    ]
  },
  baseline: (job) =>
    job.baseline.state === 'not yet' ? [say`the baseline: taken, or said that it cannot be had (in Machine)`] : [],
  'working-setting': (job) =>
    job.setting.state === 'test' ? [say`the controller stands on its test setting: say in Prove when it does not`] : [],
  'last-look': (job) => openEntries(job).map((e) => say`${e.what} is not back`),
}

/** Proofs that a step answers or waits for, in words, and whether one of them failed. */
function proofsBefore(job: Job, step: PlannedStep): { readonly waits: string[]; readonly failed: boolean } {
  const unsettled = unsettledProofs(job).filter(({ proof }) => step.waitsForProofs || step.asks.includes(proof.id))
  const failed = unsettled.filter(({ state }) => state !== 'open')
  const open = andMore(unsettled.flatMap(({ proof, state }) => (state === 'open' ? [proof.name] : [])))
  return {
    waits: [
      ...failed.map(({ proof, state }) => `${proof.name}: ${state}`),
      ...(open === null ? [] : [step.waitsForProofs ? say`still to prove: ${open}` : say`still to answer: ${open}`]),
    ],
    failed: failed.length > 0,
  }
}

/** Whether somebody went past a lock by name. */
export const passedBy = (job: Job, what: string): Job['build']['passed'][number] | undefined =>
  job.build.passed.find((p) => p.what === what)

const lockOr = (waits: readonly string[], firm: boolean, station: Station = 'build'): Lock | null =>
  waits.length ? { waits, firm, station } : null

/** Where that is settled which some steps wait for besides other steps. */
const settledAt: Readonly<Record<string, Station>> = {
  baseline: 'machine',
  'working-setting': 'prove',
  covers: 'prove',
}

/**
 * What a step waits for; null where it can be done. What failed holds whatever anybody says: a fuse does not go in on a
 * pinched wire.
 */
export function lockOf(job: Job, step: PlannedStep): Lock | null {
  const { waits, failed } = proofsBefore(job, step)
  const before = first(unticked(job, step.needs).map((s) => s.title))
  const all = [...before, ...waits, ...(more[step.id]?.(job) ?? [])]
  const station = before.length ? 'build' : settledAt[step.id]
  if (failed) return lockOr(all, true, station)
  return passedBy(job, step.id) ? null : lockOr(all, false, station)
}

/** Why no engine may run; nothing where it may. Nobody goes past that by name. */
export const engineHeld = (job: Job): string[] => [
  ...(isDry(job) ? [say`the coolant is out: refill and purge first`] : []),
  ...holdingEntries(job),
]

/** What a proof waits for: steps, and for one with the engine running whatever an engine must not run without. */
export function proofLock(job: Job, proof: Proof): Lock | null {
  const held = proof.engine ? engineHeld(job) : []
  if (held.length) return lockOr(held, true)
  if (proof.needs.includes('fuse-in')) {
    const tried = proofsOf(job).filter((p) => !p.needs.includes('fuse-in') && stateOfProof(job, p) === 'failed')
    const failed = tried.map((p) => say`${p.name}: failed`)
    if (failed.length) return lockOr(failed, true)
  }
  if (passedBy(job, `proof:${proof.id}`)) return null
  return lockOr(first(unticked(job, proof.needs).map((s) => s.title)), false)
}

/** The step to do next: the first that is not done and waits for no other step. */
export function nextStep(job: Job): PlannedStep | undefined {
  const open = plannedSteps(job).filter((s) => !isTicked(job, s.id))
  return open.find((s) => unticked(job, s.needs).length === 0) ?? open[0]
}
