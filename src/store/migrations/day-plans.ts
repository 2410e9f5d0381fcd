import type { Kysely } from 'kysely'

/** How a day at the bench was laid out by hand. */
export async function dayPlans(db: Kysely<unknown>): Promise<void> {
  await db.schema
    .createTable('day_plans')
    .addColumn('day', 'text', (c) => c.primaryKey())
    .addColumn('plan', 'text', (c) => c.notNull())
    .execute()
}
