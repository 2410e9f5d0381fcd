import { z } from 'zod'
import { jobSchema } from '../core/job'

/** The published JSON Schema of a job file. */
export const jobJsonSchema = (): unknown => ({ title: 'Pyraxis job', ...z.toJSONSchema(jobSchema, { io: 'input' }) })
