import type { Kysely } from 'kysely'

/**
 * What a job's runs came to, kept beside it: worked out where the job is looked at, read by yard, sheet and signature.
 */
export async function keptRuns(db: Kysely<unknown>): Promise<void> {
  await db.schema
    .createTable('runs')
    .addColumn('job_id', 'text', (c) => c.primaryKey().references('jobs.id'))
    .addColumn('run_key', 'text', (c) => c.notNull())
    .addColumn('findings', 'text', (c) => c.notNull())
    .execute()
}
