import { controllerInputs, factSources, fittingKinds, harnessBrings } from './choices'
import { readHarnessWire } from './harness-wire'
import { z } from 'zod'
import { bandKinds } from '../control'
import { batteryKinds, fuseFormNames } from '../electrical'
import { wireSizes } from '../units'
import { field, seenOnly } from '../fields'

export const idSchema = z.string().regex(/^[a-zA-Z0-9_-]{1,40}$/)
const name = z.string().trim().min(1).max(80)
/** What one source says of one figure of a part; contradictory ones stand side by side. `value` in SI. */
const factSchema = z.strictObject({
  id: idSchema,
  about: z.string().max(40),
  from: z.enum(factSources),
  value: z.number(),
  typed: z.string().max(80),
  note: z.string().max(160),
})
export type Fact = z.infer<typeof factSchema>
const common = {
  id: idSchema,
  name,
  maker: z.string().max(60),
  note: z.string().max(400),
  facts: z.array(factSchema).max(40),
  /** what it needs besides and does not bring along: "relay", "mounting kit" */
  separately: z.array(z.string().trim().min(1).max(80)).max(10).optional(),
  /** of one, or of a metre, in the workshop's money; null or absent: nobody noted it */
  price: z.number().min(0).max(1e6).nullable().optional(),
  /** it is ordered again when no more are left */
  reorderAt: z.number().min(0).max(100_000).nullable().optional(),
}

/** What a contact's label promises: a rating is a promise, not a reading, so it has no spread. A. */
export const contactSchema = z.strictObject({
  ratedA: z.number().positive().max(500),
  rating: z.enum(['motor', 'resistive']),
  makeA: z.number().positive().max(2000).nullable(),
})

const ingress = z
  .string()
  .regex(/^IP[0-9X]{2}K?$/)
  .nullable()
/** how many there are, m of what comes by the metre; null where nobody counts */
const stock = z.number().min(0).max(100_000).nullable()
/** largest copper a terminal accepts, m²; null where it has none of its own */
const terminalAreaM2 = z.number().positive().max(1e-4).nullable()

export const fanPartSchema = z.strictObject({
  ...common,
  kind: z.literal('fan'),
  motor: z.enum(['brushed', 'brushless']),
  ratedV: z.number().min(5).max(60),
  ratedA: field(
    'fan current, rated',
    'current',
    [0.05, 60],
    'place',
    'from the nameplate, or a clamp meter on the bench',
  ),
  lockedA: seenOnly(
    field(
      'fan current, held fast',
      'current',
      [0.1, 400],
      'place',
      'a short blip, a wooden wedge in the blades and no finger near; 4 × rated where unknown',
    ),
  ).nullable(),
  diameterM: field('blade diameter', 'length', [0.02, 1], 'place'),
  housingM: field('fan housing, across', 'length', [0.02, 1.2], 'place', 'over its frame, the wider way'),
  fixings: z.int().min(2).max(12),
  boltCircleM: field(
    'circle of its fixing holes',
    'length',
    [0.02, 1.5],
    'place',
    'corner to corner across the middle',
  ),
  depthM: field(
    'fan depth',
    'length',
    [0.005, 0.4],
    'place',
    'from mounting face to the furthest point, shaft end included',
  ),
  freeFlowM3s: field('free air-flow, from the box', 'flow', [0.0005, 3], 'place', 'sellers overstate it'),
  maxPressurePa: field(
    'greatest pressure',
    'airPressure',
    [1, 5000],
    'place',
    'from its sheet, with the air-flow shut off',
  ),
  massKg: field('fan weight', 'mass', [0.02, 20], 'place'),
  leadM: field('lead supplied with the fan', 'length', [0, 10], 'place'),
  ingress,
})

/** A thermostat controller, a fixed switch, or a plain hand switch for the fan. */
export const controllerPartSchema = z.strictObject({
  ...common,
  kind: z.literal('controller'),
  band: z.enum(bandKinds),
  /** what a programmable one can be set to */
  range: z
    .strictObject({
      minC: z.number().min(-60).max(200),
      maxC: z.number().min(-60).max(250),
      stepK: z.number().positive().max(50),
      bandMinK: z.number().min(0).max(100),
      bandMaxK: z.number().min(0).max(100),
    })
    .refine((r) => r.minC < r.maxC && r.bandMinK <= r.bandMaxK, 'the lowest must be below the highest')
    .nullable(),
  /** what its display counts in, which its steps are whole numbers of; absent: °C */
  shows: z.enum(['°C', '°F']).optional(),
  /** the points of a fixed switch */
  fixed: z
    .strictObject({
      closesC: field('switch closes', 'temperature', [-40, 200], 'trigger'),
      opensC: field('switch opens', 'temperature', [-40, 200], 'trigger'),
    })
    .nullable(),
  /** a ramp's least share of the full voltage; null where unknown or none */
  leastDuty: z.number().min(0.01).max(1).nullable(),
  contact: contactSchema.nullable(),
  terminalAreaM2,
  standbyA: field('controller draw, standing', 'current', [0, 2], 'power', 'in series with the meter, fan off'),
  /** what else its own inputs take besides the probe */
  inputs: z.array(z.enum(controllerInputs)).max(controllerInputs.length),
  probeOpen: z.enum(['fan off', 'fan on']),
  probeShorted: z.enum(['fan off', 'fan on']),
  ingress,
  /** leads that come with it; null where it has terminals instead */
  leadM: field('lead supplied, controller to fan or relay', 'length', [0, 10], 'place').nullable(),
  supplyLeadM: field('lead supplied, controller to battery', 'length', [0, 10], 'place').nullable(),
  /** how its keys set it, one step a line; {set}, {band}, {span}, {on}, {off} and {lowest} are filled in */
  keys: z.array(z.string().max(200)).max(20),
  suppliedProbeId: idSchema.nullable(),
})

export const probePartSchema = z.strictObject({
  ...common,
  kind: z.literal('probe'),
  r25Ohm: z.number().positive().max(1e7),
  betaK: z.number().min(500).max(10_000),
  leadM: field('lead supplied with the probe', 'length', [0, 20], 'place'),
})

export const relayPartSchema = z.strictObject({
  ...common,
  kind: z.literal('relay'),
  contact: contactSchema,
  coilOhm: z.number().min(10).max(5000),
  coilV: z.union([z.literal(12), z.literal(24)]),
  suppressed: z.boolean(),
  terminalAreaM2,
})

export const switchPartSchema = z.strictObject({
  ...common,
  kind: z.literal('switch'),
  contact: contactSchema,
  terminalAreaM2,
})

/** A fuse with its holder, or a breaker. */
export const fusePartSchema = z.strictObject({
  ...common,
  kind: z.literal('fuse'),
  form: z.enum(fuseFormNames),
  ratingA: z.number().min(0.5).max(100),
  /** most that its holder may be loaded with; null for a bare fuse */
  holderA: z.number().positive().max(200).nullable(),
  terminalAreaM2,
  ingress,
  stock,
})

/** Wire by the metre. */
export const conductorPartSchema = z.strictObject({
  ...common,
  kind: z.literal('conductor'),
  size: z.enum(wireSizes),
  insulationC: z.union([z.literal(80), z.literal(105), z.literal(125)]),
  colour: z.string().max(40),
  stockM: z.number().min(0).max(10_000),
})

export const connectorPartSchema = z.strictObject({
  ...common,
  kind: z.literal('connector'),
  ways: z.int().min(1).max(60),
  ratedA: z.number().positive().max(500),
  terminalAreaM2,
  ingress,
  stock,
})

/** What wires end in and run through: counted by the piece, sleeves by the metre. */
export const fittingPartSchema = z.strictObject({
  ...common,
  kind: z.literal('fitting'),
  what: z.enum(fittingKinds),
  /** the stud, blade or bore that it is for: "M6", "6.3 mm" */
  fits: z.string().trim().max(30),
  /** wire that it takes, thinnest and thickest, m²; null where that does not matter */
  leastAreaM2: z.number().positive().max(1e-4).nullable(),
  mostAreaM2: z.number().positive().max(1e-4).nullable(),
  /** what it carries, A, and blocks, V; null where that does not matter */
  ratedA: z.number().positive().max(500).nullable(),
  ratedV: z.number().positive().max(2000).nullable(),
  stock,
})

/** A harness that comes ready made: one wire a line, as its sheet or a tape says. */
export const harnessPartSchema = z.strictObject({
  ...common,
  kind: z.literal('harness'),
  /** "red, 2.5 mm², 1.8 m, feed" @see readHarnessWire */
  wires: z
    .array(
      z
        .string()
        .max(120)
        .refine((line) => readHarnessWire(line) !== null, 'one wire a line: colour, size, length, what it is for'),
    )
    .min(1)
    .max(40),
  /** what stands in it already */
  brings: z.array(z.enum(harnessBrings)).max(harnessBrings.length),
  fuseA: z.number().min(0.5).max(100).nullable(),
  stock,
})

export const batteryPartSchema = z.strictObject({
  ...common,
  kind: z.literal('battery'),
  chemistry: z.enum(batteryKinds),
  hourRateH: z.union([z.literal(10), z.literal(20)]),
  capacityAh: field('battery capacity', 'batteryCapacity', [0.5, 1000], 'power'),
  coldCrankingA: field('cold-cranking current', 'current', [10, 3000], 'power').nullable(),
  massKg: field('battery weight', 'mass', [0.05, 200], 'power'),
})

export const partSchema = z.discriminatedUnion('kind', [
  fanPartSchema,
  controllerPartSchema,
  probePartSchema,
  relayPartSchema,
  switchPartSchema,
  fusePartSchema,
  conductorPartSchema,
  connectorPartSchema,
  fittingPartSchema,
  harnessPartSchema,
  batteryPartSchema,
])
export type Part = z.infer<typeof partSchema>
export type PartKind = Part['kind']
export type FanPart = z.infer<typeof fanPartSchema>
export type ControllerPart = z.infer<typeof controllerPartSchema>
export type ProbePart = z.infer<typeof probePartSchema>
export type RelayPart = z.infer<typeof relayPartSchema>
export type SwitchPart = z.infer<typeof switchPartSchema>
export type HarnessPart = z.infer<typeof harnessPartSchema>
export type BatteryPart = z.infer<typeof batteryPartSchema>
export type PartOf<K extends PartKind> = Extract<Part, { kind: K }>
