import {
  bayResistance,
  besideEachOther,
  coolantCapacity,
  faceVelocity,
  heatTransfer,
  inSeries,
  ramPressure,
  ventsInSeries,
  zoneFlows,
} from '../air'
import { FULL_OPEN_OVER_K, type ProbePlace } from '../control'
import { airSideOf, ductOf, facesOf, flywheelHelps, runningAir } from '../cooling'
import { eachOnce, type FanCircuit, fannedCircuits } from '../fan-circuit'
import { type Job, panelOf } from '../job'
import type { Bench } from '../reading'
import { BayPlant, CoolantPlant, type Plant, type ProbeSpec, SpeedTable, type ZoneSpec } from '../transient'

/** time constants of probes, s. @see engineering §4 */
const lags: Readonly<Record<ProbePlace, number>> = {
  'fin-paste': 20,
  fin: 20,
  threaded: 8,
  strapped: 40,
  'in-air': 20,
  'on-panel': 40,
}

/** kg/m³ of coolant and J/(kg·K). @see engineering §2.5 */
export const COOLANT = { density: 1030, heat: 3600 } as const
const IN_ENGINE = 0.55
const METAL_HEAT = 450
const METAL_SHARE = 0.6
/** metal over coolant at the rated heat, K. @see engineering §4 */
export const COUPLING_K = 25
const BAY_COUPLING_K = 100
/** the air's volume through fan, core and vents is the same in thin air: every pressure falls with its density */
const ANY_DENSITY = 1.2
/** kg of panels and what stands in a bay (estimate) */
const BAY_KG = 15

function probeSpec(bench: Bench, { probe }: FanCircuit): ProbeSpec {
  return { kappa: bench.value(`probes.${probe.id}.kappa`), lagS: lags[probe.place], atOutlet: probe.atOutlet }
}

/** The job's probes, each with the first circuit that feels it; the first fan's comes first. */
export const probesOf = (job: Job): FanCircuit[] => eachOnce(job, 'probe').map(([, circuit]) => circuit)

/** Fans that have air of their own in this place, with the circuit that switches each. */
export const fansOf = (bench: Bench, job: Job) =>
  fannedCircuits(job).flatMap((circuit) => {
    const running = runningAir(bench, circuit)
    return running ? [{ circuit, running }] : []
  })

/** A machine with a core, with this pass's readings. @see engineering §4 */
export function coolantPlant(
  bench: Bench,
  job: Job,
  rows: readonly number[],
  fans: readonly string[],
  blocked: number | undefined,
): Plant {
  const { core, covered, openM2 } = facesOf(bench, job, blocked === undefined ? {} : { blocked })
  const density = ANY_DENSITY
  const ramShare = bench.value('cooling.ramShare')
  const ram = (row: number): number => ramPressure(ramShare, rows[row]!, density)
  const zones = covered
    .filter((c) => fans.includes(c.circuit.fan.id))
    .map(({ zone, running, circuit }): ZoneSpec => ({
      areaM2: zone.coveredArea,
      fan: fans.indexOf(circuit.fan.id),
      velocity: new SpeedTable(rows.length, (row, speed) =>
        zone.coveredArea > 0
          ? zoneFlows(zone, { fan: running.air, speed, against: running.against, ramPa: ram(row), density }).covered /
            zone.coveredArea
          : 0,
      ),
    }))
  const uncovered = covered
    .filter((c) => !fans.includes(c.circuit.fan.id))
    .reduce((sum, c) => sum + c.zone.coveredArea, 0)
  const open = openM2.reduce((a, b) => a + b, 0) + uncovered
  zones.push({
    areaM2: open,
    fan: null,
    velocity: new SpeedTable(rows.length, (row) => (rows[row]! > 0 ? faceVelocity(core, ram(row), density) : 0)),
  })
  const rated = bench.value('engine.heatShare') * bench.value('engine.ratedPowerW')
  const mass = bench.value('engine.massKg')
  const coolant = bench.value('cooling.volumeM3') * COOLANT.density * COOLANT.heat
  const opens = job.engine?.thermostatOpensC ? bench.value('engine.thermostatOpensC') : null
  return new CoolantPlant({
    metal: METAL_HEAT * METAL_SHARE * mass * bench.value('engine.storeFactor'),
    inEngine: IN_ENGINE * coolant,
    inCore: (1 - IN_ENGINE) * coolant,
    metalToCoolant: rated / COUPLING_K,
    outsideM2: 0.055 * mass ** (2 / 3),
    ratedFlow: coolantCapacity(rated, 1, 1),
    thermostat: opens === null ? null : { opensC: opens, fullC: opens + FULL_OPEN_OVER_K },
    zones,
    transfer: heatTransfer(core, 1),
    inletRiseK:
      job.place.inletFrom === null || job.place.inletFrom === 'surroundings' ? 0 : bench.value('place.inletRiseK'),
    fans: fans.length,
    probes: probesOf(job).map((c) => probeSpec(bench, c)),
  })
}

/** speeds of fans that share a path are told apart in such steps of their full speed */
const SPEED_STEPS = 200

/** A compartment, with this pass's readings. @see engineering §4 */
export function bayPlant(bench: Bench, job: Job, rows: readonly number[], fans: readonly string[]): Plant {
  const density = ANY_DENSITY
  const ventM2 = ventsInSeries(bench.value('bay.ventInM2'), bench.value('bay.ventOutM2'))
  const path = bayResistance(ventM2, density, fans.length ? ductOf(bench, job) : null)
  const ownPath = bayResistance(ventM2, density, null)
  const flywheelAir = job.bay?.flywheel
    ? { freeFlow: bench.value('bay.flywheel.freeFlowM3s'), maxPressure: bench.value('bay.flywheel.maxPressurePa') }
    : null
  const rated = job.engine ? bench.value('engine.ratedRpm') : 1
  const flywheelSpeed = (row: number): number => (job.engine ? Math.min(1, rows[row]! / rated) : 1)
  const all = fansOf(bench, job).filter((f) => fans.includes(f.circuit.fan.id))
  const way = all[0]?.running ?? { against: false }
  const side = airSideOf(job.place.side, way)
  const together = fans.length ? flywheelHelps(panelOf(job), side) : null
  const rowOf = (i: number, row: number, speed: number) => [
    { fan: all[i]!.running.air, speed, against: all[i]!.running.against !== way.against },
    ...(flywheelAir && together !== null ? [{ fan: flywheelAir, speed: flywheelSpeed(row), against: !together }] : []),
  ]
  const single = new SpeedTable(rows.length, (row, speed) => inSeries(rowOf(0, row, speed), density, path))
  const several = new Map<string, number>()
  // several share the vents: what they move together is worked out once for speeds that are nearly the same
  const flowTogether = (row: number, speeds: Float64Array): number => {
    const near = Array.from(speeds, (s) => Math.round(s * SPEED_STEPS) / SPEED_STEPS)
    const key = `${row} ${near.join(' ')}`
    const before = several.get(key)
    if (before !== undefined) return before
    const running = near.flatMap((speed, i) => (speed > 0 ? [rowOf(i, row, speed)] : []))
    // with all of them standing the flywheel blows through one of them
    const flow = besideEachOther(running.length ? running : [rowOf(0, row, 0)], density, path)
    several.set(key, flow)
    return flow
  }
  const mass = job.engine ? bench.value('engine.massKg') : 0
  return new BayPlant({
    metal: job.engine ? METAL_HEAT * METAL_SHARE * mass * bench.value('engine.storeFactor') : 0,
    bay: 1.2 * 1006 * bench.value('bay.spaceM3') + METAL_HEAT * BAY_KG,
    metalToBay: job.engine ? (bench.value('engine.heatShare') * bench.value('engine.ratedPowerW')) / BAY_COUPLING_K : 0,
    panelM2: bench.value('bay.panelM2'),
    ventM2,
    heightM: bench.value('bay.ventHeightM'),
    fans: all.length,
    fanFlow: all.length === 1 ? (row, speeds) => single.at(row, speeds[0]!) : flowTogether,
    apart: rows.map((_, row) =>
      flywheelAir && together === null
        ? inSeries([{ fan: flywheelAir, speed: flywheelSpeed(row) }], density, ownPath)
        : 0,
    ),
    extracts: side === 'puller',
    inletRiseK:
      fans.length && side === 'pusher' && job.place.inletFrom !== null && job.place.inletFrom !== 'surroundings'
        ? bench.value('place.inletRiseK')
        : 0,
    probes: probesOf(job).map((c) => ({ ...probeSpec(bench, c), atOutlet: false })),
  })
}
