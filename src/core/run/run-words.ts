import type { Job } from '../job'
import { afterKeyOff } from '../wiring'
import type { LegSum, RunView } from '../transient'
import { format, plainNumber, type UnitSystem, percent } from '../units'
import { dayLength, dayOf } from './days'
import type { Circumstances } from './circumstances'
import { say } from '../words'

/** The runs that stand on one chart. */
export interface ChartedRuns {
  readonly proposed: RunView
  readonly present: RunView | null
  readonly none: RunView | null
}

const minutes = (s: number, u: UnitSystem): string => (s < 90 ? `${Math.round(s)} s` : format(s, 'minutes', u, 2))
const ran = (legs: readonly LegSum[], of: (l: LegSum) => number): number => legs.reduce((sum, l) => sum + of(l), 0)

/** What is cooled, and how hot it may get. */
interface Limit {
  readonly hot: 'coolant' | 'bay'
  readonly mostC: number
  readonly keepK: number
}

const limitOf = (job: Job, run: RunView): Limit =>
  job.bay
    ? { hot: 'bay', mostC: job.bay.allowedC.value, keepK: 0 }
    : { hot: 'coolant', mostC: Math.min(...run.legs.map((l) => l.leg.boilsC)), keepK: job.limits.boilKeepK }

function heatInWords(job: Job, run: RunView, u: UnitSystem): string {
  const { hot, mostC, keepK } = limitOf(job, run)
  if (hot === 'coolant' && run.boilsAtS !== null) {
    const andThen = run.ended
      ? say`and with a third of it gone the run ends after ${minutes(run.lengthS, u)}`
      : say`for ${minutes(run.boilingS, u)} in all`
    return say`boils after ${minutes(run.boilsAtS, u)}, ${andThen}`
  }
  const over = mostC - keepK - run.peakC
  const limit =
    hot === 'bay'
      ? say`the hottest that is allowed`
      : say`the ${format(keepK, 'temperatureDifference', u, 2)} kept free`
  const sides = { bay: [say`below`, say`above`], coolant: [say`over`, say`short of`] } as const
  return say`peaks at ${format(run.peakC, 'temperature', u, 3)},
    ${format(Math.abs(over), 'temperatureDifference', u, 2)}
    ${sides[hot === 'bay' ? 'bay' : 'coolant'][over >= 0 ? 0 : 1]} ${limit}`
}

/** Why it stands once the engine is off: the word is the circuit's, not the wish's. */
function standsAfter(job: Job): string {
  if (afterKeyOff(job) !== 'stops') return say`After switch-off it does not run.`
  return job.use.live === 'key only'
    ? say`After switch-off it stands, as you asked: live with the key only.`
    : say`After switch-off it stands: as it is wired it stops with the key, which is not what is wanted.`
}

/** The busiest leg in which the engine ran. */
const busiest = (run: RunView): LegSum | null =>
  run.legs
    .filter((l) => l.leg.running && l.leg.seconds > 0)
    .reduce<LegSum | null>((a, b) => (a === null || b.dutyS > a.dutyS ? b : a), null)

/**
 * Sentences below the run: without the fan, with the one it has, with the proposed one; what fan and battery do.
 * @see engineering §4
 */
export function runInWords(job: Job, runs: ChartedRuns, { whatIf }: Circumstances, u: UnitSystem): string[] {
  const { proposed, present, none } = runs
  const what = job.bay ? say`The air of the bay` : say`Coolant`
  const said: string[] = []
  if (none) {
    const withPresent = present
      ? say`; with the present ${job.oldFan ? say`fan` : say`core`} it ${heatInWords(job, present, u)}`
      : ''
    const withProposed = say`; with the proposed it ${heatInWords(job, proposed, u)}`
    said.push(say`${what} ${heatInWords(job, none, u)} without the fan${withPresent}${withProposed}.`)
  } else said.push(`${what} ${heatInWords(job, proposed, u)}.`)
  const most = busiest(proposed)
  const hours =
    ran(
      proposed.legs.filter((l) => l.leg.running),
      (l) => l.leg.seconds,
    ) / 3600
  const starts = proposed.starts.length ? Math.max(...proposed.starts) : 0
  if (most && most.dutyS < 1) said.push(say`The fan never starts.`)
  else if (most)
    said.push(
      say`The fan is on ${percent(most.fanS / most.leg.seconds)} of “${most.leg.name}”,
        ${plainNumber(starts / Math.max(hours, 1e-9), 2)} starts an hour over the day.`,
    )
  const last = proposed.legs[proposed.legs.length - 1]
  if (
    most &&
    most.dutyS >= 1 &&
    last?.leg.running &&
    last.fanS > 0.995 * last.leg.seconds &&
    last.leg.seconds >= 600 &&
    whatIf === 'as it is'
  )
    said.push(say`It still runs when the day ends.`)
  const change = proposed.endCharge - proposed.startCharge
  const changed = say`${percent(Math.abs(change))} ${change > 0 ? say`up` : say`down`} at the end`
  const flat =
    proposed.flatAtS === null ? '' : say`, and empty after ${minutes(proposed.flatAtS, u)}: then the fan stands`
  said.push(say`The battery is ${Math.abs(change) < 0.005 ? say`as full at the end as at the start` : changed}${flat}.`)
  if (proposed.after) {
    const { seconds, ah, still } = proposed.after
    const runs = still
      ? say`After switch-off it still runs when the day ends, ${minutes(seconds, u)} on, and has taken
          ${format(ah, 'batteryCapacity', u, 2)}.`
      : say`After switch-off it runs ${minutes(seconds, u)} and takes ${format(ah, 'batteryCapacity', u, 2)}.`
    said.push(seconds < 1 ? standsAfter(job) : runs)
  }
  if (proposed.lengthS < dayLength(dayOf(job)) - 1)
    said.push(say`The run ends there: the figures are of what came before.`)
  return said
}
