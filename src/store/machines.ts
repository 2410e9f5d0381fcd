import { sql } from 'kysely'
import type { Job } from '../core/job'
import type { Findings } from '../core/margins'
import { kitSchema, modelKey, type KitOfJob } from '../core/plan'
import { readJob } from '../formats'
import { readHeadIn } from './jobs'
import { jsonOr } from './json-or'
import { findingsIn } from './kept-findings'
import { holding } from './like'
import { patiently, type Store } from './patience'

export interface Machine {
  readonly id: string
  readonly name: string
  readonly kind: string
  readonly owner: string
}

const MOST_NAMED = 20

/** Machines whose name or owner holds the text, the newest first: a few, to choose from. */
export const machinesLike = ({ db, file }: Store, text: string): Promise<Machine[]> =>
  patiently(file, () =>
    db
      .selectFrom('machines')
      .select(['id', 'name', 'kind', 'owner'])
      .where(holding(['name', 'owner'], text))
      .orderBy('created_at', 'desc')
      .limit(MOST_NAMED)
      .execute(),
  )

/** Models as they were written, that hold the text. */
export const modelsLike = ({ db, file }: Store, text: string): Promise<string[]> =>
  patiently(file, async () => {
    const rows = await db
      .selectFrom('jobs')
      .select(sql<string>`json_extract(kit, '$.model')`.as('name'))
      .distinct()
      .where('model', '!=', '')
      .where('put_away', '<', 2)
      .where(sql<boolean>`json_valid(kit)`)
      .where(holding([sql`json_extract(kit, '$.model')`], text))
      .limit(MOST_NAMED)
      .execute()
    return rows.map((r) => r.name)
  })

/** so many others of a model tell of the next one */
const MOST_OF_MODEL = 12

/** The newest job of each other machine of a model; those that cannot be read are left out. */
export const jobsOfModel = ({ db, file }: Store, model: string): Promise<readonly Job[]> =>
  patiently(file, async () => {
    if (modelKey(model) === '') return []
    // beside max() SQLite takes the other columns from the row that holds it: the machine's newest job
    const rows = await db
      .selectFrom('jobs')
      .innerJoin('documents', (join) =>
        join.onRef('documents.job_id', '=', 'jobs.id').onRef('documents.number', '=', 'jobs.head'),
      )
      .select(['documents.document', sql<string>`max(jobs.created_at)`.as('newest')])
      .where('jobs.model', '=', modelKey(model))
      .where('jobs.put_away', '<', 2)
      .groupBy('jobs.machine_id')
      .orderBy('newest', 'desc')
      .limit(MOST_OF_MODEL)
      .execute()
    return rows.flatMap((r) => {
      const read = readJob(jsonOr(r.document, null))
      return read.ok ? [read.job] : []
    })
  })

const MOST_KITS = 5000

/** What was fitted to what, the newest jobs first. */
export const listKits = ({ db, file }: Store): Promise<readonly KitOfJob[]> =>
  patiently(file, async () => {
    const rows = await db
      .selectFrom('jobs')
      .select(['id', 'kit', 'state'])
      .where('kit', 'is not', null)
      .where('put_away', '<', 2)
      .orderBy('created_at', 'desc')
      .limit(MOST_KITS)
      .execute()
    return rows.flatMap(({ id, kit, state }) => {
      const read = kitSchema.safeParse(jsonOr(kit, null))
      return read.success ? [{ id, kit: read.data, state: state ?? 'open' }] : []
    })
  })

/** The newest job on a machine, with what is kept beside it; null where the machine was never here. */
export const lastOn = (
  { db, file }: Store,
  { name, kind, owner }: Pick<Machine, 'name' | 'kind' | 'owner'>,
): Promise<{ readonly job: Job; readonly findings: Findings | null } | null> =>
  patiently(file, async () => {
    const row = await db
      .selectFrom('machines')
      .innerJoin('jobs', 'jobs.machine_id', 'machines.id')
      .select('jobs.id')
      .where('jobs.put_away', '<', 2)
      .where('machines.name', '=', name)
      .where('machines.kind', '=', kind)
      .where('machines.owner', '=', owner)
      .orderBy('jobs.created_at', 'desc')
      .executeTakeFirst()
    const head = row && (await readHeadIn(db, file, row.id))
    return head ? { job: head.job, findings: await findingsIn(db, head.id, head.job) } : null
  })

/** so many jobs of one machine are told at once */
const MOST_OF_LIFE = 200

/** Every job on the machine that a job is on, at their newest revisions; those that cannot be read are left out. */
export const jobsOfMachine = (
  { db, file }: Store,
  job: string,
): Promise<readonly { readonly id: string; readonly job: Job }[]> =>
  patiently(file, async () => {
    const rows = await db
      .selectFrom('jobs')
      .innerJoin('documents', (join) =>
        join.onRef('documents.job_id', '=', 'jobs.id').onRef('documents.number', '=', 'jobs.head'),
      )
      .select(['jobs.id', 'documents.document'])
      .where('jobs.put_away', '<', 2)
      .where('jobs.machine_id', '=', (q) => q.selectFrom('jobs').select('machine_id').where('id', '=', job))
      .orderBy('jobs.created_at', 'desc')
      .limit(MOST_OF_LIFE)
      .execute()
    return rows.flatMap((r) => {
      const read = readJob(jsonOr(r.document, null))
      return read.ok ? [{ id: r.id, job: read.job }] : []
    })
  })
