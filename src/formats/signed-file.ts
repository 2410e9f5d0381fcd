import { createHash } from 'node:crypto'
import type { Job } from '../core/job'
import type { Result } from '../core/units'
import { say } from '../core/words'

type Raw = Readonly<Record<string, unknown>>

/** the first version of a job whose files carry what they were signed for */
const WITH_DIGEST = 14

const isRaw = (value: unknown): value is Raw => typeof value === 'object' && value !== null && !Array.isArray(value)

/** The same text however the members stand. */
function ordered(value: unknown): unknown {
  if (Array.isArray(value)) return value.map(ordered)
  if (!isRaw(value)) return value
  return Object.fromEntries(
    Object.keys(value)
      .sort()
      .map((name) => [name, ordered(value[name])]),
  )
}

/** What a file was signed for: all of it, as it stands there, but the digest itself. */
const digestOf = (file: Raw): string => {
  const signature = isRaw(file.signature) ? { ...file.signature, digest: undefined } : null
  return createHash('sha256')
    .update(JSON.stringify(ordered({ ...file, signature })))
    .digest('hex')
}

/** A job as it goes into a file: a signed one with a digest of all it holds. */
export const withDigest = (job: Job): Job =>
  job.signature ? { ...job, signature: { ...job.signature, digest: digestOf(job) } } : job

/**
 * A job of a file as it was written, before it is read: a signed one must be as it was when it left.
 * @returns the job without its digest; or that it was changed by hand since
 */
export function asWritten(value: unknown): Result<{ value: unknown }> {
  if (!isRaw(value) || !isRaw(value.signature)) return { ok: true, value }
  const { digest, ...signature } = value.signature
  const old = typeof value.version === 'number' && value.version < WITH_DIGEST
  if (!(old && digest === undefined) && digest !== digestOf(value))
    return {
      ok: false,
      message: say`This file says that ${String(signature.by).slice(0, 80)} signed it, but it is not as it was when it
        left
          the yard: something in it was changed since. Nobody signed that.`,
    }
  return { ok: true, value: { ...value, signature } }
}

/** The same without its signature. */
export const unsigned = (value: unknown): unknown => (isRaw(value) ? { ...value, signature: null } : value)
