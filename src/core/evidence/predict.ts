import { boilsAt } from '../cooling'
import { type Day, type Job, LONGEST_DAY, observationFigures, observationMayMiss, type Work } from '../job'
import type { Bench } from '../reading'
import { plainLeg, runSpecOf, withPresentFan } from '../run'
import { Governor, integrate, type Run, type RunSpec } from '../transient'
import type { Seen, Watched } from './seen'

/** What one machine would have shown. */
export interface Prediction {
  /** seconds, °C, a share or volts by its kind; Infinity: not within what was run */
  readonly value: number
  /** how far the hottest was over what was waited for, K; null where nothing was waited for */
  readonly overK: number | null
  /** how long was run, s */
  readonly horizonS: number
  /** of a time: how fast it passed there, K/s, and what was still wanting when it was seen, K; null where neither is */
  readonly slopeKs: number | null
  readonly wantingK: number | null
}

/** so long is run where nobody says how long it took, s */
const UNKNOWN_S = 2700
/** so many times as long as it took is run, s at least */
const LONGER = 2.5
const LEAST_S = 300
/** it works so long before it is watched from the key's going off, or for its share of the time, s */
const WORKED_S = 1200
/** rows over a run that is read by its times */
const ROWS = 500
const ALWAYS = { afterS: Number.POSITIVE_INFINITY }

const timed = (seen: Watched): boolean => observationFigures[seen.kind] === 'afterS'

/** How long is run after whatever comes before, s. */
function watchedS(seen: Watched): number {
  if (!timed(seen)) return seen.forS ?? UNKNOWN_S
  const told = seen.seen !== null && !seen.sometime ? Math.max(LEAST_S, LONGER * seen.seen) : (seen.forS ?? UNKNOWN_S)
  return Math.min(LONGEST_DAY, told)
}

const dayOfLegs = (legs: readonly (readonly [Work, number])[], airC: number): Day => ({
  name: 'seen',
  from: 'hand',
  legs: legs.map(([work, seconds], i) => ({ ...plainLeg(`seen${i}`, work, work, seconds / 60, { airC }), seconds })),
})

/** What the machine does: what comes before, then what is watched; and where the watch begins. */
function dutyOf(seen: Watched): { readonly day: Day; readonly fromS: number } {
  const watched = watchedS(seen)
  const off = seen.afterOff || seen.kind === 'after-run'
  const before = off || seen.kind === 'share' ? WORKED_S : 0
  const work: Work = off ? 'off' : seen.work
  const legs: (readonly [Work, number])[] = [
    ...(before > 0 ? [[seen.work === 'off' ? 'slow' : seen.work, before] as const] : []),
    [work, watched],
  ]
  return { day: dayOfLegs(legs, seen.airC), fromS: before }
}

/** What the fans do while it is watched: by themselves, held on, or kept off. */
const heldFans = ({ kind }: Watched): 'on' | 'off' | null => {
  if (kind === 'fall') return 'on'
  return kind === 'rise' || kind === 'warm-up' ? 'off' : null
}

/** Where everything stands when it begins. */
function beginsAt(bench: Bench, job: Job, seen: Watched): number {
  if (seen.fromC !== null) return seen.fromC
  if (seen.kind === 'warm-up' || !job.cooling || job.engine?.thermostatOpensC == null) return seen.airC
  return Math.max(seen.airC, bench.value('engine.thermostatOpensC'))
}

/** What was waited for, °C; null where nothing was. */
function targetOf(bench: Bench, job: Job, seen: Watched): number | null {
  if (seen.toC !== null) return seen.toC
  if (seen.kind !== 'boiled') return null
  // what a bay is allowed is nobody's property of it: that it was passed tells of the heat, not of the limit
  return job.cooling ? boilsAt(bench, job).at.c - (seen.underK ?? 0) : job.bay.allowedC.value
}

/** How a trace stands to what was waited for: how fast it passes there, and what is wanting at a time. */
function nearness(
  { trace }: Run,
  fromS: number,
  targetC: number,
  passedS: number,
  seenS: number | null,
  downwards: boolean,
): Pick<Prediction, 'slopeKs' | 'wantingK'> {
  const { t, hot, rows } = trace
  const at = (s: number): number => {
    let i = 1
    while (i < rows - 1 && t[i]! < s) i++
    const step = t[i]! - t[i - 1]!
    return hot[i - 1]! + (step > 0 ? (hot[i]! - hot[i - 1]!) * Math.min(1, (s - t[i - 1]!) / step) : 0)
  }
  if (rows < 2) return { slopeKs: null, wantingK: null }
  const every = Math.max(1, t[1]! - t[0]!)
  const slopeKs = Number.isFinite(passedS)
    ? Math.abs(at(fromS + passedS) - at(Math.max(0, fromS + passedS - every))) / every
    : null
  if (seenS === null || passedS <= seenS) return { slopeKs, wantingK: null }
  const wanting = targetC - at(fromS + seenS)
  return { slopeKs, wantingK: Math.max(0, downwards ? -wanting : wanting) }
}

/** When the trace first passes a temperature after a time, upwards or downwards; Infinity where it never does. */
function passes({ trace }: Run, fromS: number, targetC: number, upwards: boolean): number {
  const { t, hot, rows } = trace
  const beyond = (i: number): boolean => (upwards ? hot[i]! >= targetC - 1e-6 : hot[i]! <= targetC + 1e-6)
  for (let i = 0; i < rows; i++) {
    if (t[i]! < fromS - 1e-6 || !beyond(i)) continue
    if (i === 0 || t[i]! <= fromS + 1e-6) return 0
    const step = hot[i]! - hot[i - 1]!
    const share = step === 0 ? 1 : Math.min(1, Math.max(0, (targetC - hot[i - 1]!) / step))
    return t[i - 1]! + share * (t[i]! - t[i - 1]!) - fromS
  }
  return Number.POSITIVE_INFINITY
}

function hottestFrom({ trace }: Run, fromS: number): number {
  let peak = Number.NEGATIVE_INFINITY
  for (let i = 0; i < trace.rows; i++) if (trace.t[i]! >= fromS - 1e-6) peak = Math.max(peak, trace.hot[i]!)
  return peak
}

/** How far a timed run passed what was waited for, K; of a fall, how far below. */
function overOf(run: Run, fromS: number, targetC: number, downwards: boolean): number {
  if (!downwards) return hottestFrom(run, fromS) - targetC
  let least = Number.POSITIVE_INFINITY
  for (let i = 0; i < run.trace.rows; i++) least = Math.min(least, run.trace.hot[i]!)
  return targetC - least
}

function figureOf(run: Run, seen: Watched, fromS: number, targetC: number | null): number {
  const { trace } = run
  const last = trace.rows - 1
  switch (observationFigures[seen.kind]) {
    case 'afterS':
      return seen.kind === 'after-run'
        ? (run.after?.seconds ?? 0)
        : passes(run, fromS, targetC ?? Number.POSITIVE_INFINITY, seen.kind !== 'fall')
    case 'share': {
      const watched = run.legs[run.legs.length - 1]!
      return watched.fanS / Math.max(1, watched.leg.seconds)
    }
    case 'volts':
      return trace.volts[last]!
    case 'toC':
      if (seen.kind === 'hottest') return hottestFrom(run, fromS)
      return (seen.kind === 'outlet' ? trace.outlet : trace.hot)[last]!
  }
}

/** The job as it stood when it was seen: as it came, with the fan that it had, or with what is fitted. */
export const jobWhen = (job: Job, seen: Pick<Seen, 'state'>): Job =>
  seen.state === 'as fitted' ? job : (withPresentFan(job) ?? job)

function specOf(bench: Bench, job: Job, seen: Watched, day: Day): RunSpec {
  const before = job.oldFan ? 'present' : 'none'
  const fan = seen.state === 'as fitted' ? 'proposed' : before
  const circumstances = { season: 'usual', fan, whatIf: 'as it is', airC: seen.airC } as const
  const spec = runSpecOf(bench, job, circumstances, day)
  const held = heldFans(seen)
  return {
    ...spec,
    startC: beginsAt(bench, job, seen),
    ...(held ? { governors: spec.motors.map(() => new Governor({ kind: held }, ALWAYS)) } : {}),
  }
}

/**
 * What a machine with this pass's readings would have shown.
 * @param job as it stood then, see {@link jobWhen}
 * @throws StiffError where its readings cannot belong to one machine
 * @see engineering §4
 */
export function predict(bench: Bench, job: Job, seen: Seen): Prediction {
  return seen.kind === 'proved' ? figured(seen.figure.at(bench)) : watched(bench, job, seen)
}

/** What is measured, not waited for. */
const figured = (value: number): Prediction => ({
  value,
  overK: null,
  horizonS: 1,
  slopeKs: null,
  wantingK: null,
})

function watched(bench: Bench, job: Job, seen: Watched): Prediction {
  const { day, fromS } = dutyOf(seen)
  const horizonS = watchedS(seen)
  const spec = specOf(bench, job, seen, day)
  // rows at whole steps: one between them would cut a step in two
  const { roughS } = spec.plant
  const everyS = roughS * Math.ceil((fromS + horizonS) / ROWS / roughS)
  const targetC = targetOf(bench, job, seen)
  // what came to it needs no more of its run, unless it is a bound how far it went beyond
  const bound = seen.seen === null && observationMayMiss.includes(seen.kind)
  const waits = targetC !== null && timed(seen) && seen.kind !== 'fall' && !bound
  const run = integrate(spec, {
    roughly: true,
    everyS: timed(seen) || fromS > 0 ? everyS : 36_000,
    ...(waits ? { until: (hotC: number, s: number) => s > fromS && hotC >= targetC } : {}),
  })!
  const value = figureOf(run, seen, fromS, targetC)
  if (targetC === null) return { value, overK: null, horizonS, slopeKs: null, wantingK: null }
  const downwards = seen.kind === 'fall'
  return {
    value,
    overK: overOf(run, fromS, targetC, downwards),
    horizonS,
    ...(timed(seen)
      ? nearness(run, fromS, targetC, value, seen.sometime ? null : seen.seen, downwards)
      : { slopeKs: null, wantingK: null }),
  }
}
