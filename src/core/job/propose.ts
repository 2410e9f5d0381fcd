import { proposeBaySetting, proposeSetting, readingOf, type Setting } from '../control'
import {
  bladeRatings,
  checkFuse,
  chooseConductor,
  chooseFuse,
  compareSizes,
  FRAME_OHM,
  type ConductorChoice,
  type FuseCheck,
  type SizeCheck,
} from '../electrical'
import { Bench } from '../reading'
import { air, bay, coolant, sizesOf, type UnitSystem } from '../units'
import { lookupOf } from './address'
import type { Job } from './document'
import {
  circuitsOf,
  conductorAt,
  currentIn,
  loadsOf,
  fuseNeeds,
  isThermostat,
  runCurrent,
  terminalLimit,
} from './margins'

/**
 * A setting worked out without a run for the first controller; null where there is none to set.
 * @see engineering §3.2
 */
export function proposedSetting(job: Job): Setting | null {
  const circuit = circuitsOf(job)[0]!
  const part = circuit.controller?.part
  if (!part?.range || !isThermostat(part) || part.band === 'fixed') return null
  const hottest = air(job.surroundings.hottestC.value)
  if (job.bay) {
    const coldest = air(job.surroundings.coldestC.value)
    const highest = bay(job.bay.allowedC.value - circuit.probe.overshootK.value)
    const allowedAtProbeC = Math.min(
      ...[coldest, hottest].map((a) => readingOf(highest, a, circuit.probe.kappa.value).c),
    )
    return proposeBaySetting({
      allowedAtProbeC,
      hottest,
      bandK: circuit.controller!.bandK,
      kind: part.band,
      range: part.range,
    })
  }
  if (!job.engine?.thermostatOpensC) return null
  return proposeSetting({
    opens: coolant(job.engine.thermostatOpensC.value),
    hottest,
    kappa: circuit.probe.kappa.value,
    bandK: circuit.controller!.bandK,
    kind: part.band,
    range: part.range,
  })
}

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
      terminalAreaM2: terminalLimit(job, circuit) ?? Number.POSITIVE_INFINITY,
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
