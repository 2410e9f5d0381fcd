import type { Job } from '../core/job'
import type { Findings } from '../core/margins'
import { readJob } from '../formats'
import { readHeadIn } from './jobs'
import { jsonOr } from './json-or'
import { findingsIn } from './kept-findings'
import { patiently, type Store } from './patience'

export interface Machine {
  readonly id: string
  readonly name: string
  readonly kind: string
  readonly owner: string
}

/** Every machine that has been in, newest first. */
export const listMachines = ({ db, file }: Store): Promise<Machine[]> =>
  patiently(file, () =>
    db.selectFrom('machines').select(['id', 'name', 'kind', 'owner']).orderBy('created_at', 'desc').execute(),
  )

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
      .innerJoin('revisions', (join) =>
        join.onRef('revisions.job_id', '=', 'jobs.id').onRef('revisions.number', '=', 'jobs.head'),
      )
      .select(['jobs.id', 'revisions.document'])
      .where('jobs.machine_id', '=', (q) => q.selectFrom('jobs').select('machine_id').where('id', '=', job))
      .orderBy('jobs.created_at', 'desc')
      .limit(MOST_OF_LIFE)
      .execute()
    return rows.flatMap((r) => {
      const read = readJob(jsonOr(r.document, null))
      return read.ok ? [{ id: r.id, job: read.job }] : []
    })
  })
