import { sql, type Kysely } from 'kysely'

/**
 * For years of it: a revision may name the whole one that it differs from; jobs can be put away; the workshop's own
 * settings; files that were brought in, so that none is taken twice.
 */
export async function years(db: Kysely<unknown>): Promise<void> {
  await db.schema.alterTable('revisions').addColumn('whole_at', 'integer').execute()
  await db.schema
    .alterTable('jobs')
    .addColumn('put_away', 'integer', (c) => c.notNull().defaultTo(0))
    .execute()
  await db.schema.alterTable('jobs').addColumn('put_away_at', 'text').execute()
  for (const [column, type] of [
    ['worst', 'real'],
    ['state', 'text'],
    ['model', 'text'],
    ['kit', 'text'],
  ] as const)
    await db.schema.alterTable('jobs').addColumn(column, type).execute()
  await sql`drop index jobs_yard`.execute(db)
  await sql`drop index jobs_due`.execute(db)
  // each holds all that a page is put in order and searched by: a line itself is long, and is read for its page alone
  const searched = sql`machine_id, title, state, id`
  await sql`create index jobs_yard on jobs (put_away, closed, promise, created_at, ${searched})`.execute(db)
  await sql`create index jobs_worst on jobs (put_away, closed, worst is null, worst, promise, ${searched})`.execute(db)
  await sql`create index jobs_by_due on jobs (put_away, due is null, due, promise, ${searched})`.execute(db)
  await sql`create index jobs_due on jobs (put_away, due) where due is not null`.execute(db)
  await sql`create index jobs_newest on jobs (put_away, created_at, ${searched})`.execute(db)
  await sql`create index jobs_of_model on jobs (model, created_at) where model <> ''`.execute(db)
  await sql`create index jobs_of_machine on jobs (machine_id, created_at)`.execute(db)
  await sql`create index jobs_by_age on jobs (created_at, id)`.execute(db)
  await sql`create index machines_by_name on machines (name, kind, owner)`.execute(db)
  await sql`update jobs set
    state = case when closed = 0 then 'open' when json_extract(summary, '$.signedOn') is null then 'ended'
      else 'signed' end,
    worst = (select min(json_extract(m.value, '$.xWorst')) from json_each(summary, '$.margins') as m)
    where json_valid(summary)`.execute(db)
  await db.schema
    .createTable('settings')
    .addColumn('name', 'text', (c) => c.primaryKey())
    .addColumn('value', 'text', (c) => c.notNull())
    .execute()
  await db.schema
    .createTable('brought_in')
    .addColumn('key', 'text', (c) => c.primaryKey())
    .addColumn('at', 'text', (c) => c.notNull())
    .addColumn('outcome', 'text', (c) => c.notNull())
    .execute()
}
