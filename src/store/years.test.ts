import {
  copyFileSync,
  existsSync,
  mkdtempSync,
  readdirSync,
  readFileSync,
  rmSync,
  truncateSync,
  writeFileSync,
} from 'node:fs'
import os from 'node:os'
import path from 'node:path'
import Sqlite from 'better-sqlite3'
import { changeSetting, type Job } from '../core/job'
import { example } from '../formats/test-support/examples'
import {
  addJob,
  backUp,
  bringInPieces,
  broughtIn,
  everyJob,
  find,
  inspect,
  isDeleted,
  keptOf,
  listBackups,
  listRevisions,
  newestSeal,
  openStore,
  prepareJob,
  putAway,
  readHead,
  readRevision,
  readYard,
  restore,
  saveJob,
  type Store,
  tidy,
  WHOLE_YARD,
} from '.'
import { Kysely, SqliteDialect } from 'kysely'
import { settleLog } from './log-file'
import { firstTables } from './migrations/first-tables'
import { packDifference, packWhole, unpacked } from './packing'
import { AT, fresh } from './test-support/fresh'
import { ended, killedAfter, ownProcesses } from './test-support/own-process'

const signedJob = example('fell-bike-signed')

const processes = ownProcesses()
afterAll(processes.end)

let folder: string
let store: Store
const file = (name = 'yard.db'): string => path.join(folder, name)
beforeEach(async () => {
  folder = mkdtempSync(path.join(os.tmpdir(), 'pyraxis-years-'))
  store = await openStore(file())
})
afterEach(() => {
  store.close()
  rmSync(folder, { recursive: true, force: true })
})
const add = async (job: Job, at = AT): Promise<string> => {
  const added = await addJob(store, job, at)
  if (!added.ok) throw new Error(added.message)
  return added.id
}
let keys = 0
const save = (id: string, from: number, job: Job, at = AT) =>
  saveJob(store, id, { from, key: `key-number-${keys++}`, job, at })
const raw = <T>(work: (db: Sqlite.Database) => T, name = 'yard.db'): T => {
  const db = new Sqlite(file(name))
  try {
    return work(db)
  } finally {
    db.close()
  }
}
const titles = async (view: Partial<typeof WHOLE_YARD>): Promise<string[]> =>
  (await readYard(store, '2026-01-22', 0, 50, { ...WHOLE_YARD, ...view })).entries.map((e) => e.title)

describe('packed revisions', () => {
  test('what differs unpacks to the same, whatever differs; only with the whole that it differs from', () => {
    const pairs: readonly (readonly [object, object])[] = [
      [
        { a: 1, b: [1, 2] },
        { a: 1, b: [1, 3] },
      ],
      [
        { a: 'x'.repeat(60_000), b: 1 },
        { a: `${'x'.repeat(59_999)}ö`, b: 1, c: null },
      ],
      [signedJob, changeSetting(signedJob, 'controller1', 84, 5)],
      [
        { z: {}, ü: '\u0000' },
        { z: {}, ü: '\u0000' },
      ],
    ]
    for (const [before, after] of pairs) {
      const whole = packWhole(JSON.stringify(before))
      expect(JSON.parse(unpacked(whole))).toEqual(before)
      const difference = packDifference(JSON.stringify(after), JSON.stringify(before))
      if (difference) {
        expect(JSON.parse(unpacked(difference, whole))).toEqual(after)
        expect(() => unpacked(difference)).toThrow()
        expect(() => unpacked(difference.subarray(0, -3), whole)).toThrow()
      }
    }
    // a member that is gone cannot be told as a difference
    expect(packDifference('{"a":1}', '{"a":1,"b":2}')).toBeNull()
  })

  test('a long job: every revision reads as it was saved, a typical edit takes under 2 kB', async () => {
    const id = await add({ ...signedJob, signature: null })
    let job: Job = { ...signedJob, signature: null }
    for (let n = 1; n <= 60; n++) {
      job = n % 3 ? changeSetting(job, 'controller1', 80 + (n % 9), 5) : { ...job, title: `Title ${n}` }
      await save(id, n, job)
    }
    for (const n of [1, 2, 25, 26, 50, 61]) {
      const then = (await readRevision(store, id, n))!.job
      const titled = Math.floor((n - 1) / 3) * 3
      expect(then.title).toBe(titled ? `Title ${titled}` : signedJob.title)
    }
    expect((await readHead(store, id))!.job).toEqual(job)
    const bytes = raw((db) => db.prepare('select avg(length(document)) as n from revisions').get()) as { n: number }
    expect(bytes.n).toBeLessThan(2000)
  })

  test('history is thinned to the last of each old day; what was signed, the first and the newest stay', async () => {
    const old = '2025-03-01T0'
    const id = await add({ ...signedJob, signature: null }, `${old}1:00:00.000Z`)
    const job: Job = { ...signedJob, signature: null }
    for (let n = 1; n <= 30; n++) await save(id, n, { ...job, title: `T${n}` }, `${old}2:${n + 10}:00.000Z`)
    raw((db) => {
      db.prepare(`insert into seals values (?, 12, ?, 'me', '1.0', 'x', 'x')`).run(id, AT)
    })
    await save(id, 31, { ...job, title: 'next day' }, '2025-03-02T01:00:00.000Z')
    await save(id, 32, { ...job, title: 'this week' }, '2026-01-14T01:00:00.000Z')
    await save(id, 33, { ...job, title: 'today' }, AT)
    expect(await tidy(store, AT)).toMatchObject({ thinned: 28 })
    expect((await listRevisions(store, id)).map((r) => r.number)).toEqual([34, 33, 32, 31, 12, 1])
    for (const [n, title] of [
      [34, 'today'],
      [32, 'next day'],
      [31, 'T30'],
      [12, 'T11'],
      [1, signedJob.title],
    ] as const)
      expect((await readRevision(store, id, n))!.job.title).toBe(title)
    expect(await tidy(store, AT)).toMatchObject({ thinned: 0 })
  })

  test('rows that an older Pyraxis wrote as text are packed, and read the same', async () => {
    const id = await add(signedJob)
    const seal = await newestSeal(store, id)
    raw((db) => {
      db.prepare('update revisions set document = ?, whole_at = null').run(JSON.stringify(signedJob))
      db.prepare('update seals set sheet = ?').run(JSON.stringify(seal!.sheet))
    })
    expect(await tidy(store, AT)).toMatchObject({ packed: 1 })
    expect(raw((db) => db.prepare('select typeof(document) as t from revisions').get())).toEqual({ t: 'blob' })
    expect((await readHead(store, id))!.job).toEqual(signedJob)
    expect(await newestSeal(store, id)).toEqual(seal)
  })
})

describe('copies', () => {
  test('a copy while somebody writes is whole, looked through, and puts back what was there', async () => {
    const id = await add(signedJob)
    const copy = backUp(file(), file('copies'), AT)
    expect(copy).toMatchObject({ name: '2026-01-15T100000.db', jobs: 1, evaluated: 1, unreadable: 0 })
    await add({ ...fresh, title: 'After the copy' })
    expect(listBackups(file('copies')).map((b) => b.at)).toEqual([AT])
    const done = await restore(file(path.join('copies', copy.name)), file(), AT)
    expect(done).toMatchObject({ jobs: 1, evaluated: 1 })
    store.close()
    store = await openStore(file())
    expect(await newestSeal(store, id)).not.toBeNull()
    expect((await readYard(store, '2026-01-22')).total).toBe(1)
    // what stood there can be had back
    expect(inspect(done.aside!)).toMatchObject({ jobs: 2 })
  })

  test('half a file, one of another program, a newer one, words: refused, and nothing has changed', async () => {
    await add(fresh)
    backUp(file(), file('copies'), AT)
    const whole = path.join(file('copies'), '2026-01-15T100000.db')
    copyFileSync(whole, file('half.db'))
    truncateSync(file('half.db'), Math.floor(readFileSync(whole).length / 2))
    writeFileSync(file('words.db'), 'a shopping list, '.repeat(900))
    raw((db) => db.exec('create table recipes (id)'), 'foreign.db')
    copyFileSync(whole, file('newer.db'))
    raw((db) => db.pragma('user_version = 99'), 'newer.db')
    const before = readdirSync(folder).sort()
    for (const [name, words] of [
      ['half.db', /damaged/],
      ['words.db', /not a Pyraxis database/],
      ['foreign.db', /no yard/],
      ['newer.db', /newer Pyraxis/],
      ['nowhere.db', /cannot be opened/],
    ] as const)
      await expect(restore(file(name), file(), AT)).rejects.toThrow(words)
    expect(readdirSync(folder).sort()).toEqual(before)
    expect((await readYard(store, '2026-01-22')).total).toBe(1)
  })

  test('killed while it copies, or no room: no copy that is half bears a name', async () => {
    for (let n = 0; n < 8; n++) await add({ ...signedJob, title: `Job ${n}`, signature: null })
    const child = processes.start(
      `process.stdout.write('now'); for (let n = 1; ; n++, n % 2 && process.stdout.write('on'))
      s.backUp(${JSON.stringify(file())}, ${JSON.stringify(file('copies'))},
      new Date(Date.parse('2026-01-15T10:00:00Z') + 1000 * n).toISOString())`,
    )
    // while it is at work its half copy is left alone
    await new Promise((resolve) => child.stdout!.once('data', resolve))
    for (let n = 0; n < 2; n++) expect(backUp(file(), file('copies'), `2027-01-1${n}T10:00:00.000Z`).jobs).toBe(8)
    expect(child.exitCode).toBeNull()
    await killedAfter(child, 400)
    for (const { name } of listBackups(file('copies'))) expect(inspect(file(path.join('copies', name))).jobs).toBe(8)
    writeFileSync(file('blocked'), '')
    expect(() => backUp(file(), path.join(file('blocked'), 'copies'), AT)).toThrow()
    expect(backUp(file(), file('copies'), AT)).toMatchObject({ jobs: 8 })
    expect(readdirSync(file('copies')).filter((n) => n.endsWith('.part'))).toEqual([])
  })

  test('which copies are kept: all of two weeks, then one a week, then one a month, and always the newest', () => {
    const now = '2026-11-30T12:00:00.000Z'
    const daily = Array.from({ length: 1000 }, (_, i) => new Date(Date.parse(now) - i * 86_400_000).toISOString())
    const kept = keptOf(daily, now)
    const age = (at: string): number => (Date.parse(now) - Date.parse(at)) / 86_400_000
    expect(kept.filter((at) => age(at) < 14)).toHaveLength(14)
    const weekly = kept.filter((at) => age(at) >= 14 && age(at) < 70)
    expect(weekly.length).toBeGreaterThanOrEqual(8)
    expect(weekly.length).toBeLessThanOrEqual(9)
    const monthly = kept.filter((at) => age(at) >= 70)
    expect(new Set(monthly.map((at) => at.slice(0, 7))).size).toBe(monthly.length)
    expect(Math.max(...kept.map(age))).toBeLessThan(31 * 24)
    // thinned again it stays as it is, and a clock that was years off costs no copy
    expect(keptOf(kept, now)).toEqual(kept)
    expect(keptOf(['2031-01-01T00:00:00.000Z', ...kept], now)).toHaveLength(kept.length + 1)
    expect(keptOf(['2001-01-01T00:00:00.000Z'], now)).toHaveLength(1)
  })
})

describe('the log beside the file', () => {
  /** a process that saves and is killed, so that its log stays */
  const crash = async (name: string, title: string): Promise<void> => {
    const job = JSON.stringify({ ...fresh, title })
    const child = processes.start(
      `const store = await s.openStore(${JSON.stringify(file(name))})
      for (let n = 0; n < 6; n++) await s.addJob(store, ${job}, ${JSON.stringify(AT)})
      process.kill(process.pid, 'SIGKILL')`,
    )
    await ended(child)
    expect(child.signalCode).toBe('SIGKILL')
    expect(existsSync(file(`${name}-wal`))).toBe(true)
  }

  test('after a crash it is played in, and the file alone has all of it', async () => {
    await crash('mine.db', 'Kept')
    const again = await openStore(file('mine.db'))
    copyFileSync(file('mine.db'), file('alone.db'))
    again.close()
    expect(existsSync(file('mine.db-wal'))).toBe(false)
    expect(inspect(file('alone.db'))).toMatchObject({ jobs: 6 })
  })

  test('of another file it is moved aside, and ruins nothing', async () => {
    for (let n = 0; n < 6; n++) await add({ ...signedJob, title: `Job ${n}`, signature: null })
    backUp(file(), file('copies'), AT)
    await crash('mine.db', 'Lost')
    // somebody puts a copy back by hand, beside the log that the crash left
    copyFileSync(path.join(file('copies'), '2026-01-15T100000.db'), file('mine.db'))
    const opened = await openStore(file('mine.db'))
    expect((await readYard(opened, '2026-01-22')).total).toBe(6)
    opened.close()
    expect(readdirSync(folder).filter((n) => n.includes('of-another-file'))).toHaveLength(1)
    expect(inspect(file('mine.db'))).toMatchObject({ jobs: 6 })
  })

  test('of a file that is open it is left alone', async () => {
    await add(fresh)
    expect(settleLog(file())).toBeNull()
    await add(fresh)
    expect((await readYard(store, '2026-01-22')).total).toBe(2)
  })
})

test('killed while an older file is brought to the present version: it opens afterwards, with every job', async () => {
  const old = readFileSync(path.join(__dirname, '..', 'formats', 'test-support', 'version-2.job.json'), 'utf8')
  const sqlite = new Sqlite(file('old.db'))
  const db = new Kysely<unknown>({ dialect: new SqliteDialect({ database: sqlite }) })
  await firstTables(db)
  sqlite.pragma('user_version = 1')
  sqlite.prepare("insert into machines values ('m1', 'Bike', 'trail-bike', '', ?)").run(AT)
  for (let n = 0; n < 20; n++) {
    sqlite.prepare('insert into jobs values (?, ?, ?, 1)').run(`j${n}`, 'm1', AT)
    sqlite.prepare('insert into revisions values (?, 1, ?, 0, ?, ?)').run(`j${n}`, AT, `key${n}`, old)
  }
  await db.destroy()
  const program = `process.stdout.write('now'); await s.openStore(${JSON.stringify(file('old.db'))})`
  for (const ms of [0, 60, 250]) await killedAfter(processes.start(program), ms)
  const opened = await openStore(file('old.db'))
  const page = await readYard(opened, '2026-01-22', 0, 200)
  expect(page.total).toBe(20)
  expect(page.entries.every((e) => e.summary !== null)).toBe(true)
  opened.close()
  expect(inspect(file('old.db.before-version-2'))).toMatchObject({ version: 1, jobs: 20, unreadable: 0 })
})

describe('every day', () => {
  test('archived and deleted jobs leave the yard and come back; a signed one is never deleted', async () => {
    const [one, two] = [await add({ ...fresh, title: 'Away' }), await add(signedJob)]
    await add({ ...fresh, title: 'Stays', promisedOn: '2026-01-20' })
    expect(await putAway(store, one, 'deleted', AT)).toBe(true)
    expect(await putAway(store, two, 'deleted', AT)).toBe(false)
    expect(await putAway(store, two, 'archived', AT)).toBe(true)
    expect(await putAway(store, 'nowhere', 'archived', AT)).toBe(false)
    expect(await titles({})).toEqual(['Stays'])
    expect(await titles({ show: 'deleted' })).toEqual(['Away'])
    expect(await titles({ show: 'archived' })).toEqual([signedJob.title])
    expect((await find(store, 'away')).found).toEqual([])
    // what another window still writes to it brings it back: nothing acknowledged goes with what was deleted
    expect(await save(one, 1, { ...fresh, title: 'Written to' })).toMatchObject({ kind: 'saved' })
    expect(await isDeleted(store, one)).toBe(false)
    expect(await tidy(store, '2026-03-10T00:00:00.000Z')).toMatchObject({ purged: 0 })
    expect(await titles({ sort: 'newest' })).toEqual(expect.arrayContaining(['Written to', 'Stays']))
    await putAway(store, one, 'deleted', AT)
    expect(await tidy(store, '2026-03-10T00:00:00.000Z')).toMatchObject({ purged: 1 })
    expect(await readHead(store, one)).toBeNull()
    expect(await readHead(store, two)).not.toBeNull()
  })

  test('sorted, filtered and searched; a line by its worst margin', async () => {
    const short = example('fell-bike-short-at-idle')
    await add({ ...fresh, title: 'B', machine: { ...fresh.machine, name: 'zeta', owner: 'ann' } })
    await add({ ...short, title: 'S', machine: { ...short.machine, name: 'Alpha', owner: '' } })
    await add(signedJob)
    expect(await titles({ show: 'signed' })).toEqual([signedJob.title])
    expect((await titles({ show: 'open', sort: 'machine' }))[0]).toBe('S')
    expect((await titles({ show: 'open', sort: 'owner' }))[0]).toBe('B')
    expect(await titles({ kind: 'trailer' })).toEqual([])
    expect(await titles({ text: 'ANN zet' })).toEqual(['B'])
    expect(await titles({ text: '%' })).toEqual([])
    const worst = await readYard(store, '2026-01-22', 0, 50, { ...WHOLE_YARD, show: 'open', sort: 'worst' })
    const least = worst.entries.map((e) =>
      Math.min(...e.summary!.margins.flatMap((m) => (m.xWorst === null ? [] : [m.xWorst]))),
    )
    expect(least).toEqual([...least].sort((a, b) => a - b))
  })

  test('a file of many comes in by pieces and shows all at once; given up, nothing of it stays', async () => {
    const ready = function* () {
      for (let n = 0; n < 60; n++) {
        const one = prepareJob({ ...fresh, title: `Job ${n}` })
        if (one.ok) yield one
      }
    }
    const given = bringInPieces(store, ready(), 'one-file', AT)
    expect((await given.next()).value).toBe(25)
    // beside it the yard is read and written
    await add({ ...fresh, title: 'Between' })
    expect((await readYard(store, '2026-01-22')).total).toBe(1)
    await given.return(0)
    expect(raw((db) => db.prepare('select count(*) as n from jobs').get())).toEqual({ n: 1 })
    const taken = bringInPieces(store, ready(), 'one-file', AT)
    let step = await taken.next()
    while (!step.done) step = await taken.next()
    expect(step.value).toBe(60)
    expect((await readYard(store, '2026-01-22')).total).toBe(61)
    expect(await broughtIn(store, 'one-file')).toEqual({ at: AT, added: 60 })
    expect(await broughtIn(store, 'another')).toBeNull()
  })

  test('pages of the file that are damaged: told as such, and every job that can be read is taken out', async () => {
    for (let n = 0; n < 60; n++) await add({ ...signedJob, title: `Job ${n}`, signature: null })
    store.close()
    const page = raw((db) => ({
      size: db.pragma('page_size', { simple: true }) as number,
      // a page that holds documents of some jobs only
      at: (
        db.prepare("select max(pageno) as n from dbstat where name = 'revisions'").get() as { n: number } | undefined
      )?.n,
    }))
    const bytes = readFileSync(file())
    bytes.fill(0xa5, ((page.at ?? 40) - 1) * page.size, (page.at ?? 40) * page.size)
    writeFileSync(file(), bytes)
    store = await openStore(file())
    expect(() => inspect(file())).toThrow(/damaged/)
    let [out, skipped] = [0, 0]
    for await (const one of everyJob(store)) {
      if ('job' in one) out++
      else skipped++
    }
    expect(skipped).toBeGreaterThan(0)
    expect(out).toBeGreaterThan(0)
    expect(out + skipped).toBe(60)
  })
})
