import type { Transaction } from 'kysely'
import type { Tables } from './tables'

/** Takes jobs out for good, with all that is kept beside them. */
export async function removeJobs(trx: Transaction<Tables>, ids: readonly string[]): Promise<void> {
  for (const id of ids) {
    for (const table of ['photos', 'runs', 'seals', 'revisions'] as const)
      await trx.deleteFrom(table).where('job_id', '=', id).execute()
    await trx.deleteFrom('jobs').where('id', '=', id).execute()
  }
}
