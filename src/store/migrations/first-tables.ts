import type { Kysely } from 'kysely'

/** Machines, jobs with their append-only revisions and seals, and the parts shelf. */
export async function firstTables(db: Kysely<unknown>): Promise<void> {
  await db.schema
    .createTable('machines')
    .addColumn('id', 'text', (c) => c.primaryKey())
    .addColumn('name', 'text', (c) => c.notNull())
    .addColumn('kind', 'text', (c) => c.notNull())
    .addColumn('owner', 'text', (c) => c.notNull())
    .addColumn('created_at', 'text', (c) => c.notNull())
    .execute()
  await db.schema
    .createTable('jobs')
    .addColumn('id', 'text', (c) => c.primaryKey())
    .addColumn('machine_id', 'text', (c) => c.notNull().references('machines.id'))
    .addColumn('created_at', 'text', (c) => c.notNull())
    .addColumn('head', 'integer', (c) => c.notNull())
    .execute()
  await db.schema
    .createTable('revisions')
    .addColumn('job_id', 'text', (c) => c.notNull().references('jobs.id'))
    .addColumn('number', 'integer', (c) => c.notNull())
    .addColumn('made_at', 'text', (c) => c.notNull())
    .addColumn('based_on', 'integer', (c) => c.notNull())
    .addColumn('save_key', 'text', (c) => c.notNull())
    .addColumn('document', 'text', (c) => c.notNull())
    .addPrimaryKeyConstraint('revisions_key', ['job_id', 'number'])
    .addUniqueConstraint('revisions_save_key', ['job_id', 'save_key'])
    .execute()
  await db.schema
    .createTable('seals')
    .addColumn('job_id', 'text', (c) => c.notNull())
    .addColumn('revision', 'integer', (c) => c.notNull())
    .addColumn('signed_at', 'text', (c) => c.notNull())
    .addColumn('signed_by', 'text', (c) => c.notNull())
    .addColumn('core_version', 'text', (c) => c.notNull())
    .addColumn('evaluation', 'text', (c) => c.notNull())
    .addColumn('sheet', 'text', (c) => c.notNull())
    .addPrimaryKeyConstraint('seals_key', ['job_id', 'revision'])
    .addForeignKeyConstraint('seals_revision', ['job_id', 'revision'], 'revisions', ['job_id', 'number'])
    .execute()
  await db.schema
    .createTable('parts')
    .addColumn('id', 'text', (c) => c.primaryKey())
    .addColumn('kind', 'text', (c) => c.notNull())
    .addColumn('name', 'text', (c) => c.notNull())
    .addColumn('document', 'text', (c) => c.notNull())
    .addColumn('retired_at', 'text')
    .execute()
}
