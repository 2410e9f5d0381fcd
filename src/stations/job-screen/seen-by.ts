import { fanFirst, seenFrom } from '@/core/fan-circuit'
import type { Job } from '@/core/job'
import type { StationProps } from '../station'

type Seen = Pick<StationProps, 'job' | 'settle' | 'preview'>

const seen = new WeakMap<Job, Map<number, Job>>()

/** The job as seen from one of its fans; the same one as long as the job is. */
function jobFrom(job: Job, fan: number): Job {
  const before = seen.get(job) ?? new Map<number, Job>()
  seen.set(job, before)
  const view = before.get(fan) ?? fanFirst(job, fan)
  before.set(fan, view)
  return view
}

/** What a station is given of a job that is looked at from one of its fans. */
export const seenBy = (job: Job, fan: number, settle: Seen['settle'], preview: Seen['preview']): Seen =>
  fan === 0
    ? { job, settle, preview }
    : {
        job: jobFrom(job, fan),
        settle: (change) => settle(seenFrom(fan, change)),
        preview: (change) => preview(change && seenFrom(fan, change)),
      }
