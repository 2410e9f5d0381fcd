import { outcomeAt } from './outcomes'
import { standingTime, timeToFloor } from '../electrical'
import { batteryAt, controllersDraw, crankingAt, crankingFloor, cranks, fansAtRest } from '../fan-circuit'
import type { Job } from '../job'
import { type Bench, following, term, worked, type Worked } from '../reading'
import { parkedDraw } from '../wiring'
import { type Findings } from './findings'
import { say } from '../words'

/** How long the battery alone carries the fan, and on a trailer everything else that stays on. @see engineering §1.9 */
export function aloneTime(bench: Bench, job: Job, run: Findings | null = null): Worked {
  const battery = batteryAt(bench, job)
  const fan = fansAtRest(bench, job, battery)
  if (!job.trailer) return following([fan], timeToFloor(battery, fan.value))
  const loads = bench.value('charging.otherLoadsA')
  const draw = controllersDraw(bench, job)
  const share = run && outcomeAt(run, 'share, standing alone', bench)
  const fanA = fan.value * (share === null ? 1 : Math.min(1, Math.max(0, share)))
  const all = worked(
    say`taken in all`,
    '{0} + {1} + {2}',
    [
      term(share === null ? say`fan` : say`fan, for its share of the run`, fanA, 'current'),
      term(say`other loads`, loads, 'current'),
      term(say`controller`, draw, 'current'),
    ],
    fanA + loads + draw,
    'current',
    '§1.9',
  )
  return following([fan, all], timeToFloor(battery, all.value))
}

/** What the battery bears, for the Power station; null where it does not apply. SI. */
export interface BatteryOutlook {
  readonly aloneS: number | null
  readonly standingS: number | null
  readonly crankingWithV: number | null
  readonly crankingWithoutV: number | null
  readonly crankingFloorV: number
}

/** Minutes on the battery alone, days standing, and cranking volts with and without the fan. @see engineering §1.9 */
export function batteryOutlook(job: Job, bench: Bench): BatteryOutlook {
  const fan = job.fans.length > 0
  const crank = (fanA: number): number | null => (cranks(job) ? crankingAt(bench, job, fanA).value : null)
  return {
    aloneS: fan || (job.trailer && bench.value('charging.otherLoadsA') > 0) ? aloneTime(bench, job).value : null,
    standingS: job.controllers.length ? standingTime(batteryAt(bench, job), parkedDraw(bench, job)).value : null,
    crankingWithV: fan ? crank(fansAtRest(bench, job, batteryAt(bench, job)).value) : null,
    crankingWithoutV: crank(0),
    crankingFloorV: crankingFloor(job),
  }
}
