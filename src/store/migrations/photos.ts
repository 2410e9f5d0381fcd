import type { Kysely } from 'kysely'

/** Pictures beside their job: small, re-encoded, without where they were taken. */
export async function photos(db: Kysely<unknown>): Promise<void> {
  await db.schema
    .createTable('photos')
    .addColumn('id', 'text', (c) => c.primaryKey())
    .addColumn('job_id', 'text', (c) => c.notNull().references('jobs.id'))
    .addColumn('made_at', 'text', (c) => c.notNull())
    .addColumn('bytes', 'blob', (c) => c.notNull())
    .execute()
  await db.schema.createIndex('photos_of_job').on('photos').column('job_id').execute()
}
