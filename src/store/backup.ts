import { copyFileSync, existsSync, mkdirSync, readdirSync, renameSync, rmSync, statSync } from 'node:fs'
import path from 'node:path'
import Sqlite from 'better-sqlite3'
import { evaluate } from '../core/margins'
import { readJob } from '../formats'
import { defaultFile, openStore, showDocuments } from './database'
import { jsonOr } from './json-or'
import { freeName, isOpenElsewhere, readsWhole } from './log-file'
import { migrations } from './migrations'
import { asTrouble, StoreTrouble } from './trouble'
import { say } from '../core/words'

/** so many jobs, the newest first, are worked out to see that a copy is alive */
const MOST_EVALUATED = 200
const BUSY_MS = 5000

/** What a database file holds, as far as it was looked at. */
export interface Inspected {
  readonly version: number
  readonly jobs: number
  readonly revisions: number
  /** jobs read and worked out, and those among them that cannot be read */
  readonly evaluated: number
  readonly unreadable: number
}

const count = (sqlite: Sqlite.Database, sql: string): number => (sqlite.prepare(sql).get() as { n: number }).n

/**
 * Looks through a database file that nobody writes: whole, ours, no newer than we know, its newest jobs worked out.
 * @throws StoreTrouble that says what is wrong with it
 */
export function inspect(file: string): Inspected {
  let sqlite: Sqlite.Database
  try {
    sqlite = new Sqlite(file, { readonly: true, fileMustExist: true })
  } catch (error) {
    throw asTrouble(error, file)
  }
  try {
    const damaged = (sqlite.pragma('integrity_check(1)', { simple: true }) as string) !== 'ok'
    if (damaged) throw new StoreTrouble(say`${file} is damaged: it cannot be used.`, 'broken')
    const version = Number(sqlite.pragma('user_version', { simple: true }))
    const ours = count(sqlite, "select count(*) as n from sqlite_master where name in ('jobs', 'revisions', 'parts')")
    if (version < 1 || ours < 3) throw new StoreTrouble(say`${file} is no yard of Pyraxis.`, 'broken')
    if (version > migrations.length)
      throw new StoreTrouble(
        say`${file} was written by a newer Pyraxis (version ${version}; this one knows ${migrations.length}).`,
        'newer',
      )
    const packed = version === migrations.length
    if (packed) showDocuments(sqlite)
    const heads = sqlite
      .prepare(
        `select d.document from jobs j join ${packed ? 'documents' : 'revisions'} d
         on d.job_id = j.id and d.number = j.head order by j.created_at desc limit ?`,
      )
      .all(MOST_EVALUATED) as { document: string }[]
    let unreadable = 0
    for (const { document } of heads) {
      const read = readJob(jsonOr(document, null))
      if (read.ok) evaluate(read.job)
      else unreadable++
    }
    return {
      version,
      jobs: count(sqlite, 'select count(*) as n from jobs'),
      revisions: count(sqlite, 'select count(*) as n from revisions'),
      evaluated: heads.length - unreadable,
      unreadable,
    }
  } catch (error) {
    throw asTrouble(error, file)
  } finally {
    sqlite.close()
  }
}

/** Where copies of a yard are kept: PYRAXIS_BACKUPS, or "backups" beside its file; null where none are wanted. */
export function backupFolder(file = defaultFile()): string | null {
  const named = process.env.PYRAXIS_BACKUPS
  if (named === 'off') return null
  const name = path.basename(file).replace(/\.[^.]*$/, '')
  return path.resolve(named || path.join(path.dirname(file), 'backups'), name)
}

const NAMED = /^\d{4}-\d{2}-\d{2}T\d{6}\.db$/
const stampOf = (at: string): string => at.slice(0, 19).replaceAll(':', '')

export interface Backup {
  readonly name: string
  /** ISO moment */
  readonly at: string
  readonly bytes: number
}

/** The copies there are, newest first. */
export function listBackups(folder: string | null): Backup[] {
  if (folder === null || !existsSync(folder)) return []
  return readdirSync(folder)
    .filter((name) => NAMED.test(name))
    .sort()
    .reverse()
    .map((name) => ({
      name,
      at: `${name.slice(0, 13)}:${name.slice(13, 15)}:${name.slice(15, 17)}.000Z`,
      bytes: statSync(path.join(folder, name)).size,
    }))
}

/** The file of a copy, by its name; null where there is none, or where the name is no copy's. */
export function backupNamed(folder: string | null, name: string): string | null {
  const file = folder !== null && NAMED.test(name) ? path.join(folder, name) : null
  return file && existsSync(file) ? file : null
}

/** Whether a file is a half copy whose process has ended: one that is still written is another's. */
function isLeftOver(name: string): boolean {
  const [, pid] = /(?:\.(\d+))?\.part$/.exec(name) ?? []
  if (!name.endsWith('.part')) return false
  if (pid === undefined || Number(pid) === process.pid) return true
  try {
    process.kill(Number(pid), 0)
    return false
  } catch (error) {
    // not allowed to ask: it is there
    return (error as NodeJS.ErrnoException).code !== 'EPERM'
  }
}

/**
 * Copies a yard as it is at this moment, whoever writes it meanwhile, looks the copy through, and only then gives it
 * its name.
 * @throws StoreTrouble where it cannot be made, as on a full disk; then nothing is left of it
 */
export function backUp(file: string, folder: string, at: string): Backup & Inspected {
  mkdirSync(folder, { recursive: true })
  for (const name of readdirSync(folder)) if (isLeftOver(name)) rmSync(path.join(folder, name))
  const name = `${stampOf(at)}.db`
  const part = path.join(folder, `${name}.${process.pid}.part`)
  try {
    const sqlite = new Sqlite(file, { fileMustExist: true, timeout: BUSY_MS })
    try {
      sqlite.prepare('vacuum into ?').run(part)
    } finally {
      sqlite.close()
    }
    const inspected = inspect(part)
    renameSync(part, path.join(folder, name))
    return { name, at, bytes: statSync(path.join(folder, name)).size, ...inspected }
  } catch (error) {
    rmSync(part, { force: true })
    throw asTrouble(error, file)
  }
}

const DAY_MS = 86_400_000
const DAILY = 14
const WEEKLY = 8
const MONTHLY = 24

/**
 * Which copies are kept: every one of the last two weeks, then the newest of each week for eight more, then the newest
 * of each month for two years; the newest always, and what claims to come from the future.
 * @param moments of copies, ISO
 * @param at this moment, ISO
 */
export function keptOf(moments: readonly string[], at: string): string[] {
  const age = (moment: string): number => (Date.parse(at) - Date.parse(moment)) / DAY_MS
  const slot = (moment: string): string | null => {
    const days = age(moment)
    if (days < DAILY) return moment
    if (days < DAILY + 7 * WEEKLY) return `week ${Math.floor(Date.parse(moment) / DAY_MS / 7)}`
    return days < 31 * MONTHLY ? `month ${moment.slice(0, 7)}` : null
  }
  const newestFirst = [...moments].sort().reverse()
  const taken = new Set<string>()
  return newestFirst.filter((moment, i) => {
    const own = slot(moment)
    if (i > 0 && (own === null || taken.has(own))) return false
    if (own !== null) taken.add(own)
    return true
  })
}

/** Removes the copies that {@link keptOf} does not keep. @returns how many */
export function thinBackups(folder: string, at: string): number {
  const all = listBackups(folder)
  const kept = new Set(
    keptOf(
      all.map((b) => b.at),
      at,
    ),
  )
  const gone = all.filter((b) => !kept.has(b.at))
  for (const { name } of gone) rmSync(path.join(folder, name))
  return gone.length
}

/** Takes away a copy and all that was opened beside it. */
function removed(file: string): void {
  for (const more of ['', '-wal', '-shm']) rmSync(`${file}${more}`, { force: true })
}

/** The present yard put aside whole, so that a restore can be taken back. @returns where, or null if there is none */
function putAside(file: string, at: string): string | null {
  if (!existsSync(file)) return null
  const aside = freeName(`${file}.before-restore-${stampOf(at)}`)
  try {
    const sqlite = new Sqlite(file, { timeout: BUSY_MS })
    try {
      sqlite.prepare('vacuum into ?').run(aside)
      sqlite.pragma('wal_checkpoint(truncate)')
    } finally {
      sqlite.close()
    }
    if (readsWhole(aside)) return aside
  } catch (error) {
    rmSync(aside, { force: true })
    const trouble = asTrouble(error, file)
    // a disk that is full, or a file that is held, must not cost what is there
    if (!(trouble instanceof StoreTrouble) || trouble.kind !== 'broken') throw trouble
  }
  removed(aside)
  // it cannot be read any more: moved as it is, with its log
  for (const more of ['-wal', '-shm']) if (existsSync(file + more)) renameSync(file + more, aside + more)
  renameSync(file, aside)
  return aside
}

/**
 * Puts a copy in the place of a yard. It is tried on a copy of its own first: brought to the present version, looked
 * through, its jobs worked out. What stood there is put aside. A server that is up opens the new file by itself.
 * @param from the copy, left as it is
 * @returns what the yard holds now, and where the one before lies
 * @throws StoreTrouble where it cannot be used; then nothing has changed
 */
export async function restore(
  from: string,
  file: string,
  at: string,
): Promise<Inspected & { readonly aside: string | null }> {
  const trial = freeName(`${path.resolve(file)}.restoring`)
  try {
    inspect(from)
    mkdirSync(path.dirname(trial), { recursive: true })
    copyFileSync(from, trial)
    const store = await openStore(trial)
    store.close()
    const inspected = inspect(trial)
    if (inspected.jobs > 0 && inspected.evaluated === 0)
      throw new StoreTrouble(say`No job in ${from} can be read. Nothing was changed.`, 'broken')
    const aside = putAside(file, at)
    renameSync(trial, file)
    if (!isOpenElsewhere(file)) for (const more of ['-wal', '-shm']) rmSync(`${file}${more}`, { force: true })
    return { ...inspected, aside }
  } catch (error) {
    throw asTrouble(error, from)
  } finally {
    removed(trial)
  }
}
