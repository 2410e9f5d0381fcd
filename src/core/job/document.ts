import { z } from 'zod'
import { coolants } from '../air'
import { type ProbePlace, probePlaces } from '../control'
import { batteryKinds } from '../electrical'
import { field } from '../fields'
import {
  controllerPartSchema,
  fanPartSchema,
  idSchema,
  probePartSchema,
  relayPartSchema,
  switchPartSchema,
} from '../parts'
import { wireSizes } from '../units'
import { dutySchema } from './duty-schema'
import { type JobKind, jobKinds } from './kinds'
import { grounds, panelSchema, placeSchema, seatSchema } from './place-schema'
import { conductorRoles, feeds, wiringSchema } from './wiring-schema'

/** Version of the job document that this code writes. Older ones are migrated to it when read; newer ones are refused. */
export const JOB_VERSION = 5

export const machineKinds = [
  'trail-bike',
  'road-bike',
  'side-by-side',
  'digger-air',
  'digger-liquid',
  'older-vehicle',
  'trailer',
] as const

export const marginIds = [
  'fit',
  'air',
  'supply',
  'wire',
  'fuse',
  'contacts',
  'charge',
  'battery',
  'trigger',
  'boil',
] as const

export type MarginId = (typeof marginIds)[number]
const line = (max: number) => z.string().max(max)
/** a calendar day, 2026-01-31 */
export const daySchema = z.iso.date()
export const momentSchema = z.iso.datetime()
/** What its owner lets be done to the machine, strictest first. */
export const allowances = ['nothing that leaves a mark', 'undoable only', 'anything'] as const
export const alterationKinds = ['cut', 'hole', 'tap', 'weld', 'splice'] as const
export type AlterationKind = (typeof alterationKinds)[number]

/** Where the machine lives, with the ingress class that asks for: first digit solids, second water. @see typical.md */
export const ingressNeeds = {
  indoors: 'IP20',
  rain: 'IPX4',
  'mud and a hose': 'IP65',
  'pressure washer': 'IPX9',
} as const

export type LivesIn = keyof typeof ingressNeeds
export const endings = ['another cure', 'no direct current', 'the owner says no'] as const
const celsius: readonly [number, number] = [-60, 300]

export const jobSchema = z
  .strictObject({
    format: z.literal('pyraxis-job'),
    version: z.literal(JOB_VERSION),
    kind: z.enum(Object.keys(jobKinds) as [JobKind, ...JobKind[]]),
    title: z.string().trim().min(1).max(80),
    units: z.enum(['metric', 'imperial']),
    startedOn: daySchema,
    promisedOn: daySchema.nullable(),
    complaint: z.strictObject({
      what: z.enum(['boils', 'runs hot', 'stumbles when hot', 'cooks what is near it']),
      on: z.enum(['slow climbs', 'slow work', 'idling', 'after switch-off', 'any work']),
      breeze: z.enum(['no breeze', 'a breeze', 'any weather']),
      after: field(
        'minutes until it shows',
        'minutes',
        [0, 86_400],
        'machine',
        'on a run before anything comes apart',
      ).nullable(),
      aboveC: field('shows above', 'temperature', [-40, 60], 'machine').nullable(),
    }),
    machine: z.strictObject({
      kind: z.enum(machineKinds),
      name: z.string().trim().min(1).max(80),
      owner: line(80),
      massKg: field(
        'weight at work',
        'mass',
        [20, 60_000],
        'trigger',
        'with rider or load: a weighbridge, or the handbook',
      ),
      systemV: z.union([z.literal(12), z.literal(24)]),
      /** null: not asked yet */
      hasBattery: z.boolean().nullable(),
      outputDc: z.boolean().nullable(),
      ownerAllows: z.enum(allowances).nullable(),
    }),
    /** is a fan the cure? one answer a question */
    checks: z
      .array(z.strictObject({ id: idSchema, found: z.enum(['ruled out', 'looks like it']), at: momentSchema }))
      .max(20),
    /** how it ran before anything came apart: it cannot be had afterwards */
    baseline: z.strictObject({
      state: z.enum(['not yet', 'taken', 'cannot be had']),
      hotC: field(
        'got as hot as',
        'temperature',
        [-40, 300],
        'machine',
        'gauge, or a thermometer on the thing itself',
      ).nullable(),
      airC: field('surroundings then', 'temperature', [-40, 60], 'machine').nullable(),
      touchS: field('could be touched for', 'seconds', [0, 3600], 'machine', 'seat or panel, bare hand').nullable(),
      load: line(160),
    }),
    /** cuts, holes and the like that this plan makes besides those that its choices bring */
    alterations: z
      .array(z.strictObject({ id: idSchema, kind: z.enum(alterationKinds), what: z.string().trim().min(1).max(120) }))
      .max(30),
    surroundings: z.strictObject({
      /** what it works in, and so what its fins pick up; null: not asked yet */
      ground: z.enum(grounds).nullable(),
      blockedShare: field(
        'blocked by such ground, at 14 fins per inch',
        'share',
        [0, 0.8],
        'machine',
        'hold a lamp behind the core after a day out',
      ),
      livesIn: z.enum(Object.keys(ingressNeeds) as [LivesIn, ...LivesIn[]]).nullable(),
      /** what is fitted sits behind a shield that keeps water off */
      shielded: z.boolean(),
      heightM: field('height above the sea', 'height', [-430, 5500], 'machine'),
      coldestC: field('coldest day it works', 'temperature', [-40, 50], 'machine'),
      hottestC: field('hottest day it works', 'temperature', [-20, 60], 'machine'),
      usualC: field('usual day it works', 'temperature', [-40, 60], 'machine'),
    }),
    engine: z
      .strictObject({
        ratedPowerW: field('rated power', 'power', [200, 600_000], 'machine'),
        ratedRpm: field('rated speed', 'engineSpeed', [300, 20_000], 'machine'),
        massKg: field('engine weight', 'mass', [1, 5000], 'trigger', 'the handbook; it is what stores the heat'),
        storeFactor: field(
          'heat that its metal stores, against the estimate',
          'share',
          [0.2, 5],
          'trigger',
          '1 until a logged run says otherwise',
        ),
        idleRpm: field('idle speed', 'engineSpeed', [200, 5000], 'machine'),
        slowRpm: field('slow work speed', 'engineSpeed', [200, 15_000], 'machine'),
        cruiseRpm: field('cruise speed', 'engineSpeed', [200, 18_000], 'machine'),
        heatShare: field(
          'heat over brake power',
          'share',
          [0.1, 2],
          'machine',
          'into coolant: petrol four-stroke 0.9, two-stroke 0.8, diesel 0.7; into a bay: ducted 0.2, louvred ' +
            '0.5, closed 1',
        ),
        idleShare: field('load share, standing', 'share', [0.005, 1], 'machine', 'idling at a gate 0.04'),
        slowShare: field(
          'load share, slow work',
          'share',
          [0.01, 1],
          'machine',
          'slow technical ground 0.18, climb 0.45, digging 0.5',
        ),
        slowMs: field('travels at slow work', 'speed', [0, 20], 'machine', '0 where it stands while it works'),
        cruiseMs: field('travels at speed', 'speed', [0, 60], 'machine'),
        loadShare: field(
          'load share of the heaviest work',
          'share',
          [0.01, 1],
          'machine',
          'slow crawl 0.18, climb 0.45, digging 0.5',
        ),
        thermostatOpensC: field(
          'engine thermostat opens',
          'temperature',
          [20, 120],
          'measure',
          'stamped on it, or in a pan of water with a thermometer',
        ).nullable(),
      })
      .nullable(),
    /** the coolant and its core; null where air alone carries the heat */
    cooling: z
      .strictObject({
        coolant: z.enum(coolants),
        glycolShare: field('glycol in the coolant', 'share', [0, 0.7], 'measure', 'with a coolant tester'),
        volumeM3: field('coolant', 'volume', [1e-4, 0.1], 'measure', 'the handbook, or what ran out into a jug'),
        capPa: field('cap', 'pressure', [0, 3e5], 'measure', 'stamped on the cap'),
        cores: z.int().min(1).max(4),
        coresJoined: z.boolean(),
        coreWidthM: field('core wide', 'length', [0.03, 2], 'measure', 'tape across the fins, side channels left out'),
        coreHeightM: field('core high', 'length', [0.03, 2], 'measure', 'tape along the fins, tanks left out'),
        coreThicknessM: field(
          'core thick',
          'length',
          [0.008, 0.2],
          'measure',
          'a wire through the fins, marked at both faces',
        ),
        finsPerInch: field('fins per inch', 'count', [4, 30], 'measure', 'count them along 25 mm'),
        tankTopM: field(
          'tank above the fins',
          'length',
          [0, 0.5],
          'measure',
          'from the fins to its top edge, cap left out',
        ),
        tankBottomM: field('tank below the fins', 'length', [0, 0.5], 'measure', 'from the fins to its bottom edge'),
        tubePitchM: field('tube to tube', 'length', [0.003, 0.05], 'measure', 'over ten tubes, then a tenth'),
        betweenCoresM: field(
          'core to core, middle to middle',
          'length',
          [0, 2],
          'measure',
          'left edge to left edge is the same',
        ),
        passes: z.int().min(1).max(3),
        ramShare: field(
          'share of the travel’s pressure at the core',
          'share',
          [0, 1],
          'measure',
          'bare 0.4, behind a fairing 0.3, inside a body 0.25',
        ),
        resistanceFactor: field(
          'core’s resistance, against the estimate',
          'share',
          [0.3, 3],
          'measure',
          '1 until a measured air-flow says otherwise',
        ),
        transferFactor: field(
          'core’s heat transfer, against the estimate',
          'share',
          [0.3, 3],
          'measure',
          '1 until a logged run says otherwise',
        ),
      })
      .nullable(),
    /** the thicker core that takes the present one's place */
    newCore: z
      .strictObject({
        thicknessM: field('new core thick', 'length', [0.008, 0.25], 'measure', 'a rule across its side, fins only'),
        finsPerInch: field('new core, fins per inch', 'count', [4, 30], 'measure', 'count them along 25 mm'),
        pinOldM: field(
          'pin to face, present core',
          'length',
          [0, 0.3],
          'measure',
          'from the middle of the mounting pin to the front face',
        ),
        pinNewM: field(
          'pin to face, new core',
          'length',
          [0, 0.3],
          'measure',
          'from the middle of the mounting pin to the front face',
        ),
        hoseGapM: field('gap behind the hoses', 'length', [0, 0.5], 'measure', 'at the tightest hose, present core'),
        shroudGapM: field('gap at the shroud', 'length', [0, 0.5], 'measure', 'present core'),
      })
      .nullable(),
    /** the space that air is moved through; null for a core */
    bay: z
      .strictObject({
        spaceM3: field(
          'space inside',
          'volume',
          [0.005, 30],
          'measure',
          'length × width × height, less what stands in it',
        ),
        ventInM2: field('vents in', 'opening', [0, 2], 'measure', 'free area: a coarse grille leaves about two thirds'),
        ventOutM2: field('vents out', 'opening', [0, 2], 'measure', 'free area'),
        ventHeightM: field('outlet above inlet', 'length', [0, 3], 'measure', 'middle to middle'),
        allowedC: field(
          'hottest it may get',
          'temperature',
          [20, 200],
          'machine',
          'what the seat, panel or goods can bear',
        ),
        heatW: field(
          'heat given off inside',
          'power',
          [1, 50_000],
          'machine',
          'its rating, or what it draws',
        ).nullable(),
        panelM2: field(
          'sheet that sheds heat',
          'opening',
          [0, 50],
          'measure',
          'outside area of the bay; 0 where unknown',
        ),
        /** the engine's own fan; null where it has none */
        flywheel: z
          .strictObject({
            freeFlowM3s: field(
              'flywheel fan, free air-flow',
              'flow',
              [0.0005, 3],
              'machine',
              'anemometer at its outlet',
            ),
            maxPressurePa: field('flywheel fan, greatest pressure', 'airPressure', [1, 5000], 'machine'),
          })
          .nullable(),
        intakeFrom: z.enum(['the bay', 'outside']).nullable(),
        panels: z.array(panelSchema).min(1).max(8),
      })
      .nullable(),
    /** how a trailer is fed; it has no engine of its own */
    trailer: z
      .strictObject({
        pinA: field(
          'tow plug, pin rating',
          'current',
          [0.5, 100],
          'power',
          "stamped on it, or the maker's sheet; never a road-lighting pin",
        ),
        cableM: field(
          'cable to the tow vehicle, one way',
          'run',
          [0.2, 60],
          'power',
          'from its battery to the trailer battery',
        ),
        cableSize: z.enum(wireSizes).nullable(),
        chargerA: field('charger gives', 'current', [0.2, 200], 'power', 'its label, or a clamp'),
        aloneS: field(
          'has to last standing alone',
          'hours',
          [0, 600_000],
          'power',
          'hours without tow vehicle or charger',
          true,
        ),
      })
      .nullable(),
    charging: z.strictObject({
      known: z.enum(['rating', 'points']),
      ratedA: field('charging output, rated', 'current', [0.5, 400], 'power'),
      ratedRpm: field('rated charging output is at', 'engineSpeed', [300, 20_000], 'power'),
      points: z
        .array(
          z.strictObject({
            id: idSchema,
            rpm: field('clamp reading at', 'engineSpeed', [100, 20_000], 'power'),
            currentA: field(
              'charging current there',
              'current',
              [0, 400],
              'power',
              'clamp on the charging lead, lights as in use',
            ),
          }),
        )
        .max(8),
      regulatorV: field('regulator holds', 'voltage', [12, 32], 'power', 'across the battery while it charges'),
      otherLoadsA: field(
        'other loads',
        'current',
        [0, 300],
        'power',
        'clamp on the battery lead, engine off, all on that is on at work',
      ),
    }),
    batteries: z
      .array(
        z.strictObject({
          id: idSchema,
          kind: z.enum(batteryKinds),
          capacityAh: field('battery', 'batteryCapacity', [0.5, 1000], 'power'),
          hourRateH: z.union([z.literal(10), z.literal(20)]),
          coldCrankingA: field('cold-cranking current', 'current', [10, 3000], 'power', 'on the battery').nullable(),
          /** null where nothing is cranked */
          crankingA: field('starter takes', 'current', [1, 2000], 'power', 'clamp on the starter lead').nullable(),
          charge: field('charged to', 'share', [0.1, 1], 'power', 'from the rest voltage'),
        }),
      )
      .min(1)
      .max(4),
    fans: z
      .array(
        z.strictObject({
          id: idSchema,
          part: fanPartSchema,
          /** null in a bay: there the panel says where it sits */
          seat: seatSchema.nullable(),
          wiresSwapped: z.boolean(),
          bladeTurned: z.boolean(),
        }),
      )
      .max(4),
    /** the fan that comes off, where one is replaced by another */
    oldFan: z.strictObject({ part: fanPartSchema }).nullable(),
    controllers: z
      .array(
        z.strictObject({
          id: idSchema,
          part: controllerPartSchema,
          /** set point and band at the probe; a choice, so without a spread */
          setC: z.number().min(celsius[0]).max(celsius[1]),
          bandK: z.number().min(0).max(100),
          /** a ramp's: from the least duty at `setC` to full so many kelvins above */
          spanK: z.number().min(0.5).max(100),
        }),
      )
      .max(4),
    probes: z
      .array(
        z.strictObject({
          id: idSchema,
          part: probePartSchema.nullable(),
          place: z.enum(Object.keys(probePlaces) as [ProbePlace, ...ProbePlace[]]),
          atOutlet: z.boolean(),
          /** null in a bay */
          seat: seatSchema.nullable(),
          kappa: field(
            'share of the coolant that the probe sees',
            'share',
            [0.2, 1],
            'trigger',
            'a thermometer in the coolant beside it, engine hot',
          ),
          overshootK: field('overshoot', 'temperatureDifference', [0, 60], 'trigger'),
        }),
      )
      .min(1)
      .max(4),
    relays: z.array(z.strictObject({ id: idSchema, part: relayPartSchema })).max(4),
    switches: z.array(z.strictObject({ id: idSchema, part: switchPartSchema })).max(8),
    fuses: z
      .array(
        z.strictObject({
          id: idSchema,
          kind: z.enum(['blade', 'breaker']),
          ratingA: z.number().min(0.5).max(100),
          fromPostM: field('fuse to battery post, along the wire', 'length', [0, 10], 'wire'),
          ambientC: field('hottest it gets at the fuse', 'temperature', [-20, 120], 'wire'),
        }),
      )
      .max(4),
    conductors: z
      .array(
        z.strictObject({
          id: idSchema,
          role: z.enum(conductorRoles),
          size: z.enum(wireSizes).nullable(),
          /** of its insulation, as it is or will be bought */
          colour: line(20),
          lengthM: field('length', 'run', [0.02, 60], 'wire', 'a string along the route, ends included'),
          insulationC: z.union([z.literal(80), z.literal(105), z.literal(125)]),
          ambientC: field('hottest along its way', 'temperature', [-20, 120], 'wire'),
          bundled: z.int().min(1).max(60),
        }),
      )
      .max(40),
    /** how each fan is fed: the ids of what stands in its path */
    runs: z
      .array(
        z.strictObject({
          id: idSchema,
          fan: idSchema.nullable(),
          controller: idSchema.nullable(),
          probe: idSchema,
          fuse: idSchema.nullable(),
          source: z.enum(feeds),
          switchedBy: z.enum(['relay', 'controller']),
          relay: idSchema.nullable(),
          keySwitch: idSchema.nullable(),
          conductors: z.array(idSchema).max(8),
          frame: z.boolean(),
          crimps: z.int().min(0).max(30),
          rings: z.int().min(0).max(12),
          /** the last part of the feed; before it come fuse and contact */
          switchAtM: field(
            'of the feed, contact to fan',
            'run',
            [0, 30],
            'wire',
            'a string along the route, ends included',
          ),
        }),
      )
      .min(1)
      .max(4),
    wiring: wiringSchema,
    duty: dutySchema,
    place: placeSchema,
    limits: z.strictObject({
      dropShare: z.union([z.literal(0.02), z.literal(0.03), z.literal(0.05), z.literal(0.1)]),
      leastAreaM2: z.union([z.literal(0.5e-6), z.literal(0.75e-6)]),
      boilKeepK: z.number().min(0).max(60),
    }),
    use: z.strictObject({
      live: z.enum(['key only', 'after-run', 'isolator']),
      afterRunS: field('after-run wanted', 'minutes', [0, 36_000], 'power', 'minutes with the key off', true),
      standsS: field('longest it stands', 'days', [0, 3.2e7], 'power', 'days between outings', true),
      fanWhileCranking: z.boolean(),
    }),
    setting: z.strictObject({ state: z.enum(['test', 'working']) }),
    build: z.strictObject({
      done: z.array(z.strictObject({ step: idSchema, at: momentSchema })).max(200),
    }),
    proofs: z
      .array(
        z.strictObject({
          id: idSchema,
          measured: z.strictObject({ value: z.number().min(-1000).max(1e6), typed: line(80) }).nullable(),
          answer: z.enum(['yes', 'no']).nullable(),
          /** why it was not proved */
          notProved: line(300).nullable(),
          at: momentSchema,
        }),
      )
      .max(60),
    after: z
      .array(
        z.strictObject({ id: idSchema, what: line(120), dueOn: daySchema.nullable(), doneOn: daySchema.nullable() }),
      )
      .max(60),
    acceptances: z
      .array(
        z.strictObject({
          margin: z.enum([...marginIds, 'plan']),
          part: line(60),
          verdict: z.enum(['unsure', 'open', 'warning']),
          /** the worst corner that was accepted, in the part's unit; null where there was no figure */
          worst: z.number().nullable(),
          who: z.string().trim().min(1).max(80),
          at: momentSchema,
          why: z.string().trim().min(1).max(400),
        }),
      )
      .max(100),
    /** a job that ends without a fan, and why */
    ended: z
      .strictObject({ why: z.enum(endings), note: line(300), by: z.string().trim().min(1).max(80), at: momentSchema })
      .nullable(),
    signature: z
      .strictObject({ by: z.string().trim().min(1).max(80), at: momentSchema, coreVersion: line(20) })
      .nullable(),
  })
  .superRefine((job, context) => {
    const lists = {
      fans: job.fans,
      controllers: job.controllers,
      probes: job.probes,
      relays: job.relays,
      switches: job.switches,
      fuses: job.fuses,
      conductors: job.conductors,
      batteries: job.batteries,
      runs: job.runs,
      obstacles: job.place.obstacles,
      panels: job.bay?.panels ?? [],
    }
    for (const [key, list] of Object.entries(lists)) {
      const ids = list.map((e) => e.id)
      const twice = ids.find((id, i) => ids.indexOf(id) !== i)
      if (twice) context.addIssue({ code: 'custom', path: [key], message: `the id "${twice}" stands twice` })
    }
    for (const key of ['overrideSwitch', 'isolatorSwitch'] as const) {
      const id = job.wiring[key]
      if (id !== null && !job.switches.some((e) => e.id === id))
        context.addIssue({ code: 'custom', path: ['wiring', key], message: `there is no "${id}" in this job` })
    }
    if (job.place.panel !== null && !job.bay?.panels.some((p) => p.id === job.place.panel))
      context.addIssue({
        code: 'custom',
        path: ['place', 'panel'],
        message: `there is no panel "${job.place.panel}" in this job`,
      })
    job.runs.forEach((run, i) => {
      const refer = (key: string, id: string | null, list: readonly { id: string }[]): void => {
        if (id !== null && !list.some((e) => e.id === id))
          context.addIssue({ code: 'custom', path: ['runs', i, key], message: `there is no "${id}" in this job` })
      }
      refer('fan', run.fan, job.fans)
      refer('controller', run.controller, job.controllers)
      refer('probe', run.probe, job.probes)
      refer('fuse', run.fuse, job.fuses)
      refer('relay', run.relay, job.relays)
      refer('keySwitch', run.keySwitch, job.switches)
      for (const id of run.conductors) refer('conductors', id, job.conductors)
    })
  })

export type Job = z.infer<typeof jobSchema>
export type Run = Job['runs'][number]
export type MachineKind = (typeof machineKinds)[number]
export type Battery = Job['batteries'][number]
export type Engine = NonNullable<Job['engine']>
export type Cooling = NonNullable<Job['cooling']>
export type Fan = Job['fans'][number]
