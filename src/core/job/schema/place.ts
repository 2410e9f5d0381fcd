import { mountNames } from '../mounts'
import { neighbourDeals, neighbourKinds } from '../choices'
import { sides } from '../choices'
import { panelFaces } from '../choices'
import { blowsOnto } from '../choices'
import { inletsFrom } from '../choices'
import { cornerNames } from '../choices'
import { z } from 'zod'
import { field } from '../../fields'
import { idSchema } from '../../parts'
import { upTo } from '../limits'

const name = z.string().trim().min(1).max(40)

/**
 * Where the middle of a fan or probe sits on a core's face: from its left and top edges, seen from behind; a choice, so
 * without a spread.
 */
export const seatSchema = z.strictObject({
  core: z.int().min(0).max(3),
  xM: z.number().min(-1).max(3),
  yM: z.number().min(-1).max(3),
})

export type Seat = z.infer<typeof seatSchema>

/**
 * Something near the core: a rectangle seen from behind, and how far from the core's face it begins.
 * @see engineering §7
 */
export const obstacleSchema = z.strictObject({
  id: idSchema,
  name,
  kind: z.enum(neighbourKinds),
  side: z.enum(sides),
  /** what is done about it: it stays and counts, it is moved as measured, or it comes off and does not count */
  dealt: z.enum(neighbourDeals),
  core: z.int().min(0).max(3),
  fromLeftM: field(
    'left edge, from the core’s left',
    'length',
    [-2, 3],
    'measure',
    'seen from behind; less than nothing is left of the core',
  ),
  fromTopM: field(
    'top edge, from the core’s top',
    'length',
    [-2, 3],
    'measure',
    'down from the top of the fins; less than nothing is above',
  ),
  wideM: field('wide', 'length', [0.001, 3], 'measure', 'its edges, seen from behind'),
  highM: field('high', 'length', [0.001, 3], 'measure', 'as far as it runs beside the core'),
  freeM: field('free in front of it', 'length', [0, 2], 'measure', 'from the core’s face, at rest'),
  travelM: field(
    'comes nearer by',
    'length',
    [0, 1],
    'measure',
    'at full lock, suspension pressed down, or engine rocking',
  ),
})

export type Obstacle = z.infer<typeof obstacleSchema>

/** A panel of a bay with room for a fan. @see engineering §2.7, §7 */
export const panelSchema = z.strictObject({
  id: idSchema,
  name,
  faces: z.enum(panelFaces),
  /** which way the engine's own flywheel fan moves air at this panel */
  flywheel: z.enum(['blows out', 'draws in', 'neither']),
  wideM: field('room, wide', 'length', [0.01, 3], 'measure', 'flat sheet between ribs, hinges and catches'),
  highM: field('room, high', 'length', [0.01, 3], 'measure', 'flat sheet between ribs, hinges and catches'),
  freeM: field('free behind the panel', 'length', [0, 2], 'measure', 'inside, with doors and covers shut'),
})

export type Panel = z.infer<typeof panelSchema>

export const legSchema = z.strictObject({
  id: idSchema,
  name,
  lengthM: field('leg', 'length', [0, 20], 'place', 'a string along the way it will go'),
})
const legs = z
  .array(legSchema)
  .min(1)
  .max(...upTo('legsOfLead'))

export const placeSchema = z.strictObject({
  mount: z.enum(mountNames),
  side: z.enum(['puller', 'pusher']),
  neighbour: z.enum(neighbourKinds),
  blowsOn: z.enum(blowsOnto).nullable(),
  /** null: not asked yet, reckoned as the surroundings */
  inletFrom: z.enum(inletsFrom).nullable(),
  inletRiseK: field(
    'inlet air over the surroundings',
    'temperatureDifference',
    [0, 80],
    'place',
    'a thermometer where the air goes in, machine hot',
  ),
  /** the chosen panel of a bay */
  panel: idSchema.nullable(),
  freeDepthM: field(
    'free behind the core',
    'length',
    [0, 2],
    'measure',
    'at the tightest point, steering at both locks',
  ),
  freeFrontM: field(
    'free before the core',
    'length',
    [0, 2],
    'measure',
    'wheel, guard or grille, suspension pressed down',
  ),
  obstacles: z.array(obstacleSchema).max(...upTo('obstacles')),
  standOffM: field('foam or bracket', 'length', [0, 0.2], 'place'),
  bracketM: field('bracket, thickness', 'length', [0.0005, 0.02], 'place', 'what the screw goes through'),
  washerM: field('washer', 'length', [0, 0.01], 'place'),
  channelM: field('side channel, depth', 'length', [0.001, 0.05], 'place', 'a wire into the hole until it stops'),
  gapM: field('gap round the shroud', 'length', [0, 0.05], 'place', 'feeler or folded card, all round; 0 once trimmed'),
  bladeProudM: field(
    'blades stand out by',
    'length',
    [0, 0.1],
    'place',
    'beyond the mounting face; straight edge across it',
  ),
  duct: z.strictObject({
    lengthM: field('hose, length', 'run', [0, 20], 'place'),
    diameterM: field('hose, inside', 'length', [0.02, 0.5], 'place'),
    bends: z.int().min(0).max(20),
    splitter: z.boolean(),
    leadsTo: z.enum(['outside', 'the cab']),
  }),
  leads: z.strictObject({ fan: legs, probe: legs, controller: legs, supply: legs }),
  /** corner of the core where the leads leave it; legs are measured from the middle of the core */
  leadsLeave: z.enum(cornerNames),
  sweepM: field(
    'what steering takes of a lead',
    'length',
    [0, 1],
    'place',
    'string at one lock less string straight ahead',
  ),
})
