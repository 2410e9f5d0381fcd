import { controlKindOf, MOST_STARTS, onOffPoints, onStep, readingOf, settingFor, required } from '../control'
import { circuitsOf, firstCircuit, isSettable } from '../fan-circuit'
import { changeSetting, changeSpan, type Job, lookupOf } from '../job'
import { evaluate, type Findings } from '../margins'
import { Bench } from '../reading'
import { COARSE, mostAllowedC, runKey, runSpecOf, runWaitsFor, type Season } from '../run'
import { integrate } from '../transient'
import { air, bay, coolant } from '../units'
import { say } from '../words'

/**
 * What the rows of a map change besides the on point: the band, a ramp's span, or how far above the first the second
 * fan comes on.
 */
export type MapRow = 'band' | 'span' | 'second'

/** One setting with what the day makes of it. */
export interface MapCell {
  /** what the first controller is set to, and where it then comes on */
  readonly setC: number
  readonly onC: number
  /** K */
  readonly row: number
  readonly peakC: number
  /** with every reading half-way to the end that makes it hotter, °C */
  readonly worstC: number
  /** left below boiling, or below what a bay may get, over what is kept free: as it stands and in that worse case, K */
  readonly leftK: number
  readonly leftWorstK: number
  /** share of the running engine's time that the fan is on, on a usual day */
  readonly fanShare: number
  readonly fanHours: number
  readonly starts: number
  readonly endCharge: number
  /** rules of §3.2 that it breaks, in words */
  readonly breaks: readonly string[]
  readonly feasible: boolean
  readonly recommended: boolean
}

export interface SettingMap {
  readonly rowOf: MapRow
  readonly setsC: readonly number[]
  readonly rows: readonly number[]
  readonly cells: readonly MapCell[]
  readonly best: MapCell | null
  readonly why: string
}

const COLUMNS = 11
/** a peak so little above the least is what the fan itself can hold, whatever it is set to, K */
const AS_COOL_K = 2
/** starts an hour that weigh as much as the fan running all the time */
const STARTS_WEIGH = 100
/** settings that weigh so little more than the best are as good */
const AS_GOOD = 0.04
/** readings may all be off, but hardly all as far as they can */
const HALF_WAY = 0.5

/** The controller of the second fan, where it is another than the first one's and can be set. */
const laterController = (job: Job): Job['controllers'][number] | null => {
  const [first, second] = circuitsOf(job).map((c) => c.controller)
  return second && second.id !== first?.id && isSettable(second.part) ? second : null
}

/** The job with a setting of the map. */
export function withCell(job: Job, rowOf: MapRow, { setC, row }: Pick<MapCell, 'setC' | 'row'>): Job {
  const first = firstCircuit(job).controller
  const second = laterController(job)
  if (!first) return job
  if (rowOf === 'band') return changeSetting(job, first.id, setC, row)
  const set = changeSetting(job, first.id, setC, first.bandK)
  if (rowOf === 'span') return changeSpan(set, first.id, row)
  if (!second) return set
  const onC = onOf(set.controllers.find((c) => c.id === first.id)!) + row
  const own = settingFor(second.part.band, onC, onC - second.bandK).setC
  return changeSetting(set, second.id, second.part.range ? onStep(own, second.part.range) : own, second.bandK)
}

/** What a map was drawn of, whatever setting stands now: a map of another key belongs to another state of the job. */
export const mapKey = (job: Job, { rowOf, cells: [first] }: Pick<SettingMap, 'rowOf' | 'cells'>): string =>
  runKey(first ? withCell(job, rowOf, first) : job)

/** where a controller that can be set comes on, °C at the probe */
const onOf = ({ part, ...setting }: Job['controllers'][number]): number => onOffPoints(part.band, setting)!.on.c

/** Why no map can be drawn; null where one can. */
export function mapWaitsFor(job: Job): string | null {
  const waits = runWaitsFor(job)
  if (waits) return waits
  const part = firstCircuit(job).controller?.part
  if (!part) return say`the first fan has no controller`
  return !isSettable(part) ? say`${part.name} cannot be set` : null
}

/**
 * Which settings a map tries: on points by the controller's steps, from what lets the fan stop up to what is nearly too
 * hot.
 */
function axes(job: Job): { readonly rowOf: MapRow; readonly setsC: number[]; readonly rows: number[] } {
  const circuit = firstCircuit(job)
  const { part } = circuit.controller!
  const range = part.range!
  const kappa = circuit.probe.kappa.value
  const hottest = air(job.surroundings.hottestC.value)
  const shows = (c: number): number => readingOf(job.bay ? bay(c) : coolant(c), hottest, kappa).c
  const opensC = job.engine?.thermostatOpensC?.value
  const low = job.cooling && opensC !== undefined ? shows(opensC + 3) : hottest.c + 6
  const high = shows(mostAllowedC(new Bench(lookupOf(job)), job))
  const step = Math.max(range.stepK, Math.ceil((high - low) / (COLUMNS - 1) / range.stepK) * range.stepK)
  const from = onStep(settingFor(part.band, low, low - range.bandMinK).setC, range)
  const setsC = [
    ...new Set(Array.from({ length: COLUMNS }, (_, i) => Math.min(range.maxC, Math.max(range.minC, from + i * step)))),
  ]
  if (laterController(job)) return { rowOf: 'second', setsC, rows: [4, 6, 8, 11, 14] }
  if (controlKindOf(part).pulses) return { rowOf: 'span', setsC, rows: [5, 8, 12, 16, 20] }
  // from the narrowest that the rules allow: a narrow band keeps it cooler, and what it costs in starts is in the map
  const least = Math.max(range.bandMinK, required.band)
  const wanted = [least, 3, 5, 7, 10, 13]
    .map((k) => Math.ceil(k / range.stepK - 1e-9) * range.stepK)
    .filter((k) => k >= least && k <= range.bandMaxK)
  return { rowOf: 'band', setsC, rows: [...new Set(wanted.length ? wanted : [range.bandMinK])] }
}

/** Readings half-way to the ends that make the hottest day hotter, as the settled runs have found. */
function hurting(findings: Findings | null): Map<string, number> {
  const effects = findings?.outcomes['peak, hottest']?.effects ?? []
  return new Map(
    effects.flatMap((e): [string, number][] => {
      if (Math.max(e.atLow, e.atHigh) <= 0) return []
      const end = e.atLow > e.atHigh ? e.low : e.high
      return [[e.address, e.value + HALF_WAY * (end - e.value)]]
    }),
  )
}

/** Not yet compared with the others. */
type Tried = Omit<MapCell, 'feasible' | 'recommended'>

function tryCell(job: Job, rowOf: MapRow, setC: number, row: number, moved: ReadonlyMap<string, number>): Tried {
  const set = withCell(job, rowOf, { setC, row })
  const lookup = lookupOf(set)
  const nominal = new Bench(lookup)
  const run = (season: Season, bench = nominal) =>
    integrate(runSpecOf(bench, set, { season, fan: 'proposed', whatIf: 'as it is' }), COARSE)!
  const [hot, usual, cold] = [run('hottest'), run('usual'), run('coldest')]
  const worstBench = new Bench(lookup, moved)
  const worst = moved.size ? run('hottest', worstBench) : hot
  const hours = (r: typeof hot): { on: number; all: number } =>
    r.legs
      .filter((l) => l.leg.running)
      .reduce((sum, l) => ({ on: sum.on + l.dutyS / 3600, all: sum.all + l.leg.seconds / 3600 }), { on: 0, all: 0 })
  const { on, all } = hours(usual)
  const perHour = [hot, usual, cold].flatMap((r) =>
    r.legs.filter((l) => l.leg.running && l.leg.seconds >= 300).map((l) => (3600 * l.starts) / l.leg.seconds),
  )
  const trigger = evaluate(set).margins.find((m) => m.id === 'trigger')
  const peakC = Math.max(hot.peakC, usual.peakC, cold.peakC)
  return {
    setC,
    onC: onOf(firstCircuit(set).controller!),
    row,
    peakC,
    worstC: Math.max(peakC, worst.peakC),
    leftK: mostAllowedC(nominal, set) - peakC,
    leftWorstK: Math.min(mostAllowedC(nominal, set) - peakC, mostAllowedC(worstBench, set) - worst.peakC),
    fanShare: all > 0 ? on / all : 0,
    fanHours: on,
    starts: perHour.length ? Math.max(...perHour) : 0,
    endCharge: Math.min(hot.endCharge, usual.endCharge),
    breaks: (trigger?.parts ?? [])
      .filter((p) => !p.warns && p.value !== null && p.value < 0 && !(set.bay && p.id.startsWith('in time')))
      .map((p) => say`short ${p.name}`),
  }
}

function chosen(cells: readonly Tried[]): {
  readonly cells: MapCell[]
  readonly best: MapCell | null
  readonly why: string
} {
  const keeps = cells.filter((c) => c.breaks.length === 0 && c.starts <= MOST_STARTS)
  const sure = keeps.filter((c) => c.leftWorstK >= 0)
  const nominal = keeps.filter((c) => c.leftK >= 0)
  const feasible = sure.length ? sure : nominal
  const leastC = Math.min(...feasible.map((c) => c.peakC))
  // up to there a later start costs no heat: what follows is only how long the fan runs, and how often it starts
  const cool = feasible.filter((c) => c.peakC <= leastC + AS_COOL_K)
  const weight = (c: Tried): number => c.fanShare + c.starts / STARTS_WEIGH
  const least = Math.min(...cool.map(weight))
  const region = cool.filter((c) => weight(c) <= least + AS_GOOD)
  const one = region.reduce<Tried | null>((a, b) => (a === null || weight(b) < weight(a) - 1e-6 ? b : a), null)
  const all = cells.map((c): MapCell => ({ ...c, feasible: feasible.includes(c), recommended: region.includes(c) }))
  const best = one && (all.find((c) => c.setC === one.setC && c.row === one.row) ?? null)
  const among = sure.length
    ? say`Of the settings that hold even with every reading half-way to its bad end`
    : say`No setting holds with every reading half-way to its bad end; of those that hold as the readings stand`
  const why = best
    ? say`${among}, those outlined get no hotter than the fan itself can keep it, run the fan least on a
      usual day and start it seldom.`
    : say`No setting keeps the rules and stays below what is allowed: the fan, its place or the core must change.`
  return { cells: all, best, why }
}

/**
 * Every setting worth trying, run through the job's day on the coldest, a usual and the hottest day, and on the hottest
 * with all readings at their bad ends. Between the yields a worker may tell how far it is.
 * @param findings settled runs of the job, for the bad ends; null: as the readings stand
 * @throws TypeError where {@link mapWaitsFor} says why not; StiffError as the runs
 * @see engineering §3.2, §4
 */
export function* settingMap(
  job: Job,
  findings: Findings | null,
): Generator<{ readonly done: number; readonly of: number }, SettingMap> {
  const { rowOf, setsC, rows } = axes(job)
  const moved = hurting(findings)
  const tried: Tried[] = []
  for (const row of rows) {
    for (const setC of setsC) {
      tried.push(tryCell(job, rowOf, setC, row, moved))
      yield { done: tried.length, of: rows.length * setsC.length }
    }
  }
  return { rowOf, setsC, rows, ...chosen(tried) }
}
