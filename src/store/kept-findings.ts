import type { Kysely, Transaction } from 'kysely'
import type { Job } from '../core/job'
import { CORE_VERSION, type Findings, findingsSchema } from '../core/margins'
import { runKey } from '../core/run'
import { jsonOr } from './json-or'
import { type Kept, unpackedOrNothing } from './packing'
import { patiently, type Store } from './patience'
import type { Tables } from './tables'

/** A row of what was kept beside a job; null columns where nothing is. */
export interface KeptFindings {
  readonly run_key: string | null
  readonly findings: Kept | null
}

/** The kept findings where they are of exactly this state of the job and of the core of today; else null. */
export function keptFor(job: Job, row: KeptFindings | null | undefined): Findings | null {
  // the key is worked out only where there is something to compare it with: a save must be quick
  if (!row?.findings || row.run_key !== runKey(job)) return null
  const read = findingsSchema.safeParse(jsonOr(unpackedOrNothing(row.findings), null))
  return read.success && read.data.coreVersion === CORE_VERSION ? read.data : null
}

/** The kept findings of a job in exactly this state, made by the core of today; null where there are none. */
export const findingsIn = async (
  db: Kysely<Tables> | Transaction<Tables>,
  id: string,
  job: Job,
): Promise<Findings | null> =>
  keptFor(job, await db.selectFrom('runs').select(['run_key', 'findings']).where('job_id', '=', id).executeTakeFirst())

export const findingsFor = ({ db, file }: Store, id: string, job: Job): Promise<Findings | null> =>
  patiently(file, () => findingsIn(db, id, job))
