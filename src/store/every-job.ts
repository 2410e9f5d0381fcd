import type { Job } from '../core/job'
import { readJob } from '../formats'
import { jsonOr } from './json-or'
import { patiently, type Store } from './patience'
import { StoreTrouble } from './trouble'

/** A job that cannot be read any more, by what its row of the yard still says. */
export interface UnreadableJob {
  readonly id: string
  readonly title: string
  readonly message: string
}

const STRETCH = 100

type EveryJob = { readonly job: Job } | { readonly skipped: UnreadableJob }

const headsOf = ({ db, file }: Store, ids: readonly string[]) =>
  patiently(file, () =>
    db
      .selectFrom('jobs')
      .innerJoin('documents', (join) =>
        join.onRef('documents.job_id', '=', 'jobs.id').onRef('documents.number', '=', 'jobs.head'),
      )
      .select(['jobs.id', 'documents.document'])
      .where('jobs.id', 'in', ids)
      .execute(),
  )

/** The documents of a stretch by id; where a page of the file is damaged, one by one, those that can be had. */
async function documentsOf(store: Store, ids: readonly string[]): Promise<ReadonlyMap<string, string>> {
  try {
    return new Map((await headsOf(store, ids)).map((r) => [r.id, r.document]))
  } catch (error) {
    if (!(error instanceof StoreTrouble) || error.kind !== 'broken') throw error
    if (ids.length === 1) return new Map()
    const each = await Promise.all(ids.map((id) => documentsOf(store, [id])))
    return new Map(each.flatMap((one) => [...one]))
  }
}

/** Every job at its newest revision, a stretch at a time; one that cannot be read is named, and the rest follows. */
export async function* everyJob(store: Store, ids?: readonly string[]): AsyncGenerator<EveryJob> {
  const rows = await patiently(store.file, () =>
    store.db
      .selectFrom('jobs')
      .select(['id', 'title'])
      .where('put_away', '<', 2)
      .$if(ids !== undefined, (q) => q.where('id', 'in', [...ids!]))
      .orderBy('created_at')
      .orderBy('id')
      .execute(),
  )
  for (let from = 0; from < rows.length; from += STRETCH) {
    const stretch = rows.slice(from, from + STRETCH)
    const documents = await documentsOf(
      store,
      stretch.map((r) => r.id),
    )
    for (const { id, title } of stretch) {
      const read = readJob(jsonOr(documents.get(id) ?? null, null))
      yield read.ok ? { job: read.job } : { skipped: { id, title: title ?? '', message: read.message } }
    }
  }
}
