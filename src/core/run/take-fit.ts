import { type Job, withReading } from '../job'
import type { Fit } from './calibrate'

const rounded = (value: number, to: number): number => Number(value.toPrecision(to))

/** The job with what a log has fixed as measured readings of this machine. */
export const takeFit = (job: Job, { factors }: Fit): Job =>
  factors.reduce((j, f) => {
    const [value, spread] = [rounded(f.value, 4), rounded(f.plusMinus, 2)]
    return withReading(j, f.address, { value, source: 'measured', spread, typed: `${value} ±${spread}` })
  }, job)
