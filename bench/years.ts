// node --import tsx bench/years.ts [jobs] [revisions a job]: a yard after years, by hand; nothing here is a test
import { mkdtempSync, readFileSync, rmSync, statSync } from 'node:fs'
import os from 'node:os'
import path from 'node:path'
import Sqlite from 'better-sqlite3'
import { changeSetting, type Job } from '../src/core/job'
import { readJobFile } from '../src/formats'
import {
  addJobs,
  backUp,
  find,
  jobsOfMachine,
  listRevisions,
  openStore,
  prepareJob,
  readHead,
  readYard,
  saveJob,
  type Store,
  WHOLE_YARD,
} from '../src/store'

const [jobs = 20_000, revisions = 100] = process.argv.slice(2).map(Number)
const AT = '2026-01-15T10:00:00.000Z'
const read = readJobFile(readFileSync('examples/fell-bike-short-at-idle.job.json', 'utf8'))
if (!read.ok) throw new Error(read.message)
const { job } = read

const say = (what: string, figure: string, aim = ''): void => {
  process.stdout.write(`${what.padEnd(56)}${figure.padStart(14)}   ${aim}\n`)
}

async function middle(work: () => Promise<unknown>): Promise<number> {
  const times: number[] = []
  // lines are told by their draws as they are looked at first: that is not what is timed
  for (let n = 0; n < 40; n++) await work()
  for (let n = 0; n < 9; n++) {
    const began = performance.now()
    await work()
    times.push(performance.now() - began)
  }
  return times.sort((a, b) => a - b)[4]!
}

/** A typical edit at a time: a setting, a title, a reading. */
async function edits(store: Store, file: string): Promise<void> {
  const [id] = await addJobs(store, [prepareJob(job) as never], AT)
  let now: Job = job
  const before = performance.now()
  for (let n = 1; n <= 100; n++) {
    now = n % 3 ? changeSetting(now, 'controller1', 80 + (n % 9), 5) : { ...now, title: `Title ${n}` }
    await saveJob(store, id!, { from: n, key: `edit-number-${n}`, job: now, at: AT })
  }
  say('one save', `${((performance.now() - before) / 100).toFixed(1)} ms`)
  const db = new Sqlite(file, { readonly: true })
  const { n } = db.prepare('select avg(length(document)) as n from revisions where job_id = ?').get(id) as { n: number }
  db.close()
  say('a typical edit, in the mean', `${n.toFixed(0)} B`, 'aim 2000 B')
}

async function many(store: Store, file: string): Promise<void> {
  for (let from = 0; from < jobs; from += 500) {
    const ready = Array.from({ length: Math.min(500, jobs - from) }, (_, i) => {
      const n = from + i
      const machine = { ...job.machine, name: `Machine ${n % 9000}`, owner: `Owner ${n % 3000}` }
      return prepareJob({ ...job, title: `Job ${n}`, machine, promisedOn: `2026-0${1 + (n % 9)}-1${n % 10}` }) as never
    })
    await addJobs(store, ready, AT)
  }
  // each job edited as often, every time by a setting that differs from its first revision
  const db = new Sqlite(file)
  const { document } = db.prepare('select document from revisions where number = 2 and whole_at = 1 limit 1').get() as {
    document: Buffer
  }
  const again = db.prepare(
    `insert into revisions (job_id, number, made_at, based_on, save_key, document, whole_at)
     select id, :n, :at, :n - 1, id || :n, :document, 1 from jobs where head = 1 limit 2000 offset :from`,
  )
  for (let from = 0; from < jobs; from += 2000)
    db.transaction(() => {
      for (let n = 2; n <= revisions; n++) again.run({ n, at: AT, document, from })
    })()
  db.prepare('update jobs set head = ? where head = 1').run(revisions)
  db.close()
}

const folder = mkdtempSync(path.join(os.tmpdir(), 'pyraxis-years-'))
try {
  const file = path.join(folder, 'yard.db')
  const store = await openStore(file)
  await edits(store, file)
  await many(store, file)
  const { total, entries } = await readYard(store, '2026-02-02')
  say('jobs', String(total))
  say('file', `${(statSync(file).size / 1e6).toFixed(0)} MB`)
  const id = entries[0]!.id
  const aim = 'aim 100 ms'
  const timed = async (what: string, work: () => Promise<unknown>): Promise<void> =>
    say(what, `${(await middle(work)).toFixed(1)} ms`, aim)
  await timed('the yard, first page', () => readYard(store, '2026-02-02'))
  await timed('its last page', () => readYard(store, '2026-02-02', total - 20))
  await timed('by the worst margin', () => readYard(store, '2026-02-02', 0, 50, { ...WHOLE_YARD, sort: 'worst' }))
  await timed('by owner', () => readYard(store, '2026-02-02', 0, 50, { ...WHOLE_YARD, sort: 'owner' }))
  await timed('that hold letters', () => readYard(store, '2026-02-02', 0, 50, { ...WHOLE_YARD, text: 'owner 29' }))
  await timed('find', () => find(store, 'job 199'))
  await timed('one job', () => readHead(store, id))
  await timed('its history', () => listRevisions(store, id))
  await timed('the machine’s jobs', () => jobsOfMachine(store, id))
  const began = performance.now()
  const copied = backUp(file, path.join(folder, 'copies'), AT)
  say('a copy, looked through', `${((performance.now() - began) / 1000).toFixed(1)} s`, `${copied.revisions} revisions`)
  store.close()
} finally {
  rmSync(folder, { recursive: true, force: true })
}
