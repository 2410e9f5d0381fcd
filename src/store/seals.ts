import type { Transaction } from 'kysely'
import type { Job } from '../core/job'
import { type Evaluation, evaluationSchema } from '../core/margins'
import { benchSheet, sheetSchema, type Sheet } from '../core/sheets'
import { keepsSignature } from '../core/plan'
import { circuitPlan } from '../layout/circuit-plan'
import { packWhole, unpacked } from './packing'
import { parsedJob } from './parsed-job'
import { patiently, type Store } from './patience'
import type { Tables } from './tables'

/** What was signed, as it was shown then. */
export interface Seal {
  readonly revision: number
  readonly signedAt: string
  readonly signedBy: string
  readonly coreVersion: string
  readonly evaluation: Evaluation
  readonly sheet: Sheet
}

/** Keeps the evaluation and the sheet as they are now, whatever a later core would say. */
export async function seal(
  trx: Transaction<Tables>,
  id: string,
  revision: number,
  job: Job,
  evaluation: Evaluation,
): Promise<void> {
  const { by, at, coreVersion } = job.signature!
  await trx
    .insertInto('seals')
    .values({
      job_id: id,
      revision,
      signed_at: at,
      signed_by: by,
      core_version: coreVersion,
      evaluation: packWhole(JSON.stringify(evaluation)),
      sheet: packWhole(JSON.stringify(benchSheet(job, evaluation, await circuitPlan(job)))),
    })
    .execute()
}

/**
 * Whether a job's signature stands for it as it is: it was sealed here with just this content, whatever was done to the
 * job in between. So a step back, or an old state brought back, has the signature that it had.
 */
export async function isSealedAs(trx: Transaction<Tables>, file: string, id: string, job: Job): Promise<boolean> {
  if (!job.signature) return false
  const rows = await trx
    .selectFrom('seals')
    .innerJoin('documents', (join) =>
      join.onRef('documents.job_id', '=', 'seals.job_id').onRef('documents.number', '=', 'seals.revision'),
    )
    .select('documents.document')
    .where('seals.job_id', '=', id)
    .where('seals.signed_at', '=', job.signature.at)
    .where('seals.signed_by', '=', job.signature.by)
    .execute()
  return rows.some((r) => keepsSignature(parsedJob(r.document, file), job))
}

/**
 * The newest seal of a job, or that which belongs to one signature, whatever was signed after it: the evaluation and
 * sheet as they were signed.
 */
export async function newestSeal(
  { db, file }: Store,
  id: string,
  signature: Job['signature'] = null,
): Promise<Seal | null> {
  return patiently(file, async () => {
    const row = await db
      .selectFrom('seals')
      .selectAll()
      .where('job_id', '=', id)
      .$if(signature !== null, (q) => q.where('signed_at', '=', signature!.at).where('signed_by', '=', signature!.by))
      .orderBy('revision', 'desc')
      .executeTakeFirst()
    return row
      ? {
          revision: row.revision,
          signedAt: row.signed_at,
          signedBy: row.signed_by,
          coreVersion: row.core_version,
          evaluation: evaluationSchema.parse(JSON.parse(unpacked(row.evaluation))),
          sheet: sheetSchema.parse(JSON.parse(unpacked(row.sheet))),
        }
      : null
  })
}
