import { coolantBoils } from '../air'
import { boilsAt } from '../cooling'
import type { Job } from '../job'
import type { Bench } from '../reading'

/** For runs that are only compared: a twentieth of the steps, peaks within 0.05 K; nothing but the ends is kept. */
export const COARSE = { roughly: true, everyS: 36_000 } as const

/**
 * How hot a run may get: coolant up to boiling less what is kept free, a bay up to what it may.
 * @param heightM another height than the job's own
 * @returns °C
 * @see engineering §2.2, §3.2
 */
export function mostAllowedC(bench: Bench, job: Job, heightM?: number): number {
  if (job.bay) return bench.value('bay.allowedC')
  const c = job.cooling
  const boilsC =
    heightM === undefined
      ? boilsAt(bench, job).at.c
      : coolantBoils(
          c.coolant,
          c.coolant === 'water' ? 0 : bench.value('cooling.glycolShare'),
          heightM,
          bench.value('cooling.capPa'),
        ).at.c
  return boilsC - job.limits.boilKeepK
}
