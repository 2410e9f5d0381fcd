import { type Job, lookupOf } from '../../job'
import { drawnMargins } from '../../margins'
import { Bench, endsAt, NotingBench, quantilesOf, triangularQuantile, type Weighing } from '../../reading'
import { withoutRun } from '../../run'
import { jobWhen, predict } from '../predict'
import type { Watched } from '../seen'
import { AT } from './observations'

/** A reproducible stream of shares between 0 and 1. */
function shares(seed: number): () => number {
  let state = seed
  const next = (): number => {
    state = (state * 16807) % 2147483647
    return state / 2147483647
  }
  // seeds that lie near each other begin alike
  for (let n = 0; n < 5; n++) next()
  return next
}

/** A machine drawn from the spreads of a job's readings, with all that it would show. */
export function twin(job: Job, seed: number, seen: readonly Watched[]) {
  const lookup = lookupOf(job)
  const noting = new NotingBench(lookup)
  seen.forEach((s) => predict(noting, jobWhen(job, s), s))
  const margins = drawnMargins(job).find((m) => m.margin.id === 'air')!
  const next = shares(seed)
  const touched = [...new Set([...noting.touched, ...margins.parts.flatMap((p) => p.touched)])]
  const truth = new Map(
    endsAt(lookup, touched).map((e) => [e.address, triangularQuantile(next(), e.low, e.value, e.high)]),
  )
  const bench = new Bench(lookup, truth)
  const shown = seen.map((s) => predict(bench, jobWhen(job, s), s))
  const moving = margins.parts.find((p) => p.part.id.startsWith('moving'))!
  return { air: moving.part.compute(bench).value, shown, noise: next }
}

export const evidenceOf = (job: Job, evidence: Weighing | null) => withoutRun(job, AT, evidence)
/** 5th and 95th of Air moving, in W, with what was seen. */
export function airBand(job: Job, evidence: Weighing | null): readonly [number, number] {
  const { parts, drawn } = drawnMargins(job, evidenceOf(job, evidence)).find((m) => m.margin.id === 'air')!
  const { over } = parts.find((p) => p.part.id.startsWith('moving'))!
  return quantilesOf(over, drawn.weights, [0.05, 0.95]) as [number, number]
}
