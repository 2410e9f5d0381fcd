import {
  bladeRatings,
  checkFuse,
  chooseConductor,
  chooseFuse,
  compareSizes,
  type ConductorChoice,
  FRAME_OHM,
  type FuseCheck,
  type SizeCheck,
} from '../electrical'
import { circuitsOf, conductorAt, runCurrent, terminalLimit } from '../fan-circuit'
import { type Job, lookupOf } from '../job'
import { fuseNeeds } from '../margins'
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
        runCurrent(bench, circuit.fan).value,
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
  return needs ? bladeRatings.map((r) => checkFuse(r, needs)) : []
}

export function proposedFuse(job: Job, n = 0): FuseCheck | null {
  const needs = fuseNeeds(new Bench(lookupOf(job)), job, circuitsOf(job)[n]!)
  return needs ? chooseFuse(needs) : null
}
