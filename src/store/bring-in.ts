import type { Transaction } from 'kysely'
import { addJobsIn, type Prepared } from './jobs'
import { patiently, type Store } from './patience'
import { removeJobs } from './remove'
import type { Tables } from './tables'

/** jobs of a file that is not through yet stand in no yard; `put_away_at` names the file */
export const COMING_IN = 3

/** so many jobs are written before others may write */
const PIECE = 25

type Ready = Extract<Prepared, { ok: true }>

export interface BroughtIn {
  readonly at: string
  readonly added: number
}

const outcomeIn = (row: { at: string; outcome: string } | undefined): BroughtIn | null =>
  row ? { at: row.at, added: Number(row.outcome) } : null

/** When a file of jobs was brought in already, by its key, and how many were taken; null where it was not. */
export const broughtIn = ({ db, file }: Store, key: string): Promise<BroughtIn | null> =>
  patiently(file, async () =>
    outcomeIn(await db.selectFrom('brought_in').select(['at', 'outcome']).where('key', '=', key).executeTakeFirst()),
  )

const waiting = async (trx: Transaction<Tables>, key: string): Promise<string[]> =>
  (
    await trx.selectFrom('jobs').select('id').where('put_away', '=', COMING_IN).where('put_away_at', '=', key).execute()
  ).map((r) => r.id)

/**
 * Puts the jobs of a file into the yard piece by piece, beside other work; they show when the last one is there, all at
 * once. Whoever stops asking for the next piece takes none: what was written goes again.
 * @param prepared made as they are asked for, so that no file is held in memory twice
 * @param key  of the file: what was left under it goes first
 * @returns how many were added; yields how many are written
 */
export async function* bringInPieces(
  { db, file }: Store,
  prepared: Iterable<Ready>,
  key: string,
  at: string,
): AsyncGenerator<number, number> {
  const forget = (): Promise<void> =>
    patiently(file, () => db.transaction().execute(async (trx) => removeJobs(trx, await waiting(trx, key))))
  const write = (piece: readonly Ready[]): Promise<unknown> =>
    patiently(file, () => db.transaction().execute((trx) => addJobsIn(trx, piece, at, { away: COMING_IN, key })))
  await forget()
  let through = false
  try {
    let written = 0
    for (const piece of pieces(prepared)) {
      await write(piece)
      written += piece.length
      yield written
    }
    const added = await patiently(file, () => db.transaction().execute((trx) => shownAtOnce(trx, key, at)))
    through = true
    return added
  } finally {
    if (!through) await forget()
  }
}

function* pieces(prepared: Iterable<Ready>): Generator<Ready[]> {
  let piece: Ready[] = []
  for (const one of prepared) {
    piece.push(one)
    if (piece.length < PIECE) continue
    yield piece
    piece = []
  }
  if (piece.length) yield piece
}

async function shownAtOnce(trx: Transaction<Tables>, key: string, at: string): Promise<number> {
  const shown = await trx
    .updateTable('jobs')
    .set({ put_away: 0, put_away_at: null })
    .where('put_away', '=', COMING_IN)
    .where('put_away_at', '=', key)
    .executeTakeFirst()
  const added = Number(shown.numUpdatedRows)
  const row = { at, outcome: String(added) }
  await trx
    .insertInto('brought_in')
    .values({ key, ...row })
    .onConflict((c) => c.column('key').doUpdateSet(row))
    .execute()
  return added
}
