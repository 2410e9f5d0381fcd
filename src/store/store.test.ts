import { copyFileSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import os from 'node:os'
import path from 'node:path'
import Sqlite from 'better-sqlite3'
import { changeSetting, CORE_VERSION, startJob, type Job } from '../core/job'
import { readJobFile } from '../formats'
import { readFileSync } from 'node:fs'
import { addJob, listMachines, newestSeal, openStore, readHead, saveJob, signJob, type Store } from '.'

const AT = '2026-01-15T10:00:00.000Z'
const fresh = startJob({ title: 'One', kind: 'trail-bike', machineName: 'Bike', owner: '', units: 'metric', startedOn: '2026-01-15', promisedOn: null })
const finished = ((): Job => {
  const read = readJobFile(readFileSync(path.join(__dirname, '..', '..', 'examples', 'fell-bike-signed.job.json'), 'utf8'))
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
  expect(await saveJob(store, id, { ...save, key: 'key-two-2', job: titled('Other') })).toMatchObject({ kind: 'stale', theirs: { revision: 2, job: { title: 'Two' } } })
  expect(await saveJob(store, 'nowhere', save)).toEqual({ kind: 'unknown' })
  const rows = await store.db.selectFrom('revisions').select(['number', 'based_on']).where('job_id', '=', id).orderBy('number').execute()
  expect(rows).toEqual([{ number: 1, based_on: 0 }, { number: 2, based_on: 1 }])
  await store.db.destroy()
  store = await openStore(file())
  expect((await readHead(store, id))!.job.title).toBe('Two')
  const pragma = new Sqlite(file())
  expect(pragma.pragma('journal_mode', { simple: true })).toBe('wal')
  pragma.close()
})

test('signing seals the evaluation and the sheet; a signature cannot be saved in by hand', async () => {
  const id = await add({ ...finished, signature: null })
  expect(await saveJob(store, id, { from: 1, key: 'forged-1', job: finished, at: AT })).toMatchObject({ kind: 'refused' })
  expect(await signJob(store, id, 1, 'Bench one', AT)).toMatchObject({ kind: 'saved', revision: 2 })
  const seal = (await newestSeal(store, id))!
  expect(seal).toMatchObject({ revision: 2, signedBy: 'Bench one', coreVersion: CORE_VERSION })
  expect(seal.sheet.sections.at(-1)!.heading).toBe('Signature')
  const { job } = (await readHead(store, id))!
  expect(await saveJob(store, id, { from: 2, key: 'changed-1', job: changeSetting(job, 'controller1', 90, 5), at: AT })).toMatchObject({ kind: 'refused' })
  expect(await saveJob(store, id, { from: 2, key: 'opened-1', job: { ...changeSetting(job, 'controller1', 90, 5), signature: null }, at: AT })).toMatchObject({ kind: 'saved' })
  expect(await newestSeal(store, id)).toEqual(seal)
})

test('a job without its fuse is not signed, and not taken in as signed', async () => {
  const bare: Job = { ...finished, fuses: [], runs: finished.runs.map((r) => ({ ...r, fuse: null })) }
  const id = await add({ ...bare, signature: null })
  expect(await signJob(store, id, 1, 'Bench one', AT)).toMatchObject({ kind: 'refused', message: expect.stringContaining('No fuse') as string })
  expect(await addJob(store, bare, AT)).toMatchObject({ ok: false, message: expect.stringContaining('No fuse') as string })
})

test('the same machine comes back as the same machine', async () => {
  await add(fresh)
  await add(titled('Again'))
  await add({ ...fresh, machine: { ...fresh.machine, name: 'Another' } })
  expect(await listMachines(store)).toHaveLength(2)
})

test('a newer, a foreign, a broken and a locked file are told apart in words, and left as they are', async () => {
  await store.db.destroy()
  copyFileSync(file(), file('newer.db'))
  const newer = new Sqlite(file('newer.db'))
  newer.pragma('user_version = 99')
  newer.close()
  await expect(openStore(file('newer.db'))).rejects.toMatchObject({ kind: 'newer', message: expect.stringContaining('newer Pyraxis') as string })
  writeFileSync(file('broken.db'), 'this is a shopping list and no database at all, '.repeat(60))
  await expect(openStore(file('broken.db'))).rejects.toMatchObject({ kind: 'broken' })
  const foreign = new Sqlite(file('foreign.db'))
  foreign.exec('create table recipes (id)')
  foreign.close()
  await expect(openStore(file('foreign.db'))).rejects.toMatchObject({ kind: 'broken', message: expect.stringContaining('another program') as string })
  store = await openStore(file())
  const id = await add(fresh)
  const other = new Sqlite(file())
  other.exec('begin immediate')
  const waiting = saveJob(store, id, { from: 1, key: 'patient-1', job: titled('Patient'), at: AT })
  setTimeout(() => other.exec('rollback'), 400)
  expect(await waiting).toMatchObject({ kind: 'saved' })
  other.exec('begin immediate')
  await expect(saveJob(store, id, { from: 2, key: 'patient-2', job: titled('Never'), at: AT })).rejects.toMatchObject({ kind: 'locked' })
  other.close()
}, 30_000)
