import { grounds } from '../choices'
import { machineKinds } from '../choices'
import { allowances } from '../choices'
import { alterationKinds } from '../choices'
import { complaintSigns, ingressNeeds, mechanicalHolds, plugSearches } from '../choices'
import { type LivesIn } from '../choices'
import { z } from 'zod'
import { field, seenOnly } from '../../fields'
import { idSchema } from '../../parts'
import { choiceEnds, upTo } from '../limits'
import { line, momentSchema, name } from './common'
import { observationSchema } from './observation'

/** What is wrong with which machine, how it ran before, and where it works. */
export const machineShape = {
  complaint: z.strictObject({
    what: z.enum(['boils', 'runs hot', 'stumbles when hot', 'cooks what is near it']),
    on: z.enum(['slow climbs', 'slow work', 'idling', 'after switch-off', 'any work']),
    breeze: z.enum(['no breeze', 'a breeze', 'any weather']),
    after: field(
      'minutes until it shows',
      'minutes',
      choiceEnds.complaintAfterS,
      'machine',
      'on a run before anything comes apart',
    ).nullable(),
    aboveC: field('shows above', 'temperature', choiceEnds.complaintAboveC, 'machine').nullable(),
    /** what else was noticed */
    signs: z.array(z.enum(complaintSigns)).max(complaintSigns.length),
    /** how many times; null: not said */
    times: z.int().min(choiceEnds.complaintTimes[0]).max(choiceEnds.complaintTimes[1]).nullable(),
    /** somebody doubts it: it is kept, and nothing is told from it */
    doubted: z.boolean(),
  }),
  /** what was seen of the machine, besides the complaint */
  observations: z.array(observationSchema).max(...upTo('observations')),
  machine: z.strictObject({
    kind: z.enum(machineKinds),
    name: name(80),
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
    /** null: not asked yet */
    airConditioning: z.boolean().nullable(),
    /** has a circuit for accessories that is live with the key; null: not asked yet */
    accessoryFeed: z.boolean().nullable(),
    /** a fan's plug that the maker put into the loom, and where it is */
    fanPlug: z.strictObject({ search: z.enum(plugSearches), where: line(160) }),
  }),
  /** a fan that the engine turns and that comes off, with what it held besides; null: none comes off */
  mechanicalFan: z
    .strictObject({
      looked: z
        .array(z.strictObject({ id: z.enum(mechanicalHolds), holds: z.boolean(), madeGood: line(160) }))
        .max(mechanicalHolds.length),
    })
    .nullable(),
  /** is a fan the cure? one answer a question */
  checks: z
    .array(z.strictObject({ id: idSchema, found: z.enum(['ruled out', 'looks like it']), at: momentSchema }))
    .max(...upTo('checks')),
  /** how it ran before anything came apart: it cannot be had afterwards */
  baseline: z.strictObject({
    state: z.enum(['not yet', 'taken', 'cannot be had']),
    hotC: field(
      'got as hot as',
      'temperature',
      choiceEnds.baselineHotC,
      'machine',
      'gauge, or a thermometer on the thing itself',
    ).nullable(),
    airC: field('surroundings then', 'temperature', choiceEnds.baselineAirC, 'machine').nullable(),
    touchS: field(
      'could be touched for',
      'seconds',
      choiceEnds.baselineTouchS,
      'machine',
      'seat or panel, bare hand',
    ).nullable(),
    load: line(160),
  }),
  /** cuts, holes and the like that this plan makes besides those that its choices bring */
  alterations: z
    .array(z.strictObject({ id: idSchema, kind: z.enum(alterationKinds), what: name(120) }))
    .max(...upTo('alterations')),
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
    coldestC: seenOnly(field('coldest day it works', 'temperature', [-40, 50], 'machine')),
    hottestC: seenOnly(field('hottest day it works', 'temperature', [-20, 60], 'machine')),
    usualC: seenOnly(field('usual day it works', 'temperature', [-40, 60], 'machine')),
  }),
}
