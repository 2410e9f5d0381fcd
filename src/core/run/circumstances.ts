import { type Job, jobKinds, withoutNewCore } from '../job'
import { say } from '../words'

export const seasons = ['coldest', 'usual', 'hottest'] as const
export type Season = (typeof seasons)[number]
export const runFans = ['proposed', 'present', 'none'] as const
export type RunFan = (typeof runFans)[number]

export const whatIfs = [
  'as it is',
  'override left on',
  'probe lead open',
  'probe lead shorted',
  'hand switch off',
] as const

export type WhatIf = (typeof whatIfs)[number]

/**
 * What a run is made under. What is given as a figure counts instead of the season's, the place's and the ground's own.
 */
export interface Circumstances {
  readonly season: Season
  readonly fan: RunFan
  readonly whatIf: WhatIf
  readonly airC?: number | undefined
  readonly heightM?: number | undefined
  /** share of the core's face that is blocked */
  readonly blocked?: number | undefined
}

export const usualCircumstances: Circumstances = { season: 'hottest', fan: 'proposed', whatIf: 'as it is' }

/** Why no run can be made; null where one can. */
export function runWaitsFor(job: Job): string | null {
  if (!jobKinds[job.kind].mountsFan) return say`this job places no fan: its air is not known`
  if (!job.cooling && !job.bay) return say`neither a core nor a bay`
  if (!job.fans.length) return say`a fan`
  if (!job.controllers.length) return say`a controller`
  return null
}

/** The job as it stood with the fan that comes off, or with the present core; null where there was none. */
export function withPresentFan(job: Job): Job | null {
  const { oldFan } = job
  const before = withoutNewCore(job)
  if (oldFan)
    return {
      ...before,
      fans: job.fans.map((f, i) =>
        i === 0 ? { ...f, part: oldFan.part, wiresSwapped: false, bladeTurned: false } : f,
      ),
    }
  return job.newCore ? before : null
}
