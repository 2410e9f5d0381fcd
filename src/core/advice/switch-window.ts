import { readingOf, required } from '../control'
import { boilsAt, outletDropAt } from '../cooling'
import { firstCircuit } from '../fan-circuit'
import { type Job, lookupOf } from '../job'
import { Bench } from '../reading'
import { air, bay, coolant, format, type UnitSystem } from '../units'
import { say } from '../words'

/** Between which points a fixed switch may close and open at its place on this machine, by the readings. */
export interface SwitchWindow {
  readonly closesFromC: number | null
  /** null: nothing that is known asks for it */
  readonly closesToC: number | null
  readonly opensFromC: number | null
  /** opens at least so far below where it closes, K */
  readonly bandK: number
}

/** Rules 2 and 3 from below. @see engineering §3.2 */
function fromBelow(job: Job, kappa: number, days: readonly number[]): Pick<SwitchWindow, 'closesFromC' | 'opensFromC'> {
  if (job.bay) return { closesFromC: null, opensFromC: Math.max(...days) + required.stops }
  const opens = job.engine?.thermostatOpensC?.value
  if (opens === undefined) return { closesFromC: null, opensFromC: null }
  const shows = (c: number): number => Math.max(...days.map((d) => readingOf(coolant(c), air(d), kappa).c))
  return { closesFromC: shows(opens + required.warmUpOver), opensFromC: shows(opens) + required.stops }
}

/** Rule 4, and its like in a bay, from above. @see engineering §3.2 */
function fromAbove(bench: Bench, job: Job, kappa: number, days: readonly number[]): number | null {
  const circuit = firstCircuit(job)
  const overshoot = bench.value(`probes.${circuit.probe.id}.overshootK`)
  if (job.bay) {
    const allowed = bay(bench.value('bay.allowedC') - overshoot)
    return Math.min(...days.map((d) => readingOf(allowed, air(d), kappa).c))
  }
  if (!job.cooling) return null
  const drop = outletDropAt(bench, circuit, job).value
  const most = coolant(boilsAt(bench, job).at.c - job.limits.boilKeepK - drop - overshoot)
  return Math.min(...days.map((d) => readingOf(most, air(d), kappa).c))
}

/**
 * The points that a fixed switch may have here, on the coldest and the hottest day, whatever the shelf holds: what to
 * ask for at the counter. It needs no fan and no run.
 * @see engineering §3.2
 */
export function switchWindow(job: Job): SwitchWindow {
  const bench = new Bench(lookupOf(job))
  const { probe } = firstCircuit(job)
  const kappa = bench.value(`probes.${probe.id}.kappa`)
  const days = [bench.value('surroundings.coldestC'), bench.value('surroundings.hottestC')]
  return {
    ...fromBelow(job, kappa, days),
    closesToC: fromAbove(bench, job, kappa, days),
    bandK: required.band,
  }
}

/** Whether a switch lies within a window. */
export const liesWithin = (w: SwitchWindow, closesC: number, opensC: number): boolean =>
  closesC - opensC >= w.bandK &&
  (w.closesFromC === null || closesC >= w.closesFromC) &&
  (w.closesToC === null || closesC <= w.closesToC) &&
  (w.opensFromC === null || opensC >= w.opensFromC)

/** What to ask for at the counter, in a sentence. */
export function windowInWords(w: SwitchWindow, units: UnitSystem): string {
  const t = (c: number): string => format(c, 'temperature', units, 3)
  const [least, most] = [
    Math.max(
      w.closesFromC ?? Number.NEGATIVE_INFINITY,
      w.opensFromC === null ? Number.NEGATIVE_INFINITY : w.opensFromC + w.bandK,
    ),
    w.closesToC ?? Number.POSITIVE_INFINITY,
  ]
  if (least > most)
    return say`No switch suits here: it would have to close at ${t(least)} or above and at ${t(most)} or below.
      Another place for it, a cap of more pressure or another engine thermostat comes first.`
  const opens = w.opensFromC === null ? '' : say`, opens at ${t(w.opensFromC)} or above`
  const band = say`, at least ${format(w.bandK, 'temperatureDifference', units)} below where it closes`
  if (!Number.isFinite(least) && !Number.isFinite(most))
    return say`Say when the engine’s thermostat opens: what a switch must do hangs on that.`
  if (!Number.isFinite(most)) return say`Ask for a switch that closes at ${t(least)} or above${opens}${band}.`
  if (!Number.isFinite(least)) return say`Ask for a switch that closes at ${t(most)} or below${band}.`
  return say`Ask for a switch that closes between ${t(least)} and ${t(most)}${opens}${band}.`
}
