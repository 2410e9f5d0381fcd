import { sql } from 'kysely'
import { holding } from './like'
import { patiently, type Store } from './patience'
import { say, spokenWord } from '../core/words'

export interface Found {
  readonly kind: 'job' | 'machine' | 'part'
  readonly id: string
  readonly name: string
  readonly about: string
}

const MOST_FOUND = 8
/** a part's maker; none where its document is torn */
const MAKER = sql`case when json_valid(document) then json_extract(document, '$.maker') end`
/** beside each row, how many there are in all */
const IN_ALL = sql<number>`count(*) over ()`

/**
 * Jobs, machines and parts whose name, owner or maker holds every word of the text; a machine leads to its newest job,
 * and a job that was deleted is not found.
 * @returns the first of each kind, and how many more there are
 */
export const find = (
  { db, file }: Store,
  text: string,
): Promise<{ readonly found: readonly Found[]; readonly more: number }> =>
  patiently(file, async () => {
    const jobs = await db
      .selectFrom('jobs')
      .innerJoin('machines', 'machines.id', 'jobs.machine_id')
      .select(['jobs.id', 'jobs.title', 'jobs.put_away', 'machines.name', 'machines.owner', IN_ALL.as('in_all')])
      .where('jobs.put_away', '<', 2)
      .where(holding(['jobs.title', 'machines.name', 'machines.owner'], text))
      .orderBy('jobs.put_away')
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
        IN_ALL.as('in_all'),
      ])
      .where('jobs.put_away', '<', 2)
      .where(holding(['machines.name', 'machines.owner'], text))
      .groupBy('machines.id')
      .limit(MOST_FOUND)
      .execute()
    const parts = await db
      .selectFrom('parts')
      .select(['id', 'name', 'kind', 'retired_at', IN_ALL.as('in_all')])
      .where(holding(['name', MAKER], text))
      .orderBy('name')
      .limit(MOST_FOUND)
      .execute()
    const more = (rows: readonly { in_all: number }[]): number => (rows[0]?.in_all ?? 0) - rows.length
    return {
      found: [
        ...jobs.map((j): Found => ({
          kind: 'job',
          id: j.id,
          name: j.title ?? '',
          about: `${j.name}${j.owner ? `, ${j.owner}` : ''}${j.put_away ? say`, archived` : ''}`,
        })),
        ...machines.map((m): Found => ({
          kind: 'machine',
          id: m.job,
          name: m.name,
          about:
            `${spokenWord(m.kind.replaceAll('-', ' '))}${m.owner ? `, ${m.owner}` : ''}, ` +
            (m.jobs === 1 ? say`1 job` : say`${m.jobs} jobs`),
        })),
        ...parts.map((p): Found => ({
          kind: 'part',
          id: p.id,
          name: p.name,
          about: `${spokenWord(p.kind)}${p.retired_at ? say`, retired` : ''}`,
        })),
      ],
      more: more(jobs) + more(machines) + more(parts),
    }
  })
