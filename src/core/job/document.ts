import type { z } from 'zod'
import { crossChecked } from './cross-checks'
import type { Bay, Cooling, Engine, NewCore } from './schema/heat'
import type { Trailer } from './schema/power'
import { type WrittenJob, writtenSchema } from './written'

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
