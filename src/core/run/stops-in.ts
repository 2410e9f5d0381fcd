import { type Job, lookupOf } from '../job'
import { Bench } from '../reading'
import { Governor, integrate, rowAt, runView } from '../transient'
import { dayOf, plainLeg } from './days'
import { runSpecOf } from './run-spec'
import { afterKeyOff } from '../wiring'

/** The off point at which a fan that outlives the key stops so long after switch-off. */
export interface StopsIn {
  readonly minutes: number
  readonly offC: number
}

const asked = [2, 5, 10] as const

/**
 * Off points, at the probe, at which the fan stops two, five and ten minutes after switch-off on the hottest day: what
 * the probe shows then with the fan running all the while, heat soaking out of the stopped engine. Empty where it stops
 * with the key.
 * @see engineering §4, the notes on bays in §3.2
 */
export function stopsIn(job: Job): StopsIn[] {
  if (afterKeyOff(job) === 'stops' || !job.engine) return []
  const day = dayOf(job)
  const work = [...day.legs]
  while (work.length && work[work.length - 1]!.work === 'off') work.pop()
  if (!work.length) return []
  const spec = runSpecOf(
    new Bench(lookupOf(job)),
    job,
    { season: 'hottest', fan: 'proposed', whatIf: 'as it is' },
    { ...day, legs: [...work, plainLeg('soak', 'soak', 'off', asked[asked.length - 1]! + 1)] },
  )
  const run = runView(
    integrate(
      { ...spec, governors: spec.motors.map(() => new Governor({ kind: 'on' }, { afterS: Number.POSITIVE_INFINITY })) },
      { stepS: 2, everyS: 5 },
    )!,
    1e6,
  )
  const offS = run.legs[run.legs.length - 1]!.fromS
  return asked.map((minutes) => ({ minutes, offC: run.rows.probe[rowAt(run, offS + 60 * minutes)]! }))
}
