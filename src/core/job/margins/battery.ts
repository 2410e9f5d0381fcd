import {
  crankingVoltage,
  restVoltage,
  runningFan,
  standingTime,
  timeToFloor,
  type Battery as BatteryState,
} from '../../electrical'
import { following, term, worked, type Bench, type Worked } from '../../reading'
import type { Job } from '../document'
import { outcomeAt, type Findings } from '../run-findings'
import { circuitsOf, ratingOf } from './circuit'
import { controllersDraw } from './charge'
import { loadsOf } from './loads'
import { fixedScale, over, type MarginDefinition, type PartDefinition } from './part'

/** below this a 12 V system may not start. @see engineering §1.9 */
const CRANKING_FLOOR_V = 9.6

/** The first battery at the coldest surroundings: the safe side for everything asked of it. */
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
function fansAtRest(bench: Bench, job: Job, battery: BatteryState): Worked {
  const volts = restVoltage(battery.kind, battery.charge, battery.systemV)
  const total = circuitsOf(job).reduce(
    (sum, c) => sum + (c.fan ? runningFan(ratingOf(bench, c.fan), volts).currentA : 0),
    0,
  )
  return worked(
    'fan on the battery alone',
    'fan curve at {0}',
    [term('rest voltage', volts, 'voltage')],
    total,
    'current',
    '§1.6',
  )
}

const crankingFloor = (job: Job): number => CRANKING_FLOOR_V * (job.machine.systemV / 12)

/** Volts left while cranking, with what the fan takes then. @see engineering §1.9 */
function crankingAt(bench: Bench, job: Job, fanA: number): Worked {
  const { id } = job.batteries[0]!
  return crankingVoltage(
    batteryAt(bench, job),
    bench.value(`batteries.${id}.coldCrankingA`),
    bench.value(`batteries.${id}.crankingA`),
    fanA,
  )
}

const cranks = (job: Job): boolean => job.batteries[0]!.crankingA !== null && job.batteries[0]!.coldCrankingA !== null

function crankingPart(job: Job): PartDefinition {
  return {
    id: 'cranking',
    name: 'while cranking',
    unit: 'V',
    required: 0,
    scale: fixedScale(0.5),
    compute: (bench) => {
      const fan = fansAtRest(bench, job, batteryAt(bench, job))
      const runs = job.use.fanWhileCranking
      const volts = crankingAt(bench, job, runs ? fan.value : 0)
      return over(
        runs ? following([fan], volts) : volts,
        { name: 'least that starts', value: crankingFloor(job) },
        0,
        'voltage',
        '§1.9',
      )
    },
  }
}

/** How long the battery alone carries the fan, and on a trailer everything else that stays on. @see engineering §1.9 */
function aloneTime(bench: Bench, job: Job, run: Findings | null = null): Worked {
  const battery = batteryAt(bench, job)
  const fan = fansAtRest(bench, job, battery)
  if (!job.trailer) return following([fan], timeToFloor(battery, fan.value))
  const loads = bench.value('charging.otherLoadsA')
  const draw = controllersDraw(bench, job)
  const share = run && outcomeAt(run, 'share, standing alone', bench)
  const fanA = fan.value * (share === null ? 1 : Math.min(1, Math.max(0, share)))
  const all = worked(
    'taken in all',
    '{0} + {1} + {2}',
    [
      term(share === null ? 'fan' : 'fan, for its share of the run', fanA, 'current'),
      term('other loads', loads, 'current'),
      term('controller', draw, 'current'),
    ],
    fanA + loads + draw,
    'current',
    '§1.9',
  )
  return following([fan, all], timeToFloor(battery, all.value))
}

/** What the controllers draw with everything off: only those that the circuit leaves live. @see engineering §1.9, §5 */
export const parkedDraw = (bench: Bench, job: Job): number =>
  job.controllers.reduce(
    (sum, c) => (loadsOf(job).liveWhenParked.has(c.id) ? sum + bench.value(`controllers.${c.id}.part.standbyA`) : sum),
    0,
  )

/**
 * After switch-off or standing alone, standing long and cranking. No after-run part if the fan is live with the key
 * only.
 * @see engineering §1.9, margins.md
 */
export function batteryMargin(job: Job, _nominal: Bench, run: Findings | null): MarginDefinition {
  const fan = job.fans.length > 0
  const controller = job.controllers.length > 0
  const alone = job.trailer
    ? { id: 'standing alone', name: 'standing alone', wanted: 'trailer.aloneS' }
    : job.use.live === 'after-run'
      ? { id: 'after switch-off', name: 'after switch-off', wanted: 'use.afterRunS' }
      : null
  const standing = { id: 'standing', name: 'standing', unit: 'd', required: 0 } as const
  const parts: PartDefinition[] = []
  if (alone) {
    const common = { id: alone.id, name: alone.name, unit: 'min', required: 0 } as const
    parts.push(
      fan
        ? {
            ...common,
            scale: fixedScale(5),
            compute: (bench) => {
              const ran = job.trailer || !run ? null : outcomeAt(run, 'after switch-off', bench)
              return over(
                aloneTime(bench, job, run),
                ran === null
                  ? { name: 'wanted', value: bench.value(alone.wanted) }
                  : { name: 'the run has it on after switch-off for', value: Math.max(0, ran) },
                0,
                'minutes',
                '§1.9',
              )
            },
          }
        : { ...common, needs: 'a fan' },
    )
  }
  parts.push(
    controller
      ? {
          ...standing,
          scale: fixedScale(7),
          compute: (bench) =>
            over(
              standingTime(batteryAt(bench, job), parkedDraw(bench, job)),
              { name: 'it stands', value: bench.value('use.standsS') },
              0,
              'days',
              '§1.9',
            ),
        }
      : { ...standing, needs: 'a controller' },
  )
  if (cranks(job))
    parts.push(
      fan ? crankingPart(job) : { id: 'cranking', name: 'while cranking', unit: 'V', required: 0, needs: 'a fan' },
    )
  return {
    id: 'battery',
    name: 'Battery',
    parts,
    ...(alone
      ? {
          basis: run?.outcomes[job.trailer ? 'share, standing alone' : 'after switch-off']
            ? ('run' as const)
            : ('rule of thumb' as const),
        }
      : {}),
  }
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
