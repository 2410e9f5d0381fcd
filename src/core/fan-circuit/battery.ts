import { type Battery as BatteryState, crankingVoltage, restVoltage, runningFan } from '../electrical'
import type { Job } from '../job'
import { type Bench, term, worked, type Worked } from '../reading'
import { circuitsOf } from './circuit'
import { ratingOf } from './currents'
import { say } from '../words'

/** below this a 12 V system may not start. @see engineering §1.9 */
const CRANKING_FLOOR_V = 9.6

/** The battery that everything hangs on. */
export const servingBattery = (job: Job): Job['batteries'][number] => job.batteries[0]!

/** That battery at the coldest surroundings: the safe side for everything asked of it. */
export function batteryAt(bench: Bench, job: Job): BatteryState {
  const b = job.batteries[0]!
  return {
    kind: b.kind,
    systemV: job.machine.systemV,
    hourRateH: b.hourRateH,
    capacityAh: bench.value(`batteries.${b.id}.capacityAh`),
    charge: bench.value(`batteries.${b.id}.charge`),
    temperatureC: bench.value('surroundings.coldestC'),
  }
}

/** All fans on the battery at rest. @see engineering §1.9 */
export function fansAtRest(bench: Bench, job: Job, battery: BatteryState): Worked {
  const volts = restVoltage(battery.kind, battery.charge, battery.systemV)
  const total = circuitsOf(job).reduce(
    (sum, c) => sum + (c.fan ? runningFan(ratingOf(bench, c.fan), volts).currentA : 0),
    0,
  )
  return worked(
    say`fan on the battery alone`,
    say`fan curve at {0}`,
    [term(say`rest voltage`, volts, 'voltage')],
    total,
    'current',
    '§1.6',
  )
}

export const crankingFloor = (job: Job): number => CRANKING_FLOOR_V * (job.machine.systemV / 12)

/** Volts left while cranking, with what the fan takes then. @see engineering §1.9 */
export function crankingAt(bench: Bench, job: Job, fanA: number): Worked {
  const { id } = job.batteries[0]!
  return crankingVoltage(
    batteryAt(bench, job),
    bench.value(`batteries.${id}.coldCrankingA`),
    bench.value(`batteries.${id}.crankingA`),
    fanA,
  )
}

export const cranks = (job: Job): boolean =>
  job.batteries[0]!.crankingA !== null && job.batteries[0]!.coldCrankingA !== null
