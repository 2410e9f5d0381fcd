import { eachOnce, fannedCircuits } from '../fan-circuit'
import type { Job } from '../job'
import type { Part } from '../parts'
import { cutList } from '../wiring'
import { soldSeparately } from './budget'
import { type Cost, type CostLine, summed } from './cost'
import { plannedMinutes } from './hours'
import { say } from '../words'

const cents = (v: number): number => Math.round(100 * v) / 100
/** one foot, m */
const FOOT_M = 0.3048

/** Wire by the metre or by the foot, as the job is measured: a tenth of either. */
const runIn = (job: Job, metres: number): Pick<CostLine, 'count' | 'unit'> =>
  job.units === 'metric'
    ? { count: metres, unit: 'm' }
    : { count: Math.ceil((10 * metres) / FOOT_M - 1e-9) / 10, unit: 'ft' }

/**
 * What a job will cost by its plan: minutes of its steps, and what is chosen at the shelf's prices of today.
 * @param shelf whose prices count; a part that it does not have has the price that it was chosen with
 */
export function estimateOf(job: Job, shelf: readonly Part[]): Cost {
  const { perHour } = job.money
  const hours = cents(plannedMinutes(job).all / 60)
  const priceOf = (part: Part): number | null => shelf.find((p) => p.id === part.id)?.price ?? part.price ?? null
  const line = (what: string, about: string, count: number, each: number | null): CostLine => ({
    what,
    about,
    count,
    unit: 'pcs',
    each,
    total: each === null ? null : cents(count * each),
  })
  const parts: readonly Part[] = [
    ...fannedCircuits(job).map((c) => c.fan.part),
    ...eachOnce(job, 'controller').map(([c]) => c.part),
    ...eachOnce(job, 'probe').flatMap(([p]) => (p.part ? [p.part] : [])),
  ]
  const counted = [...new Map(parts.map((p) => [p.id, p])).values()]
  return summed(
    [
      {
        what: say`work, as planned`,
        about: '',
        count: hours,
        unit: 'h',
        each: perHour,
        total: perHour === null ? null : cents(hours * perHour),
      },
      ...counted.map((p) => line(p.name, p.maker, parts.filter((o) => o.id === p.id).length, priceOf(p))),
      ...soldSeparately(job).map((s) => line(s.needs, say`for ${s.part}, sold separately`, 1, null)),
      ...cutList(job, shelf).shopping.map((s): CostLine => {
        const sums = s.takes.map(({ part, count }) => {
          const price = shelf.find((p) => p.id === part)?.price ?? null
          return price === null ? null : count * price
        })
        const known = sums.length > 0 && sums.every((sum) => sum !== null)
        const total = known ? cents(sums.reduce((a, b) => a + b, 0)) : null
        // a fuse and its holder have no price of one
        const measure = s.unit === 'm' ? runIn(job, s.count) : { count: s.count, unit: 'pcs' as const }
        const each = total === null || s.takes.length > 1 ? null : cents(total / measure.count)
        return { what: s.what, about: '', ...measure, each, total }
      }),
    ],
    job.money.currency,
  )
}
