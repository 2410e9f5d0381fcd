import { controlKindOf, FULL_OPEN_OVER_K, type ProbePlace, RAMP_LEAST_DUTY } from '../control'
import {
  chargeAt,
  circuitsOf,
  type FanCircuit,
  eachOnce,
  pointsOf,
  ratingOf,
  servingBattery,
  statesOf,
  wiresWaitFor,
  ohmBefore,
} from '../fan-circuit'
import {
  airDensity,
  bayResistance,
  coolantBoils,
  coolantCapacity,
  faceVelocity,
  heatToCarry,
  heatTransfer,
  besideEachOther,
  inSeries,
  ramPressure,
  ventsInSeries,
  zoneFlows,
} from '../air'
import { airSideOf, boilsAt, ductOf, facesOf, flywheelHelps, runningAir } from '../cooling'
import { type Day, type DutyLeg, type Job, panelOf } from '../job'
import type { Bench } from '../reading'
import {
  BayPlant,
  Bus,
  CoolantPlant,
  FanMotor,
  Governor,
  type GovernorSpec,
  type Leg,
  type Plant,
  type ProbeSpec,
  rowsFor,
  type RunSpec,
  SpeedTable,
  type ZoneSpec,
} from '../transient'
import { type Circumstances, type Season, usualCircumstances, type WhatIf } from './circumstances'
import { dayOf, workDefinitions } from './days'
import { brakePower, shareOfPower } from './road-load'
import { afterKeyOff } from '../wiring'
import { say } from '../words'

/** time constants of probes, s. @see engineering §4 */
const lags: Readonly<Record<ProbePlace, number>> = {
  'fin-paste': 20,
  fin: 20,
  threaded: 8,
  strapped: 40,
  'in-air': 20,
  'on-panel': 40,
}

/** an engine without a load takes its revolutions from the track: this share of the rating (estimate) */
const TRACK_RPM = 0.4
/** kg/m³ of coolant and J/(kg·K). @see engineering §2.5 */
const COOLANT = { density: 1030, heat: 3600 } as const
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

const seasonAddress: Readonly<Record<Season, string>> = {
  coldest: 'surroundings.coldestC',
  usual: 'surroundings.usualC',
  hottest: 'surroundings.hottestC',
}

/** Load share of a leg: its own, what its grade asks, or the reading of its work. @see engineering §2.8, §4 */
function shareOf(bench: Bench, job: Job, leg: DutyLeg, speedMs: number, rpm: number, density: number): number {
  if (leg.loadShare !== null) return leg.loadShare
  const { share } = workDefinitions[leg.work]
  if (leg.grade !== null && job.engine) {
    const ratedW = bench.value('engine.ratedPowerW')
    const onRoad = job.machine.kind === 'road-bike' || job.machine.kind === 'older-vehicle'
    const power = brakePower({
      massKg: bench.value('machine.massKg'),
      speedMs,
      grade: leg.grade,
      dragM2: job.machine.kind === 'side-by-side' || job.machine.kind === 'older-vehicle' ? 1.5 : 0.7,
      ground: onRoad ? 'road' : 'trail',
      density,
    })
    return shareOfPower(power.value, ratedW, rpm / bench.value('engine.ratedRpm'))
  }
  return typeof share === 'number' ? share : bench.value(share)
}

/** The legs of a day with this pass's readings. */
export function legsOf(
  bench: Bench,
  job: Job,
  day: Day,
  { season, airC: otherAirC, heightM: otherHeightM }: Circumstances,
): { readonly legs: Leg[]; readonly rows: readonly number[] } {
  const heights = new Map<number, number>()
  const boils = (heightM: number | null): number => {
    if (!job.cooling) return Number.POSITIVE_INFINITY
    const at = otherHeightM ?? heightM ?? bench.value('surroundings.heightM')
    let c = heights.get(at)
    if (c === undefined) {
      c =
        at === bench.value('surroundings.heightM')
          ? boilsAt(bench, job).at.c
          : coolantBoils(
              job.cooling.coolant,
              job.cooling.coolant === 'water' ? 0 : bench.value('cooling.glycolShare'),
              at,
              bench.value('cooling.capPa'),
            ).at.c
      heights.set(at, c)
    }
    return c
  }
  const charges = new Map<string, number>()
  const trailerCharge = (id: string): number => {
    if (!charges.has(id)) {
      const state = statesOf(job).find((s) => s.id === id)
      charges.set(id, state && !state.needs ? state.charge(bench).value : 0)
    }
    return charges.get(id)!
  }
  const rise =
    job.place.inletFrom === null || job.place.inletFrom === 'surroundings' ? 0 : bench.value('place.inletRiseK')
  const loadsA = bench.value('charging.otherLoadsA')
  const made = day.legs.map((leg) => {
    const work = workDefinitions[leg.work]
    const speedMs = leg.speedMs ?? (work.speed && job.engine ? bench.value(work.speed) : 0)
    const airC = otherAirC ?? (season === 'usual' && leg.airC !== null ? leg.airC : bench.value(seasonAddress[season]))
    const density = airDensity(otherHeightM ?? leg.heightM ?? bench.value('surroundings.heightM'), airC + rise)
    const rated = job.engine ? bench.value('engine.ratedRpm') : 1
    const rpm =
      leg.rpm ??
      (job.engine
        ? leg.grade !== null && leg.loadShare === null
          ? TRACK_RPM * rated
          : work.rpm
            ? bench.value(work.rpm)
            : 0
        : 0)
    const heatW = !work.running
      ? 0
      : job.bay?.heatW
        ? bench.value('bay.heatW') * (leg.loadShare ?? 1)
        : job.engine
          ? heatToCarry(
              bench.value('engine.heatShare'),
              shareOf(bench, job, leg, speedMs, rpm, density),
              bench.value('engine.ratedPowerW'),
            ).value
          : 0
    const chargeA = job.trailer
      ? leg.work === 'towed'
        ? trailerCharge('towed')
        : leg.work === 'charger'
          ? trailerCharge(say`on its charger`)
          : 0
      : work.running
        ? chargeAt(bench, job, rpm).value
        : 0
    return {
      row: job.cooling ? speedMs : rpm,
      leg: {
        name: leg.name,
        seconds: leg.seconds,
        running: work.running,
        heatW,
        pumpShare: rpm / rated,
        travelMs: work.running ? speedMs : 0,
        airC,
        density,
        boilsC: boils(leg.heightM),
        chargeA,
        loadsA: work.running || job.trailer ? loadsA : 0,
        live: work.running || job.trailer !== null,
        row: 0,
      } satisfies Leg,
    }
  })
  const { rows, rowOf } = rowsFor(made.map((m) => m.row))
  return { legs: made.map(({ leg, row }) => ({ ...leg, row: rowOf(row) })), rows }
}

function probeSpec(bench: Bench, { probe }: FanCircuit): ProbeSpec {
  return { kappa: bench.value(`probes.${probe.id}.kappa`), lagS: lags[probe.place], atOutlet: probe.atOutlet }
}

/** The job's probes, each with the first circuit that feels it; the first fan's comes first. */
const probesOf = (job: Job): FanCircuit[] => eachOnce(job, 'probe').map(([, circuit]) => circuit)

/** Fans that have air of their own in this place, with the circuit that switches each. */
const fansOf = (bench: Bench, job: Job) =>
  circuitsOf(job).flatMap((circuit) => {
    const running = circuit.fan ? runningAir(bench, { ...circuit, fan: circuit.fan }) : null
    return running && circuit.fan ? [{ circuit: { ...circuit, fan: circuit.fan }, running }] : []
  })

function coolantPlant(
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

function bayPlant(bench: Bench, job: Job, rows: readonly number[], fans: readonly string[]): Plant {
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

/** How a fan is governed, whatever is supposed about it. @see engineering §3.1 */
function governorOf(bench: Bench, { controller }: FanCircuit, whatIf: WhatIf): GovernorSpec {
  if (whatIf === 'override left on') return { kind: 'on' }
  if (!controller) return { kind: 'off' }
  const { part } = controller
  const kind = controlKindOf(part)
  if (kind.decidedBy === 'hand') return { kind: whatIf === 'hand switch off' ? 'off' : 'on' }
  if (kind.decidedBy === 'nothing') return { kind: 'on' }
  if (whatIf === 'probe lead open') return { kind: part.probeOpen === 'fan on' ? 'on' : 'off' }
  if (whatIf === 'probe lead shorted') return { kind: part.probeShorted === 'fan on' ? 'on' : 'off' }
  const { on, off } = pointsOf(bench, { controller })
  return {
    kind: 'thermostat',
    onC: on.c,
    offC: off.c,
    spanK: kind.pulses ? controller.spanK : null,
    leastDuty: part.leastDuty ?? RAMP_LEAST_DUTY,
  }
}

/** How long a fan's circuit stays alive with the key off, s. */
function fedAfter(bench: Bench, job: Job, whatIf: WhatIf): number {
  if (whatIf === 'override left on') return job.wiring.override === 'feed' ? Number.POSITIVE_INFINITY : 0
  const after = afterKeyOff(job)
  if (after === 'stops') return 0
  return after === 'for a time' ? bench.value('use.afterRunS') : Number.POSITIVE_INFINITY
}

/**
 * Everything that a run of a job is made of, with this pass's readings.
 * @param day the day it is run through; the job's own where unsaid
 * @throws TypeError where {@link runWaitsFor} says why not
 * @see engineering §4
 */
export function runSpecOf(
  bench: Bench,
  job: Job,
  circumstances: Circumstances = usualCircumstances,
  day: Day = dayOf(job),
): RunSpec {
  const { season, fan, whatIf, airC, blocked } = circumstances
  const { legs, rows } = legsOf(bench, job, day, circumstances)
  const fans = fan === 'none' ? [] : fansOf(bench, job)
  const ids = fans.map((f) => f.circuit.fan.id)
  const plant = job.cooling ? coolantPlant(bench, job, rows, ids, blocked) : bayPlant(bench, job, rows, ids)
  const battery = servingBattery(job)
  const afterS = fedAfter(bench, job, whatIf)
  const motors = fans.map(({ circuit }) => {
    return new FanMotor(ratingOf(bench, circuit.fan), wiresWaitFor(circuit) ? 0 : ohmBefore(bench, circuit))
  })
  return {
    plant,
    legs,
    motors,
    governors: fans.map(({ circuit }) => new Governor(governorOf(bench, circuit, whatIf), { afterS })),
    feels: fans.map(({ circuit }) => probesOf(job).findIndex((c) => c.probe.id === circuit.probe.id)),
    bus: new Bus({
      kind: battery.kind,
      systemV: job.machine.systemV,
      capacityAh: bench.value(`batteries.${battery.id}.capacityAh`),
      charge: bench.value(`batteries.${battery.id}.charge`),
      coldCrankingA: battery.coldCrankingA ? bench.value(`batteries.${battery.id}.coldCrankingA`) : null,
      temperatureC: airC ?? bench.value(seasonAddress[season]),
      regulatorV: bench.value('charging.regulatorV'),
    }),
    controllerA: fans.length
      ? job.controllers.reduce((sum, c) => sum + bench.value(`controllers.${c.id}.part.standbyA`), 0)
      : 0,
    coolantKg: job.cooling ? bench.value('cooling.volumeM3') * COOLANT.density : Number.POSITIVE_INFINITY,
  }
}
