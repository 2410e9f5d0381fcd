import { sql, type Kysely, type Transaction } from 'kysely'
import type { Job } from '../core/job'
import { CORE_VERSION, evaluate, type Findings, judge } from '../core/margins'
import { dueOn, summaryOf, summarySchema, type Summary } from '../core/plan'
import type { z } from 'zod'
import { readJob } from '../formats'
import { jsonOr } from './json-or'
import { keptFor, type KeptFindings } from './kept-findings'
import { patiently, type Store } from './patience'
import type { Tables } from './tables'

type Writer = Kysely<Tables> | Transaction<Tables>

/** no day promised comes after every promised one */
const NO_DAY = '9999-12-31'

/** A job's columns of the yard, worked out from its document. */
export type YardColumns = Pick<Tables['jobs'], 'title' | 'closed' | 'promise' | 'due' | 'summary' | 'summary_core'>

/** a line whose margins are told by their worst corners, which is quick: their draws are made when it is looked at */
const QUICK = `${CORE_VERSION} quick`

/** @param quickly as part of a save, which must not wait for 256 draws of every margin */
export function yardColumns(job: Job, findings: Findings | null = null, { quickly = false } = {}): YardColumns {
  const summary = summaryOf(job, quickly ? evaluate(job, findings) : judge(job, findings))
  return {
    title: job.title,
    closed: summary.signedOn || summary.endedOn ? 1 : 0,
    promise: job.promisedOn ?? NO_DAY,
    due: summary.care.map((c) => c.dueOn).sort()[0] ?? null,
    summary: JSON.stringify(summary),
    summary_core: quickly ? QUICK : CORE_VERSION,
  }
}

const unreadable = {
  title: 'A job that cannot be read',
  closed: 0,
  promise: NO_DAY,
  due: null,
  summary: null,
  summary_core: CORE_VERSION,
} as const

function columnsOf(document: string, kept: KeptFindings | null, quickly: boolean): YardColumns {
  try {
    const read = readJob(JSON.parse(document) as unknown)
    return read.ok ? yardColumns(read.job, keptFor(read.job, kept), { quickly }) : unreadable
  } catch {
    return unreadable
  }
}

const CHUNK = 50

/** Fills in the lines of jobs that have none yet, as after opening an older file. */
export async function fillYardLines(db: Kysely<Tables>): Promise<void> {
  for (;;) {
    const rows = await db
      .selectFrom('jobs')
      .innerJoin('revisions', (join) =>
        join.onRef('revisions.job_id', '=', 'jobs.id').onRef('revisions.number', '=', 'jobs.head'),
      )
      .select(['jobs.id', 'revisions.document'])
      .where('jobs.title', 'is', null)
      .limit(CHUNK)
      .execute()
    if (!rows.length) return
    await db.transaction().execute(async (trx) => {
      for (const { id, document } of rows)
        await trx
          .updateTable('jobs')
          .set(columnsOf(document, null, true))
          .where('id', '=', id)
          .execute()
    })
  }
}

export interface YardEntry {
  readonly id: string
  readonly title: string
  /** null for a job that cannot be read any more */
  readonly summary: Summary | null
}

export interface YardPage {
  readonly entries: readonly YardEntry[]
  readonly total: number
  readonly open: number
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

/** so many lines are told by their draws at one look, each some tenths of a second; the others stand as they are */
const JUDGED_AT_ONCE = 12

/** A line worked out by an older core, or quickly, is worked out anew when it is looked at. */
async function fresh(
  db: Writer,
  rows: readonly { id: string; title: string | null; summary: string | null; summary_core: string | null }[],
): Promise<YardEntry[]> {
  let judged = 0
  const entries: YardEntry[] = []
  for (const row of rows) {
    const readable = row.summary === null || summaryIn(row.summary) !== null
    const stands = row.summary_core === CORE_VERSION || (row.summary_core === QUICK && judged >= JUDGED_AT_ONCE)
    if (stands && readable) {
      entries.push({ id: row.id, title: row.title ?? '', summary: summaryIn(row.summary) })
      continue
    }
    const found = await db
      .selectFrom('jobs')
      .innerJoin('revisions', (join) =>
        join.onRef('revisions.job_id', '=', 'jobs.id').onRef('revisions.number', '=', 'jobs.head'),
      )
      .leftJoin('runs', 'runs.job_id', 'jobs.id')
      .select(['revisions.document', 'runs.run_key', 'runs.findings'])
      .where('jobs.id', '=', row.id)
      .executeTakeFirstOrThrow()
    const columns = columnsOf(found.document, found, judged++ >= JUDGED_AT_ONCE)
    await db.updateTable('jobs').set(columns).where('id', '=', row.id).execute()
    entries.push({ id: row.id, title: columns.title ?? '', summary: summaryIn(columns.summary) })
  }
  return entries
}

/**
 * One page of the yard: open jobs first, the earliest promised first, then those signed or ended.
 * @param today calendar day, 2026-01-31
 */
export const readYard = ({ db, file }: Store, today: string, from = 0, most = 50): Promise<YardPage> =>
  patiently(file, async () => {
    const [counts, page, due, promised] = [
      await db
        .selectFrom('jobs')
        .select([sql<number>`count(*)`.as('total'), sql<number>`sum(1 - closed)`.as('open')])
        .executeTakeFirstOrThrow(),
      await db
        .selectFrom('jobs')
        .select(['id', 'title', 'summary', 'summary_core'])
        .orderBy('closed')
        .orderBy('promise')
        .orderBy('created_at')
        .limit(most)
        .offset(from)
        .execute(),
      await db
        .selectFrom('jobs')
        .select([
          'id',
          'title',
          sql<string | null>`case when json_valid(summary) then json_extract(summary, '$.care') end`.as('care'),
        ])
        .where('due', '<=', today)
        .orderBy('due')
        .limit(MOST_DUE)
        .execute(),
      await db
        .selectFrom('jobs')
        .select(['id', 'title', 'promise'])
        .where('closed', '=', 0)
        .where('promise', '<=', today)
        .orderBy('promise')
        .limit(MOST_DUE)
        .execute(),
    ]
    return {
      entries: await fresh(db, page),
      total: counts.total,
      open: counts.open ?? 0,
      due: due.map(({ id, title, care }) => ({
        id,
        title: title ?? '',
        what: dueOn({ care: careIn(care) }, today),
      })),
      promised: promised.map(({ id, title, promise }) => ({ id, title: title ?? '', promisedOn: promise })),
    }
  })

export interface Found {
  readonly kind: 'job' | 'machine' | 'part'
  readonly id: string
  readonly name: string
  readonly about: string
}

const MOST_FOUND = 8
/** a part's maker; none where its document is torn */
const MAKER = sql`case when json_valid(document) then json_extract(document, '$.maker') end`
const like = (text: string): string => `%${text.replace(/[\\%_]/g, (c) => `\\${c}`)}%`

/** Jobs, machines and parts whose name, owner or maker holds the text. A machine leads to its newest job. */
export const find = ({ db, file }: Store, text: string): Promise<Found[]> =>
  patiently(file, async () => {
    const pattern = like(text.trim())
    const holds = (column: string) => sql<boolean>`${sql.ref(column)} like ${pattern} escape '\\'`
    const jobs = await db
      .selectFrom('jobs')
      .innerJoin('machines', 'machines.id', 'jobs.machine_id')
      .select(['jobs.id', 'jobs.title', 'machines.name', 'machines.owner'])
      .where((e) => e.or([holds('jobs.title'), holds('machines.owner')]))
      .orderBy('jobs.closed')
      .orderBy('jobs.promise')
      .limit(MOST_FOUND)
      .execute()
    // beside max() SQLite takes the other columns from the row that holds it: the machine's newest job
    const machines = await db
      .selectFrom('machines')
      .innerJoin('jobs', 'jobs.machine_id', 'machines.id')
      .select([
        'machines.name',
        'machines.owner',
        'machines.kind',
        'jobs.id as job',
        sql<string>`max(jobs.created_at)`.as('newest'),
        sql<number>`count(*)`.as('jobs'),
      ])
      .where((e) => e.or([holds('machines.name'), holds('machines.owner')]))
      .groupBy('machines.id')
      .limit(MOST_FOUND)
      .execute()
    const parts = await db
      .selectFrom('parts')
      .select(['id', 'name', 'kind', 'retired_at'])
      .where((e) => e.or([holds('name'), sql<boolean>`${MAKER} like ${pattern} escape '\\'`]))
      .orderBy('name')
      .limit(MOST_FOUND)
      .execute()
    return [
      ...jobs.map((j): Found => ({
        kind: 'job',
        id: j.id,
        name: j.title ?? '',
        about: `${j.name}${j.owner ? `, ${j.owner}` : ''}`,
      })),
      ...machines.map((m): Found => ({
        kind: 'machine',
        id: m.job,
        name: m.name,
        about:
          `${m.kind.replaceAll('-', ' ')}${m.owner ? `, ${m.owner}` : ''}, ${m.jobs} ` +
          `${m.jobs === 1 ? 'job' : 'jobs'}`,
      })),
      ...parts.map((p): Found => ({
        kind: 'part',
        id: p.id,
        name: p.name,
        about: `${p.kind}${p.retired_at ? ', retired' : ''}`,
      })),
    ]
  })
