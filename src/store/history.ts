import { randomUUID } from 'node:crypto'
import { changeInWords, differences, type Job } from '../core/job'
import { withoutStaleSignature } from '../core/plan'
import { readJob } from '../formats'
import { jsonOr } from './json-or'
import { patiently, type Store } from './patience'
import { appendRevision, readHeadIn, type Saved } from './jobs'
import { parsedJob } from './parsed-job'
import { isSealedAs } from './seals'
import { say } from '../core/words'

export interface PastRevision {
  readonly number: number
  readonly madeAt: string
  /** what it changed against the one before, in words; of a long list the first ones */
  readonly changes: readonly string[]
  readonly sealed: boolean
}

const MOST_CHANGES = 6

const readableJob = (document: string): Job | null => {
  const read = readJob(jsonOr(document, null))
  return read.ok ? read.job : null
}

/** What one revision changed; one that cannot be read says so, and the others stand. */
function changesInWords(
  number: number,
  own: Job | null | undefined,
  previous: Job | null | undefined,
  found: readonly string[],
): readonly string[] {
  if (!own) return [say`this revision cannot be read any more`]
  if (previous) return found
  return [
    number > 1 && previous === null
      ? say`the revision before it cannot be read any more`
      : say`the job as it was started or brought in`,
  ]
}

/** A stretch of a job's revisions, newest first. */
export const listRevisions = (
  { db, file }: Store,
  id: string,
  before: number | null = null,
  most = 20,
): Promise<PastRevision[]> =>
  patiently(file, async () => {
    const rows = await db
      .selectFrom('documents')
      .leftJoin('seals', (join) =>
        join.onRef('seals.job_id', '=', 'documents.job_id').onRef('seals.revision', '=', 'documents.number'),
      )
      .select(['documents.number', 'documents.made_at', 'documents.document', 'seals.signed_at'])
      .where('documents.job_id', '=', id)
      .$if(before !== null, (q) => q.where('documents.number', '<', before!))
      .orderBy('documents.number', 'desc')
      .limit(most + 1)
      .execute()
    const jobs = rows.map((r) => readableJob(r.document))
    return rows.slice(0, most).map((row, i): PastRevision => {
      const previous = jobs[i + 1]
      const own = jobs[i]
      const found = previous && own ? differences(previous, own).map(changeInWords) : []
      const shown = found.slice(0, MOST_CHANGES)
      const more = found.length - shown.length
      return {
        number: row.number,
        madeAt: row.made_at,
        changes: changesInWords(row.number, own, previous, [...shown, ...(more > 0 ? [say`and ${more} more`] : [])]),
        sealed: row.signed_at !== null,
      }
    })
  })

/** One revision as it was. */
export const readRevision = (
  { db, file }: Store,
  id: string,
  number: number,
): Promise<{ readonly job: Job; readonly madeAt: string } | null> =>
  patiently(file, async () => {
    const row = await db
      .selectFrom('documents')
      .select(['document', 'made_at'])
      .where('job_id', '=', id)
      .where('number', '=', number)
      .executeTakeFirst()
    return row ? { job: parsedJob(row.document, file), madeAt: row.made_at } : null
  })

/**
 * Brings an old revision back as a new one; what came between stays in the history. A signature comes back only with
 * the very state that it was given to.
 */
export const bringBack = ({ db, file }: Store, id: string, number: number, at: string): Promise<Saved> =>
  patiently(file, () =>
    db.transaction().execute(async (trx): Promise<Saved> => {
      const newest = await readHeadIn(trx, file, id)
      const row = await trx
        .selectFrom('documents')
        .select('document')
        .where('job_id', '=', id)
        .where('number', '=', number)
        .executeTakeFirst()
      if (!newest || !row) return { kind: 'unknown' }
      const old = parsedJob(row.document, file)
      const job = (await isSealedAs(trx, file, id, old)) ? old : withoutStaleSignature(newest.job, old)
      const revision = await appendRevision(trx, id, job, newest.revision, randomUUID(), at)
      return { kind: 'saved', revision, savedAt: at }
    }),
  )
