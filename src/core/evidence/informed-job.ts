import { type Job, lookupOf, withReading } from '../job'
import { asWeighed, type Weighing } from '../reading'

/**
 * The job with its readings as what was seen has them: what is run, charted and compared for a picture is of the same
 * machine as the margins beside it. Never to be kept: the document's readings stay as they were typed.
 */
export function informedJob(job: Job, weighing: Weighing | null | undefined): Job {
  const lookup = lookupOf(job)
  return (weighing?.informed ?? [])
    .filter((r) => asWeighed(lookup, r))
    .reduce((j, r) => withReading(j, r.address, { ...lookup(r.address).reading, value: r.value }), job)
}
