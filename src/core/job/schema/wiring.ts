import {
  callFeeds,
  controlIntents,
  diodePlaces,
  hazards,
  jointKinds,
  otherSystems,
  overrideLives,
  parkedIntents,
  passings,
  plugSpeeds,
  timerFeeds,
} from '../choices'
import { z } from 'zod'
import { field } from '../../fields'
import { harnessPartSchema, idSchema } from '../../parts'
import { readingSchema } from '../../reading'
import { wireSizes } from '../../units'
import { upTo } from '../limits'

/** What the mechanic wants of the circuit, apart from how it is built; when it may be live stands under `use`. */
export const intentSchema = z.strictObject({
  control: z.enum(controlIntents),
  overrideLive: z.enum(overrideLives),
  ifControllerDies: z.enum(['nothing', 'the override']),
  deadWhenParked: z.enum(parkedIntents),
  alsoFor: z.enum(otherSystems),
})

const words = z.string().trim().min(1).max(80)

/** A change to a harness that came with a kit or with the machine; each kind is an entry of `wiring/harness`. */
export const harnessEditSchema = z.discriminatedUnion('kind', [
  z.strictObject({
    id: idSchema,
    kind: z.literal('length'),
    conductor: idSchema,
    fromM: z.number().min(0).max(60),
    toM: z.number().min(0).max(60),
    /** what was known of it before; null where a job is older than that */
    was: readingSchema.nullable(),
  }),
  z.strictObject({
    id: idSchema,
    kind: z.literal('thicken'),
    conductors: z
      .array(idSchema)
      .min(1)
      .max(...upTo('conductorsOfRun')),
    from: z.array(z.enum(wireSizes).nullable()).max(...upTo('conductorsOfRun')),
    to: z.enum(wireSizes),
  }),
  z.strictObject({ id: idSchema, kind: z.literal('swap leads'), fan: idSchema }),
  z.strictObject({ id: idSchema, kind: z.literal('cut loop off'), what: words }),
  z.strictObject({ id: idSchema, kind: z.literal('second relay') }),
  z.strictObject({
    id: idSchema,
    kind: z.literal('breaker to fuse'),
    fuse: idSchema,
    ratingA: z.number().min(0.5).max(100),
    /** what the breaker was, A; null where a job is older than that */
    wasA: z.number().min(0.5).max(100).nullable(),
  }),
  z.strictObject({
    id: idSchema,
    kind: z.literal('move pins'),
    what: words,
    /** each hole of the connector, what is in it and what shall be; empty for nothing */
    moves: z
      .array(
        z.strictObject({
          cavity: z.string().trim().min(1).max(20),
          before: z.string().trim().max(40),
          after: z.string().trim().max(40),
        }),
      )
      .min(1)
      .max(...upTo('marks')),
  }),
  z.strictObject({ id: idSchema, kind: z.literal('connector'), what: words, crimps: z.int().min(0).max(8) }),
])

export type HarnessEdit = z.infer<typeof harnessEditSchema>

/** Something in the machine that nobody knows: its wires or pins, and what the meter has said of them so far. */
export const unknownSchema = z.strictObject({
  id: idSchema,
  kind: z.enum(['plug', 'pigtail', 'relay']),
  name: words,
  wires: z
    .array(
      z.strictObject({
        id: idSchema,
        /** its colour, or what is stamped beside the pin */
        mark: z.string().trim().min(1).max(30),
        size: z.enum(wireSizes).nullable(),
        fuseA: z.number().min(0.5).max(200).nullable(),
      }),
    )
    .min(2)
    .max(...upTo('marks')),
  readings: z
    .array(
      z.strictObject({
        test: idSchema,
        wire: idSchema,
        /** the other pin, for a relay */ to: idSchema.nullable(),
        /** null: open, no reading */ value: z.number().min(-100).max(1e9).nullable(),
        typed: z.string().max(40),
      }),
    )
    .max(...upTo('meterReadings')),
})

export type Unknown = z.infer<typeof unknownSchema>

export const wiringSchema = z.strictObject({
  intent: intentSchema,
  /** the side of coil or fan on which the thermostat sits */
  side: z.enum(['positive', 'ground']),
  /** where coil and controller draw: behind the key, or from the fan's own feed behind its fuse */
  controlFrom: z.enum(['key', 'feed']),
  override: z.enum(['none', 'key', 'feed']),
  /** which of the job's switches override and isolator are; null where not chosen */
  overrideSwitch: idSchema.nullable(),
  isolatorSwitch: idSchema.nullable(),
  isolator: z.boolean(),
  /** keeps the control alive for the after-run once the key is off */
  timer: z.boolean(),
  /** straight from the battery's post, or behind the fan's own fuse */
  timerFrom: z.enum(timerFeeds),
  /** another system can call the fan */
  call: z.boolean(),
  /** the call's current from the switched wire (a trailer's battery), or from behind the fan's own fuse */
  callFrom: z.enum(callFeeds),
  /** diodes that are fitted where ways join */
  diodes: z.array(z.enum(diodePlaces)).max(diodePlaces.length),
  /** what the machine's own fuse before the key is, A; null where nobody has looked */
  loomFuseA: z.number().min(0.5).max(200).nullable(),
  /** a fuse of the job's own where its wires leave the switched wire, A; null for none */
  tapFuseA: z.number().min(0.5).max(30).nullable(),
  /** shows that the fan is live */
  lamp: z.boolean(),
  /** what an accessory block or existing plug may be loaded with, A; null where nobody knows */
  feedRatedA: z.number().min(0.5).max(200).nullable(),
  /** what hangs on a borrowed feed or a switched wire already */
  feedLoadA: field(
    'already taken from the borrowed feed',
    'current',
    [0, 60],
    'wire',
    'a clamp on it, everything on that it feeds',
  ),
  /** which feed of an existing plug, and what its low one comes through */
  plugSpeed: z.enum(plugSpeeds),
  plugResistorOhm: field(
    'resistor of the low speed',
    'resistance',
    [0, 20],
    'wire',
    'across it with the plug apart, less what the leads of the meter show',
  ),
  joints: z.enum(jointKinds),
  /** how the loom's way passes what it must keep clear of; what is not here has not been looked at */
  passes: z.array(z.strictObject({ hazard: z.enum(hazards), how: z.enum(passings) })).max(hazards.length),
  /** a harness that came ready made, and which of its wires is which of the job's; null where all is cut by hand */
  kit: z
    .strictObject({
      part: harnessPartSchema,
      /** by their place in the part's list; `wayM` is what had been measured before, where somebody had */
      wires: z
        .array(
          z.strictObject({
            wire: z.int().min(0).max(39),
            conductor: idSchema,
            wayM: z.number().min(0).max(60).nullable(),
          }),
        )
        .max(...upTo('conductors')),
    })
    .nullable(),
  edits: z.array(harnessEditSchema).max(...upTo('edits')),
  unknowns: z.array(unknownSchema).max(...upTo('unknowns')),
})

export type Wiring = z.infer<typeof wiringSchema>
export type Intent = Wiring['intent']
