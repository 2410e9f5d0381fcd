import { type Result } from '../core/units'
import { type Job, JOB_VERSION, jobSchema, migrateJob } from '../core/job'
import { hasPictures, mayHavePictures, type Picture, splitPictures } from './job-pictures'
import { parseJson, problemsInWords } from './problems'
import { say } from '../core/words'

export type JobFile = Result<{ job: Job }>

/** larger than any job, smaller than what would stall the reader */
export const LARGEST_JOB_FILE = 2_000_000

const tooLarge = { ok: false, message: say`This file is too large to be a job.` } as const

/** What a file was signed for has been held against it where it came in: a job does not keep it. */
function withoutDigest(job: Job): Job {
  if (job.signature?.digest === undefined) return job
  const { by, at, coreVersion } = job.signature
  return { ...job, signature: { by, at, coreVersion } }
}

/**
 * A job from parsed JSON: the version is read first, so that a newer file is told apart from a broken one, and an older
 * one is migrated to the present version.
 * @see docs/job.schema.json
 */
export function readJob(value: unknown): JobFile {
  const head = typeof value === 'object' && value !== null ? (value as { format?: unknown; version?: unknown }) : {}
  if (head.format !== 'pyraxis-job')
    return { ok: false, message: say`This is not a Pyraxis job: its "format" is not "pyraxis-job".` }
  if (typeof head.version !== 'number' || !Number.isInteger(head.version))
    return { ok: false, message: say`This job has no version number.` }
  if (head.version > JOB_VERSION)
    return {
      ok: false,
      message: say`This job was written by a newer Pyraxis (job version ${head.version}; this one reads up to
          ${JOB_VERSION}). Update Pyraxis, then open it again.`,
    }
  const parsed = jobSchema.safeParse(migrateJob(value))
  return parsed.success
    ? { ok: true, job: withoutDigest(parsed.data) }
    : { ok: false, message: say`This job cannot be read: ${problemsInWords(parsed.error)}.` }
}

/** A job from the text of a file; its pictures, where they are with it, are left aside. */
export function readJobFile(text: string): JobFile {
  if (text.length > LARGEST_JOB_FILE && !mayHavePictures(text)) return tooLarge
  const split = splitJobsFile(text)
  if (!split.ok) return split
  return split.jobs.length === 1 && split.of === 'one'
    ? readJob(split.jobs[0])
    : { ok: false, message: say`This is a file of many jobs: bring it into a yard.` }
}

/** A job as a file that {@link readJobFile} reads back to the same job. */
export const writeJobFile = (job: Job): string => `${JSON.stringify(job, null, 2)}\n`

/** larger than a yard of many thousand jobs */
export const LARGEST_YARD_FILE = 200_000_000

/** What a file of jobs holds, nothing of it read yet. */
export interface SplitFile {
  readonly jobs: unknown[]
  readonly of: 'one' | 'many'
  /** of the one job */
  readonly pictures: readonly Picture[]
}

const oneJob = (job: unknown, length: number, pictures: readonly Picture[] = []): Result<SplitFile> =>
  length > LARGEST_JOB_FILE ? tooLarge : { ok: true, jobs: [job], of: 'one', pictures }

/**
 * The jobs of a file, not read yet: of one job, with its pictures or without, or of many.
 * @returns each as it stands in the file, or why the file holds none
 */
export function splitJobsFile(text: string): Result<SplitFile> {
  if (text.length > LARGEST_YARD_FILE)
    return {
      ok: false,
      message: say`This file is too large: bring it in as
    several.`,
    }
  const json = parseJson(text)
  if (!json.ok) return json
  const value = json.value as { format?: unknown; version?: unknown; jobs?: unknown } | null
  if (hasPictures(value)) {
    const split = splitPictures(value)
    return split.ok ? oneJob(split.job, JSON.stringify(split.job ?? null).length, split.pictures) : split
  }
  if (value?.format !== 'pyraxis-jobs') return oneJob(value, text.length)
  if (value.version !== 1)
    return {
      ok: false,
      message: say`This file of many jobs was written by a newer Pyraxis. Update Pyraxis, then open it again.`,
    }
  return Array.isArray(value.jobs)
    ? { ok: true, jobs: value.jobs as unknown[], of: 'many', pictures: [] }
    : { ok: false, message: say`This file of many jobs has no list of jobs.` }
}

/** The opening of a file of many jobs; the jobs follow, with commas between, and {@link jobsFileEnd} ends it. */
export const JOBS_FILE_BEGIN = '{"format":"pyraxis-jobs","version":1,"jobs":[\n'
/** @param skipped jobs that could not be read, by name; a reader passes over them */
export const jobsFileEnd = (skipped: readonly { id: string; title: string; message: string }[] = []): string =>
  `\n]${skipped.length ? `,"skipped":${JSON.stringify(skipped)}` : ''}}\n`
