import type { Kysely, Transaction } from 'kysely'
import type { Job } from '../core/job'
import { CORE_VERSION, evaluate, type Findings, judge } from '../core/margins'
import { kitOf, modelKey, type Summary, summaryOf } from '../core/plan'
import { readJob } from '../formats'
import { jsonOr } from './json-or'
import { keptFor, type KeptFindings } from './kept-findings'
import type { Tables } from './tables'
import { languageSpoken, say } from '../core/words'

export type Writer = Kysely<Tables> | Transaction<Tables>

/** no day promised comes after every promised one */
const NO_DAY = '9999-12-31'

/** A job's columns of the yard, worked out from its document. */
export type YardColumns = Pick<
  Tables['jobs'],
  'title' | 'closed' | 'promise' | 'due' | 'summary' | 'summary_core' | 'worst' | 'state' | 'model' | 'kit'
>
/** what a line's words were made by: a core, in a language */
export const WORDED_BY = [CORE_VERSION, ...(languageSpoken() ? [languageSpoken()!.tag] : [])].join(' ')
/** a line whose margins are told by their worst corners, which is quick: their draws are made when it is looked at */
export const QUICK = `${WORDED_BY} quick`

const stateOf = ({ endedOn, signedOn }: Pick<Summary, 'endedOn' | 'signedOn'>): 'open' | 'signed' | 'ended' => {
  if (endedOn) return 'ended'
  return signedOn ? 'signed' : 'open'
}

/** What stands beside a job so that machines of a model, and what was fitted to them, are found without reading it. */
export const modelColumns = (job: Job): Pick<Tables['jobs'], 'model' | 'kit'> => ({
  model: modelKey(job.identity.model),
  kit: JSON.stringify(kitOf(job)),
})

const lesser = (a: number | null, b: number | null): number | null => {
  if (a === null) return b
  return b === null ? a : Math.min(a, b)
}

/** @param quickly as part of a save, which must not wait for 256 draws of every margin */
export function yardColumns(job: Job, findings: Findings | null = null, { quickly = false } = {}): YardColumns {
  const summary = summaryOf(job, quickly ? evaluate(job, findings) : judge(job, findings))
  return {
    title: job.title,
    closed: summary.signedOn || summary.endedOn ? 1 : 0,
    promise: job.promisedOn ?? NO_DAY,
    due: summary.care.map((c) => c.dueOn).sort()[0] ?? null,
    summary: JSON.stringify(summary),
    summary_core: quickly ? QUICK : WORDED_BY,
    worst: summary.margins.reduce<number | null>((least, m) => lesser(least, m.xWorst), null),
    state: stateOf(summary),
    ...modelColumns(job),
  }
}

const unreadable = {
  title: say`A job that cannot be read`,
  closed: 0,
  promise: NO_DAY,
  due: null,
  summary: null,
  summary_core: WORDED_BY,
  worst: null,
  state: 'open',
  model: '',
  kit: null,
} as const

export function columnsOf(document: string, kept: KeptFindings | null, quickly: boolean): YardColumns {
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
      .innerJoin('documents', (join) =>
        join.onRef('documents.job_id', '=', 'jobs.id').onRef('documents.number', '=', 'jobs.head'),
      )
      .select(['jobs.id', 'documents.document'])
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

/** most that are told while a file opens; the rest when the yard is next looked after */
const KITS_AT_ONCE = 2000

/** Fills in model and kit of jobs that an older Pyraxis wrote, without working them out. */
export async function fillKits(db: Kysely<Tables>, most = KITS_AT_ONCE): Promise<void> {
  for (let done = 0; done < most; done += CHUNK) {
    const rows = await db
      .selectFrom('jobs')
      .innerJoin('documents', (join) =>
        join.onRef('documents.job_id', '=', 'jobs.id').onRef('documents.number', '=', 'jobs.head'),
      )
      .select(['jobs.id', 'documents.document'])
      .where('jobs.model', 'is', null)
      .limit(CHUNK)
      .execute()
    if (!rows.length) return
    await db.transaction().execute(async (trx) => {
      for (const { id, document } of rows) {
        const read = readJob(jsonOr(document, null))
        const columns = read.ok ? modelColumns(read.job) : { model: '', kit: null }
        await trx.updateTable('jobs').set(columns).where('id', '=', id).execute()
      }
    })
  }
}
