import Sqlite from 'better-sqlite3'
import { startJob } from '../src/core/job'
import { addJobs, openStore, prepareJob, readHead, readYard, saveJob } from '../src/store'
import { job, say, timeAsync } from './timing'

const YARD = 5000
const TODAY = '2026-01-15'

/** A yard of many jobs, its first page, and one save: in the store alone, against the same rows by plain SQL. */
export async function inStore(file: string): Promise<void> {
  const store = await openStore(file)
  const began = performance.now()
  const kinds = ['trail-bike', 'side-by-side', 'digger-air', 'trailer'] as const
  const ready = Array.from({ length: YARD }, (_, i) =>
    prepareJob(
      i % 3
        ? { ...job, title: `Job ${i}`, promisedOn: `2026-0${1 + (i % 9)}-1${i % 10}` }
        : startJob({
            title: `Job ${i}`,
            kind: kinds[i % 4]!,
            machineName: `Machine ${i % 900}`,
            owner: `Owner ${i % 300}`,
            units: 'metric',
            startedOn: TODAY,
            promisedOn: null,
          }),
    ),
  )
  await addJobs(
    store,
    ready.filter((p) => p.ok),
    `${TODAY}T08:00:00.000Z`,
  )
  say(`${YARD} jobs worked out and put in, each`, (performance.now() - began) / YARD, '')
  const raw = new Sqlite(file, { readonly: true })
  const page = raw.prepare(
    'select id, title, summary, summary_core from jobs order by closed, promise, created_at limit 50',
  )
  const counts = raw.prepare('select count(*), sum(1 - closed) from jobs')
  const due = raw.prepare(
    "select id, title, json_extract(summary, '$.care') from jobs where due <= ? order by due limit 40",
  )
  const promised = raw.prepare(
    'select id, title, promise from jobs where closed = 0 and promise <= ? order by promise limit 40',
  )
  const sql = await timeAsync(60, async () => {
    page.all()
    counts.all()
    due.all(TODAY)
    promised.all(TODAY)
  })
  const yard = await timeAsync(60, () => readYard(store, TODAY))
  say(
    `first page of a yard of ${YARD}, in the store`,
    yard,
    `aim < 100 ms; ${(yard / sql).toFixed(1)} × the raw SQL (${sql.toFixed(2)} ms)`,
  )
  const { id } = (await readYard(store, TODAY)).entries[0]!
  const head = (await readHead(store, id))!
  let from = head.revision
  say(
    'one save, in the store, on disk when it is told',
    await timeAsync(60, async (n) => {
      const saved = await saveJob(store, id, {
        from,
        key: `bench-save-${n}`,
        job: { ...head.job, title: `Job, save ${n}` },
        at: `${TODAY}T09:00:00.000Z`,
      })
      if (saved.kind === 'saved') from = saved.revision
    }),
    '',
  )
  raw.close()
  await store.db.destroy()
}
