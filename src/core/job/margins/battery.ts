import { crankingVoltage, restVoltage, runningFan, standingTime, timeToFloor, type Battery as BatteryState } from '../../electrical'
import { following, term, worked, type Bench, type Worked } from '../../reading'
import type { Job } from '../document'
import { circuitsOf, ratingOf } from './circuit'
import { controllersDraw } from './charge'
import { fixedScale, over, type MarginDefinition, type PartDefinition } from './part'

/** below this a 12 V system may not start. @see engineering §1.9 */
const CRANKING_FLOOR_V = 9.6

/** The first battery at the coldest surroundings: the safe side for everything asked of it. */
function batteryAt(bench: Bench, job: Job): BatteryState {
  const b = job.batteries[0]!
  return {
    kind: b.kind, systemV: job.machine.systemV, hourRateH: b.hourRateH, capacityAh: bench.value(`batteries.${b.id}.capacityAh`),
    charge: bench.value(`batteries.${b.id}.charge`), temperatureC: bench.value('surroundings.coldestC'),
  }
}

/** All fans on the battery at rest. @see engineering §1.9 */
function fansAtRest(bench: Bench, job: Job, battery: BatteryState): Worked {
  const volts = restVoltage(battery.kind, battery.charge, battery.systemV)
  const total = circuitsOf(job).reduce((sum, c) => sum + (c.fan ? runningFan(ratingOf(bench, c.fan), volts).currentA : 0), 0)
  return worked('fan on the battery alone', 'fan curve at {0}', [term('rest voltage', volts, 'voltage')], total, 'current', '§1.6')
}

function crankingPart(job: Job): PartDefinition {
  const floor = CRANKING_FLOOR_V * (job.machine.systemV / 12)
  return {
    id: 'cranking', name: 'while cranking', unit: 'V', required: 0, scale: fixedScale(0.5),
    compute: (bench) => {
      const battery = batteryAt(bench, job)
      const id = job.batteries[0]!.id
      const fan = fansAtRest(bench, job, battery)
      const runs = job.use.fanWhileCranking
      const volts = crankingVoltage(battery, bench.value(`batteries.${id}.coldCrankingA`), bench.value(`batteries.${id}.crankingA`), runs ? fan.value : 0)
      return over(runs ? following([fan], volts) : volts, { name: 'least that starts', value: floor }, 0, 'voltage', '§1.9')
    },
  }
}

/** After switch-off, standing and cranking. No after-run part if the fan is live with the key only. @see engineering §1.9, margins.md */
export function batteryMargin(job: Job): MarginDefinition {
  const fan = job.fans.length > 0
  const controller = job.controllers.length > 0
  const afterRun = { id: 'after switch-off', name: 'after switch-off', unit: 'min', required: 0 } as const
  const standing = { id: 'standing', name: 'standing', unit: 'd', required: 0 } as const
  const parts: PartDefinition[] = []
  if (job.use.live === 'after-run') {
    parts.push(fan ? {
      ...afterRun, scale: fixedScale(5),
      compute: (bench) => {
        const battery = batteryAt(bench, job)
        const current = fansAtRest(bench, job, battery)
        return over(following([current], timeToFloor(battery, current.value)), { name: 'wanted', value: bench.value('use.afterRunS') }, 0, 'minutes', '§1.9')
      },
    } : { ...afterRun, needs: 'a fan' })
  }
  parts.push(controller ? {
    ...standing, scale: fixedScale(7),
    compute: (bench) => {
      return over(standingTime(batteryAt(bench, job), controllersDraw(bench, job)), { name: 'it stands', value: bench.value('use.standsS') }, 0, 'days', '§1.9')
    },
  } : { ...standing, needs: 'a controller' })
  parts.push(fan ? crankingPart(job) : { id: 'cranking', name: 'while cranking', unit: 'V', required: 0, needs: 'a fan' })
  return { id: 'battery', name: 'Battery', parts, ...(job.use.live === 'after-run' ? { basis: 'rule of thumb' as const } : {}) }
}
