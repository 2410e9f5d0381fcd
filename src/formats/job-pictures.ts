import { z } from 'zod'
import { mostOf } from '../core/job'
import type { Result } from '../core/units'
import { problemsInWords } from './problems'
import { say } from '../core/words'

const FORMAT = 'pyraxis-job-and-pictures'
/** a picture of 1 600 pixels is some hundred kB; letters of base64 */
const LARGEST_PICTURE = 8_000_000

/** A picture beside a job, by the name that the job has for it. */
export interface Picture {
  readonly id: string
  /** as a file of its own, base64 */
  readonly jpeg: string
}

const schema = z.strictObject({
  format: z.literal(FORMAT),
  version: z.literal(1),
  job: z.unknown(),
  pictures: z
    .array(z.strictObject({ id: z.string().min(1).max(80), jpeg: z.string().min(1).max(LARGEST_PICTURE) }))
    .max(mostOf('photos')),
})

/** Whether a file holds one job with its pictures. */
export const hasPictures = (value: unknown): boolean =>
  typeof value === 'object' && value !== null && (value as { format?: unknown }).format === FORMAT

/** The same told from a file's first words, before it is read: pictures may make it longer than any job. */
export const mayHavePictures = (text: string): boolean => text.slice(0, 80).includes(`"${FORMAT}"`)

/** One job and its pictures, neither read yet. */
export function splitPictures(value: unknown): Result<{ job: unknown; pictures: Picture[] }> {
  if (((value as { version?: unknown }).version as number) > 1)
    return {
      ok: false,
      message: say`This job with its pictures was written by a newer Pyraxis. Update Pyraxis, then open it again.`,
    }
  const read = schema.safeParse(value)
  return read.success
    ? { ok: true, job: read.data.job, pictures: read.data.pictures }
    : { ok: false, message: say`This job with its pictures cannot be read: ${problemsInWords(read.error)}.` }
}

/** A job with its pictures as one file. @param pictures JPEG, by the names that the job has for them */
export const writeJobAndPictures = (job: unknown, pictures: ReadonlyMap<string, Uint8Array>): string =>
  `{"format":"${FORMAT}","version":1,"job":${JSON.stringify(job)},"pictures":[\n${[...pictures]
    .map(([id, jpeg]) => JSON.stringify({ id, jpeg: Buffer.from(jpeg).toString('base64') }))
    .join(',\n')}\n]}\n`
