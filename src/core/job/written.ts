import { JOB_VERSION } from './version'
import { z } from 'zod'
import { type JobKind, jobKinds } from './kinds'
import { chosenPartsShape } from './schema/chosen-parts'
import { daySchema, name } from './schema/common'
import { dutySchema } from './schema/duty'
import { feedShape } from './schema/feed'
import { baySchema, coolingSchema, engineSchema, newCoreSchema } from './schema/heat'
import { machineShape } from './schema/machine'
import { placeSchema } from './schema/place'
import { powerShape, trailerSchema } from './schema/power'
import { benchShape } from './schema/bench'
import { keptShape } from './schema/kept'
import { recordShape } from './schema/record'
import { wiringSchema } from './schema/wiring'

/** The document as it is written down. What must hold between its blocks is checked beside it. */
export const writtenSchema = z.strictObject({
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
  ...benchShape,
  ...keptShape,
  ...recordShape,
})

export type WrittenJob = z.infer<typeof writtenSchema>
