import { fixed, type Result } from '../units'
import { levenbergMarquardt } from 'ml-levenberg-marquardt'
import { inverse, Matrix, SVD } from 'ml-matrix'
import { coolantCapacity } from '../air'
import { FULL_OPEN_OVER_K } from '../control'
import { boilsAt } from '../cooling'
import { fieldsOf, type Job, lookupOf, type Work } from '../job'
import { Bench } from '../reading'
import { HOT, integrate, METAL, OPENING, OUTLET, PROBE, STATES } from '../transient'
import { dayOfLog, factorAddress, type FitFactor, type LoggedRun } from './logged'
import { type Circumstances } from './circumstances'
import { legsOf } from './legs'
import { COUPLING_K } from './plants'
import { runSpecOf } from './run-spec'
import { say } from '../words'

/** One factor as the log fixes it; `plusMinus` holds 95 times of 100. */
export interface FittedFactor {
  readonly factor: FitFactor
  readonly address: string
  readonly label: string
  readonly before: number
  readonly value: number
  readonly plusMinus: number
}

export interface Fit {
  readonly factors: readonly FittedFactor[]
  /** root of the mean square that is left between log and model, before and after, K */
  readonly residualBeforeK: number
  readonly residualK: number
  /** model against log at the log's own times, for the chart */
  readonly t: readonly number[]
  readonly loggedC: readonly number[]
  readonly beforeC: readonly number[]
  readonly fittedC: readonly number[]
}

export type Calibration = Result<{ fit: Fit }>
const LEAST_S = 240
const LEAST_POINTS = 25
const LEAST_CHANGE_K = 6
const MOST_POINTS = 240
/** wider than this share of its value a factor is not fixed */
const WIDEST = 0.3
const STUDENT = 1.96
/** no model is nearer to a machine than this, whatever the scatter says: share of the value */
const NEAREST = 0.015
/** noise that any thermometer has, K */
const LEAST_NOISE_K = 0.05
const MOST_FACTORS = 3
/** where the coolant began is fitted beside the factors, in these kelvins, and not told */
const START_K = 20
const START_ENDS = { low: 0.8, high: 1.2 } as const
/** a run's beginning is told from so long of its log, s */
const SETTLES_S = 45

const names: Readonly<Record<FitFactor, string>> = {
  heat: 'heat',
  transfer: say`heat transfer of the core`,
  store: say`heat stored in metal`,
  kappa: say`what the probe sees`,
}

const wants: Readonly<Record<FitFactor, string>> = {
  heat: say`a warm-up from cold`,
  transfer: say`some minutes at steady work with the engine thermostat open`,
  store: say`a warm-up from cold, or a change from hard work to idling`,
  kappa: say`the probe’s own reading while it is hot`,
}

/** Evenly chosen rows of a log. */
const chosenRows = (n: number): number[] =>
  n <= MOST_POINTS
    ? Array.from({ length: n }, (_, i) => i)
    : Array.from({ length: MOST_POINTS }, (_, i) => Math.round((i * (n - 1)) / (MOST_POINTS - 1)))

/** A column between the rows of a run, at a time. */
function between(t: Float64Array, column: Float64Array, at: number): number {
  let low = 0
  let high = t.length - 1
  while (high - low > 1) {
    const mid = (low + high) >> 1
    if (t[mid]! <= at) low = mid
    else high = mid
  }
  const span = t[high]! - t[low]!
  return span <= 0
    ? column[low]!
    : column[low]! + (column[high]! - column[low]!) * Math.min(1, Math.max(0, (at - t[low]!) / span))
}

/** Where the straight line through some points stands at a time; their mean where there are too few. */
function straightAt(t: readonly number[], v: readonly number[], at: number): number {
  const [mt, mv] = [t.reduce((a, b) => a + b, 0) / t.length, v.reduce((a, b) => a + b, 0) / v.length]
  const spread = t.reduce((s, x) => s + (x - mt) ** 2, 0)
  if (t.length < 4 || spread <= 0) return v[0]!
  return mv + (t.reduce((s, x, i) => s + (x - mt) * (v[i]! - mv), 0) / spread) * (at - mt)
}

/**
 * The factors of a job's model that make it run as it was logged, by Levenberg–Marquardt, at most three; each with the
 * interval that the log leaves it, its neighbours in time taken as no independent witnesses.
 * @param work what it was doing where the log itself does not tell
 * @returns why not, where the log holds too little change to fix them
 * @throws StiffError, TypeError as a run
 * @see engineering §4 Calibration
 */
export function calibrate(job: Job, log: LoggedRun, factors: readonly FitFactor[], work: Work): Calibration {
  const refuse = (message: string): Calibration => ({ ok: false, message })
  const n = log.t.length
  const lengthS = n ? log.t[n - 1]! - log.t[0]! : 0
  if (!factors.length) return refuse(say`Choose what to fit: at most three.`)
  if (factors.length > MOST_FACTORS) return refuse(say`A log fixes three factors at most: leave one out.`)
  if (n < LEAST_POINTS || lengthS < LEAST_S)
    return refuse(
      say`This log is too short: ${n} lines over ${Math.round(lengthS / 60)} min. It takes ${LEAST_POINTS} lines over
        ${LEAST_S / 60} min at least.`,
    )
  const change = Math.max(...log.coolantC) - Math.min(...log.coolantC)
  if (change < LEAST_CHANGE_K)
    return refuse(
      say`This log is flat: the coolant moves by ${fixed(change, 1)} K only, and many machines would show the same.
        Log ${wants[factors[0]!]}.`,
    )

  const day = dayOfLog(log, work)
  const t0 = log.t[0]!
  const rows = chosenRows(n)
  const times = rows.map((i) => log.t[i]! - t0)
  const lookup = lookupOf(job)
  const addresses = factors.map((f) => factorAddress(job, f))
  const before = addresses.map((a) => lookup(a).reading.value)
  const circumstances: Circumstances = { season: 'usual', fan: 'proposed', whatIf: 'as it is' }
  // between two lines of the log a fan is taken to have switched half-way
  const fanAt =
    log.fan &&
    ((s: number): number => {
      let [low, high] = [0, n - 1]
      while (high - low > 1) {
        const mid = (low + high) >> 1
        if (log.t[mid]! - t0 <= s) low = mid
        else high = mid
      }
      return log.fan![s - (log.t[low]! - t0) > log.t[high]! - t0 - s ? high : low]!
    })
  // one line's scatter must not decide where all the rest begins
  const first = log.t.filter((s) => s - t0 <= SETTLES_S).length
  const begins = (column: readonly number[]): number => straightAt(log.t.slice(0, first), column.slice(0, first), t0)
  const usesProbe = log.probeC !== null && factors.includes('kappa')

  /** model at the chosen rows: coolant, then the probe where it was logged; factors are told over what stood before */
  const model = (scale: readonly number[], fanLateS = 0, fanLongerS = 0): number[] => {
    const bench = new Bench(lookup, new Map(addresses.map((a, i) => [a, scale[i]! * before[i]!])))
    const spec = runSpecOf(bench, job, circumstances, day)
    const [firstLeg] = legsOf(bench, job, day, circumstances).legs
    const c = Math.min(
      begins(log.coolantC) + START_K * (scale[factors.length]! - 1),
      job.cooling ? boilsAt(bench, job).at.c : Number.POSITIVE_INFINITY,
    )
    // begun warm: metal and outlet as they stand at that work; begun cold: all alike
    const start = new Float64Array(STATES)
    const warm = Math.min(1, Math.max(0, (c - firstLeg!.airC - 12) / 20))
    const rated = job.engine ? bench.value('engine.heatShare') * bench.value('engine.ratedPowerW') : 0
    const opens = job.engine?.thermostatOpensC ? bench.value('engine.thermostatOpensC') : c
    const open = job.engine?.thermostatOpensC ? Math.min(1, Math.max(0, (c - opens) / FULL_OPEN_OVER_K)) : 1
    const opening = job.cooling ? open : 0
    start[HOT] = c
    start[METAL] = c + (rated > 0 ? (warm * firstLeg!.heatW) / (rated / COUPLING_K) : 0)
    start[OUTLET] =
      opening > 0.02
        ? c - (warm * firstLeg!.heatW) / Math.max(opening * coolantCapacity(rated, firstLeg!.pumpShare, 1), 1)
        : firstLeg!.airC + warm * 0.3 * (c - firstLeg!.airC)
    start[OUTLET] = Math.max(firstLeg!.airC, start[OUTLET])
    start[OPENING] = opening
    start[PROBE] = log.probeC
      ? begins(log.probeC)
      : firstLeg!.airC + bench.value(factorAddress(job, 'kappa')) * (c - firstLeg!.airC)
    const { trace } = integrate(
      {
        ...spec,
        start,
        ...(fanAt && spec.motors.length
          ? {
              given: (s: number) =>
                Math.max(fanAt(Math.max(0, s - fanLateS)), fanLongerS ? fanAt(Math.max(0, s - fanLongerS)) : 0),
            }
          : {}),
      },
      { stepS: 1, everyS: 2 },
    )!
    const hot = times.map((s) => between(trace.t, trace.hot, s))
    return usesProbe ? [...hot, ...times.map((s) => between(trace.t, trace.probe, s))] : hot
  }

  const y = [...rows.map((i) => log.coolantC[i]!), ...(usesProbe ? rows.map((i) => log.probeC![i]!) : [])]
  const x = y.map((_, i) => i)
  const known = new Map<string, number[]>()
  const cached = (scale: readonly number[]): number[] => {
    const key = scale.join()
    let found = known.get(key)
    if (!found) {
      found = model(scale)
      known.set(key, found)
    }
    return found
  }
  const limits = [
    ...addresses.map((a, i) => {
      const { min, max } = fieldsOf(job).get(a)!.limits
      return { low: Math.max(0.3, min / before[i]!), high: Math.min(3, max / before[i]!) }
    }),
    START_ENDS,
  ]
  const fitted = levenbergMarquardt(
    { x, y },
    (scale) => {
      const at = cached([...scale])
      return (i) => at[i]!
    },
    {
      initialValues: limits.map(() => 1),
      minValues: limits.map((l) => l.low),
      maxValues: limits.map((l) => l.high),
      damping: 0.05,
      gradientDifference: limits.map(() => 0.01),
      centralDifference: true,
      maxIterations: 40,
      errorTolerance: 1e-9,
      improvementThreshold: 1e-6,
    },
  )
  const scale = [...fitted.parameterValues]
  const at = cached(scale)
  const rest = y.map((v, i) => v - at[i]!)
  const rms = (list: readonly number[]): number => Math.sqrt(list.reduce((s, v) => s + v * v, 0) / list.length)
  const residualK = rms(rest)

  // the interval, from how the model moves with each factor, and from what is left
  const STEP = 0.01
  const jacobian = new Matrix(
    limits.map((_, k) => {
      const moved = (by: number): number[] => cached(scale.map((s, i) => (i === k ? s + by : s)))
      const [up, down] = [moved(STEP), moved(-STEP)]
      return up.map((v, i) => (v - down[i]!) / (2 * STEP))
    }),
  ).transpose()
  const lag =
    rest.slice(1).reduce((s, v, i) => s + v * rest[i]!, 0) /
    Math.max(
      rest.reduce((s, v) => s + v * v, 0),
      1e-12,
    )
  const kept = Math.min(0.95, Math.max(0, lag))
  const variance =
    ((Math.max(residualK, LEAST_NOISE_K) ** 2 * y.length) / Math.max(1, y.length - limits.length)) *
    ((1 + kept) / (1 - kept))
  const normal = jacobian.transpose().mmul(jacobian)
  if (new SVD(normal).condition > 1e12)
    return refuse(
      say`This log cannot fix ${factors.map((f) => names[f]).join(say` and `)} apart from each other. Fit fewer, or
        log ${wants[factors[factors.length - 1]!]}.`,
    )
  const covariance = inverse(normal)
  // a log does not say when between two of its lines the fan switched: both ways later, or on so much longer
  const betweenS = lengthS / (n - 1) / 2
  const movedBy = (other: readonly number[]): Matrix =>
    covariance.mmul(jacobian.transpose()).mmul(Matrix.columnVector(other.map((v, i) => v - at[i]!)))
  const moves = fanAt ? [movedBy(model(scale, betweenS)), movedBy(model(scale, 0, betweenS))] : []
  const half = factors.map((_, k) =>
    Math.hypot(STUDENT * Math.sqrt(Math.max(0, covariance.get(k, k)) * variance), ...moves.map((m) => m.get(k, 0))),
  )
  const loose = factors.filter((_, k) => !(half[k]! <= WIDEST * scale[k]!))
  if (loose.length) {
    const fixedTo = (f: (typeof factors)[number]): number =>
      Math.round((100 * half[factors.indexOf(f)]!) / scale[factors.indexOf(f)]!)
    const which = loose.map((f) => say`${names[f]} (only to ${fixedTo(f)} %)`).join(say` nor `)
    return refuse(say`This log does not fix ${which}. Fit fewer, or log ${wants[loose[0]!]}.`)
  }
  const edge = factors.filter((_, k) => scale[k]! <= limits[k]!.low * 1.001 || scale[k]! >= limits[k]!.high * 0.999)
  if (edge.length)
    return refuse(
      say`No ${names[edge[0]!]} that is possible makes the model run as this log does: ${fixed(residualK, 1)} K are
        left. Is it of this machine, and what was it doing?`,
    )
  const beforeAt = cached(limits.map(() => 1))
  return {
    ok: true,
    fit: {
      factors: factors.map((factor, k) => ({
        factor,
        address: addresses[k]!,
        label: fieldsOf(job).get(addresses[k]!)!.label,
        before: before[k]!,
        value: scale[k]! * before[k]!,
        plusMinus: Math.max(half[k]!, NEAREST * scale[k]!) * before[k]!,
      })),
      residualK,
      residualBeforeK: rms(y.map((v, i) => v - beforeAt[i]!)),
      t: times,
      loggedC: rows.map((i) => log.coolantC[i]!),
      beforeC: beforeAt.slice(0, rows.length),
      fittedC: at.slice(0, rows.length),
    },
  }
}
