import { type Day, type Job, lookupOf } from '../job'
import { Bench } from '../reading'
import { integrate } from '../transient'
import { workDefinitions } from './days'
import { factorAddress, type FitFactor, type LoggedRun } from './logged'
import { usualCircumstances } from './circumstances'
import { runSpecOf } from './run-spec'

/** Numbers that look drawn from a normal distribution, the same for the same seed. */
function noise(seed: number): () => number {
  let state = seed >>> 0
  const next = (): number => {
    state = (Math.imul(state, 1664525) + 1013904223) >>> 0
    return (state + 0.5) / 4294967296
  }
  return () => Math.sqrt(-2 * Math.log(next())) * Math.cos(2 * Math.PI * next())
}

/**
 * A run as a logger would have written it down until switch-off, of a machine whose factors are known: for trying the
 * calibration out.
 * @param scale each factor over what the job's reading says
 * @param noiseK how much its thermometer scatters
 */
export function simulatedLog(
  job: Job,
  day: Day,
  scale: Partial<Record<FitFactor, number>>,
  { noiseK = 0.3, everyS = 5, seed = 1 } = {},
): LoggedRun {
  const lookup = lookupOf(job)
  const moved = new Map(
    Object.entries(scale).map(([f, s]) => {
      const a = factorAddress(job, f as FitFactor)
      return [a, s * lookup(a).reading.value]
    }),
  )
  const bench = new Bench(lookup, moved)
  const rated = job.engine ? bench.value('engine.heatShare') * bench.value('engine.ratedPowerW') : 0
  const { trace, legs } = integrate(
    runSpecOf(
      bench,
      job,
      { ...usualCircumstances, season: 'usual' },
      { ...day, legs: day.legs.filter((l) => workDefinitions[l.work].running) },
    ),
    { everyS },
  )!
  const scatter = noise(seed)
  const column = (c: Float64Array): number[] => Array.from(c, (v) => Math.round(100 * (v + noiseK * scatter())) / 100)
  const legAt = (t: number) => (legs.filter((l) => l.fromS <= t + 1e-6).at(-1) ?? legs[0]!).leg
  return {
    t: [...trace.t],
    coolantC: column(trace.hot),
    probeC: column(trace.probe),
    fan: Array.from(trace.share[0] ?? new Float64Array(trace.rows), (s) => (s > 0 ? 1 : 0)),
    airC: Array.from(trace.t, (t) => legAt(t).airC),
    speedMs: Array.from(trace.t, (t) => legAt(t).travelMs),
    rpm: rated ? Array.from(trace.t, (t) => Math.round(legAt(t).pumpShare * bench.value('engine.ratedRpm'))) : null,
    loadShare: rated ? Array.from(trace.t, (t) => Math.round((1000 * legAt(t).heatW) / rated) / 1000) : null,
  }
}
