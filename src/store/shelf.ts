import { migratePart } from '../core/job'
import { type Part, partSchema } from '../core/parts'
import { patiently, type Store } from './patience'

/** Every part on the shelf that is not retired. */
export async function listParts({ db, file }: Store): Promise<Part[]> {
  return patiently(file, async () => {
    const rows = await db
      .selectFrom('parts')
      .select('document')
      .where('retired_at', 'is', null)
      .orderBy('kind')
      .orderBy('name')
      .execute()
    return rows.map((r) => partSchema.parse(migratePart(JSON.parse(r.document))))
  })
}

/** Puts parts on the shelf, all or none; a part with the same id is replaced, and stays retired if it was. */
export async function putParts({ db, file }: Store, parts: readonly Part[]): Promise<void> {
  if (!parts.length) return
  await patiently(file, () =>
    db.transaction().execute(async (trx) => {
      for (const part of parts) {
        const row = { id: part.id, kind: part.kind, name: part.name, document: JSON.stringify(part) }
        await trx
          .insertInto('parts')
          .values({ ...row, retired_at: null })
          .onConflict((c) => c.column('id').doUpdateSet(row))
          .execute()
      }
    }),
  )
}

export interface ShelfEntry {
  readonly part: Part
  readonly retiredAt: string | null
}

/** Every part there is or was, by kind and name. */
export const listShelf = ({ db, file }: Store): Promise<ShelfEntry[]> =>
  patiently(file, async () => {
    const rows = await db
      .selectFrom('parts')
      .select(['document', 'retired_at'])
      .orderBy('kind')
      .orderBy('name')
      .execute()
    return rows.map((r) => ({ part: partSchema.parse(migratePart(JSON.parse(r.document))), retiredAt: r.retired_at }))
  })

/**
 * Takes a part off the shelf, or puts it back (null); jobs that chose it keep it.
 * @returns false if there is no such part
 */
export const retirePart = ({ db, file }: Store, id: string, at: string | null): Promise<boolean> =>
  patiently(
    file,
    async () =>
      Number(
        (await db.updateTable('parts').set({ retired_at: at }).where('id', '=', id).executeTakeFirst()).numUpdatedRows,
      ) > 0,
  )
