import type { Job } from '../job'
import { circuitsOf, numberedAs } from './circuit'

/**
 * The job seen from one of its fans: that fan's run stands first, so that whatever is told of "the fan" is told of it.
 * Fans keep the numbers that they have.
 * @param n which run, 0 the first
 */
export function fanFirst(job: Job, n: number): Job {
  const run = job.runs[n]
  if (!run || n === 0) return job
  return numberedAs(
    { ...job, runs: [run, ...job.runs.filter((r) => r !== run)] },
    job.runs.map((r) => r.id),
  )
}

/** The job with its runs in the order of their numbers, however it was seen: first and second are told of it. */
export function inNumber(job: Job): Job {
  const circuits = circuitsOf(job)
  if (circuits.every((c, i) => c.number === i + 1)) return job
  const runs = [...circuits].sort((a, b) => a.number - b.number).map((c) => c.run)
  return numberedAs({ ...job, runs }, null)
}

/**
 * A job that was changed as seen from one of its fans, with its runs in the order that they had; new ones come last.
 */
export function inOrder(changed: Job, before: Job): Job {
  const order = before.runs.map((r) => r.id)
  const placed = order.flatMap((id) => changed.runs.filter((r) => r.id === id))
  const runs = [...placed, ...changed.runs.filter((r) => !order.includes(r.id))]
  return numberedAs({ ...changed, runs }, null)
}

/** One change made as seen from a fan. */
export const seenFrom =
  (n: number, change: (job: Job) => Job) =>
  (job: Job): Job =>
    n === 0 || n >= job.runs.length ? change(job) : inOrder(change(fanFirst(job, n)), job)
