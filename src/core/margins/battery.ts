import { outcomeAt } from './outcomes'
import { standingTime } from '../electrical'
import { batteryAt, crankingAt, crankingFloor, cranks, fansAtRest } from '../fan-circuit'
import { type Job, outlivesKey } from '../job'
import { type Bench, following } from '../reading'
import { parkedDraw } from '../wiring'
import { aloneTime } from './battery-outlook'
import { type Findings } from './findings'
import { fixedScale, type MarginDefinition, over, type PartDefinition } from './part'

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
    : outlivesKey(job)
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
