import { bayAt, controlKindOf, coolantAt } from '../control'
import { circuitsOf, isSettable, isThermostat, pointsOf } from '../fan-circuit'
import { type Job, lookupOf } from '../job'
import { Bench } from '../reading'
import { rowAt, type RunView } from '../transient'
import { air, probe } from '../units'
import type { ChartedRuns } from './run-words'

/** A mark of the ladder with the moment at which its own trace first meets it; °C, s. */
export interface RunMark {
  readonly c: number
  readonly meetsS: number | null
  /** where the other trace stands then, by the conversion at that leg's surroundings */ readonly otherC: number
  readonly airC: number
}

/** What the ladder says beside a run. Probe and what it is in stay apart: each mark belongs to one of them. */
export interface RunLadder {
  readonly other: 'coolant' | 'bay'
  /** null where nothing can be set */
  readonly probe: {
    readonly on: RunMark
    readonly off: RunMark
    /** a ramp is full there */ readonly fullC: number | null
    readonly lowestC: number
    readonly highestC: number
    readonly stepK: number
    readonly movable: boolean
  } | null
  /** second fan's own points, where it has a controller of its own */
  readonly second: { readonly onC: number; readonly offC: number } | null
  readonly opensC: number | null
  /** where its trace first passes the thermostat's opening, s */
  readonly opensAtS: number | null
  /** boils, or the hottest that is allowed, leg by leg */
  readonly most: readonly { readonly fromS: number; readonly toS: number; readonly c: number }[]
  readonly keepK: number
  readonly fromC: number
  readonly toC: number
}

/** first time at which a column is at or above (or, falling, at or below) a value, s */
function meets(run: RunView, column: Float64Array, c: number, falling: boolean, afterS = 0): number | null {
  for (let i = 0; i < run.rows.rows; i++) {
    if (run.rows.t[i]! < afterS) continue
    if (falling ? column[i]! <= c : column[i]! >= c) return run.rows.t[i]!
  }
  return null
}

const airAt = (run: RunView, s: number): number =>
  (run.legs.filter((l) => l.fromS <= s + 1e-9).at(-1) ?? run.legs[0]!).leg.airC

/** The ladder as the axis of a run. @see the interface notes on the Trigger station, engineering §3.2 */
export function runLadder(job: Job, { proposed, none, present }: ChartedRuns): RunLadder {
  const circuits = circuitsOf(job)
  const [first] = circuits
  const bench = new Bench(lookupOf(job))
  const kappa = first!.probe.kappa.value
  const convert = job.bay ? bayAt : coolantAt
  const { rows } = proposed
  const markOf = (c: number, falling: boolean, afterS = 0): RunMark => {
    const meetsS = meets(proposed, rows.probe, c, falling, afterS)
    const airC = airAt(proposed, meetsS ?? 0)
    return { c, meetsS, airC, otherC: convert(probe(c), air(airC), kappa).c }
  }
  const controller = first!.controller
  const points = controller && isThermostat(controller.part) ? pointsOf(bench, { controller }) : null
  const on = points && markOf(points.on.c, false)
  const off = points && on && { ...markOf(points.off.c, true, on.meetsS ?? Number.POSITIVE_INFINITY) }
  const range = controller?.part.range
  const other = circuits.find(
    (c) => c.controller && c.controller.id !== controller?.id && isThermostat(c.controller.part),
  )
  const second = other?.controller ? pointsOf(bench, { controller: other.controller }) : null
  const opensC = job.cooling && job.engine?.thermostatOpensC ? job.engine.thermostatOpensC.value : null
  const most = proposed.legs.map((l) => ({
    fromS: l.fromS,
    toS: l.fromS + l.leg.seconds,
    c: job.bay ? job.bay.allowedC.value : l.leg.boilsC,
  }))
  const shown = [proposed, none, present].flatMap((r) => (r ? [r.peakC, Math.min(...r.rows.hot)] : []))
  const top = Math.max(...most.map((m) => m.c), ...shown, points?.on.c ?? 0) + 5
  // a ladder begins no colder than what matters: a cold start is told by where its traces come in
  const low = Math.max(Math.min(...shown), Math.min(points?.off.c ?? 60, opensC ?? 60) - 34)
  return {
    other: job.bay ? 'bay' : 'coolant',
    probe:
      on && off && points
        ? {
            on,
            off,
            fullC: controlKindOf(controller!.part).pulses ? points.on.c + controller!.spanK : null,
            lowestC: range?.minC ?? off.c,
            highestC: range?.maxC ?? on.c,
            stepK: range?.stepK ?? 1,
            movable: isSettable(controller!.part),
          }
        : null,
    second: second && { onC: second.on.c, offC: second.off.c },
    opensC,
    opensAtS: opensC === null ? null : meets(proposed, rows.hot, opensC, false),
    most,
    keepK: job.bay ? 0 : job.limits.boilKeepK,
    fromC: Math.floor(low / 10) * 10,
    toC: Math.ceil(top / 10) * 10,
  }
}

/** Everything at one moment of a run. */
export interface Moment {
  readonly t: number
  readonly leg: string
  readonly hotC: number
  readonly metalC: number
  readonly outletC: number
  readonly probeC: number
  readonly fanShare: number
  readonly fanSpeed: number
  readonly volts: number
  readonly charge: number
  readonly opening: number
  readonly boiling: boolean
  readonly noneC: number | null
}

export function momentAt({ proposed, none }: ChartedRuns, seconds: number): Moment {
  const { rows } = proposed
  const i = rowAt(proposed, seconds)
  const j = Math.min(i + 1, rows.rows - 1)
  const share = j > i ? Math.min(1, Math.max(0, (seconds - rows.t[i]!) / (rows.t[j]! - rows.t[i]!))) : 0
  // rows are thinned: between two of them a temperature goes straight, a fan is as it was
  const at = (column: Float64Array): number => column[i]! + (column[j]! - column[i]!) * share
  return {
    t: Math.min(seconds, proposed.lengthS),
    leg: proposed.legs.filter((l) => l.fromS <= seconds + 1e-9).at(-1)?.leg.name ?? '',
    hotC: at(rows.hot),
    metalC: at(rows.metal),
    outletC: at(rows.outlet),
    probeC: at(rows.probe),
    fanShare: rows.share[0]?.[i] ?? 0,
    fanSpeed: rows.speed[0]?.[i] ?? 0,
    volts: rows.volts[i]!,
    charge: at(rows.charge),
    opening: at(rows.opening),
    boiling: rows.boiling[i] === 1,
    noneC: none && none.lengthS >= seconds - 1 ? none.rows.hot[rowAt(none, seconds)]! : null,
  }
}
