import { migratePart } from '../core/job'
import { type Part, partSchema } from '../core/parts'
import { jsonOr } from './json-or'
import { patiently, type Store } from './patience'

/** A part as it stands in its row; null where that cannot be read any more. */
const partIn = (document: string): Part | null => {
  const read = partSchema.safeParse(migratePart(jsonOr(document, null)))
  return read.success ? read.data : null
}

/** Every part on the shelf that is not retired and can be read. */
export async function listParts({ db, file }: Store): Promise<Part[]> {
  return patiently(file, async () => {
    const rows = await db
      .selectFrom('parts')
      .select('document')
      .where('retired_at', 'is', null)
      .orderBy('kind')
      .orderBy('name')
      .execute()
    return rows.flatMap((r) => partIn(r.document) ?? [])
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

/** A row of the shelf that cannot be read any more, by what its columns still say. */
export interface UnreadablePart {
  readonly id: string
  readonly name: string
}

/** Every part there is or was, by kind and name, and apart from them those that cannot be read. */
export const listShelf = ({
  db,
  file,
}: Store): Promise<{ readonly entries: ShelfEntry[]; readonly unreadable: UnreadablePart[] }> =>
  patiently(file, async () => {
    const rows = await db
      .selectFrom('parts')
      .select(['id', 'name', 'document', 'retired_at'])
      .orderBy('kind')
      .orderBy('name')
      .execute()
    const read = rows.map((r) => ({ row: r, part: partIn(r.document) }))
    return {
      entries: read.flatMap(({ row, part }) => (part ? [{ part, retiredAt: row.retired_at }] : [])),
      unreadable: read.flatMap(({ row, part }) => (part ? [] : [{ id: row.id, name: row.name }])),
    }
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
