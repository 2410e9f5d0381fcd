import { copyFileSync, existsSync, mkdtempSync, readFileSync, renameSync, rmSync, writeFileSync } from 'node:fs'
import os from 'node:os'
import path from 'node:path'
import Sqlite from 'better-sqlite3'
import { changeSetting, type Job, JOB_VERSION } from '../core/job'
import { CORE_VERSION } from '../core/margins'
import type { Findings } from '../core/margins'
import { findingsOf, type FindingsStep } from '../core/run'
import { readJobFile } from '../formats'
import { example, examplesOf } from '../formats/test-support/examples'
import { firstTables } from './migrations/first-tables'
import {
  addJob,
  addJobs,
  bringBack,
  everyJob,
  find,
  findingsFor,
  keepFindings,
  machinesLike,
  listParts,
  listRevisions,
  listShelf,
  newestSeal,
  openStore,
  patiently,
  prepareJob,
  putParts,
  readHead,
  readRevision,
  readYard,
  retirePart,
  saveJob,
  sheetOf,
  signJob,
  type Store,
  theStore,
} from '.'
import { CompiledQuery, Kysely, SqliteDialect } from 'kysely'
import { AT, fresh } from './test-support/fresh'

const finished = ((): Job => {
  const read = readJobFile(
    readFileSync(path.join(__dirname, '..', '..', 'examples', 'fell-bike-signed.job.json'), 'utf8'),
  )
  if (!read.ok) throw new Error(read.message)
  return read.job
})()

let folder: string
let store: Store
const file = (name = 'yard.db'): string => path.join(folder, name)
beforeEach(async () => {
  folder = mkdtempSync(path.join(os.tmpdir(), 'pyraxis-'))
  store = await openStore(file())
})
afterEach(async () => {
  await store.db.destroy()
  rmSync(folder, { recursive: true, force: true })
})
const add = async (job: Job): Promise<string> => {
  const added = await addJob(store, job, AT)
  if (!added.ok) throw new Error(added.message)
  return added.id
}
const titled = (title: string): Job => ({ ...fresh, title })

test('saves append revisions; a stale one is refused with theirs in hand; a repeated one is acknowledged once', async () => {
  const id = await add(fresh)
  const save = { from: 1, key: 'key-one-1', job: titled('Two'), at: AT }
  expect(await saveJob(store, id, save)).toMatchObject({ kind: 'saved', revision: 2 })
  expect(await saveJob(store, id, save)).toMatchObject({ kind: 'saved', revision: 2 })
  expect(await saveJob(store, id, { ...save, key: 'key-two-2', job: titled('Other') })).toMatchObject({
    kind: 'stale',
    theirs: { revision: 2, job: { title: 'Two' } },
  })
  expect(await saveJob(store, 'nowhere', save)).toEqual({ kind: 'unknown' })
  const rows = await store.db
    .selectFrom('revisions')
    .select(['number', 'based_on'])
    .where('job_id', '=', id)
    .orderBy('number')
    .execute()
  expect(rows).toEqual([
    { number: 1, based_on: 0 },
    { number: 2, based_on: 1 },
  ])
  await store.db.destroy()
  store = await openStore(file())
  expect((await readHead(store, id))!.job.title).toBe('Two')
  const pragma = new Sqlite(file())
  expect(pragma.pragma('journal_mode', { simple: true })).toBe('wal')
  pragma.close()
})

test('signing seals the evaluation and the sheet; a signature cannot be saved in by hand', async () => {
  const id = await add({ ...finished, signature: null })
  expect(await saveJob(store, id, { from: 1, key: 'forged-1', job: finished, at: AT })).toMatchObject({
    kind: 'refused',
  })
  expect(await signJob(store, id, 1, 'Bench one', AT)).toMatchObject({ kind: 'saved', revision: 2 })
  const seal = (await newestSeal(store, id))!
  expect(seal).toMatchObject({ revision: 2, signedBy: 'Bench one', coreVersion: CORE_VERSION })
  expect(seal.sheet.sections.find((s) => s.heading === 'Signature')!.lines.at(-1)).toMatch(/^Signed by Bench one/)
  const { job } = (await readHead(store, id))!
  expect(
    await saveJob(store, id, { from: 2, key: 'changed-1', job: changeSetting(job, 'controller1', 90, 5), at: AT }),
  ).toMatchObject({ kind: 'refused' })
  expect(
    await saveJob(store, id, {
      from: 2,
      key: 'opened-1',
      job: { ...changeSetting(job, 'controller1', 90, 5), signature: null },
      at: AT,
    }),
  ).toMatchObject({ kind: 'saved' })
  expect(await newestSeal(store, id)).toEqual(seal)
})

test('a job without its fuse is not signed, and not taken in as signed', async () => {
  const bare: Job = { ...finished, fuses: [], runs: finished.runs.map((r) => ({ ...r, fuse: null })) }
  const id = await add({ ...bare, signature: null })
  expect(await signJob(store, id, 1, 'Bench one', AT)).toMatchObject({
    kind: 'refused',
    message: expect.stringContaining('No fuse') as string,
  })
  expect(await addJob(store, bare, AT)).toMatchObject({
    ok: false,
    message: expect.stringContaining('No fuse') as string,
  })
})

test('the same machine comes back as the same machine', async () => {
  await add(fresh)
  await add(titled('Again'))
  await add({ ...fresh, machine: { ...fresh.machine, name: 'Another' } })
  expect(await machinesLike(store, '')).toHaveLength(2)
})

test('a newer, a foreign, a broken and a locked file are told apart in words, and left as they are', async () => {
  await store.db.destroy()
  copyFileSync(file(), file('newer.db'))
  const newer = new Sqlite(file('newer.db'))
  newer.pragma('user_version = 99')
  newer.close()
  await expect(openStore(file('newer.db'))).rejects.toMatchObject({
    kind: 'newer',
    message: expect.stringContaining('newer Pyraxis') as string,
  })
  writeFileSync(file('broken.db'), 'this is a shopping list and no database at all, '.repeat(60))
  await expect(openStore(file('broken.db'))).rejects.toMatchObject({ kind: 'broken' })
  const foreign = new Sqlite(file('foreign.db'))
  foreign.exec('create table recipes (id)')
  foreign.close()
  await expect(openStore(file('foreign.db'))).rejects.toMatchObject({
    kind: 'broken',
    message: expect.stringContaining('another program') as string,
  })
  store = await openStore(file())
  const id = await add(fresh)
  const other = new Sqlite(file())
  other.exec('begin immediate')
  const waiting = saveJob(store, id, { from: 1, key: 'patient-1', job: titled('Patient'), at: AT })
  setTimeout(() => other.exec('rollback'), 400)
  expect(await waiting).toMatchObject({ kind: 'saved' })
  other.exec('begin immediate')
  await expect(saveJob(store, id, { from: 2, key: 'patient-2', job: titled('Never'), at: AT })).rejects.toMatchObject({
    kind: 'locked',
  })
  other.close()
})

test(
  'what a job’s runs came to is kept for its state, tells its line of the yard, and is left where the job ' +
    'has changed',
  async () => {
    const job = example('fell-bike-short-at-idle')
    const added = await addJob(store, job, AT)
    if (!added.ok) throw new Error(added.message)
    const first = findingsOf(job, AT).next()
    const found: Findings = { ...(first.value as FindingsStep).findings, settled: true }
    const bars = async () =>
      (await readYard(store, '2026-02-02')).entries
        .find((e) => e.id === added.id)!
        .summary!.margins.find((m) => m.id === 'charge')!
    expect((await bars()).verdict).toBe('short')
    expect(await keepFindings(store, added.id, { ...found, settled: false })).toBe(false)
    expect(await keepFindings(store, added.id, found)).toBe(true)
    expect((await bars()).verdict).toBe('unsure')
    expect(await findingsFor(store, added.id, job)).toEqual(found)
    const changed = { ...job, controllers: job.controllers.map((c) => ({ ...c, setC: 95 })) }
    expect(await saveJob(store, added.id, { from: 1, key: 'another-set', job: changed, at: AT })).toMatchObject({
      kind: 'saved',
    })
    expect(await findingsFor(store, added.id, changed)).toBeNull()
    expect(await keepFindings(store, added.id, found)).toBe(false)
  },
)

test('a file of the first version opens: copied first, lines filled in, every job as it was', async () => {
  await store.db.destroy()
  const old = readFileSync(path.join(__dirname, '..', 'formats', 'test-support', 'version-1.job.json'), 'utf8')
  const sqlite = new Sqlite(file('old.db'))
  const db = new Kysely<unknown>({ dialect: new SqliteDialect({ database: sqlite }) })
  await firstTables(db)
  sqlite.pragma('user_version = 1')
  sqlite.prepare("insert into machines values ('m1', 'Bike', 'trail-bike', '', ?)").run(AT)
  const titles = Array.from({ length: 24 }, (_, i) => `Old ${i}`)
  titles.forEach((title, i) => {
    sqlite.prepare('insert into jobs values (?, ?, ?, 1)').run(`j${i}`, 'm1', AT)
    sqlite.prepare('insert into revisions values (?, 1, ?, 0, ?, ?)').run(
      `j${i}`,
      AT,
      `key${i}`,
      i === 7
        ? '{"format":"cake"}'
        : JSON.stringify({
            ...(JSON.parse(old) as object),
            title,
            signature: null,
            promisedOn: `2026-02-${String((i % 28) + 1).padStart(2, '0')}`,
          }),
    )
  })
  sqlite.prepare("insert into parts values ('relay-old', 'relay', 'Old relay', ?, null)").run(
    JSON.stringify({
      id: 'relay-old',
      kind: 'relay',
      name: 'Old relay',
      maker: '',
      note: '',
      contact: { ratedA: 20, rating: 'motor', makeA: null },
      coilOhm: 90,
      suppressed: true,
      terminalAreaM2: null,
    }),
  )
  await db.destroy()
  store = await openStore(file('old.db'))
  expect(existsSync(file('old.db.before-version-2'))).toBe(true)
  const page = await readYard(store, '2026-02-02', 0, 200)
  expect(page).toMatchObject({ total: 24, open: 24 })
  expect(page.entries.map((e) => e.summary?.promisedOn ?? 'none')).toEqual(
    [...page.entries.map((e) => e.summary?.promisedOn ?? 'none')].sort(),
  )
  expect(page.entries.find((e) => e.id === 'j7')).toMatchObject({ title: 'A job that cannot be read', summary: null })
  expect((await readHead(store, 'j3'))!.job).toMatchObject({ version: JOB_VERSION, title: 'Old 3', kind: 'core' })
  expect(await listParts(store)).toMatchObject([{ id: 'relay-old', coilV: 12, facts: [] }])
})

test('the yard: open before closed, the promised first, what is due beside them, a page at a time', async () => {
  const open = (title: string, promisedOn: string | null): Job => ({ ...fresh, title, promisedOn })
  await add(open('no day', null))
  await add(open('later', '2026-03-01'))
  await add(finished)
  await add(open('sooner', '2026-01-20'))
  await add({ ...open('gone', '2026-01-01'), ended: { why: 'another cure', note: '', by: 'me', at: AT } })
  const page = await readYard(store, '2026-01-22', 0, 3)
  expect(page.entries.map((e) => e.title)).toEqual(['sooner', 'later', 'no day'])
  expect((await readYard(store, '2026-01-22', 3, 3)).entries.map((e) => e.title)).toEqual(['gone', finished.title])
  expect(page).toMatchObject({ total: 5, open: 3, due: [{ title: finished.title }], promised: [{ title: 'sooner' }] })
})

test('a line worked out by an older core is worked out anew when it is looked at', async () => {
  const id = await add(fresh)
  await store.db
    .updateTable('jobs')
    .set({ summary: '{"stale":true}', summary_core: '0.0.1' })
    .where('id', '=', id)
    .execute()
  expect((await readYard(store, '2026-01-22')).entries[0]!.summary!.worst).toMatch(/Fuse short/)
})

test('history: what each revision changed, any one read and brought back as a new one; a sealed sheet stays', async () => {
  const id = await add({ ...finished, signature: null })
  await signJob(store, id, 1, 'Bench one', AT)
  const sealed = (await sheetOf(store, id))!
  const { job } = (await readHead(store, id))!
  await saveJob(store, id, {
    from: 2,
    key: 'changed-2',
    job: { ...changeSetting(job, 'controller1', 84, 5), signature: null },
    at: AT,
  })
  expect(await bringBack(store, id, 1, AT)).toMatchObject({ kind: 'saved', revision: 4 })
  expect((await readHead(store, id))!.job).toEqual((await readRevision(store, id, 1))!.job)
  expect((await listRevisions(store, id)).map((r) => [r.number, r.sealed, r.changes[0]])).toEqual([
    [4, false, 'set: 84 °C, then 87 °C'],
    [3, false, 'set: 87 °C, then 84 °C'],
    [2, true, expect.stringMatching(/signature: none, then by Bench one|due/)],
    [1, false, 'the job as it was started or brought in'],
  ])
  expect(await sheetOf(store, id, 2)).toEqual(sealed)
  expect((await sheetOf(store, id))!.sealed).toBe(false)
  // the signed revision brought back is signed again, by its own seal; that signature goes with nothing else
  const later = '2026-02-01T10:00:00.000Z'
  await signJob(store, id, 4, 'Bench two', later)
  await bringBack(store, id, 2, AT)
  expect((await readHead(store, id))!.job.signature).toEqual(job.signature)
  expect(await sheetOf(store, id)).toEqual(sealed)
  await bringBack(store, id, 3, AT)
  const forged = { ...changeSetting(job, 'controller1', 83, 5), signature: job.signature }
  expect(await saveJob(store, id, { from: 7, key: 'forged-1', job: forged, at: AT })).toMatchObject({
    kind: 'refused',
  })
  expect(await saveJob(store, id, { from: 7, key: 'undone-1', job, at: AT })).toMatchObject({ kind: 'saved' })
  expect(await bringBack(store, id, 99, AT)).toEqual({ kind: 'unknown' })
})

test('many jobs go in all or none', async () => {
  const ready = [fresh, { ...fresh, title: 'Two' }].map((j) => prepareJob(j)).filter((p) => p.ok)
  const broken = {
    ...ready[1]!,
    job: { ...ready[1]!.job, machine: { ...fresh.machine, name: null as unknown as string } },
  }
  await expect(addJobs(store, [ready[0]!, broken], AT)).rejects.toHaveProperty('code', 'SQLITE_CONSTRAINT_NOTNULL')
  expect((await readYard(store, '2026-01-22')).total).toBe(0)
  expect(await addJobs(store, ready, AT)).toHaveLength(2)
})

test('find: letters anywhere in the name, owner or maker; signs of the query language are letters', async () => {
  await add({ ...fresh, title: '50 % hotter', machine: { ...fresh.machine, name: 'Crag_bike', owner: 'Fell team' } })
  await putParts(store, [
    {
      id: 'p1',
      kind: 'probe',
      name: 'Fin probe',
      maker: 'Skarn Works',
      note: '',
      facts: [],
      r25Ohm: 10_000,
      betaK: 3950,
      leadM: { value: 1, source: 'label' },
    },
  ])
  const kinds = async (text: string): Promise<string[]> => (await find(store, text)).found.map((f) => f.kind)
  expect(await kinds('fell')).toEqual(['job', 'machine'])
  expect(await kinds('skarn')).toEqual(['part'])
  expect(await kinds('0 %')).toEqual(['job'])
  expect(await kinds('g_b')).toEqual(['job', 'machine'])
  expect(await kinds('%x')).toEqual([])
})

test('a retired part is off the shelf, stays retired when it is changed, and comes back when told', async () => {
  const probe = {
    id: 'p1',
    kind: 'probe',
    name: 'Fin probe',
    maker: '',
    note: '',
    facts: [],
    r25Ohm: 10_000,
    betaK: 3950,
    leadM: { value: 1, source: 'label' },
  } as const
  await putParts(store, [{ ...probe, facts: [] }])
  expect(await retirePart(store, 'p1', AT)).toBe(true)
  await putParts(store, [{ ...probe, facts: [], name: 'Other' }])
  expect(await listParts(store)).toEqual([])
  expect((await listShelf(store)).entries).toMatchObject([{ part: { name: 'Other' }, retiredAt: AT }])
  await retirePart(store, 'p1', null)
  expect(await listParts(store)).toHaveLength(1)
  expect(await retirePart(store, 'nothing', AT)).toBe(false)
})

/** Rows as they are, past all that checks them. */
const raw = (change: (db: Sqlite.Database) => void): void => {
  const db = new Sqlite(file())
  change(db)
  db.close()
}

test('a full disk is told as such, what was saved stands, and with room again the next save goes in', async () => {
  const { id } = (await addJob(store, fresh, AT)) as { id: string }
  const pages = (n: number) => store.db.executeQuery(CompiledQuery.raw(`pragma max_page_count = ${n}`))
  await pages(1)
  const long: Job = { ...fresh, baseline: { ...fresh.baseline, load: 'x'.repeat(160) } }
  const save = (from: number, key: string) => saveJob(store, id, { from, key, job: long, at: AT })
  const rows = async (): Promise<unknown> => {
    for (let n = 1; n < 60; n++) await save(n, `key-${n}-full`)
    return null
  }
  await expect(rows()).rejects.toMatchObject({
    name: 'StoreTrouble',
    kind: 'full',
    message: expect.stringContaining('is full') as string,
  })
  const head = (await readHead(store, id))!
  await pages(1_000_000)
  expect(await save(head.revision, 'key-after-room')).toMatchObject({ kind: 'saved', revision: head.revision + 1 })
})

describe('the store of this process', () => {
  const before = process.env.PYRAXIS_DB
  beforeEach(() => {
    process.env.PYRAXIS_DB = file('mine.db')
  })
  afterEach(async () => {
    await (await theStore().catch(() => null))?.db.destroy()
    delete (globalThis as { pyraxisStore?: unknown }).pyraxisStore
    if (before === undefined) delete process.env.PYRAXIS_DB
    else process.env.PYRAXIS_DB = before
  })

  test('a file that was moved away is missed before anything is acknowledged into it, and found when it is back', async () => {
    await addJob(await theStore(), fresh, AT)
    renameSync(file('mine.db'), file('aside.db'))
    await expect(theStore()).rejects.toMatchObject({
      kind: 'missing',
      message: expect.stringContaining('moved or deleted') as string,
    })
    expect(existsSync(file('mine.db'))).toBe(false)
    renameSync(file('aside.db'), file('mine.db'))
    expect(await readYard(await theStore(), '2026-01-15')).toMatchObject({ total: 1 })
  })

  test('another file in its place is opened; rights that were taken are looked at again', async () => {
    const first = await theStore()
    await addJob(first, fresh, AT)
    const other = await openStore(file('other.db'))
    await addJob(other, { ...fresh, title: 'Other' }, AT)
    await other.db.destroy()
    renameSync(file('other.db'), file('mine.db'))
    const second = await theStore()
    expect((await readYard(second, '2026-01-15')).entries).toMatchObject([{ title: 'Other' }])
    const refused = Object.assign(new Error('attempt to write a readonly database'), { code: 'SQLITE_READONLY' })
    await expect(patiently(file('mine.db'), () => Promise.reject(refused))).rejects.toMatchObject({ kind: 'read-only' })
    expect(await theStore()).not.toBe(second)
  })
})

test('one unreadable row takes nothing else with it: yard, shelf, find, history and the file of all jobs', async () => {
  await addJob(store, fresh, AT)
  const { id } = (await addJob(store, { ...fresh, title: 'Torn' }, AT)) as { id: string }
  const { id: line } = (await addJob(store, { ...fresh, title: 'Line' }, AT)) as { id: string }
  await saveJob(store, id, { from: 1, key: 'second-one', job: { ...fresh, title: 'Torn' }, at: AT })
  const [part, other] = examplesOf('fan')
  await putParts(store, [part!, other!])
  raw((db) => {
    db.prepare("update revisions set document = '{' where job_id = ? and number = 2").run(id)
    db.prepare("update jobs set summary = '{' where id in (?, ?)").run(id, line)
    db.prepare("update parts set document = '[' where id = ?").run(part!.id)
  })
  const yard = await readYard(store, '2026-01-15')
  expect(yard.entries.map((e) => [e.title, e.summary !== null])).toEqual(
    expect.arrayContaining([
      ['One', true],
      ['Line', true],
      ['A job that cannot be read', false],
    ]),
  )
  expect((await listParts(store)).map((p) => p.id)).toEqual([other!.id])
  expect(await listShelf(store)).toMatchObject({ entries: [{}], unreadable: [{ id: part!.id, name: part!.name }] })
  expect(await find(store, 'Ouzel')).toBeDefined()
  expect((await listRevisions(store, id)).map((r) => r.changes)).toEqual([
    ['this revision cannot be read any more'],
    ['the job as it was started or brought in'],
  ])
  const all: string[] = []
  for await (const one of everyJob(store)) all.push('job' in one ? one.job.title : `skipped ${one.skipped.id === id}`)
  expect(all.sort()).toEqual(['Line', 'One', 'skipped true'])
})
