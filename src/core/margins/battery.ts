import { outcomeAt } from './outcomes'
import { standingTime } from '../electrical'
import { batteryAt, crankingAt, crankingFloor, cranks, fansAtRest } from '../fan-circuit'
import { type Job, outlivesKey } from '../job'
import { type Bench, following } from '../reading'
import { afterKeyOff, goesOn, parkedDraw } from '../wiring'
import { aloneTime } from './battery-outlook'
import { type Findings } from './findings'
import { fixedScale, type MarginDefinition, over, type PartDefinition } from './part'
import { say, spokenWord } from '../words'

function crankingPart(job: Job): PartDefinition {
  return {
    id: 'cranking',
    name: say`while cranking`,
    unit: 'V',
    required: 0,
    scale: fixedScale(0.5),
    compute: (bench) => {
      const fan = fansAtRest(bench, job, batteryAt(bench, job))
      const runs = job.use.fanWhileCranking
      const volts = crankingAt(bench, job, runs ? fan.value : 0)
      return over(
        runs ? following([fan], volts) : volts,
        { name: say`least that starts`, value: crankingFloor(job) },
        0,
        'voltage',
        '§1.9',
      )
    },
  }
}

/** the part that speaks of what goes on after the key */
export const AFTER_SWITCH_OFF = 'after switch-off'

/** What carries the fans where nothing charges: a trailer standing alone, or after switch-off as it is wired. */
function alonePart(job: Job, run: Findings | null): PartDefinition | null {
  const after = afterKeyOff(job)
  if (!job.trailer && !goesOn(after)) return null
  const what = job.trailer ? 'standing alone' : AFTER_SWITCH_OFF
  const common = { id: what, name: spokenWord(what), unit: 'min', required: 0 } as const
  if (!job.fans.length) return { ...common, needs: say`a fan` }
  if (!job.trailer && after === 'always') return { ...common, missing: say`as it is wired the fan never stops` }
  // how long it goes on where nobody wants it to, a run alone can tell
  if (!job.trailer && !run && !outlivesKey(job))
    return { ...common, needs: say`a run of the day: it goes on with the key off` }
  const wanted = job.trailer ? 'trailer.aloneS' : 'use.afterRunS'
  return {
    ...common,
    scale: fixedScale(5),
    compute: (bench) => {
      const ran = job.trailer || !run ? null : outcomeAt(run, 'after switch-off', bench)
      return over(
        aloneTime(bench, job, run),
        ran === null
          ? { name: say`wanted`, value: bench.value(wanted) }
          : { name: say`the run has it on after switch-off for`, value: Math.max(0, ran) },
        0,
        'minutes',
        '§1.9',
      )
    },
  }
}

/**
 * After switch-off or standing alone, standing long and cranking. No after-run part if the fan stops with the key,
 * as it is wired.
 * @see engineering §1.9, margins.md
 */
export function batteryMargin(job: Job, _nominal: Bench, run: Findings | null): MarginDefinition {
  const fan = job.fans.length > 0
  const controller = job.controllers.length > 0
  const alone = alonePart(job, run)
  const standing = { id: 'standing', name: say`standing`, unit: 'd', required: 0 } as const
  const parts: PartDefinition[] = alone ? [alone] : []
  parts.push(
    controller
      ? {
          ...standing,
          scale: fixedScale(7),
          compute: (bench) =>
            over(
              standingTime(batteryAt(bench, job), parkedDraw(bench, job)),
              { name: say`it stands`, value: bench.value('use.standsS') },
              0,
              'days',
              '§1.9',
            ),
        }
      : { ...standing, needs: say`a controller` },
  )
  if (cranks(job))
    parts.push(
      fan
        ? crankingPart(job)
        : { id: 'cranking', name: say`while cranking`, unit: 'V', required: 0, needs: say`a fan` },
    )
  return {
    id: 'battery',
    name: say`Battery`,
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
