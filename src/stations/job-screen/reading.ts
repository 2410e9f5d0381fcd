import { type Job, jobSchema } from '@/core/job'
import { problemsInWords } from '@/formats'

export { readJob } from '@/formats'

/** Why a job cannot stand as it is, in words; null where it can. */
export function refusalOf(job: Job): string | null {
  const read = jobSchema.safeParse(job)
  return read.success ? null : problemsInWords(read.error)
}
