import {
  fuseRatings,
  checkFuse,
  chooseConductor,
  chooseFuse,
  compareSizes,
  type ConductorChoice,
  FRAME_OHM,
  type FuseCheck,
  type SizeCheck,
} from '../electrical'
import { circuitsOf, conductorAt, terminalLimit, runningAmps } from '../fan-circuit'
import { changeFuse, changeSizes, type Job, lookupOf, type MarginId } from '../job'
import { fuseNeeds, holdAt } from '../margins'
import { Bench } from '../reading'
import { sizesOf, type UnitSystem } from '../units'
import { currentIn, loadsOf } from '../wiring'

/**
 * Every size for one run, feed and way back alike, with the most that any of its wires carries; empty until there is a
 * fan.
 * @param n which run, 0 the first
 * @see engineering §1.3, §5
 */
export function comparedSizes(job: Job, system: UnitSystem, n = 0): SizeCheck[] {
  const circuit = circuitsOf(job)[n]!
  if (!circuit.fan || circuit.conductors.length === 0) return []
  const bench = new Bench(lookupOf(job))
  const anySize = sizesOf(system)[0]!
  return compareSizes(
    circuit.conductors.map((c) => conductorAt(bench, { ...c, size: anySize })),
    {
      runA: Math.max(
        ...loadsOf(job)
          .conductors.filter((c) => c.pieces[0]?.circuit === circuit)
          .map((c) => currentIn(bench, job, c.most).value),
        runningAmps(bench, circuit.fan),
      ),
      fuseA: circuit.fuse?.ratingA ?? null,
      dropLimitV: job.limits.dropShare * job.machine.systemV,
      otherWiresOhm: circuit.run.frame ? FRAME_OHM : 0,
      leastAreaM2: job.limits.leastAreaM2,
      terminalAreaM2: terminalLimit(circuit) ?? Number.POSITIVE_INFINITY,
    },
    system,
  )
}

export const proposedSize = (job: Job, system: UnitSystem, n = 0): ConductorChoice =>
  chooseConductor(comparedSizes(job, system, n))

/** Every blade rating for one run's fuse; empty until fan and conductors are chosen. @see engineering §1.4 */
export function comparedFuses(job: Job, n = 0): FuseCheck[] {
  const needs = fuseNeeds(new Bench(lookupOf(job)), job, circuitsOf(job)[n]!)
  return needs ? fuseRatings.map((r) => checkFuse(r, needs)) : []
}

export function proposedFuse(job: Job, n = 0): FuseCheck | null {
  const needs = fuseNeeds(new Bench(lookupOf(job)), job, circuitsOf(job)[n]!)
  return needs ? chooseFuse(needs) : null
}

/** Whether every part that speaks of a run holds at the worst end of every reading. */
const holdsFor = (job: Job, runId: string, ids: readonly MarginId[]): boolean =>
  holdAt(job, ids, (p) => p.run === runId && p.warns === undefined)

const knownSizes = new WeakMap<Job, Map<string, ConductorChoice>>()

/**
 * The smallest size that holds with every reading at its bad end; failing that, the one that does at the readings
 * themselves.
 * @see engineering §1.3
 */
export function holdingSize(job: Job, system: UnitSystem, n = 0): ConductorChoice {
  const before = knownSizes.get(job) ?? new Map<string, ConductorChoice>()
  knownSizes.set(job, before)
  const key = `${system} ${n}`
  const found = before.get(key) ?? searchSize(job, system, n)
  before.set(key, found)
  return found
}

function searchSize(job: Job, system: UnitSystem, n: number): ConductorChoice {
  const usual = proposedSize(job, system, n)
  const run = job.runs[n]!
  // where another fan's current runs through part of the way only, the margins know what each piece carries
  const able = comparedSizes(job, system, n).filter((c) => c.strong && c.fitsTerminal && c.guarded)
  const from = usual.kind === 'size' ? able.findIndex((c) => c.size === usual.size) : 0
  const holds = able
    .slice(Math.max(0, from))
    .find((c) => holdsFor(changeSizes(job, c.size, run.conductors), run.id, ['wire', 'supply']))
  return holds ? { kind: 'size', size: holds.size } : usual
}

const knownFuses = new WeakMap<Job, Map<number, FuseCheck | null>>()

/**
 * The smallest fuse that holds with every reading at its bad end; failing that, the one that does at the readings
 * themselves.
 * @see engineering §1.4
 */
export function holdingFuse(job: Job, n = 0): FuseCheck | null {
  const before = knownFuses.get(job) ?? new Map<number, FuseCheck | null>()
  knownFuses.set(job, before)
  const found = before.has(n) ? before.get(n)! : searchFuse(job, n)
  before.set(n, found)
  return found
}

function searchFuse(job: Job, n: number): FuseCheck | null {
  const usual = proposedFuse(job, n)
  if (!usual) return null
  const run = job.runs[n]!
  const up = comparedFuses(job, n).filter((c) => c.ratingA >= usual.ratingA && c.carries && c.survives && c.guards)
  return up.find((c) => holdsFor(changeFuse(job, c.ratingA, undefined, n), run.id, ['fuse'])) ?? usual
}
