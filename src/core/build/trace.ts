import { circuitsOf } from '../fan-circuit'
import { type Job, mostOf, type Trace } from '../job'
import { median } from '../reading'
import { proofId } from '../wiring'
import type { Sample } from './follow'
import { proofLock } from './lock'
import { type Proof, proofsOf } from './proofs'
import { say } from '../words'

/** The fan came on or went off, and what the probe showed then, °C. */
export interface Switching {
  readonly t: number
  readonly on: boolean
  readonly probeC: number | null
}

/** What a trace shows by itself. A, V; null where it does not show it. */
export interface TraceRead {
  readonly switchings: readonly Switching[]
  /** the highest of its first instant, where lines come fast enough to show one */
  readonly inrushA: number | null
  readonly runningA: number | null
  readonly fanV: number | null
}

/** it runs above this share of its running current, and stands below that one (estimates: a clamp's noise) */
const ON = 0.5
const OFF = 0.25
/** a start has settled after this, s */
const SETTLED_S = 5
/** a first instant is shown by lines no further apart, s */
const FAST_S = 0.3
/** below this a clamp shows its own noise, A; below that a meter does, V */
const LEAST_A = 0.3
const LEAST_V = 2

const present = (list: readonly (number | null)[]): number[] => list.filter((v) => v !== null)

/** What tells that it runs, line by line: the clamp where there is one, else the volts at the fan. */
function driveOf(samples: readonly Sample[], expectedA: number | null): { of: (number | null)[]; full: number } | null {
  const amps = samples.map((s) => s.amps)
  const high = Math.max(0, ...present(amps))
  if (high > LEAST_A) return { of: amps, full: expectedA !== null && expectedA < high ? expectedA : high }
  const volts = samples.map((s) => s.fanV)
  const highV = Math.max(0, ...present(volts))
  return highV > LEAST_V ? { of: volts, full: highV } : null
}

/**
 * On and off as a trace shows them: it is on once above half of what it takes and off once below a quarter, each for
 * two lines at least. As it was when the trace began is no switching.
 * @param samples   in order of time
 * @param expectedA running current by the plan, A; null: the highest of the trace
 * @see engineering §8
 */
export function readTrace(samples: readonly Sample[], expectedA: number | null): TraceRead {
  const drive = driveOf(samples, expectedA)
  if (!drive) return { switchings: [], inrushA: null, runningA: null, fanV: null }
  const stands = (v: number | null | undefined, on: boolean): boolean =>
    v !== null && v !== undefined && (on ? v < OFF * drive.full : v > ON * drive.full)
  const switchings: Switching[] = []
  const running: Sample[] = []
  let [on, since] = [(drive.of.find((v) => v !== null) ?? 0) > ON * drive.full, -Infinity]
  let shownC: number | null = null
  let inrushA: number | null = null
  samples.forEach((s, i) => {
    shownC = s.probeC ?? shownC
    if (stands(drive.of[i], on) && stands(drive.of[i + 1], on)) {
      on = !on
      since = s.t
      switchings.push({ t: s.t, on, probeC: shownC })
    }
    if (!on) return
    if (s.t - since >= SETTLED_S) running.push(s)
    const before = samples[i - 1]
    if (s.amps !== null && before && s.t - before.t <= FAST_S && s.t - since <= 1)
      inrushA = Math.max(inrushA ?? 0, s.amps)
  })
  return {
    switchings,
    inrushA,
    runningA: median(present(running.map((s) => s.amps))),
    fanV: median(present(running.map((s) => s.fanV))),
  }
}

/** A figure of a trace that answers a proof. */
export interface TraceAnswer {
  readonly proof: Proof
  readonly value: number
  /** why it is no answer yet; null: it may be taken */
  readonly waits: string | null
}

/**
 * The proofs of one fan that a trace answers: where it started and stopped first, what it takes, what it has. Points
 * count with the working setting only, and nothing answers a proof whose steps are not done.
 */
export function traceAnswers(job: Job, run: string, read: TraceRead): TraceAnswer[] {
  const n = circuitsOf(job).findIndex((c) => c.run.id === run)
  const circuit = circuitsOf(job)[n]
  if (!circuit) return []
  const shown = (on: boolean): number | null =>
    read.switchings.find((s) => s.on === on && s.probeC !== null)?.probeC ?? null
  const figures = [
    ['starts', shown(true)],
    ['stops', shown(false)],
    ['amps', read.runningA],
    ['volts', read.fanV],
    ['inrush', read.inrushA],
  ] as const
  const proofs = proofsOf(job)
  const isPoint = (kind: string): boolean => kind === 'starts' || kind === 'stops'
  return figures.flatMap(([kind, value]) => {
    const proof = proofs.find((p) => p.id === proofId(kind, circuit, n))
    if (!proof || value === null || !proof.predicted) return []
    const test = isPoint(kind) && job.setting.state === 'test'
    const lock = proofLock(job, proof)
    const waits = test ? say`the controller stands on its test setting` : (lock?.waits.join(', ') ?? null)
    return [{ proof, value, waits }]
  })
}

/** What a fan is taken to draw while it runs, A; null where no fan is chosen. */
export const expectedAmps = (job: Job, run: string): number | null => {
  const n = circuitsOf(job).findIndex((c) => c.run.id === run)
  const circuit = circuitsOf(job)[n]
  return (circuit && proofsOf(job).find((p) => p.id === proofId('amps', circuit, n))?.predicted?.value) ?? null
}

/**
 * A trace as it is kept: no more points than a job holds, those around each switching first, the others evenly.
 * @returns indices into the samples, in order
 */
export function pointsKept(samples: readonly Sample[], { switchings }: Pick<TraceRead, 'switchings'>): number[] {
  const most = mostOf('tracePoints')
  if (samples.length <= most) return samples.map((_, i) => i)
  const kept = new Set([0, samples.length - 1])
  for (const s of switchings) {
    const at = samples.findIndex((x) => x.t >= s.t)
    for (let i = at - 2; i <= at + 4; i++) if (samples[i] && kept.size < most / 2) kept.add(i)
  }
  const room = most - kept.size
  for (let k = 0; k < room; k++) kept.add(Math.round((k * (samples.length - 1)) / Math.max(1, room - 1)))
  return [...kept].sort((a, b) => a - b).slice(0, most)
}

const to = (digits: number) => (v: number | null) => (v === null ? null : +v.toFixed(digits))

/** Samples as a trace of a job, rounded to what a meter shows. */
export function traceOf(
  samples: readonly Sample[],
  about: Pick<Trace, 'name' | 'run' | 'at'>,
  read: TraceRead,
): Omit<Trace, 'id'> {
  const kept = pointsKept(samples, read).map((i) => samples[i]!)
  const begins = kept[0]?.t ?? 0
  return {
    ...about,
    t: kept.map((s) => +(s.t - begins).toFixed(2)),
    probeC: kept.map((s) => to(1)(s.probeC)),
    amps: kept.map((s) => to(2)(s.amps)),
    batteryV: kept.map((s) => to(2)(s.batteryV)),
    fanV: kept.map((s) => to(2)(s.fanV)),
  }
}

/** A kept trace as the lines it was. */
export const samplesOf = (trace: Pick<Trace, 't' | 'probeC' | 'amps' | 'batteryV' | 'fanV'>): Sample[] =>
  trace.t.map((t, i) => ({
    t,
    probeC: trace.probeC[i]!,
    amps: trace.amps[i]!,
    batteryV: trace.batteryV[i]!,
    fanV: trace.fanV[i]!,
  }))
