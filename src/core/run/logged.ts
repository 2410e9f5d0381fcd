import { firstCircuit } from '../fan-circuit'
import { type Day, type DutyLeg, type Job, mostOf, type Work } from '../job'
import { plainLeg } from './days'
import { say } from '../words'

/** A run as somebody logged it, in order of time. s, °C; null where it has no such column. */
export interface LoggedRun {
  readonly t: readonly number[]
  readonly coolantC: readonly number[]
  readonly probeC: readonly number[] | null
  /** 1 on, 0 off */
  readonly fan: readonly number[] | null
  readonly airC: readonly number[] | null
  readonly speedMs: readonly number[] | null
  readonly rpm: readonly number[] | null
  readonly loadShare: readonly number[] | null
}

/** What a logged run may fix, with the reading that each is. */
export const fitFactors = ['heat', 'transfer', 'store', 'kappa'] as const
export type FitFactor = (typeof fitFactors)[number]

export const factorAddress = (job: Job, factor: FitFactor): string =>
  ({
    heat: 'engine.heatShare',
    transfer: 'cooling.transferFactor',
    store: 'engine.storeFactor',
    kappa: `probes.${firstCircuit(job).probe.id}.kappa`,
  })[factor]

/** Factors that this job's model has and this log can tell of. */
export const factorsFor = (job: Job, log: LoggedRun): FitFactor[] =>
  fitFactors.filter((f) => {
    if (f === 'kappa') return log.probeC !== null
    return f === 'transfer' ? job.cooling !== null : job.engine !== null
  })

/** below this an engine does not turn by itself */
const STANDS_RPM = 150

const meanOf = (list: readonly number[], from: number, to: number): number => {
  let sum = 0
  for (let i = from; i < to; i++) sum += list[i]!
  return sum / (to - from)
}

/**
 * The day that a log was: its own speeds, engine speeds and loads where it has them, else one kind of work all the way.
 */
export function dayOfLog(log: LoggedRun, work: Work): Day {
  const { t } = log
  const n = t.length
  const has = log.speedMs ?? log.rpm ?? log.loadShare
  const most = has ? mostOf('legsOfDay') : 30
  const pieces = has || log.airC ? Math.min(most, n - 1) : 1
  const legs: DutyLeg[] = []
  for (let k = 0; k < pieces; k++) {
    const [from, to] = [Math.floor((k * (n - 1)) / pieces), Math.floor(((k + 1) * (n - 1)) / pieces)]
    if (to <= from) continue
    const mean = (list: readonly number[] | null): number | null => list && meanOf(list, from, to)
    const speedMs = mean(log.speedMs)
    const still = speedMs !== null && speedMs < 0.3 && log.loadShare === null
    const rpm = mean(log.rpm)
    const off = rpm !== null && rpm < STANDS_RPM
    const working = still ? 'idle' : work
    legs.push({
      ...plainLeg(`leg${legs.length + 1}`, say`logged`, off ? 'off' : working, 0),
      seconds: t[to]! - t[from]!,
      speedMs,
      rpm: off ? null : rpm,
      loadShare: off ? null : mean(log.loadShare),
      airC: mean(log.airC),
    })
  }
  return { name: say`a logged run`, from: 'table', legs }
}
