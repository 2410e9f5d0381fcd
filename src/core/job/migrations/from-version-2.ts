import { withPart } from './part'
import { each, guess, isRaw, kindOf, type KindThen, type Raw, rawOr, valueOf, within } from './raw'

interface ThenUsual {
  readonly idleShare: number
  readonly slowShare: number
  readonly slowKmh: number
  readonly cruiseKmh: number
  readonly ramShare: number
  readonly coreMm: number
  readonly freeMm: number
  readonly fanMm: number
  readonly probeMm: number
}

/** What was usual for each kind of machine when version 3 was written. */
const usual: Readonly<Record<KindThen, ThenUsual>> = {
  'trail-bike': {
    idleShare: 0.04,
    slowShare: 0.18,
    slowKmh: 8,
    cruiseKmh: 40,
    ramShare: 0.4,
    coreMm: 120,
    freeMm: 55,
    fanMm: 250,
    probeMm: 500,
  },
  'road-bike': {
    idleShare: 0.04,
    slowShare: 0.18,
    slowKmh: 10,
    cruiseKmh: 80,
    ramShare: 0.3,
    coreMm: 330,
    freeMm: 60,
    fanMm: 250,
    probeMm: 600,
  },
  'side-by-side': {
    idleShare: 0.04,
    slowShare: 0.18,
    slowKmh: 9,
    cruiseKmh: 40,
    ramShare: 0.25,
    coreMm: 580,
    freeMm: 90,
    fanMm: 350,
    probeMm: 900,
  },
  'digger-air': {
    idleShare: 0.04,
    slowShare: 0.5,
    slowKmh: 0,
    cruiseKmh: 0,
    ramShare: 0,
    coreMm: 120,
    freeMm: 60,
    fanMm: 300,
    probeMm: 500,
  },
  'digger-liquid': {
    idleShare: 0.04,
    slowShare: 0.5,
    slowKmh: 0,
    cruiseKmh: 0,
    ramShare: 0,
    coreMm: 340,
    freeMm: 110,
    fanMm: 350,
    probeMm: 700,
  },
  'older-vehicle': {
    idleShare: 0.04,
    slowShare: 0.06,
    slowKmh: 0,
    cruiseKmh: 70,
    ramShare: 0.25,
    coreMm: 480,
    freeMm: 90,
    fanMm: 400,
    probeMm: 800,
  },
  trailer: {
    idleShare: 0.04,
    slowShare: 0.18,
    slowKmh: 0,
    cruiseKmh: 0,
    ramShare: 0,
    coreMm: 120,
    freeMm: 60,
    fanMm: 300,
    probeMm: 600,
  },
}

const mm = (n: number): Raw => guess(n / 1000)
const kmh = (n: number): Raw => guess(n * (1 / 3.6))
const leg = (lengthM: unknown, name: string): readonly Raw[] => [{ id: 'leg1', name, lengthM }]

const engine = (t: ThenUsual): Raw => ({
  idleShare: guess(t.idleShare),
  slowShare: guess(t.slowShare),
  slowMs: kmh(t.slowKmh),
  cruiseMs: kmh(t.cruiseKmh),
})

const cooling = (t: ThenUsual): Raw => ({
  tankTopM: mm(35),
  tankBottomM: mm(35),
  tubePitchM: mm(9),
  betweenCoresM: mm(t.coreMm * 2),
  passes: 1,
  ramShare: guess(t.ramShare),
  resistanceFactor: guess(1),
  transferFactor: guess(1),
})

const bay = (freeM: unknown): Raw => ({
  panelM2: guess(0),
  flywheel: null,
  intakeFrom: null,
  panels: [
    { id: 'panel1', name: 'panel', faces: 'neither', flywheel: 'neither', wideM: mm(300), highM: mm(300), freeM },
  ],
})

const place = (t: ThenUsual) => ({
  inletFrom: null,
  inletRiseK: guess(10),
  panel: null,
  freeFrontM: mm(t.freeMm),
  obstacles: [],
  bracketM: mm(2),
  washerM: mm(1),
  channelM: mm(8),
  gapM: mm(2),
  bladeProudM: guess(0, 0.002),
  duct: { lengthM: guess(1), diameterM: mm(76), bends: 2, splitter: false, leadsTo: 'outside' },
  leads: {
    fan: leg(mm(t.fanMm), 'to the joint'),
    probe: leg(mm(t.probeMm), 'to the controller'),
    controller: leg(mm(250), 'controller to relay or joint'),
    supply: leg(mm(600), 'controller to battery'),
  },
  leadsLeave: 'top left',
})

/** At the core's edge, as far from where the leads leave as its middle is: then the lead is what it was. */
const probeSeat = <S>(at: (x: number, y: number) => S, wide: number, high: number): S => {
  const right = ((wide + high) / 2 - 0.9 * wide) / high
  return right > 0.06 ? at(0.9, right) : at(((wide + high) / 2 - 0.88 * high) / wide, 0.88)
}

/** Version 2 knew a fan's depth, but not where on the core it sits, nor what is near it. */
export function fromVersion2(job: Raw): Raw {
  const t = usual[kindOf(job)]
  const old = rawOr(job.place)
  const { fanRouteM, probeRouteM, ...kept } = old
  const wide = isRaw(job.cooling) ? valueOf(job.cooling.coreWidthM, 0.12) : 0
  const high = isRaw(job.cooling) ? valueOf(job.cooling.coreHeightM, 0.24) : 0
  const at = (x: number, y: number) =>
    isRaw(job.cooling) && job.kind !== 'wiring' ? { core: 0, xM: x * wide, yM: y * high } : null
  const beside = place(t)
  return {
    ...job,
    version: 3,
    oldFan: null,
    ...within(job, 'surroundings', (s) => ({ ground: null, blockedShare: guess(0), ...s })),
    ...within(job, 'engine', (e) => ({ ...engine(t), ...e })),
    ...within(job, 'cooling', (c) => ({ ...cooling(t), ...c })),
    ...within(job, 'bay', (b) => {
      const panels = bay(isRaw(old.freeDepthM) ? old.freeDepthM : mm(t.freeMm))
      return isRaw(old.freeDepthM) ? { ...panels, ...b, panels: panels.panels } : { ...panels, ...b }
    }),
    // what is no place stays none, for the schema to refuse
    place: !isRaw(job.place)
      ? job.place
      : {
          ...beside,
          panel: isRaw(job.bay) ? 'panel1' : null,
          ...kept,
          leads: {
            ...beside.leads,
            ...(fanRouteM ? { fan: leg(fanRouteM, 'to the joint') } : {}),
            ...(probeRouteM ? { probe: leg(probeRouteM, 'to the controller') } : {}),
          },
        },
    ...each(job, 'fans', (f) => ({ ...withPart(f), seat: at(0.5, 0.5), wiresSwapped: false, bladeTurned: false })),
    ...each(job, 'probes', (p) => ({ ...withPart(p), seat: probeSeat(at, wide, high) })),
    ...each(job, 'controllers', withPart),
  }
}
