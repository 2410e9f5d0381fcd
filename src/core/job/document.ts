import { z } from 'zod'
import { crossChecked } from './cross-checks'
import { type JobKind, jobKinds } from './kinds'
import { chosenPartsShape } from './schema/chosen-parts'
import { daySchema, name } from './schema/common'
import { dutySchema } from './schema/duty'
import { feedShape } from './schema/feed'
import {
  type Bay,
  baySchema,
  type Cooling,
  coolingSchema,
  type Engine,
  engineSchema,
  type NewCore,
  newCoreSchema,
} from './schema/heat'
import { machineShape } from './schema/machine'
import { placeSchema } from './schema/place'
import { powerShape, type Trailer, trailerSchema } from './schema/power'
import { recordShape } from './schema/record'
import { wiringSchema } from './schema/wiring'

/** Version of the job document that this code writes. Older ones are migrated when read; newer ones are refused. */
export const JOB_VERSION = 6

/** The document as it is written down. What must hold between its blocks is checked beside it. */
const writtenSchema = z.strictObject({
  format: z.literal('pyraxis-job'),
  version: z.literal(JOB_VERSION),
  kind: z.enum(Object.keys(jobKinds) as [JobKind, ...JobKind[]]),
  title: name(80),
  units: z.enum(['metric', 'imperial']),
  startedOn: daySchema,
  promisedOn: daySchema.nullable(),
  ...machineShape,
  engine: engineSchema.nullable(),
  /** the coolant and its core; null where air alone carries the heat */
  cooling: coolingSchema.nullable(),
  /** the thicker core that takes the present one's place */
  newCore: newCoreSchema.nullable(),
  /** the space that air is moved through; null for a core */
  bay: baySchema.nullable(),
  /** how a trailer is fed; it has no engine of its own */
  trailer: trailerSchema.nullable(),
  ...powerShape,
  ...chosenPartsShape,
  ...feedShape,
  wiring: wiringSchema,
  duty: dutySchema,
  place: placeSchema,
  ...recordShape,
})

export type WrittenJob = z.infer<typeof writtenSchema>

/** What carries the heat, and so which blocks a document has: coolant through a core, or the air of a bay. */
export type Medium =
  | { kind: 'core' | 'wiring'; engine: Engine; cooling: Cooling; newCore: null; bay: null; trailer: null }
  | { kind: 'thicker-core'; engine: Engine; cooling: Cooling; newCore: NewCore; bay: null; trailer: null }
  | { kind: 'bay' | 'wiring'; engine: Engine; cooling: null; newCore: null; bay: Bay; trailer: null }
  | { kind: 'bay' | 'wiring'; engine: null; cooling: null; newCore: null; bay: Bay; trailer: Trailer }

/** A job. Blocks that do not go together cannot be written in code, and are refused where a document is read. */
export type Job = Omit<WrittenJob, keyof Medium> & Medium

/** Reads a job; what it takes is evaluated, run, drawn and put on a sheet without a throw. */
export const jobSchema = writtenSchema.superRefine(crossChecked) as unknown as z.ZodType<Job>

export type Run = Job['runs'][number]
export type Battery = Job['batteries'][number]
export type Fan = Job['fans'][number]
