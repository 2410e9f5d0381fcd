import type { DayPlan } from '../core/schedule'
import { dayPlanSchema } from '../formats/day-plan'
import { readJob } from '../formats'
import type { Job } from '../core/job'
import { jsonOr } from './json-or'
import { patiently, type Store } from './patience'

/** How a day was laid out; null where nobody did. */
export const readDayPlan = ({ db, file }: Store, day: string): Promise<DayPlan | null> =>
  patiently(file, async () => {
    const row = await db.selectFrom('day_plans').select('plan').where('day', '=', day).executeTakeFirst()
    const read = dayPlanSchema.safeParse(jsonOr(row?.plan ?? null, null))
    return read.success ? read.data : null
  })

/** Keeps how a day is laid out, in place of what was kept. */
export const keepDayPlan = ({ db, file }: Store, day: string, plan: DayPlan): Promise<void> =>
  patiently(file, async () => {
    const text = JSON.stringify(plan)
    await db
      .insertInto('day_plans')
      .values({ day, plan: text })
      .onConflict((c) => c.column('day').doUpdateSet({ plan: text }))
      .execute()
  })

/** so many open jobs stand on a day's page, and so many tell the workshop's pace */
const MOST_JOBS = 60
const MOST_PACED = 60
const MOST_LOOKED_AT = 300

/** Jobs at their newest revision: those still open, the earliest promised first, and the newest of all for the pace. */
export const jobsForDay = ({
  db,
  file,
}: Store): Promise<{ readonly open: readonly { id: string; job: Job }[]; readonly recent: readonly Job[] }> =>
  patiently(file, async () => {
    const heads = db
      .selectFrom('jobs')
      .innerJoin('documents', (join) =>
        join.onRef('documents.job_id', '=', 'jobs.id').onRef('documents.number', '=', 'jobs.head'),
      )
      .select(['jobs.id', 'documents.document'])
      .where('jobs.put_away', '=', 0)
    const read = (rows: readonly { id: string; document: string }[]): { id: string; job: Job }[] =>
      rows.flatMap(({ id, document }) => {
        const one = readJob(jsonOr(document, null))
        return one.ok ? [{ id, job: one.job }] : []
      })
    const open = await heads.where('jobs.closed', '=', 0).orderBy('jobs.promise').limit(MOST_JOBS).execute()
    // of the newest alone: a yard of thousands is not read through for a day's page
    const newest = db
      .selectFrom('jobs')
      .select('id')
      .where('put_away', '<', 2)
      .orderBy('created_at', 'desc')
      .limit(MOST_LOOKED_AT)
    const recent = await heads
      .where('jobs.id', 'in', newest)
      .where('documents.document', 'like', '%"hours":[{%')
      .orderBy('jobs.created_at', 'desc')
      .limit(MOST_PACED)
      .execute()
    return { open: read(open), recent: read(recent).map((r) => r.job) }
  })
