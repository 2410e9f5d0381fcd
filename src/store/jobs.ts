import { type Result } from '../core/units'
import { randomUUID } from 'node:crypto'
import { type Kysely, sql, type Transaction } from 'kysely'
import { allKnown } from '../core/evidence'
import type { Job } from '../core/job'
import { type Evaluation, type Findings, judge } from '../core/margins'
import { asSigned, keepsSignature, signed, signing } from '../core/plan'
import { StiffError } from '../core/transient'
import { findingsIn } from './kept-findings'
import { packedAfter } from './packed-revision'
import { patiently, type Store } from './patience'
import { parsedJob } from './parsed-job'
import { isSealedAs, seal } from './seals'
import type { Tables } from './tables'
import { yardColumns, type YardColumns } from './yard-lines'
import { say } from '../core/words'

export interface JobRevision {
  readonly id: string
  readonly revision: number
  readonly savedAt: string
  readonly job: Job
}

export type Saved =
  | { readonly kind: 'saved'; readonly revision: number; readonly savedAt: string }
  /** somebody else saved in between; `theirs` is what stands now */
  | { readonly kind: 'stale'; readonly theirs: JobRevision }
  | { readonly kind: 'unknown' }
  | { readonly kind: 'refused'; readonly message: string }

type Writer = Kysely<Tables> | Transaction<Tables>

/** A job at its newest revision, inside a transaction or out. */
export async function readHeadIn(db: Writer, file: string, id: string): Promise<JobRevision | null> {
  const row = await db
    .selectFrom('jobs')
    .innerJoin('documents', (join) =>
      join.onRef('documents.job_id', '=', 'jobs.id').onRef('documents.number', '=', 'jobs.head'),
    )
    .select(['jobs.id', 'documents.number', 'documents.made_at', 'documents.document'])
    .where('jobs.id', '=', id)
    .executeTakeFirst()
  return row ? { id: row.id, revision: row.number, savedAt: row.made_at, job: parsedJob(row.document, file) } : null
}

/**
 * The machine that a job is on, by name, kind and owner; made where there is none. One that this job alone is on is
 * renamed with it.
 */
async function machineFor(trx: Transaction<Tables>, job: Job, at: string, id: string | null): Promise<string> {
  const { name, kind, owner } = job.machine
  const same = await trx
    .selectFrom('machines')
    .select('id')
    .where('name', '=', name)
    .where('kind', '=', kind)
    .where('owner', '=', owner)
    .executeTakeFirst()
  const now =
    id === null ? undefined : await trx.selectFrom('jobs').select('machine_id').where('id', '=', id).executeTakeFirst()
  if (same) return same.id
  if (now) {
    const others = await trx
      .selectFrom('jobs')
      .select('id')
      .where('machine_id', '=', now.machine_id)
      .where('id', '!=', id)
      .limit(1)
      .execute()
    if (!others.length) {
      await trx.updateTable('machines').set({ name, kind, owner }).where('id', '=', now.machine_id).execute()
      return now.machine_id
    }
  }
  const machine = randomUUID()
  await trx.insertInto('machines').values({ id: machine, name, kind, owner, created_at: at }).execute()
  return machine
}

/** Puts a revision after the newest one, with its line of the yard. @returns its number */
export async function appendRevision(
  trx: Transaction<Tables>,
  id: string,
  job: Job,
  basedOn: number,
  key: string,
  at: string,
  line?: YardColumns,
): Promise<number> {
  const number = basedOn + 1
  await trx
    .insertInto('revisions')
    .values({
      job_id: id,
      number,
      made_at: at,
      based_on: basedOn,
      save_key: key,
      ...(await packedAfter(trx, id, number, JSON.stringify(job))),
    })
    .execute()
  await trx
    .updateTable('jobs')
    .set({
      head: number,
      // whoever still works at a job that was deleted in another window has it back
      put_away: sql<number>`case when put_away = 2 then 0 else put_away end`,
      machine_id: await machineFor(trx, job, at, id),
      ...(line ?? yardColumns(job, await findingsIn(trx, id, job), { quickly: true })),
    })
    .where('id', '=', id)
    .execute()
  return number
}

export const countJobs = ({ db, file }: Store): Promise<number> =>
  patiently(file, async () =>
    Number(
      (
        await db
          .selectFrom('jobs')
          .select((e) => e.fn.countAll<number>().as('n'))
          .executeTakeFirstOrThrow()
      ).n,
    ),
  )

export const readHead = (store: Store, id: string): Promise<JobRevision | null> =>
  patiently(store.file, () => readHeadIn(store.db, store.file, id))

/** A job that may be put into the yard, with all that is worked out beforehand; or why not. */
export type Prepared =
  | { readonly ok: true; readonly job: Job; readonly evaluation: Evaluation | null; readonly line: YardColumns }
  | { readonly ok: false; readonly message: string }

/** What a job's runs come to and what was seen tells; null where its readings make no machine. */
function knownAgain(job: Job): Findings | null {
  try {
    return allKnown(job, job.signature!.at)
  } catch (trouble) {
    if (trouble instanceof StiffError) return null
    throw trouble
  }
}

/** What a signed job's signature stood for: told from its runs only where nothing quicker would do. */
function evaluationSigned(then: Job, known: Findings | null): Evaluation {
  if (known) {
    const told = judge(then, known)
    if (signing(then, told).ready) return told
  }
  const quick = judge(then)
  return signing(then, quick).ready ? quick : judge(then, knownAgain(then))
}

/**
 * Works out what a job needs to be added. One that comes signed is refused where it could not be signed here.
 * @param known what its runs come to, where somebody has it already
 */
export function prepareJob(job: Job, known: Findings | null = null): Prepared {
  if (!job.signature) return { ok: true, job, evaluation: null, line: yardColumns(job, null, { quickly: true }) }
  const then = asSigned(job)
  const evaluation = evaluationSigned(then, known)
  const { ready, blockers, toAccept } = signing(then, evaluation)
  if (ready) return { ok: true, job, evaluation, line: yardColumns(job, null, { quickly: true }) }
  const why = blockers[0] ?? toAccept.find((a) => !a.accepted)?.text ?? ''
  return { ok: false, message: say`This job is signed, but could not be: ${why}` }
}

/** {@link addJobs} inside a transaction. @param hidden jobs of a file that is not through yet */
export async function addJobsIn(
  trx: Transaction<Tables>,
  prepared: readonly Extract<Prepared, { ok: true }>[],
  at: string,
  hidden: { readonly away: number; readonly key: string } | null = null,
): Promise<string[]> {
  const ids: string[] = []
  for (const { job, evaluation, line } of prepared) {
    const id = randomUUID()
    const machine = await machineFor(trx, job, at, null)
    await trx
      .insertInto('jobs')
      .values({
        id,
        machine_id: machine,
        created_at: at,
        head: 0,
        closed: 0,
        promise: '',
        put_away: hidden?.away ?? 0,
        put_away_at: hidden?.key ?? null,
      })
      .execute()
    const revision = await appendRevision(trx, id, job, 0, randomUUID(), at, line)
    if (evaluation) await seal(trx, id, revision, job, evaluation)
    ids.push(id)
  }
  return ids
}

/**
 * Puts new jobs into the yard, all or none, each with its machine; one of the same name, kind and owner is the same
 * machine. A job that comes signed is sealed at once.
 * @param prepared by {@link prepareJob}; those refused must have been taken out
 * @returns the ids, in the same order
 */
export const addJobs = (
  { db, file }: Store,
  prepared: readonly Extract<Prepared, { ok: true }>[],
  at: string,
): Promise<string[]> => patiently(file, () => db.transaction().execute((trx) => addJobsIn(trx, prepared, at)))

/** One new job. @param known what its runs come to, where that is known @returns its id, or why it was refused */
export async function addJob(
  store: Store,
  job: Job,
  at: string,
  known: Findings | null = null,
): Promise<Result<{ id: string }>> {
  const prepared = prepareJob(job, known)
  if (!prepared.ok) return prepared
  const [id] = await addJobs(store, [prepared], at)
  return { ok: true, id: id! }
}

export interface Save {
  readonly from: number
  readonly key: string
  readonly job: Job
  readonly at: string
}

/**
 * One settled change. Refused as stale unless it was made from the newest revision; a save whose key is already there
 * is acknowledged again without being made twice.
 */
export async function saveJob({ db, file }: Store, id: string, { from, key, job, at }: Save): Promise<Saved> {
  return patiently(file, () =>
    db.transaction().execute(async (trx): Promise<Saved> => {
      const again = await trx
        .selectFrom('documents')
        .select(['number', 'made_at'])
        .where('job_id', '=', id)
        .where('save_key', '=', key)
        .executeTakeFirst()
      if (again) return { kind: 'saved', revision: again.number, savedAt: again.made_at }
      const newest = await readHeadIn(trx, file, id)
      if (!newest) return { kind: 'unknown' }
      if (newest.revision !== from) return { kind: 'stale', theirs: newest }
      if (!keepsSignature(newest.job, job) && !(await isSealedAs(trx, file, id, job)))
        return {
          kind: 'refused',
          message: say`A signature cannot be saved with a change: the job must be signed again.`,
        }
      const revision = await appendRevision(trx, id, job, from, key, at)
      return { kind: 'saved', revision, savedAt: at }
    }),
  )
}

/** Signs the newest revision and seals what was shown. */
export async function signJob({ db, file }: Store, id: string, from: number, by: string, at: string): Promise<Saved> {
  return patiently(file, () =>
    db.transaction().execute(async (trx): Promise<Saved> => {
      const newest = await readHeadIn(trx, file, id)
      if (!newest) return { kind: 'unknown' }
      if (newest.revision !== from) return { kind: 'stale', theirs: newest }
      const evaluation = judge(newest.job, await findingsIn(trx, id, newest.job))
      const { ready, blockers, toAccept } = signing(newest.job, evaluation)
      if (!ready)
        return {
          kind: 'refused',
          message: blockers[0] ?? say`Not accepted yet: ${toAccept.find((a) => !a.accepted)!.text}`,
        }
      const job = signed(newest.job, by, at)
      const revision = await appendRevision(trx, id, job, from, randomUUID(), at)
      await seal(trx, id, revision, job, evaluation)
      return { kind: 'saved', revision, savedAt: at }
    }),
  )
}
