import { type Day, type Job, lookupOf } from '../job'
import { Bench } from '../reading'
import { integrate, type Run, type RunOptions } from '../transient'
import { dayOf } from './days'
import { type Circumstances, usualCircumstances, withPresentFan } from './circumstances'
import { runSpecOf } from './run-spec'

/**
 * A job run through a day.
 * @returns null where `progress` gave it up
 * @throws StiffError where its readings cannot belong to one machine; TypeError where {@link runWaitsFor} says why not
 * @see engineering §4
 */
export function simulate(
  job: Job,
  circumstances: Circumstances = usualCircumstances,
  { day, ...options }: RunOptions & { readonly day?: Day | undefined } = {},
): Run | null {
  const meant = circumstances.fan === 'present' ? (withPresentFan(job) ?? job) : job
  return integrate(runSpecOf(new Bench(lookupOf(meant)), meant, circumstances, day ?? dayOf(job)), options)
}
