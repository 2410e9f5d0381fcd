import { randomUUID } from 'node:crypto'
import type { Kysely, Transaction } from 'kysely'
import { evaluate, evaluationSchema, type Evaluation, type Job } from '../core/job'
import { benchSheet, keepsSignature, sheetSchema, signed, signing, type Sheet } from '../core/plan'
import { readJob } from '../formats'
import { patiently, type Store } from './database'
import type { Tables } from './tables'
import { StoreTrouble } from './trouble'

export interface JobRevision { readonly id: string; readonly revision: number; readonly savedAt: string; readonly job: Job }
export interface Seal { readonly revision: number; readonly signedAt: string; readonly signedBy: string; readonly coreVersion: string; readonly evaluation: Evaluation; readonly sheet: Sheet }

export type Saved =
  | { readonly kind: 'saved'; readonly revision: number; readonly savedAt: string }
  /** somebody else saved in between; `theirs` is what stands now */
  | { readonly kind: 'stale'; readonly theirs: JobRevision }
  | { readonly kind: 'unknown' }
  | { readonly kind: 'refused'; readonly message: string }

type Writer = Kysely<Tables> | Transaction<Tables>

function parsedJob(document: string, file: string): Job {
  const read = readJob(JSON.parse(document) as unknown)
  if (!read.ok) throw new StoreTrouble(`A job in ${file} cannot be read. ${read.message}`, 'broken')
  return read.job
}

async function head(db: Writer, file: string, id: string): Promise<JobRevision | null> {
  const row = await db.selectFrom('jobs').innerJoin('revisions', (join) => join.onRef('revisions.job_id', '=', 'jobs.id').onRef('revisions.number', '=', 'jobs.head'))
    .select(['jobs.id', 'revisions.number', 'revisions.made_at', 'revisions.document']).where('jobs.id', '=', id).executeTakeFirst()
  return row ? { id: row.id, revision: row.number, savedAt: row.made_at, job: parsedJob(row.document, file) } : null
}

async function append(trx: Transaction<Tables>, id: string, job: Job, basedOn: number, key: string, at: string): Promise<number> {
  const number = basedOn + 1
  await trx.insertInto('revisions').values({ job_id: id, number, made_at: at, based_on: basedOn, save_key: key, document: JSON.stringify(job) }).execute()
  await trx.updateTable('jobs').set({ head: number }).where('id', '=', id).execute()
  return number
}

/** Keeps the evaluation and the sheet as they are now, whatever a later core would say. */
async function seal(trx: Transaction<Tables>, id: string, revision: number, job: Job, evaluation: Evaluation): Promise<void> {
  const { by, at, coreVersion } = job.signature!
  await trx.insertInto('seals').values({
    job_id: id, revision, signed_at: at, signed_by: by, core_version: coreVersion,
    evaluation: JSON.stringify(evaluation), sheet: JSON.stringify(benchSheet(job, evaluation)),
  }).execute()
}

/** Every job at its newest revision, the promised first. */
export async function listJobs({ db, file }: Store): Promise<JobRevision[]> {
  return patiently(file, async () => {
    const rows = await db.selectFrom('jobs').innerJoin('revisions', (join) => join.onRef('revisions.job_id', '=', 'jobs.id').onRef('revisions.number', '=', 'jobs.head'))
      .select(['jobs.id', 'revisions.number', 'revisions.made_at', 'revisions.document']).orderBy('jobs.created_at').execute()
    return rows.map((r) => ({ id: r.id, revision: r.number, savedAt: r.made_at, job: parsedJob(r.document, file) }))
  })
}

export const readHead = (store: Store, id: string): Promise<JobRevision | null> => patiently(store.file, () => head(store.db, store.file, id))

/**
 * Puts a new job into the yard, with its machine; one of the same name, kind and owner is the same machine. A job that comes signed is sealed at once, and refused where it could not be signed here.
 * @returns the job's id, or why it was refused
 */
export async function addJob({ db, file }: Store, job: Job, at: string): Promise<{ ok: true; id: string } | { ok: false; message: string }> {
  const evaluation = job.signature ? evaluate(job) : null
  const blocked = evaluation ? signing(job, evaluation) : null
  if (blocked && !blocked.ready) {
    return { ok: false, message: `This job is signed, but could not be: ${blocked.blockers[0] ?? blocked.toAccept.find((a) => !a.accepted)?.text ?? ''}` }
  }
  return patiently(file, () => db.transaction().execute(async (trx) => {
    const id = randomUUID()
    const { name, kind, owner } = job.machine
    const known = await trx.selectFrom('machines').select('id').where('name', '=', name).where('kind', '=', kind).where('owner', '=', owner).executeTakeFirst()
    const machine = known?.id ?? randomUUID()
    if (!known) await trx.insertInto('machines').values({ id: machine, name, kind, owner, created_at: at }).execute()
    await trx.insertInto('jobs').values({ id, machine_id: machine, created_at: at, head: 0 }).execute()
    const revision = await append(trx, id, job, 0, randomUUID(), at)
    if (evaluation) await seal(trx, id, revision, job, evaluation)
    return { ok: true as const, id }
  }))
}

export interface Save { readonly from: number; readonly key: string; readonly job: Job; readonly at: string }

/**
 * One settled change. Refused as stale unless it was made from the newest revision; a save whose key is already there
 * is acknowledged again without being made twice.
 */
export async function saveJob({ db, file }: Store, id: string, { from, key, job, at }: Save): Promise<Saved> {
  return patiently(file, () => db.transaction().execute(async (trx): Promise<Saved> => {
    const again = await trx.selectFrom('revisions').select(['number', 'made_at']).where('job_id', '=', id).where('save_key', '=', key).executeTakeFirst()
    if (again) return { kind: 'saved', revision: again.number, savedAt: again.made_at }
    const newest = await head(trx, file, id)
    if (!newest) return { kind: 'unknown' }
    if (newest.revision !== from) return { kind: 'stale', theirs: newest }
    if (!keepsSignature(newest.job, job)) return { kind: 'refused', message: 'A signature cannot be saved with a change: the job must be signed again.' }
    const revision = await append(trx, id, job, from, key, at)
    return { kind: 'saved', revision, savedAt: at }
  }))
}

/** Signs the newest revision and seals what was shown. */
export async function signJob({ db, file }: Store, id: string, from: number, by: string, at: string): Promise<Saved> {
  return patiently(file, () => db.transaction().execute(async (trx): Promise<Saved> => {
    const newest = await head(trx, file, id)
    if (!newest) return { kind: 'unknown' }
    if (newest.revision !== from) return { kind: 'stale', theirs: newest }
    const evaluation = evaluate(newest.job)
    const { ready, blockers, toAccept } = signing(newest.job, evaluation)
    if (!ready) return { kind: 'refused', message: blockers[0] ?? `Not accepted yet: ${toAccept.find((a) => !a.accepted)!.text}` }
    const job = signed(newest.job, by, at)
    const revision = await append(trx, id, job, from, randomUUID(), at)
    await seal(trx, id, revision, job, evaluation)
    return { kind: 'saved', revision, savedAt: at }
  }))
}

/** The newest seal of a job: the evaluation and sheet as they were signed. */
export async function newestSeal({ db, file }: Store, id: string): Promise<Seal | null> {
  return patiently(file, async () => {
    const row = await db.selectFrom('seals').selectAll().where('job_id', '=', id).orderBy('revision', 'desc').executeTakeFirst()
    return row ? {
      revision: row.revision, signedAt: row.signed_at, signedBy: row.signed_by, coreVersion: row.core_version,
      evaluation: evaluationSchema.parse(JSON.parse(row.evaluation)), sheet: sheetSchema.parse(JSON.parse(row.sheet)),
    } : null
  })
}
