import { mountsIn } from '../mounts'
import { JOB_VERSION } from '../version'
import { type MachineKind } from '../choices'
import { probePlaces, probePlacesIn } from '../../control'
import { measured, typical } from '../../reading'
import type { UnitSystem } from '../../units'
import { type Job } from '../document'
import { type JobKind, jobKinds } from '../kinds'
import { type TypicalMachine, typicalMachines } from '../typical'
import { blocksFor, mediumOf } from './blocks'
import { afterCare, careOf, tieCare } from './care'
import { mm, placeBeside } from './place'
import { controlConductors, isolatorAt, switchAt, usualColours, wiringBeside } from './wiring'

export { mediumOf } from './blocks'
export { afterCare, careDays, careOf, flapCare, tieCare } from './care'
export { controlConductors, usualColours } from './wiring'

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
  /** as they stand on the machine */
  readonly model?: string | undefined
  readonly serial?: string | undefined
}

/** where a usual day lies between the coldest and the hottest that it works on (estimate) */
export const usualDay = (coldestC: number, hottestC: number): number =>
  Math.round(coldestC + 0.6 * (hottestC - coldestC))

/** span of a ramp that nobody has set yet, K */
export const USUAL_SPAN_K = 10

type Medium = 'coolant' | 'air'

const surroundingsOf = (t: TypicalMachine, heightM: number | undefined): Job['surroundings'] => ({
  ground: null,
  blockedShare: typical(0),
  livesIn: null,
  shielded: false,
  heightM: heightM === undefined ? typical(0, 300) : measured(heightM, 30),
  coldestC: typical(t.coldestC),
  hottestC: typical(t.hottestC),
  usualC: typical(usualDay(t.coldestC, t.hottestC)),
})

const chargingOf = (t: TypicalMachine): Job['charging'] => ({
  known: 'rating',
  ratedA: typical(t.charging.currentA),
  ratedRpm: typical(t.charging.rpm),
  points: [],
  regulatorV: typical(14.2, 0.3),
  otherLoadsA: typical(t.loadsA),
})

const batteryOf = ({ battery }: TypicalMachine): Job['batteries'][number] => ({
  id: 'battery1',
  kind: battery.kind,
  capacityAh: typical(battery.ah),
  hourRateH: 10,
  coldCrankingA: battery.coldCrankingA === null ? null : typical(battery.coldCrankingA),
  crankingA: battery.crankingA === null ? null : typical(battery.crankingA),
  charge: typical(0.9, 0.1),
})

function probeOf(t: TypicalMachine, medium: Medium, mountsFan: boolean): Job['probes'][number] {
  const place = probePlacesIn[medium][0]!
  return {
    id: 'probe1',
    part: null,
    place,
    atOutlet: medium === 'coolant',
    seat:
      medium === 'coolant' && mountsFan && t.core
        ? { core: 0, xM: (0.88 * t.core.wideMm) / 1000, yM: (0.85 * t.core.highMm) / 1000 }
        : null,
    kappa: typical(probePlaces[place].kappa, 0.1),
    overshootK: typical(probePlaces[place].overshootK),
  }
}

const feedWire = (role: 'feed' | 'return', lengthM: number, bay: boolean): Job['conductors'][number] => ({
  id: `${role}1`,
  role,
  size: null,
  sizeFrom: 'printed on it' as const,
  colour: usualColours[role],
  lengthM: typical(lengthM),
  insulationC: 105,
  lies: bay ? 'bay' : 'engine',
  ambientC: typical(60),
  bundled: 2,
})

const runOf = (t: TypicalMachine): Job['runs'][number] => ({
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
  isolatorAtM: isolatorAt(),
})

const wiringOf = (t: TypicalMachine): Job['wiring'] => ({
  ...wiringBeside(t.engine === null),
  intent: {
    control: 'thermostat and override',
    overrideLive: 'as the fan',
    ifControllerDies: 'the override',
    deadWhenParked: 'the fan',
    alsoFor: 'nothing',
  },
  override: t.engine ? 'key' : 'feed',
})

const placeOf = (t: TypicalMachine, medium: Medium): Job['place'] => ({
  ...placeBeside(t),
  panel: medium === 'air' ? 'panel1' : null,
  mount: mountsIn(medium)[0],
  side: 'puller',
  neighbour: 'fixed',
  blowsOn: null,
  freeDepthM: mm(t.freeBehindMm),
  standOffM: typical(0.005),
  sweepM: mm(t.routes.sweepMm),
})

/** What is kept of a job that nobody has worked on yet. */
const emptyRecord = (t: TypicalMachine, cooled: boolean) =>
  ({
    limits: { dropShare: 0.03, leastAreaM2: 0.75e-6, boilKeepK: 10 },
    use: {
      live: t.engine ? 'key only' : 'isolator',
      afterRunS: typical(180),
      standsS: typical(14 * 86_400),
      fanWhileCranking: true,
    },
    setting: { state: 'test' },
    build: { done: [], passed: [], waits: [], torques: [], own: [], unplanned: [], have: [], left: [] },
    ledger: [],
    coolant: { outM3: null, inM3: null },
    debts: [],
    photos: [],
    dial: [],
    hours: [],
    money: {
      currency: '',
      perHour: null,
      budget: { fan: null, wiring: null, coolant: null, consumables: null },
    },
    notes: [],
    bought: [],
    settings: [],
    looseJoints: [],
    searches: [],
    traces: [],
    proofs: [],
    after: [...afterCare.filter((c) => cooled || !c.coolant), ...(cooled ? [tieCare] : [])].map(({ id, what }) =>
      careOf(id, what),
    ),
    acceptances: [],
    claims: [],
    ended: null,
    signature: null,
  }) satisfies Partial<Job>

/**
 * A new job: everything that can be guessed for this kind of machine stands as typical, nothing is chosen yet. What is
 * not a question of this kind of job is null, so that nobody is asked for it.
 * @throws RangeError for a kind of job that makes no sense on this machine
 * @see typical.md
 */
export function startJob(beginning: Beginning): Job {
  const {
    title,
    kind,
    job: wanted,
    machineName,
    owner,
    units,
    startedOn,
    promisedOn,
    heightM,
    model,
    serial,
  } = beginning
  const t = typicalMachines[kind]
  const job = wanted ?? t.jobs[0]!
  const medium = mediumOf(job, kind)
  const { mountsFan } = jobKinds[job]
  return {
    format: 'pyraxis-job',
    version: JOB_VERSION,
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
      signs: [],
      times: null,
      doubted: false,
    },
    observations: [],
    mechanicalFan: null,
    machine: {
      kind,
      name: machineName,
      owner,
      massKg: typical(t.weightKg),
      systemV: 12,
      hasBattery: null,
      outputDc: null,
      ownerAllows: null,
      airConditioning: null,
      accessoryFeed: null,
      fanPlug: { search: 'not looked', where: '' },
    },
    identity: { model: model ?? '', serial: serial ?? '' },
    checks: [],
    baseline: { state: 'not yet', hotC: null, airC: null, touchS: null, load: '' },
    alterations: [],
    surroundings: surroundingsOf(t, heightM),
    ...blocksFor(job, kind),
    charging: chargingOf(t),
    batteries: [batteryOf(t)],
    fans: [],
    oldFan: null,
    controllers: [],
    probes: [probeOf(t, medium, mountsFan)],
    relays: [],
    switches: [],
    fuses: [],
    conductors: [
      feedWire('feed', t.routes.feedM, medium === 'air'),
      feedWire('return', t.routes.returnM, medium === 'air'),
      ...controlConductors(t, units, medium === 'air'),
    ],
    runs: [runOf(t)],
    wiring: wiringOf(t),
    duty: null,
    place: placeOf(t, medium),
    ...emptyRecord(t, medium === 'coolant' && mountsFan),
  }
}
