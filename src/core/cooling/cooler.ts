import { mountOf, onceAJob } from '../job'
import {
  airDensity,
  blockedShare,
  coolantCapacity,
  type Core,
  type CoveredCore,
  faceVelocity,
  type FanAir,
  ramPressure,
  type Zone,
  zoneFlows,
  type ZoneFlows,
  zonesHeat,
} from '../air'
import { blowing } from '../electrical'
import { fannedCircuits, type FannedCircuit, fanSpeed } from '../fan-circuit'
import { type Circle, circlesInRectangle, type Rectangle } from '../fit'
import type { Cooling, Job } from '../job'
import type { Bench } from '../reading'
import { say } from '../words'

/** Which core is meant where a thicker one is to take the present one's place. */
export type WhichCore = 'present' | 'new'
export const fittedCore = (job: Job): WhichCore => (job.newCore ? 'new' : 'present')

/** A duty that the core has to cool. */
export interface Duty {
  readonly id: 'standing' | 'moving' | 'speed'
  readonly name: string
  /** addresses of its load share and engine speed */
  readonly share: string
  readonly rpm: string
  /** address of its road speed; null: it stands */
  readonly speed: string | null
}

const stands = (share: string, rpm: string): Duty => ({ id: 'standing', name: say`standing`, share, rpm, speed: null })

const moves: Duty = {
  id: 'moving',
  name: say`moving, slow work`,
  share: 'engine.slowShare',
  rpm: 'engine.slowRpm',
  speed: 'engine.slowMs',
}

const atSpeed: Duty = {
  id: 'speed',
  name: say`at speed`,
  share: 'engine.loadShare',
  rpm: 'engine.cruiseRpm',
  speed: 'engine.cruiseMs',
}

/**
 * What Air is held against: idling at a gate and slow work; a machine that stands while it works, its work standing.
 */
export const dutiesOf = (job: Job): Duty[] =>
  (job.engine?.slowMs.value ?? 0) > 0
    ? [stands('engine.idleShare', 'engine.idleRpm'), moves]
    : [stands('engine.slowShare', 'engine.slowRpm')]

/** Standstill, slow work and speed at the same heavy load: what a change of core does to each. */
export const comparedDuties = (job: Job): Duty[] => [
  stands('engine.slowShare', 'engine.slowRpm'),
  ...((job.engine?.slowMs.value ?? 0) > 0 ? [moves] : []),
  ...((job.engine?.cruiseMs.value ?? 0) > 0 ? [{ ...atSpeed, share: 'engine.slowShare' }] : []),
]

export const coreOf = (bench: Bench, cooling: Cooling, which: WhichCore): Core => ({
  thickness: bench.value(which === 'new' ? 'newCore.thicknessM' : 'cooling.coreThicknessM'),
  finsPerInch: bench.value(which === 'new' ? 'newCore.finsPerInch' : 'cooling.finsPerInch'),
  resistanceFactor: bench.value('cooling.resistanceFactor'),
  transferFactor: bench.value('cooling.transferFactor'),
  passes: cooling.passes,
})

interface Running {
  readonly air: FanAir
  readonly speed: number
  readonly against: boolean
  readonly circle: Circle | null
}

/**
 * A circuit's fan as it blows: at the voltage that reaches it, with its wires and its blade as they are; null where it
 * cannot run.
 * @see engineering §1.6, §1.7
 */
export function runningAir(bench: Bench, circuit: FannedCircuit): Running | null {
  const { fan } = circuit
  const way = blowing(fan.wiresSwapped, fan.bladeTurned, fan.part.motor)
  if (!way) return null
  const e = way.effectiveness
  return {
    air: { freeFlow: bench.value(fan.at.freeFlowM3s) * e, maxPressure: bench.value(fan.at.maxPressurePa) * e * e },
    speed: fanSpeed(bench, circuit),
    against: way.air === 'reversed',
    circle: fan.seat && { x: fan.seat.xM, y: fan.seat.yM, r: bench.value(fan.at.diameterM) / 2 },
  }
}

/** One fan on one core and the air through it. */
export interface FanOnCore {
  readonly circuit: FannedCircuit
  readonly core: number
  readonly running: Running
  readonly areaM2: number
  readonly flows: ZoneFlows
}

export interface AirThroughCores {
  readonly density: number
  readonly ramPa: number
  /** share of the face that mud and fluff block */
  readonly blocked: number
  readonly core: Core
  readonly fans: readonly FanOnCore[]
  /** each core's zones, what is blocked taken off */
  readonly zones: readonly (readonly Zone[])[]
}

/**
 * What may be asked otherwise than the job stands: another core, another share blocked (at 14 fins per inch), a fan
 * held still.
 */
export interface Otherwise {
  readonly which?: WhichCore
  readonly blockedAt14?: number
  /** share of the face itself */ readonly blocked?: number
  readonly still?: boolean
  readonly gapM?: number
}

/**
 * surroundings and what comes on top of them where the inlet draws from something warmer.
 * @returns °C
 * @see typical.md
 */
export const inletAirC = (bench: Bench, job: Job): number =>
  bench.value('surroundings.hottestC') +
  (job.place.inletFrom === null || job.place.inletFrom === 'surroundings' ? 0 : bench.value('place.inletRiseK'))

/** A fan with the part of its core's face that it covers; m², what is blocked taken off in `zone`. */
export interface CoveredFace {
  readonly circuit: FannedCircuit
  readonly core: number
  readonly running: Running
  readonly areaM2: number
  readonly zone: CoveredCore
}

/** The faces of every core as its fans divide them. */
export interface Faces {
  readonly core: Core
  /** share of the face that mud and fluff block */
  readonly blocked: number
  readonly covered: readonly CoveredFace[]
  /** each core's part that no fan covers, m², what is blocked taken off */
  readonly openM2: readonly number[]
}

/** Circuits whose fan sits on a core, with that core. */
const seatedOn = onceAJob((job): readonly { readonly circuit: FannedCircuit; readonly core: number }[] =>
  fannedCircuits(job).flatMap((circuit) => {
    const { seat } = circuit.fan
    return seat ? [{ circuit, core: Math.min(seat.core, job.cooling!.cores - 1) }] : []
  }),
)

/**
 * What each of the fans on one core covers of it, m²: side by side on one shroud each serves its part of it;
 * overlapping circles count once.
 */
function coveredBy(circles: readonly Circle[], face: Rectangle, shrouded: boolean): number[] {
  const alone = circles.map((c) => circlesInRectangle([c], face))
  const sum = alone.reduce((a, b) => a + b, 0)
  if (sum <= 0) return alone.map(() => 0)
  const whole = alone.length === 1 ? sum : circlesInRectangle(circles, face)
  const covered = shrouded ? face.w * face.h : whole
  return alone.map((own) => covered * (own / sum))
}

/**
 * How the fans of a job divide the faces of its cores.
 * @throws TypeError where the machine has no core
 * @see engineering §2.6, §7
 */
export function facesOf(bench: Bench, job: Job, otherwise: Otherwise = {}): Faces {
  const { cooling } = job
  if (!cooling) throw new TypeError('this machine has no core')
  const core = coreOf(bench, cooling, otherwise.which ?? fittedCore(job))
  const clogs =
    otherwise.blockedAt14 ??
    (job.surroundings.ground === null || job.surroundings.ground === 'clean'
      ? 0
      : bench.value('surroundings.blockedShare'))
  const blocked = otherwise.blocked ?? blockedShare(clogs, core.finsPerInch)
  const w = bench.value('cooling.coreWidthM')
  const h = bench.value('cooling.coreHeightM')
  const face = { x: 0, y: 0, w, h }
  const { shrouded } = mountOf(job)
  const gapArea = shrouded ? 2 * (w + h) * (otherwise.gapM ?? bench.value('place.gapM')) : 0
  const open = 1 - blocked
  const all: CoveredFace[] = []
  const openM2: number[] = []
  for (let i = 0; i < cooling.cores; i++) {
    const here: { circuit: FannedCircuit; running: Running }[] = []
    for (const { circuit, core: on } of seatedOn(job)) {
      const running = on === i ? runningAir(bench, circuit) : null
      if (running) here.push({ circuit, running })
    }
    const covered = coveredBy(
      here.map((p) => p.running.circle!),
      face,
      shrouded,
    )
    let left = w * h
    here.forEach(({ circuit, running }, n) => {
      const areaM2 = covered[n]!
      const zone = { core, coveredArea: areaM2 * open, openArea: 0, gapArea: gapArea / here.length }
      all.push({ circuit, core: i, running, areaM2, zone })
      left -= areaM2
    })
    openM2.push(Math.max(0, left) * open)
  }
  return { core, blocked, covered: all, openM2 }
}

/**
 * Air through every core of a job at a road speed, zone by zone.
 * @throws TypeError where the machine has no core
 * @see engineering §2.3, §2.4, §2.6
 */
export function airThroughCores(
  bench: Bench,
  job: Job,
  speedAddress: string | null,
  otherwise: Otherwise = {},
): AirThroughCores {
  const { core, blocked, covered, openM2 } = facesOf(bench, job, otherwise)
  const density = airDensity(bench.value('surroundings.heightM'), inletAirC(bench, job))
  const ramPa =
    speedAddress === null ? 0 : ramPressure(bench.value('cooling.ramShare'), bench.value(speedAddress), density)
  const zones = openM2.map((): Zone[] => [])
  const fans = covered.map(({ zone, circuit, core: on, running, areaM2 }): FanOnCore => {
    const speed = otherwise.still ? 0 : running.speed
    const flows = zoneFlows(zone, { fan: running.air, speed, against: running.against, ramPa, density })
    zones[on]!.push({ area: zone.coveredArea, flow: flows.covered })
    return { circuit, core: on, running, areaM2, flows }
  })
  const openVelocity = ramPa > 0 ? faceVelocity(core, ramPa, density) : 0
  openM2.forEach((area, i) => zones[i]!.push({ area, flow: openVelocity * area }))
  return { density, ramPa, blocked, core, fans, zones }
}

/** Heat that a group of cores carries, and that it has to. */
export interface Cooled {
  readonly air: AirThroughCores
  readonly carriedW: number
  readonly demandW: number
  readonly overK: number
  readonly coolantC: number
  readonly airC: number
  readonly core: number | null
}

/**
 * Heat carried with the coolant as hot as given, against the heat of a duty. Cores that are each fed by themselves have
 * to carry their own part: the one with least to spare is told, and its `core`.
 * @see engineering §2.5, §2.6, §2.8
 */
export function cooledAt(bench: Bench, job: Job, duty: Duty, coolantC: number, otherwise: Otherwise = {}): Cooled {
  const air = airThroughCores(bench, job, duty.speed, otherwise)
  const cores = job.cooling!.cores
  const ratedHeat = bench.value('engine.heatShare') * bench.value('engine.ratedPowerW')
  const heat = ratedHeat * bench.value(duty.share)
  const capacity = coolantCapacity(ratedHeat, bench.value(duty.rpm), bench.value('engine.ratedRpm'))
  const airC = inletAirC(bench, job)
  const overK = coolantC - airC
  const each = air.zones.map((z) => zonesHeat(air.core, z, capacity / cores, overK, air.density))
  if (job.cooling!.coresJoined || cores === 1)
    return { air, carriedW: each.reduce((a, b) => a + b, 0), demandW: heat, overK, coolantC, airC, core: null }
  const least = each.indexOf(Math.min(...each))
  return { air, carriedW: each[least]!, demandW: heat / cores, overK, coolantC, airC, core: least }
}
