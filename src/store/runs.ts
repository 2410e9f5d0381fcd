import { CORE_VERSION, type Findings } from '../core/margins'
import { runKey } from '../core/run'
import { readHeadIn } from './jobs'
import { packWhole } from './packing'
import { patiently, type Store } from './patience'
import { yardColumns } from './yard-lines'

/**
 * Keeps what a job's runs came to, and tells its line of the yard anew. Findings of another state of the job are left.
 * @returns whether they were kept
 */
export const keepFindings = ({ db, file }: Store, id: string, findings: Findings): Promise<boolean> =>
  patiently(file, () =>
    db.transaction().execute(async (trx) => {
      const head = await readHeadIn(trx, file, id)
      if (!head || !findings.settled || findings.coreVersion !== CORE_VERSION || runKey(head.job) !== findings.key)
        return false
      const row = { job_id: id, run_key: findings.key, findings: packWhole(JSON.stringify(findings)) }
      await trx
        .insertInto('runs')
        .values(row)
        .onConflict((c) => c.column('job_id').doUpdateSet(row))
        .execute()
      await trx.updateTable('jobs').set(yardColumns(head.job, findings)).where('id', '=', id).execute()
      return true
    }),
  )
