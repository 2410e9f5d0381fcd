import { worded } from '../units'
import { cautions, type Job } from '../job'
import { motorsOf } from '../circuit'
import { runWaitsFor } from '../run'
import { type JobNetlist, netlistOf, nodeInWords } from '../wiring'
import { both, circuitCauses } from './circuit-causes'
import type { CircuitMove } from './act'
import { circuitMoves } from './circuit-moves'
import { Faulted } from './circuit-shows'
import { figureMoves, figuresWith } from './heat-figures'
import { type HeatCause, heatCauses } from './heat-causes'
import { type HeatMove, heatMoves } from './heat-moves'
import { noiseAndCoolant, notTheFan } from './machine-causes'
import type { Cause, Cell, Move, Table } from './table'
import { say } from '../words'

/** What a meter is not held to: the battery itself, and what the machine had before. */
const left: ReadonlySet<string> = new Set(['battery +', 'ground', 'lights', 'feed of others'])

/** Terminals of a job's circuit that a meter can reach, with what each is at the bench. */
const reached = (net: JobNetlist): string[] => [...net.nodes].filter(([, n]) => !left.has(n.is)).map(([name]) => name)

/** Everything that can be looked at, tried and measured of a job's circuit. */
export function movesOfCircuit(job: Job, net: JobNetlist): CircuitMove[] {
  return circuitMoves(net, reached(net), (node) => nodeInWords(job, net.nodes, node))
}

/** What the fans that turn as they should say of heat: where they do not, it is too hot for that alone. */
function heatCells(moves: readonly HeatMove[], cells: readonly Cell[], of: readonly CircuitMove[]): Cell[] {
  const called = of.flatMap(({ move }, k) => (move.id.startsWith('fan:called:') ? [cells[k]!] : []))
  const parked = of.flatMap(({ move }, k) => (move.id.startsWith('fan:not_called:') ? [cells[k]!] : []))
  const runs = called.every((c) => c === 'runs')
  return moves.map(({ move, usual }) => {
    if (move.id === 'cooling') {
      if (!runs) return 'too hot'
      return parked.length && parked.every((c) => c === 'runs') ? 'never stops' : 'well'
    }
    // nothing is drawn by a fan that stands
    if (move.id === 'paper') return runs ? usual : null
    return usual
  })
}

/** Nothing is said of an engine's fumes where there is no engine. */
const withoutFumes = (m: HeatMove): HeatMove => ({
  ...m,
  move: { ...m.move, caution: m.move.caution.replace(cautions.fumes, '').trim() },
})

interface Asked {
  readonly job: Job
  readonly net: JobNetlist
  readonly circuit: readonly CircuitMove[]
  readonly heat: readonly HeatMove[]
  readonly figures: readonly Move[]
  readonly others: readonly Move[]
}

function asked(job: Job): Asked {
  const net = netlistOf(job)
  return {
    job,
    net,
    circuit: movesOfCircuit(job, net),
    heat: heatMoves.filter((m) => m.when(job)).map((m) => (job.engine ? m : withoutFumes(m))),
    figures: figureMoves(job),
    others: notTheFan(job).moves,
  }
}

const movesOf = (a: Asked): Move[] =>
  [...a.circuit.map((m) => m.move), ...a.heat.map((m) => m.move), ...a.figures, ...a.others].map((m) => ({
    ...m,
    how: worded(m.how, a.job.units),
    caution: worded(m.caution, a.job.units),
  }))

/** The row of a cause in the circuit. A fan that does not run as it should shows no figures that a run could tell. */
function circuitRow(a: Asked, cause: Pick<Cause, 'faults'>, sound: readonly Cell[]): Cell[] {
  const faulted = new Faulted(a.net, cause)
  const cells = a.circuit.map((m) => faulted.shows(m.act))
  const heat = heatCells(a.heat, cells, a.circuit)
  const well = heat[a.heat.findIndex((m) => m.move.id === 'cooling')] === 'well'
  return [
    ...cells,
    ...heat,
    ...a.figures.map((_, k) => (well ? (sound[k] ?? null) : null)),
    ...a.others.map(() => 'ruled out'),
  ]
}

/** The row of a cause that no circuit shows: the circuit as it should be, and what it is seen by. */
function heatRow(a: Asked, heat: HeatCause, sound: readonly Cell[]): Cell[] {
  const { shows, cause } = heat
  const figures = heat.edit !== null && a.figures.length > 0 ? figuresWith(a.job, heat) : null
  const usual = sound.slice(a.circuit.length)
  const unsure = cause.area === 'noise' || cause.area === 'coolant'
  return [
    ...sound.slice(0, a.circuit.length),
    ...a.heat.map(({ move }, k) => shows[move.id] ?? usual[k]!),
    ...a.figures.map((_, k) => figures?.[k] ?? (unsure ? usual[a.heat.length + k]! : null)),
    ...a.others.map((m) => shows[m.id] ?? 'ruled out'),
  ]
}

/** Why nothing can be sought in a job's circuit; null where it can. */
export function seekingWaitsFor(job: Job): string | null {
  if (!motorsOf(netlistOf(job)).length) return say`a fan: choose one in Place, or say what the machine has`
  return netlistOf(job).problems.find((p) => p.level === 'refused')?.text ?? null
}

/**
 * Everything that may be wrong with a machine, and what each thing that can be looked at would then show: circuits
 * solved with each fault in them, runs of the machine with each cause of heat.
 * @returns a generator of the share done; its last value is the table
 * @throws StiffError where the readings cannot belong to one machine
 * @see engineering §4, §5, §6
 */
export function* tableOf(job: Job): Generator<number, Table> {
  const a = asked(job)
  const inCircuit = circuitCauses(a.net)
  const beside = [...heatCauses, ...noiseAndCoolant, ...notTheFan(job).causes].filter((h) => h.when(job))
  const all = inCircuit.length + beside.length
  const figures = runWaitsFor(job) ? [] : figuresWith(job, null)
  const cells: Cell[][] = []
  for (const cause of inCircuit) {
    cells.push(circuitRow(a, cause, figures))
    yield cells.length / all
  }
  for (const heat of beside) {
    cells.push(heatRow(a, heat, cells[0]!))
    yield cells.length / all
  }
  return { causes: [...inCircuit, ...beside.map((h) => h.cause)], moves: movesOf(a), cells }
}

/** What one cause of the circuit makes of every move, as a row of {@link tableOf}. */
export function rowOf(job: Job, cause: Pick<Cause, 'faults'>): Cell[] {
  return circuitRow(asked(job), cause, runWaitsFor(job) ? [] : figuresWith(job, null))
}

/** so many of the likelier causes are paired with each other */
const PAIRED = 26
/** and so many pairs are kept */
const KEPT = 24

/**
 * Two things wrong at once, where no single one makes all that was found.
 * @param likeliest causes of the circuit, the likeliest first
 * @param makesAll whether a row of cells makes all that was found
 * @returns a generator of the share done; its last value are the pairs that make all of it
 */
export function* pairsOf(
  job: Job,
  likeliest: readonly Cause[],
  makesAll: (cells: readonly Cell[]) => boolean,
): Generator<number, { causes: Cause[]; cells: Cell[][] }> {
  const a = asked(job)
  const figures = runWaitsFor(job) ? [] : figuresWith(job, null)
  const singles = likeliest.filter((c) => c.area === 'circuit' && c.faults.length === 1).slice(0, PAIRED)
  const pairs = singles.flatMap((x, i) => singles.slice(i + 1).flatMap((y) => both(x, y) ?? []))
  const causes: Cause[] = []
  const cells: Cell[][] = []
  let n = 0
  for (const pair of pairs) {
    const row = circuitRow(a, pair, figures)
    if (makesAll(row)) {
      causes.push(pair)
      cells.push(row)
    }
    if (causes.length >= KEPT) break
    yield ++n / pairs.length
  }
  return { causes, cells }
}
