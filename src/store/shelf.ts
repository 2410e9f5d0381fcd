import { liftPart, partSchema, type Part } from '../core/job'
import { patiently, type Store } from './database'

/** Every part on the shelf that is not retired. */
export async function listParts({ db, file }: Store): Promise<Part[]> {
  return patiently(file, async () => {
    const rows = await db.selectFrom('parts').select('document').where('retired_at', 'is', null).orderBy('kind').orderBy('name').execute()
    return rows.map((r) => partSchema.parse(liftPart(JSON.parse(r.document))))
  })
}

/** Puts parts on the shelf, all or none; a part with the same id is replaced. */
export async function putParts({ db, file }: Store, parts: readonly Part[]): Promise<void> {
  if (!parts.length) return
  await patiently(file, () => db.transaction().execute(async (trx) => {
    for (const part of parts) {
      const row = { id: part.id, kind: part.kind, name: part.name, document: JSON.stringify(part), retired_at: null }
      await trx.insertInto('parts').values(row).onConflict((c) => c.column('id').doUpdateSet(row)).execute()
    }
  }))
}
