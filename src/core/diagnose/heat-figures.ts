import type { Job } from '../job'
import { dayOfStint, runWaitsFor, simulate, STINT } from '../run'
import { format } from '../units'
import type { HeatCause } from './heat-causes'
import type { Cell, Move } from './table'
import { say } from '../words'

/** a fan that gets so much of its voltage runs */
const RUNS = 0.05

/** What is timed or read off a gauge over a stint of work: the machine's own runs say what each cause makes of it. */
export function figureMoves(job: Job): Move[] {
  if (runWaitsFor(job)) return []
  const air = format(job.surroundings.usualC.value, 'temperature', job.units, 2)
  const common = {
    how: say`On a day of about ${air}: ${STINT.worksMin} minutes of its usual work, then ${STINT.standsMin} minutes
      standing with the engine on. A thermometer at the inlet, or its gauge.`,
    caution: say`Outdoors; nothing near the fan. Stop at the red: a boiled engine is dearer than a reading.`,
    minutes: 32,
    risk: 1,
    tier: 'heat' as const,
    answers: null,
  }
  const temperature = { quantity: 'temperature', sd: 3, share: 0, ends: [-20, 200] } as const
  return [
    { ...common, id: 'gauge:starts', title: say`How hot it is when the fan starts`, figure: temperature },
    { ...common, id: 'gauge:peak', title: say`The hottest over a stint of work`, figure: { ...temperature, sd: 4 } },
    {
      ...common,
      id: 'watch:share',
      title: say`Share of the last ten minutes that the fan ran`,
      figure: { quantity: 'share', sd: 0.12, share: 0, ends: [0, 1] },
    },
  ]
}

/**
 * What a stint of work shows with a cause, by a run of the machine with it.
 * @param heat null: nothing is wrong
 * @returns one cell for each of {@link figureMoves}, in their order; null where no run tells
 * @throws StiffError where its readings cannot belong to one machine
 * @see engineering §4, §6
 */
export function figuresWith(job: Job, heat: Pick<HeatCause, 'edit' | 'blocked' | 'warmerK'> | null): Cell[] {
  if (heat && !heat.edit) return [null, null, null]
  const run = simulate(
    heat?.edit ? heat.edit(job) : job,
    {
      season: 'usual',
      fan: 'proposed',
      whatIf: 'as it is',
      ...(heat?.blocked ? { blocked: heat.blocked } : {}),
      ...(heat?.warmerK ? { airC: job.surroundings.usualC.value + heat.warmerK } : {}),
    },
    { day: dayOfStint(job), roughly: true, everyS: 5 },
  )!
  const { trace, legs, peakC } = run
  const first = trace.share[0]?.findIndex((s) => s > RUNS) ?? -1
  const last = legs[legs.length - 1]!
  return [first < 0 ? null : trace.hot[first]!, peakC, last.fanS / Math.max(1, last.leg.seconds)]
}
