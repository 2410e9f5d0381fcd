import { sql } from 'kysely'
import { COMING_IN } from './bring-in'
import { packWhole, unpackedOrNothing } from './packing'
import type { Store } from './patience'
import { patiently } from './patience'
import { removeJobs } from './remove'
import { fillKits } from './yard-lines'

const DAY_MS = 86_400_000
/** of what is older, the last state of each day is kept */
const THIN_AFTER_DAYS = 90
/** a deleted job can be had back for so long */
const DELETED_FOR_DAYS = 30
const AT_ONCE = 100

/** lets others write in between */
const breathe = (): Promise<void> => new Promise((resolve) => setTimeout(resolve, 5))
const daysBefore = (at: string, days: number): string => new Date(Date.parse(at) - days * DAY_MS).toISOString()

/** Packs revisions that an older Pyraxis wrote as text. @returns how many */
async function packOlder({ db, file }: Store): Promise<number> {
  for (let packed = 0; ; await breathe()) {
    const done = await patiently(file, () =>
      db.transaction().execute(async (trx) => {
        const rows = await trx
          .selectFrom('revisions')
          .select(['job_id', 'number', 'document'])
          .where(sql<boolean>`typeof(document) = 'text'`)
          .where('document', '!=', '')
          .limit(AT_ONCE)
          .execute()
        for (const row of rows)
          await trx
            .updateTable('revisions')
            .set({ document: packWhole(String(row.document)) })
            .where('job_id', '=', row.job_id)
            .where('number', '=', row.number)
            .execute()
        return rows.length
      }),
    )
    packed += done
    if (done < AT_ONCE) return packed
  }
}

/** Which revisions of a job go: neither its first nor its newest, none that was signed, and of a day not its last. */
function thinnedOut(
  rows: readonly { readonly number: number; readonly made_at: string; readonly sealed: number }[],
  before: string,
): number[] {
  return rows.flatMap((row, i) => {
    const next = rows[i + 1]
    const lastOfDay = next?.made_at.slice(0, 10) !== row.made_at.slice(0, 10)
    return i === 0 || !next || row.sealed || lastOfDay || row.made_at >= before ? [] : [row.number]
  })
}

/** Thins one job's history. @returns how many revisions went */
const thinJob = ({ db, file }: Store, id: string, before: string): Promise<number> =>
  patiently(file, () =>
    db.transaction().execute(async (trx) => {
      const rows = await trx
        .selectFrom('revisions')
        .leftJoin('seals', (join) =>
          join.onRef('seals.job_id', '=', 'revisions.job_id').onRef('seals.revision', '=', 'revisions.number'),
        )
        .select([
          'revisions.number',
          'revisions.made_at',
          'revisions.whole_at',
          sql<number>`seals.revision is not null`.as('sealed'),
        ])
        .where('revisions.job_id', '=', id)
        .orderBy('revisions.number')
        .execute()
      const gone = new Set(thinnedOut(rows, before))
      // what differs from one that goes stands by itself from now on
      for (const row of rows)
        if (!gone.has(row.number) && row.whole_at !== null && gone.has(row.whole_at)) {
          const { document } = await trx
            .selectFrom('documents')
            .select('document')
            .where('job_id', '=', id)
            .where('number', '=', row.number)
            .executeTakeFirstOrThrow()
          // one that cannot be read keeps what it stands on
          if (document === '') gone.delete(row.whole_at)
          else
            await trx
              .updateTable('revisions')
              .set({ document: packWhole(document), whole_at: null })
              .where('job_id', '=', id)
              .where('number', '=', row.number)
              .execute()
        }
      for (const number of gone)
        await trx.deleteFrom('revisions').where('job_id', '=', id).where('number', '=', number).execute()
      return gone.size
    }),
  )

/** Thins what is older than a season to the last state of each day. @returns how many revisions went */
async function thinHistory(store: Store, at: string): Promise<number> {
  const before = daysBefore(at, THIN_AFTER_DAYS)
  const crowded = await patiently(store.file, () =>
    store.db
      .selectFrom('revisions')
      .select('job_id')
      .where('made_at', '<', before)
      .groupBy(['job_id', sql`substr(made_at, 1, 10)`])
      .having((e) => e.fn.countAll(), '>', 1)
      .distinct()
      .execute(),
  )
  let gone = 0
  for (const { job_id } of crowded) {
    gone += await thinJob(store, job_id, before)
    await breathe()
  }
  return gone
}

/** Removes jobs that were deleted long ago and never signed, with all that was kept beside them. @returns how many */
const purge = ({ db, file }: Store, at: string): Promise<number> =>
  patiently(file, () =>
    db.transaction().execute(async (trx) => {
      const rows = await trx
        .selectFrom('jobs')
        .select('id')
        .where('put_away', '=', 2)
        .where('put_away_at', '<', daysBefore(at, DELETED_FOR_DAYS))
        .where('id', 'not in', (q) => q.selectFrom('seals').select('job_id'))
        .execute()
      // what a file brought that was never through
      const half = await trx
        .selectFrom('jobs')
        .select('id')
        .where('put_away', '=', COMING_IN)
        .where('created_at', '<', daysBefore(at, 1))
        .execute()
      await removeJobs(
        trx,
        [...rows, ...half].map((r) => r.id),
      )
      return rows.length
    }),
  )

/** What was kept as text by an older Pyraxis, beside revisions. */
async function packSeals({ db, file }: Store): Promise<void> {
  const rows = await patiently(file, () =>
    db
      .selectFrom('seals')
      .select(['job_id', 'revision'])
      .where(sql<boolean>`typeof(sheet) = 'text'`)
      .execute(),
  )
  for (const { job_id, revision } of rows) {
    await patiently(file, () =>
      db.transaction().execute(async (trx) => {
        const row = await trx
          .selectFrom('seals')
          .select(['evaluation', 'sheet'])
          .where('job_id', '=', job_id)
          .where('revision', '=', revision)
          .executeTakeFirstOrThrow()
        await trx
          .updateTable('seals')
          .set({
            evaluation: packWhole(unpackedOrNothing(row.evaluation)),
            sheet: packWhole(unpackedOrNothing(row.sheet)),
          })
          .where('job_id', '=', job_id)
          .where('revision', '=', revision)
          .execute()
      }),
    )
    await breathe()
  }
}

/**
 * Looks after what is older, a little at a time beside other work: rows of an older Pyraxis packed, the history thinned
 * by {@link thinnedOut}, jobs that were deleted long ago removed.
 * @param at this moment, ISO
 */
export async function tidy(
  store: Store,
  at: string,
): Promise<{ readonly packed: number; readonly thinned: number; readonly purged: number }> {
  const packed = await packOlder(store)
  await patiently(store.file, () => fillKits(store.db, Infinity))
  await packSeals(store)
  return { packed, thinned: await thinHistory(store, at), purged: await purge(store, at) }
}
