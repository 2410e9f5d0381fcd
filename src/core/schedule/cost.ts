import type { Job } from '../job'
import { plannedMinutes, workedMinutes } from './hours'
import { say } from '../words'

/** One line of what a job costs. */
export interface CostLine {
  readonly what: string
  /** number and maker of a part */
  readonly about: string
  readonly count: number
  readonly unit: 'h' | 'pcs' | 'm' | 'ft'
  /** of one; null: nobody noted it */
  readonly each: number | null
  readonly total: number | null
}

export interface Cost {
  readonly lines: readonly CostLine[]
  /** of every line that has a price */
  readonly total: number
  /** lines without one: the total is at least so much */
  readonly unpriced: number
  readonly currency: string
}

const cents = (v: number): number => Math.round(100 * v) / 100

/** Lines with what they come to. */
export const summed = (lines: readonly CostLine[], currency: string): Cost => ({
  lines,
  total: cents(lines.reduce((sum, l) => sum + (l.total ?? 0), 0)),
  unpriced: lines.filter((l) => l.total === null).length,
  currency,
})

/**
 * What a job costs: hours by the clock, or as planned where no clock ran, and what was bought.
 * @param now until when a running clock counts
 */
export function costOf(job: Job, now: string): Cost {
  const worked = workedMinutes(job, now)
  const hours = cents((worked || plannedMinutes(job).all) / 60)
  const { perHour, currency } = job.money
  const lines: CostLine[] = [
    {
      what: worked ? say`work, by the clock` : say`work, as planned`,
      about: '',
      count: hours,
      unit: 'h',
      each: perHour,
      total: perHour === null ? null : cents(hours * perHour),
    },
    ...job.bought.map((b): CostLine => ({
      what: b.what,
      about: [b.number, b.from].filter(Boolean).join(', '),
      count: b.count,
      unit: 'pcs',
      each: b.price,
      total: b.price === null ? null : cents(b.count * b.price),
    })),
  ]
  return summed(lines, currency)
}
