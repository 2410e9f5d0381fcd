import { sql, type Kysely } from 'kysely'

/**
 * A job's line of the yard beside it, in the order in which the yard is read; filled in when the file is next opened.
 */
export async function yardLines(db: Kysely<unknown>): Promise<void> {
  await db.schema.alterTable('jobs').addColumn('title', 'text').execute()
  await db.schema
    .alterTable('jobs')
    .addColumn('closed', 'integer', (c) => c.notNull().defaultTo(0))
    .execute()
  await db.schema
    .alterTable('jobs')
    .addColumn('promise', 'text', (c) => c.notNull().defaultTo('9999-12-31'))
    .execute()
  await db.schema.alterTable('jobs').addColumn('due', 'text').execute()
  await db.schema.alterTable('jobs').addColumn('summary', 'text').execute()
  await db.schema.alterTable('jobs').addColumn('summary_core', 'text').execute()
  await db.schema.createIndex('jobs_yard').on('jobs').columns(['closed', 'promise', 'created_at']).execute()
  await sql`create index jobs_due on jobs (due) where due is not null`.execute(db)
}
