import { readFileSync } from 'node:fs'
import { type Job } from '../src/core/job'
import { readJobFile } from '../src/formats'

const read = readJobFile(readFileSync('examples/fell-bike-short-at-idle.job.json', 'utf8'))
if (!read.ok) throw new Error(read.message)
export const { job } = read

export const median = (times: number[]): number => times.sort((a, b) => a - b)[Math.floor(times.length / 2)]!
export const say = (what: string, ms: number, aim: string): void => {
  process.stdout.write(`${what.padEnd(64)}${ms.toFixed(1).padStart(8)} ms   ${aim}\n`)
}

export function time(runs: number, work: (job: Job) => void): number {
  for (let n = 0; n < 20; n++) work({ ...job })
  return median(
    Array.from({ length: runs }, () => {
      const copy = { ...job }
      const began = performance.now()
      work(copy)
      return performance.now() - began
    }),
  )
}

/** Medians of asynchronous work. */
export async function timeAsync(runs: number, work: (n: number) => Promise<unknown>): Promise<number> {
  for (let n = 0; n < 3; n++) await work(-1 - n)
  const times: number[] = []
  for (let n = 0; n < runs; n++) {
    const began = performance.now()
    await work(n)
    times.push(performance.now() - began)
  }
  return median(times)
}
