import { existsSync, mkdirSync, renameSync, rmSync, statSync } from 'node:fs'
import path from 'node:path'
import Sqlite from 'better-sqlite3'
import { Kysely } from 'kysely'
import { ForgivingSqliteDialect } from './dialect'
import { takeDoubt } from './doubt'
import { settleLog } from './log-file'
import { migrations } from './migrations'
import { type Kept, unpackedOrNothing } from './packing'
import { BUSY_MS, patiently, type Store } from './patience'
import type { Tables } from './tables'
import { StoreTrouble } from './trouble'
import { fillKits, fillYardLines } from './yard-lines'
import { say } from '../core/words'

function openFile(file: string): Sqlite.Database {
  mkdirSync(path.dirname(path.resolve(file)), { recursive: true })
  settleLog(file)
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

/** Revisions as they read, over their packed rows. It is this connection's own: no other program could unpack. */
export function showDocuments(sqlite: Sqlite.Database): void {
  sqlite.function('unpacked', { deterministic: true }, (kept: unknown, whole: unknown) =>
    unpackedOrNothing(kept as Kept, whole as Kept | null),
  )
  sqlite.exec(`create temp view documents as
    select r.job_id, r.number, r.made_at, r.based_on, r.save_key, unpacked(r.document, w.document) as document
    from revisions r left join revisions w on w.job_id = r.job_id and w.number = r.whole_at`)
}

/** Brings a file to the present version; a file that already holds something is copied beside itself first. */
async function migrate(sqlite: Sqlite.Database, db: Kysely<Tables>, file: string): Promise<void> {
  const version = Number(sqlite.pragma('user_version', { simple: true }))
  if (version > migrations.length) {
    throw new StoreTrouble(
      say`${file} was written by a newer Pyraxis (version ${version}; this one knows ${migrations.length}). Update
        Pyraxis, or name another file in PYRAXIS_DB. The file was left as it is.`,
      'newer',
    )
  }
  const foreign =
    version === 0 &&
    (sqlite.prepare("select count(*) as n from sqlite_master where type = 'table'").get() as { n: number }).n > 0
  if (foreign)
    throw new StoreTrouble(
      say`${file} is a database of another program. Name another file in PYRAXIS_DB. The file was left as it is.`,
      'broken',
    )
  if (version > 0 && version < migrations.length) {
    const copy = `${file}.before-version-${version + 1}`
    if (!existsSync(copy)) {
      // a copy that was cut short never bears the name
      rmSync(`${copy}.part`, { force: true })
      sqlite.prepare('vacuum into ?').run(`${copy}.part`)
      renameSync(`${copy}.part`, copy)
    }
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
    const db = new Kysely<Tables>({ dialect: new ForgivingSqliteDialect(sqlite) })
    try {
      await migrate(sqlite, db, file)
      showDocuments(sqlite)
      // what a log still holds goes into the file itself: whoever copies that alone has all of it
      sqlite.pragma('wal_checkpoint(truncate)')
      await fillYardLines(db)
      await fillKits(db)
      return { file, db, close: () => sqlite.close() }
    } catch (error) {
      await db.destroy()
      throw error
    }
  })
}

export const defaultFile = (): string => process.env.PYRAXIS_DB || path.join('data', 'pyraxis.db')

/** A file as the disk knows it, whatever it is called; null where there is none. */
function identityOf(file: string): string | null {
  const found = statSync(file, { throwIfNoEntry: false })
  return found ? `${found.dev}:${found.ino}` : null
}

interface Shared {
  readonly opening: Promise<Store>
  /** of the file that was opened, and of the log that SQLite keeps beside it */
  identity: string | null
  log: string | null
  /** once it is open, for whoever cannot wait */
  open: Store | null
}

const shared = globalThis as typeof globalThis & { pyraxisStore?: Shared | undefined }

function open(file: string): Promise<Store> {
  const opened: Shared = {
    identity: null,
    log: null,
    open: null,
    opening: openStore(file).then(
      (store) => {
        opened.open = store
        opened.identity = identityOf(file)
        opened.log = identityOf(`${file}-wal`)
        return store
      },
      (error: unknown) => {
        shared.pyraxisStore = undefined
        throw error
      },
    ),
  }
  shared.pyraxisStore = opened
  return opened.opening
}

/**
 * Closes what is open, and opens the file that is there now. A log that the old file left beside it belongs to no
 * other: SQLite would play it into the new one.
 */
async function openAnew(before: Shared, file: string): Promise<Store> {
  shared.pyraxisStore = undefined
  const old = await before.opening
  await old.db.destroy()
  if (identityOf(file) !== before.identity && before.log !== null && identityOf(`${file}-wal`) === before.log)
    for (const beside of ['-wal', '-shm']) rmSync(`${file}${beside}`, { force: true })
  return open(file)
}

/**
 * The store of this process, opened when first asked for; a failed opening is tried again at the next call. A file that
 * was moved or deleted while it was open is missed here, before anything is acknowledged into it; one that was put in
 * its place is opened.
 * @throws StoreTrouble as {@link openStore}, and where the file is gone
 */
export async function theStore(): Promise<Store> {
  const file = defaultFile()
  const now = shared.pyraxisStore
  if (!now) return open(file)
  const store = await now.opening
  const identity = identityOf(file)
  if (identity === null)
    throw new StoreTrouble(
      say`${file} was moved or deleted while Pyraxis ran. Put it back where it was; nothing is saved until then.`,
      'missing',
    )
  if (takeDoubt() || identity !== now.identity) return openAnew(now, file)
  now.log = identityOf(`${file}-wal`)
  return store
}

/**
 * Closes this process's store at once, as on its way out: what its log holds is in the file itself then. Nothing that
 * was acknowledged waits for it; a change under way is not taken.
 */
export function closeTheStore(): void {
  shared.pyraxisStore?.open?.close()
  shared.pyraxisStore = undefined
}
