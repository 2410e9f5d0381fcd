import { probePlaces, probePlacesIn } from '../control'
import { measured, typical } from '../reading'
import type { UnitSystem } from '../units'
import { type Job, JOB_VERSION, type MachineKind } from './document'
import { type JobKind, jobKinds } from './kinds'
import { type TypicalMachine, typicalMachines } from './typical'
import type { ConductorRole } from './wiring-schema'

export interface Beginning {
  readonly title: string
  readonly kind: MachineKind
  /** the usual one for this machine where nobody says */
  readonly job?: JobKind | undefined
  readonly machineName: string
  readonly owner: string
  readonly units: UnitSystem
  readonly startedOn: string
  readonly promisedOn: string | null
  /** where the machine works, m; sea level is guessed where nobody says */
  readonly heightM?: number | undefined
}

/** What is rung, checked or looked at once the machine is back at work. */
export const afterCare = [
  { id: 'level', what: 'Coolant level again, cold, after the first outing', days: 1 },
  { id: 'ring', what: 'Ring the owner: how did it run, should the set temperature move', days: 7 },
  { id: 'again', what: 'Fasteners, ties, leads and joints looked over', days: 30 },
] as const

/** Ties through fins give where a bracket does not: they are looked at after the first hour. @see typical.md */
export const tieCare = { id: 'ties', what: 'Ties through the fins, after the first hour of work', days: 1 } as const
/** In how many days a kind of aftercare is due; a week for what was added by hand. */
export const careDays = (id: string): number => [...afterCare, tieCare].find((c) => c.id === id)?.days ?? 7
const mm = (n: number) => typical(n / 1000)

/** What carries the heat: coolant through a core, or the air of a bay alone. */
export const mediumOf = (kind: JobKind, machine: MachineKind): 'coolant' | 'air' => {
  const { medium } = jobKinds[kind]
  return medium === 'coolant' || medium === 'air' ? medium : typicalMachines[machine].coolant ? 'coolant' : 'air'
}

const KMH = 1 / 3.6
/** a machine that stands while it works is known to stand */
const travel = (kmh: number) => typical(kmh * KMH)

/**
 * What the air of a core asks of an engine besides its rating: what it does standing, slow and at speed.
 * @see engineering §2.6, §2.8
 */
export const engineBeside = ({ duty }: TypicalMachine) => ({
  idleShare: typical(duty?.idleShare ?? 0.04),
  slowShare: typical(duty?.slowShare ?? 0.18),
  slowMs: travel(duty?.slowKmh ?? 0),
  cruiseMs: travel(duty?.cruiseKmh ?? 0),
})

/** What heat an engine stores. @see engineering §4 */
export const storeBeside = ({ engineKg }: TypicalMachine) => ({
  massKg: typical(engineKg ?? 30),
  storeFactor: typical(1),
})

/** where a usual day lies between the coldest and the hottest that it works on (estimate) */
export const usualDay = (coldestC: number, hottestC: number): number =>
  Math.round(coldestC + 0.6 * (hottestC - coldestC))

/** span of a ramp that nobody has set yet, K */
export const USUAL_SPAN_K = 10

/** The core's tanks and tubes, and how far the estimates of its air and heat may be off. @see engineering §2.4, §2.5 */
export const coolingBeside = ({ ramShare, core }: TypicalMachine) => ({
  tankTopM: mm(35),
  tankBottomM: mm(35),
  tubePitchM: mm(9),
  betweenCoresM: mm((core?.wideMm ?? 120) * 2),
  passes: 1 as const,
  ramShare: typical(ramShare),
  resistanceFactor: typical(1),
  transferFactor: typical(1),
})

/** A bay's panels, and what else moves air in it. @see engineering §2.7 */
export const bayBeside = ({ freeBehindMm }: TypicalMachine) => ({
  panelM2: typical(0),
  flywheel: null,
  intakeFrom: null,
  panels: [
    {
      id: 'panel1',
      name: 'panel',
      faces: 'neither' as const,
      flywheel: 'neither' as const,
      wideM: mm(300),
      highM: mm(300),
      freeM: mm(freeBehindMm),
    },
  ],
})

/**
 * What stands round a fan that nobody has measured yet; legs of the leads as usual for the machine.
 * @see engineering §7
 */
export const placeBeside = ({ routes, freeBehindMm }: TypicalMachine) => {
  const leg = (id: string, name: string, millimetres: number) => ({ id, name, lengthM: mm(millimetres) })
  return {
    inletFrom: null,
    inletRiseK: typical(10),
    panel: null,
    freeFrontM: mm(freeBehindMm),
    obstacles: [],
    bracketM: mm(2),
    washerM: mm(1),
    channelM: mm(8),
    gapM: mm(2),
    bladeProudM: typical(0, 0.002),
    duct: { lengthM: typical(1), diameterM: mm(76), bends: 2, splitter: false, leadsTo: 'outside' as const },
    leads: {
      fan: [leg('leg1', 'to the joint', routes.fanMm)],
      probe: [leg('leg1', 'to the controller', routes.probeMm)],
      controller: [leg('leg1', 'controller to relay or joint', 250)],
      supply: [leg('leg1', 'controller to battery', 600)],
    },
    leadsLeave: 'top left' as const,
  }
}

/** Colours that are usual for each role, until this kit's own are known. */
export const usualColours: Readonly<Record<ConductorRole, string>> = {
  feed: 'red',
  return: 'black',
  control: 'orange',
  trigger: 'yellow',
  'coil-return': 'black',
  'supply-return': 'black',
  override: 'blue',
  call: 'green',
  timer: 'violet',
  lamp: 'white',
}

const controlRoles = [
  'control',
  'trigger',
  'coil-return',
  'supply-return',
  'override',
  'call',
  'timer',
  'lamp',
] as const

/** Wires that carry signals only, of a size that a 15 A fuse still guards, about as long as such a way usually is. */
export const controlConductors = ({ routes }: TypicalMachine, units: UnitSystem): Job['conductors'] =>
  controlRoles.map((role) => ({
    id: role,
    role,
    size: units === 'metric' ? ('1 mm²' as const) : ('18 AWG' as const),
    colour: usualColours[role],
    insulationC: 105 as const,
    ambientC: typical(60),
    bundled: 2,
    lengthM: typical(
      Math.round(
        (role === 'trigger' || role === 'coil-return' || role === 'supply-return' ? 0.4 : routes.feedM * 0.8) * 100,
      ) / 100,
    ),
  }))

/** The last part of the feed, from the contact to the fan. */
export const switchAt = ({ routes }: TypicalMachine) => typical(Math.round(routes.feedM * 0.4 * 100) / 100)

/**
 * How a fan is usually switched: behind the key, or by its own isolator where there is no key.
 * @see the defaults of the job
 */
export const wiringBeside = (trailer: boolean): Job['wiring'] => ({
  intent: { control: 'thermostat', ifControllerDies: 'nothing', deadWhenParked: 'the fan', alsoFor: 'nothing' },
  side: 'positive',
  controlFrom: trailer ? 'feed' : 'key',
  override: 'none',
  overrideSwitch: null,
  isolatorSwitch: null,
  isolator: trailer,
  timer: false,
  call: false,
  lamp: false,
  feedRatedA: null,
  edits: [],
  unknowns: [],
})

const engineOf = (t: TypicalMachine, medium: 'coolant' | 'air'): Job['engine'] =>
  t.engine && {
    ratedPowerW: typical(t.engine.powerKw * 1000),
    ratedRpm: typical(t.engine.rated),
    idleRpm: typical(t.engine.idle),
    slowRpm: typical(t.engine.slow),
    cruiseRpm: typical(t.engine.cruise),
    heatShare: typical(medium === 'air' && t.bay ? t.bay.heatShare : t.engine.heatShare),
    loadShare: typical(t.engine.loadShare),
    ...engineBeside(t),
    ...storeBeside(t),
    thermostatOpensC: medium === 'coolant' && t.coolant ? typical(t.coolant.opensC) : null,
  }

const coolingOf = (t: TypicalMachine, { coolant, core } = t): Job['cooling'] =>
  coolant &&
  core && {
    coolant: 'ethylene-glycol',
    glycolShare: typical(0.5),
    volumeM3: typical(coolant.litres / 1000),
    capPa: typical(coolant.capBar * 1e5),
    cores: core.count,
    coresJoined: true,
    coreWidthM: mm(core.wideMm),
    coreHeightM: mm(core.highMm),
    coreThicknessM: mm(core.thickMm),
    finsPerInch: typical(core.finsPerInch),
    ...coolingBeside(t),
  }

/** A newly fitted core is usually half as thick again, with coarser fins. */
const newCoreOf = ({ core }: TypicalMachine): Job['newCore'] =>
  core && {
    thicknessM: mm(Math.round(core.thickMm * 1.5)),
    finsPerInch: typical(Math.max(8, core.finsPerInch - 2)),
    pinOldM: mm(core.thickMm / 2),
    pinNewM: mm(Math.round(core.thickMm * 0.75)),
    hoseGapM: mm(30),
    shroudGapM: mm(25),
  }

const bayOf = (t: TypicalMachine, { bay, heatW } = t): Job['bay'] =>
  bay && {
    ...bayBeside(t),
    spaceM3: typical(bay.spaceM3),
    ventInM2: typical(bay.inM2),
    ventOutM2: typical(bay.outM2),
    ventHeightM: typical(bay.heightM),
    allowedC: typical(bay.allowedC),
    heatW: heatW === null ? null : typical(heatW),
  }

const trailerOf = ({ tow }: TypicalMachine): Job['trailer'] =>
  tow && {
    pinA: typical(tow.pinA),
    cableM: typical(tow.cableM),
    cableSize: tow.cableSize,
    chargerA: typical(tow.chargerA),
    aloneS: typical(tow.aloneH * 3600),
  }

/**
 * A new job: everything that can be guessed for this kind of machine stands as typical, nothing is chosen yet. What is
 * not a question of this kind of job is null, so that nobody is asked for it.
 * @see typical.md
 */
export function startJob({
  title,
  kind,
  job: wanted,
  machineName,
  owner,
  units,
  startedOn,
  promisedOn,
  heightM,
}: Beginning): Job {
  const t = typicalMachines[kind]
  const job = wanted ?? t.jobs[0]!
  const medium = mediumOf(job, kind)
  const [place] = probePlacesIn[medium]
  return {
    format: 'pyraxis-job',
    version: JOB_VERSION,
    kind: job,
    title,
    units,
    startedOn,
    promisedOn,
    complaint: {
      what: medium === 'coolant' ? 'boils' : 'runs hot',
      on: medium === 'coolant' ? 'slow climbs' : 'any work',
      breeze: 'no breeze',
      after: null,
      aboveC: null,
    },
    machine: {
      kind,
      name: machineName,
      owner,
      massKg: typical(t.weightKg),
      systemV: 12,
      hasBattery: null,
      outputDc: null,
      ownerAllows: null,
    },
    checks: [],
    baseline: { state: 'not yet', hotC: null, airC: null, touchS: null, load: '' },
    alterations: [],
    surroundings: {
      ground: null,
      blockedShare: typical(0),
      livesIn: null,
      shielded: false,
      heightM: heightM === undefined ? typical(0, 300) : measured(heightM, 30),
      coldestC: typical(t.coldestC),
      hottestC: typical(t.hottestC),
      usualC: typical(usualDay(t.coldestC, t.hottestC)),
    },
    engine: engineOf(t, medium),
    cooling: medium === 'coolant' ? coolingOf(t) : null,
    newCore: job === 'thicker-core' ? newCoreOf(t) : null,
    bay: medium === 'air' ? bayOf(t) : null,
    trailer: trailerOf(t),
    charging: {
      known: 'rating',
      ratedA: typical(t.charging.currentA),
      ratedRpm: typical(t.charging.rpm),
      points: [],
      regulatorV: typical(14.2, 0.3),
      otherLoadsA: typical(t.loadsA),
    },
    batteries: [
      {
        id: 'battery1',
        kind: t.battery.kind,
        capacityAh: typical(t.battery.ah),
        hourRateH: 10,
        coldCrankingA: t.battery.coldCrankingA === null ? null : typical(t.battery.coldCrankingA),
        crankingA: t.battery.crankingA === null ? null : typical(t.battery.crankingA),
        charge: typical(0.9, 0.1),
      },
    ],
    fans: [],
    oldFan: null,
    controllers: [],
    probes: [
      {
        id: 'probe1',
        part: null,
        place: place!,
        atOutlet: medium === 'coolant',
        seat:
          medium === 'coolant' && jobKinds[job].mountsFan && t.core
            ? { core: 0, xM: (0.88 * t.core.wideMm) / 1000, yM: (0.85 * t.core.highMm) / 1000 }
            : null,
        kappa: typical(probePlaces[place!].kappa, 0.1),
        overshootK: typical(probePlaces[place!].overshootK),
      },
    ],
    relays: [],
    switches: [],
    fuses: [],
    conductors: [
      {
        id: 'feed1',
        role: 'feed',
        size: null,
        colour: usualColours.feed,
        lengthM: typical(t.routes.feedM),
        insulationC: 105,
        ambientC: typical(60),
        bundled: 2,
      },
      {
        id: 'return1',
        role: 'return',
        size: null,
        colour: usualColours.return,
        lengthM: typical(t.routes.returnM),
        insulationC: 105,
        ambientC: typical(60),
        bundled: 2,
      },
      ...controlConductors(t, units),
    ],
    runs: [
      {
        id: 'run1',
        fan: null,
        controller: null,
        probe: 'probe1',
        fuse: null,
        source: 'battery',
        switchedBy: 'relay',
        relay: null,
        keySwitch: null,
        conductors: ['feed1', 'return1'],
        frame: false,
        crimps: 6,
        rings: 2,
        switchAtM: switchAt(t),
      },
    ],
    wiring: {
      ...wiringBeside(t.engine === null),
      intent: {
        control: 'thermostat and override',
        ifControllerDies: 'the override',
        deadWhenParked: 'the fan',
        alsoFor: 'nothing',
      },
      override: t.engine ? 'key' : 'feed',
    },
    duty: null,
    place: {
      ...placeBeside(t),
      panel: medium === 'air' ? 'panel1' : null,
      mount: medium === 'coolant' ? 'ties' : 'panel',
      side: 'puller',
      neighbour: 'fixed',
      blowsOn: null,
      freeDepthM: mm(t.freeBehindMm),
      standOffM: typical(0.005),
      sweepM: mm(t.routes.sweepMm),
    },
    limits: { dropShare: 0.03, leastAreaM2: 0.75e-6, boilKeepK: 10 },
    use: {
      live: t.engine ? 'key only' : 'isolator',
      afterRunS: typical(180),
      standsS: typical(14 * 86_400),
      fanWhileCranking: true,
    },
    setting: { state: 'test' },
    build: { done: [] },
    proofs: [],
    after: [...afterCare, ...(medium === 'coolant' && jobKinds[job].mountsFan ? [tieCare] : [])].map(
      ({ id, what }) => ({ id, what, dueOn: null, doneOn: null }),
    ),
    acceptances: [],
    ended: null,
    signature: null,
  }
}
