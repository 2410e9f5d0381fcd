import { type Job, lookupOf } from '../job'
import { DRAWS, quantilesOf, type Weighing } from '../reading'
import { workDefinitions } from '../run'
import type { Round } from './round'
import type { Seen } from './seen'

type Weighted = readonly [round: Round, weights: readonly number[]]

/** Heat at each work that was seen, before anything was, and by it. @see engineering §2.8 */
export function heatsOf(job: Job, seen: readonly Seen[], before: Weighted, after: Weighted): Weighing['heat'] {
  if (!job.engine && !job.bay?.heatW) return []
  const lookup = lookupOf(job)
  const works = [...new Set(seen.flatMap((s) => (s.kind === 'proved' ? [] : [s.work])))].filter(
    (w) => workDefinitions[w].running,
  )
  return works.flatMap((work) => {
    const { share } = workDefinitions[work]
    const band = ([round, weights]: Weighted): [number, number] => {
      const at = (address: string, k: number): number => round.drawn.get(address)?.[k] ?? lookup(address).reading.value
      const watts = Array.from({ length: DRAWS }, (_, k) =>
        job.bay?.heatW
          ? at('bay.heatW', k)
          : at('engine.heatShare', k) *
            (typeof share === 'number' ? share : at(share, k)) *
            at('engine.ratedPowerW', k),
      )
      return quantilesOf(watts, weights, [0.05, 0.95]) as [number, number]
    }
    return [{ work, before: band(before), after: band(after) }]
  })
}
