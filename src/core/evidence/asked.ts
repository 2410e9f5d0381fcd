import { fieldsOf, type Job, lookupOf } from '../job'
import { Bench, NotingBench } from '../reading'
import { StiffError } from '../transient'
import { jobWhen, predict, type Prediction } from './predict'
import type { Seen } from './seen'

/** Readings of a job as it stood when something was seen that are readings of the job as it is. */
function sharedReadings(job: Job, then: Job): (address: string) => boolean {
  if (then === job) return () => true
  const [now, before] = [fieldsOf(job), fieldsOf(then)]
  return (address) => now.has(address) && now.get(address)!.reading === before.get(address)?.reading
}

/** Everything that is needed to predict one thing that was seen, for any draw. */
export interface Asked {
  readonly seen: Seen
  /** @param moved readings of the job that are not as they stand */
  readonly at: (moved: ReadonlyMap<string, number>) => Prediction
  /** readings of the job that it hangs on; those of a fan that came off are not the job's */
  readonly touched: readonly string[]
}

/**
 * How something that was seen is predicted, in the job as it stood then.
 * @throws StiffError where its readings as they stand cannot belong to one machine
 */
export function askedOf(job: Job, seen: Seen): Asked {
  const then = jobWhen(job, seen)
  const lookup = lookupOf(then)
  const shared = sharedReadings(job, then)
  const noting = new NotingBench(lookup)
  predict(noting, then, seen)
  return {
    seen,
    touched: noting.touched.filter(shared),
    at: (moved) => {
      const own = then === job ? moved : new Map([...moved].filter(([address]) => shared(address)))
      try {
        return predict(new Bench(lookup, own), then, seen)
      } catch (trouble) {
        // among so many draws one may be no machine at all: it shows nothing that could be seen
        if (trouble instanceof StiffError) return NO_MACHINE
        throw trouble
      }
    },
  }
}

const FAR_K = 1e4
/** further from everything that can be seen than any machine */
const NO_MACHINE: Prediction = { value: FAR_K, overK: -FAR_K, horizonS: 1, slopeKs: null, wantingK: null }
