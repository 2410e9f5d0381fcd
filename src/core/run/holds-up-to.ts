import { type Job, lookupOf } from '../job'
import { Bench } from '../reading'
import { integrate } from '../transient'
import { COARSE, mostAllowedC } from './compared'
import { runSpecOf } from './run-spec'

const LOWEST_C = -25
const HIGHEST_C = 60
const NEAR_K = 0.2

export interface Standing {
  readonly heightM?: number | undefined
  readonly blocked?: number | undefined
}

/** What is left below boiling, or below what a bay may get, in an air temperature, K over what is kept free. */
export function leftAt(job: Job, airC: number, { heightM, blocked }: Standing = {}): number {
  const bench = new Bench(lookupOf(job))
  const run = integrate(
    runSpecOf(bench, job, { season: 'hottest', fan: 'proposed', whatIf: 'as it is', airC, heightM, blocked }),
    COARSE,
  )!
  return mostAllowedC(bench, job, heightM) - run.peakC
}

/**
 * The warmest air in which a job's day still leaves what is kept free, sought by halving.
 * @returns °C; null where it holds nowhere above −25 °C; 60 where it holds up to there
 * @see engineering §4
 */
export function holdsUpTo(job: Job, standing: Standing = {}): number | null {
  let [low, high] = [LOWEST_C, HIGHEST_C]
  if (leftAt(job, high, standing) >= 0) return high
  if (leftAt(job, low, standing) < 0) return null
  while (high - low > NEAR_K) {
    const mid = (low + high) / 2
    if (leftAt(job, mid, standing) >= 0) low = mid
    else high = mid
  }
  return low
}
