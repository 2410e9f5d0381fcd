import { existsSync, mkdirSync } from 'node:fs'
import path from 'node:path'
import Sqlite from 'better-sqlite3'
import { Kysely, SqliteDialect } from 'kysely'
import { migrations } from './migrations'
import { BUSY_MS, patiently, type Store } from './patience'
import type { Tables } from './tables'
import { StoreTrouble } from './trouble'
import { fillYardLines } from './yard'

function openFile(file: string): Sqlite.Database {
  mkdirSync(path.dirname(path.resolve(file)), { recursive: true })
  const sqlite = new Sqlite(file, { timeout: BUSY_MS })
  try {
    sqlite.pragma('journal_mode = wal')
    sqlite.pragma('synchronous = full')
    sqlite.pragma('foreign_keys = on')
  } catch (error) {
    sqlite.close()
    throw error
  }
  return sqlite
}

/** Brings a file to the present version; a file that already holds something is copied beside itself first. */
async function migrate(sqlite: Sqlite.Database, db: Kysely<Tables>, file: string): Promise<void> {
  const version = Number(sqlite.pragma('user_version', { simple: true }))
  if (version > migrations.length) {
    throw new StoreTrouble(
      `${file} was written by a newer Pyraxis (version ${version}; this one knows ${migrations.length}). Update ` +
        `Pyraxis, or name another file in PYRAXIS_DB. The file was left as it is.`,
      'newer',
    )
  }
  const foreign =
    version === 0 &&
    (sqlite.prepare("select count(*) as n from sqlite_master where type = 'table'").get() as { n: number }).n > 0
  if (foreign)
    throw new StoreTrouble(
      `${file} is a database of another program. Name another file in PYRAXIS_DB. The file was left as it is.`,
      'broken',
    )
  if (version > 0 && version < migrations.length) {
    const copy = `${file}.before-version-${version + 1}`
    if (!existsSync(copy)) sqlite.prepare('vacuum into ?').run(copy)
  }
  for (let n = version; n < migrations.length; n++) {
    await db.transaction().execute(async (trx) => {
      await migrations[n]!(trx as unknown as Kysely<unknown>)
      sqlite.pragma(`user_version = ${n + 1}`)
    })
  }
}

/**
 * Opens a database file, making it where there is none.
 * @throws StoreTrouble for a file that is locked, read-only, damaged, foreign or newer
 */
export async function openStore(file: string): Promise<Store> {
  return patiently(file, async () => {
    const sqlite = openFile(file)
    const db = new Kysely<Tables>({ dialect: new SqliteDialect({ database: sqlite }) })
    try {
      await migrate(sqlite, db, file)
      await fillYardLines(db)
      return { file, db }
    } catch (error) {
      await db.destroy()
      throw error
    }
  })
}

export const defaultFile = (): string => process.env.PYRAXIS_DB || path.join('data', 'pyraxis.db')

const shared = globalThis as typeof globalThis & { pyraxisStore?: Promise<Store> }

/** The store of this process, opened when first asked for; a failed opening is tried again at the next call. */
export function theStore(): Promise<Store> {
  shared.pyraxisStore ??= openStore(defaultFile()).catch((error: unknown) => {
    delete shared.pyraxisStore
    throw error
  })
  return shared.pyraxisStore
}
