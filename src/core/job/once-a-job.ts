import type { Job } from './document'

/**
 * What is made of a job, kept as long as the job is: jobs are immutable, so it is made once.
 * @example onceAJob((job) => job.title.length)({ title: 'bike' }) //=> 4
 */
export function onceAJob<T>(make: (job: Job) => T): (job: Job) => T {
  const made = new WeakMap<Job, { readonly value: T }>()
  return (job) => {
    const before = made.get(job)
    if (before) return before.value
    const value = make(job)
    made.set(job, { value })
    return value
  }
}
