import { copyFileSync, existsSync, mkdtempSync, readFileSync, renameSync, rmSync, statSync } from 'node:fs'
import path from 'node:path'
import Sqlite from 'better-sqlite3'

const size = (file: string): number => statSync(file, { throwIfNoEntry: false })?.size ?? 0

/** Whether a database file reads whole. @param file with its log beside it, if it has one */
export function readsWhole(file: string): boolean {
  try {
    const sqlite = new Sqlite(file)
    try {
      return (
        sqlite.pragma('quick_check', { simple: true }) === 'ok' &&
        (sqlite.pragma('foreign_key_check') as unknown[]).length === 0
      )
    } finally {
      sqlite.close()
    }
  } catch {
    return false
  }
}

const stampOf = (file: string): string => {
  const found = statSync(file, { throwIfNoEntry: false })
  return found ? `${found.size} ${found.mtimeMs}` : ''
}

/** A name beside a file that nothing has yet: "yard.db-wal.foreign", "yard.db-wal.foreign-2". */
export function freeName(wanted: string): string {
  for (let n = 1; ; n++) {
    const name = n === 1 ? wanted : `${wanted}-${n}`
    if (!existsSync(name)) return name
  }
}

/** Tries file and log in a copy. @returns whether together they read whole, and whether the file alone does */
function tried(file: string): { readonly together: boolean; readonly alone: boolean } {
  const folder = mkdtempSync(path.join(path.dirname(path.resolve(file)), '.trial-'))
  try {
    const copy = path.join(folder, 'together.db')
    copyFileSync(file, copy)
    copyFileSync(`${file}-wal`, `${copy}-wal`)
    if (readsWhole(copy)) return { together: true, alone: false }
    copyFileSync(file, path.join(folder, 'alone.db'))
    return { together: false, alone: readsWhole(path.join(folder, 'alone.db')) }
  } finally {
    rmSync(folder, { recursive: true, force: true })
  }
}

/**
 * A log that stands beside a file which nobody has open was left by a crash, and SQLite plays it in; unless the file is
 * another by now, a copy put back by hand: then it would be ruined. So both are tried together first, in a copy, and a
 * log that does not belong is moved aside.
 * @returns where it was moved to, or null
 */
export function settleLog(file: string): string | null {
  const log = `${file}-wal`
  // somebody has it open: what stands in the shared index is alive
  if (size(log) === 0 || size(file) === 0 || isOpenElsewhere(file)) return null
  try {
    const before = stampOf(log)
    const { together, alone } = tried(file)
    // whoever writes it meanwhile has it open, whatever this system lists
    if (together || !alone || stampOf(log) !== before) return null
    const aside = freeName(`${log}.of-another-file`)
    renameSync(log, aside)
    rmSync(`${file}-shm`, { force: true })
    return aside
  } catch {
    // no room for a copy: SQLite decides by itself
    return null
  }
}

/**
 * Whether a connection, of whatever process, has the file open: SQLite holds a lock on the index of its log meanwhile.
 * Looked up where the system lists locks; where it does not, it is taken to be open, and nothing is touched.
 */
export function isOpenElsewhere(file: string): boolean {
  const index = statSync(`${file}-shm`, { throwIfNoEntry: false })
  if (!index) return false
  try {
    return new RegExp(`:${index.ino} `).test(readFileSync('/proc/locks', 'utf8'))
  } catch {
    return true
  }
}
