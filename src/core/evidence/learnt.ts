import { fieldsOf, type Job, lookupOf, withReading } from '../job'
import { asWeighed, type Weighing } from '../reading'

/**
 * A new job on a machine that was here before: what was seen of it then stands where there would be a guess, with the
 * spread that was left. What is known better than a guess already stays.
 * @param before the newest job on the same machine
 * @param weighing what was seen of it, weighed; null: nothing was
 * @see engineering §0, evidence
 */
export function withLearnt(job: Job, before: Job, weighing: Weighing | null): Job {
  const alike = job.machine.kind === before.machine.kind && (job.cooling === null) === (before.cooling === null)
  if (!weighing || weighing.contradiction || !alike) return job
  const [lookup, fields] = [lookupOf(before), fieldsOf(job)]
  return weighing.informed
    .filter((r) => asWeighed(lookup, r) && fields.get(r.address)?.reading.source === 'typical')
    .reduce(
      (j, { address, value, low, high }) =>
        withReading(j, address, { value, source: 'seen', spread: Math.max(high - value, value - low) }),
      job,
    )
}
