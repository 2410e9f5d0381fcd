import type { Kysely, Transaction } from 'kysely'
import { CORE_VERSION, findingsSchema, runKey, type Findings, type Job } from '../core/job'
import { patiently, type Store } from './patience'
import type { Tables } from './tables'

/** The kept findings of a job in exactly this state, made by the core of today; null where there are none. */
export async function findingsIn(db: Kysely<Tables> | Transaction<Tables>, id: string, job: Job): Promise<Findings | null> {
  const row = await db.selectFrom('runs').select('findings').where('job_id', '=', id).where('run_key', '=', runKey(job)).executeTakeFirst()
  if (!row) return null
  const read = findingsSchema.safeParse(JSON.parse(row.findings))
  return read.success && read.data.coreVersion === CORE_VERSION ? read.data : null
}

export const findingsFor = ({ db, file }: Store, id: string, job: Job): Promise<Findings | null> => patiently(file, () => findingsIn(db, id, job))
