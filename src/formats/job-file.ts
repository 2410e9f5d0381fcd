import { JOB_VERSION, jobSchema, liftJob, type Job } from '../core/job'
import { parseJson, problemsInWords } from './problems'

export type JobFile = { readonly ok: true; readonly job: Job } | { readonly ok: false; readonly message: string }

/** larger than any job, smaller than what would stall the reader */
export const LARGEST_JOB_FILE = 2_000_000

/**
 * A job from parsed JSON: the version is read first, so that a newer file is told apart from a broken one, and an older
 * one is lifted to the present version.
 * @see docs/job.schema.json
 */
export function readJob(value: unknown): JobFile {
  const head = typeof value === 'object' && value !== null ? (value as { format?: unknown; version?: unknown }) : {}
  if (head.format !== 'pyraxis-job') return { ok: false, message: 'This is not a Pyraxis job: its "format" is not "pyraxis-job".' }
  if (typeof head.version !== 'number' || !Number.isInteger(head.version)) return { ok: false, message: 'This job has no version number.' }
  if (head.version > JOB_VERSION) return { ok: false, message: `This job was written by a newer Pyraxis (job version ${head.version}; this one reads up to ${JOB_VERSION}). Update Pyraxis, then open it again.` }
  const parsed = jobSchema.safeParse(liftJob(value))
  return parsed.success ? { ok: true, job: parsed.data } : { ok: false, message: `This job cannot be read: ${problemsInWords(parsed.error)}.` }
}

/** A job from the text of a file. */
export function readJobFile(text: string): JobFile {
  if (text.length > LARGEST_JOB_FILE) return { ok: false, message: 'This file is too large to be a job.' }
  const json = parseJson(text)
  return json.ok ? readJob(json.value) : json
}

/** A job as a file that {@link readJobFile} reads back to the same job. */
export const writeJobFile = (job: Job): string => `${JSON.stringify(job, null, 2)}\n`
