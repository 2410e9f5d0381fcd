import { sql } from 'kysely'
import { dueOn, summarySchema, type Summary } from '../core/plan'
import type { z } from 'zod'
import { jsonOr } from './json-or'
import { holding } from './like'
import { patiently, type Store } from './patience'
import type { Tables } from './tables'
import { columnsOf, QUICK, WORDED_BY, type Writer } from './yard-lines'

export interface YardEntry {
  readonly id: string
  readonly title: string
  /** null for a job that cannot be read any more */
  readonly summary: Summary | null
}

export interface YardPlace extends YardEntry {
  readonly machine: string
  readonly owner: string
}

export interface YardPage {
  readonly entries: readonly YardPlace[]
  /** lines that the view shows on all its pages */
  readonly total: number
  /** open jobs in the yard, whatever is shown */
  readonly open: number
  /** jobs with something due, of which the first are listed */
  readonly dueInAll: number
  /** what is due by the day asked, by job, oldest first */
  readonly due: readonly { readonly id: string; readonly title: string; readonly what: readonly string[] }[]
  /** open jobs promised for the day asked or before */
  readonly promised: readonly { readonly id: string; readonly title: string; readonly promisedOn: string }[]
}

const MOST_DUE = 40
const careSchema = summarySchema.shape.care
const careIn = (text: string | null): z.infer<typeof careSchema> => {
  const read = careSchema.safeParse(jsonOr(text, []))
  return read.success ? read.data : []
}
const summaryIn = (text: string | null): Summary | null => {
  const read = summarySchema.safeParse(jsonOr(text, null))
  return read.success ? read.data : null
}

/** ms that a look at the yard may take to tell lines by their draws; the others stand as they are until the next */
const JUDGING = 250

/**
 * A line worked out by an older core, or quickly, is worked out anew when it is looked at.
 * @param judging ms in which quick ones are told by their draws: one at least, unless there are none
 */
async function fresh(
  db: Writer,
  rows: readonly { id: string; title: string | null; summary: string | null; summary_core: string | null }[],
  judging: number,
): Promise<YardEntry[]> {
  const until = performance.now() + judging
  let judged = false
  const past = (): boolean => judging === 0 || (judged && performance.now() > until)
  const entries: YardEntry[] = []
  for (const row of rows) {
    const readable = row.summary === null || summaryIn(row.summary) !== null
    const stands = row.summary_core === WORDED_BY || (row.summary_core === QUICK && past())
    if (stands && readable) {
      entries.push({ id: row.id, title: row.title ?? '', summary: summaryIn(row.summary) })
      continue
    }
    const found = await db
      .selectFrom('jobs')
      .innerJoin('documents', (join) =>
        join.onRef('documents.job_id', '=', 'jobs.id').onRef('documents.number', '=', 'jobs.head'),
      )
      .leftJoin('runs', 'runs.job_id', 'jobs.id')
      .select(['documents.document', 'runs.run_key', 'runs.findings'])
      .where('jobs.id', '=', row.id)
      .executeTakeFirstOrThrow()
    const columns = columnsOf(found.document, found, past())
    judged = true
    await db.updateTable('jobs').set(columns).where('id', '=', row.id).execute()
    entries.push({ id: row.id, title: columns.title ?? '', summary: summaryIn(columns.summary) })
  }
  return entries
}

/** How the yard is looked at. */
export interface YardView {
  /** those in the yard, or of them only the open, signed or ended; or what was put away */
  readonly show: 'all' | 'open' | 'signed' | 'ended' | 'archived' | 'deleted'
  readonly sort: 'promise' | 'worst' | 'due' | 'machine' | 'owner' | 'newest'
  readonly kind: string | null
  /** letters of a title, machine or owner */
  readonly text: string
}

export const WHOLE_YARD: YardView = { show: 'all', sort: 'promise', kind: null, text: '' }

const PUT_AWAY = { archived: 1, deleted: 2 } as const
const isPutAway = (show: YardView['show']): show is keyof typeof PUT_AWAY => show in PUT_AWAY

/** The lines that a view shows, in no order. */
function shown(db: Writer, { show, kind, text }: YardView) {
  return db
    .selectFrom('jobs')
    .innerJoin('machines', 'machines.id', 'jobs.machine_id')
    .where('jobs.put_away', '=', isPutAway(show) ? PUT_AWAY[show] : 0)
    .$if(!isPutAway(show) && show !== 'all', (q) =>
      q.where('jobs.state', '=', show as NonNullable<Tables['jobs']['state']>),
    )
    .$if(kind !== null, (q) => q.where('machines.kind', '=', kind!))
    .$if(text.trim() !== '', (q) => q.where(holding(['jobs.title', 'machines.name', 'machines.owner'], text)))
}

const ORDERS = {
  promise: sql`jobs.closed, jobs.promise, jobs.created_at`,
  worst: sql`jobs.closed, jobs.worst is null, jobs.worst, jobs.promise`,
  due: sql`jobs.due is null, jobs.due, jobs.promise`,
  machine: sql`machines.name collate nocase, machines.kind, machines.owner, jobs.created_at desc`,
  owner: sql`machines.owner = '', machines.owner collate nocase, machines.name collate nocase, jobs.created_at desc`,
  newest: sql`jobs.created_at desc`,
} as const

/** What the yard's head tells, whatever is shown of it. */
async function headOf(db: Writer, today: string): Promise<Pick<YardPage, 'open' | 'due' | 'dueInAll' | 'promised'>> {
  const open = await db
    .selectFrom('jobs')
    .select((e) => e.fn.countAll<number>().as('n'))
    .where('put_away', '=', 0)
    .where('closed', '=', 0)
    .executeTakeFirstOrThrow()
  const isDue = db.selectFrom('jobs').where('put_away', '=', 0).where('due', '<=', today)
  const dueInAll = await isDue.select((e) => e.fn.countAll<number>().as('n')).executeTakeFirstOrThrow()
  const due = await isDue
    .select([
      'id',
      'title',
      sql<string | null>`case when json_valid(summary) then json_extract(summary, '$.care') end`.as('care'),
    ])
    .orderBy('due')
    .limit(MOST_DUE)
    .execute()
  const promised = await db
    .selectFrom('jobs')
    .select(['id', 'title', 'promise'])
    .where('put_away', '=', 0)
    .where('closed', '=', 0)
    .where('promise', '<=', today)
    .orderBy('promise')
    .limit(MOST_DUE)
    .execute()
  return {
    open: Number(open.n),
    dueInAll: Number(dueInAll.n),
    due: due.map(({ id, title, care }) => ({ id, title: title ?? '', what: dueOn({ care: careIn(care) }, today) })),
    promised: promised.map(({ id, title, promise }) => ({ id, title: title ?? '', promisedOn: promise })),
  }
}

/**
 * One page of the yard: where nothing else is asked for open jobs first, the earliest promised first, then those signed
 * or ended.
 * @param today calendar day, 2026-01-31
 */
export const readYard = (
  { db, file }: Store,
  today: string,
  from = 0,
  most = 50,
  view: YardView = WHOLE_YARD,
): Promise<YardPage> =>
  patiently(file, async () => {
    const everything = view.kind === null && view.text.trim() === '' && view.show === 'all'
    const counted = everything
      ? await db
          .selectFrom('jobs')
          .select((e) => e.fn.countAll<number>().as('n'))
          .where('put_away', '=', 0)
          .executeTakeFirstOrThrow()
      : await shown(db, view)
          .select((e) => e.fn.countAll<number>().as('n'))
          .executeTakeFirstOrThrow()
    // put in order by their ids alone: lines are long, and an index has all that this asks for
    const inOrder =
      Number(counted.n) > from
        ? await shown(db, view).select('jobs.id').orderBy(ORDERS[view.sort]).limit(most).offset(from).execute()
        : []
    const rows = await db
      .selectFrom('jobs')
      .innerJoin('machines', 'machines.id', 'jobs.machine_id')
      .select([
        'jobs.id',
        'jobs.title',
        'jobs.summary',
        'jobs.summary_core',
        'machines.name as machine',
        'machines.owner',
      ])
      .where(
        'jobs.id',
        'in',
        inOrder.map((r) => r.id),
      )
      .execute()
    const byId = new Map(rows.map((r) => [r.id, r]))
    const page = inOrder.flatMap(({ id }) => byId.get(id) ?? [])
    // a line that is told anew moves where the worst margin decides its place: there they stand as they are
    const judging = view.sort === 'worst' ? 0 : JUDGING
    const about = new Map(page.map((p) => [p.id, { machine: p.machine, owner: p.owner }]))
    return {
      entries: (await fresh(db, page, judging)).map((e) => ({ ...e, ...about.get(e.id)! })),
      total: Number(counted.n),
      ...(await headOf(db, today)),
    }
  })

/**
 * Puts a job away, or back into the yard. A signed one is a record: it can be archived, and is not deleted.
 * @returns false where there is no such job, or where it may not be deleted
 */
export const putAway = (
  { db, file }: Store,
  id: string,
  where: 'archived' | 'deleted' | 'yard',
  at: string,
): Promise<boolean> =>
  patiently(file, async () => {
    const done = await db
      .updateTable('jobs')
      .set({ put_away: where === 'yard' ? 0 : PUT_AWAY[where], put_away_at: where === 'yard' ? null : at })
      .where('id', '=', id)
      .$if(where === 'deleted', (q) => q.where('id', 'not in', (s) => s.selectFrom('seals').select('job_id')))
      .executeTakeFirst()
    return Number(done.numUpdatedRows) > 0
  })

/** Whether a job was deleted, and is only kept to be had back. */
export const isDeleted = ({ db, file }: Store, id: string): Promise<boolean> =>
  patiently(file, async () => {
    const row = await db.selectFrom('jobs').select('put_away').where('id', '=', id).executeTakeFirst()
    return row?.put_away === PUT_AWAY.deleted
  })
