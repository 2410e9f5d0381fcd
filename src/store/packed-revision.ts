import type { Transaction } from 'kysely'
import { isDifference, packDifference, packWhole, unpackedOrNothing } from './packing'
import type { Tables } from './tables'

/** a revision is kept whole after so many that differ from the last whole one: so none costs more than two to read */
const WHOLE_EVERY = 24

/** The columns that keep a job's next revision: what differs from the last one kept whole, or whole. */
export async function packedAfter(
  trx: Transaction<Tables>,
  id: string,
  number: number,
  text: string,
): Promise<Pick<Tables['revisions'], 'document' | 'whole_at'>> {
  const before = await trx
    .selectFrom('revisions')
    .select(['number', 'document', 'whole_at'])
    .where('job_id', '=', id)
    .where('number', '<', number)
    .orderBy('number', 'desc')
    .limit(1)
    .executeTakeFirst()
  const wholeAt = before?.whole_at ?? before?.number
  if (before && wholeAt !== undefined && number - wholeAt <= WHOLE_EVERY) {
    const whole = isDifference(before.document) ? await documentAt(trx, id, wholeAt) : before.document
    const wholeText = whole && unpackedOrNothing(whole)
    const difference = wholeText ? differenceOr(text, wholeText) : null
    if (difference) return { document: difference, whole_at: wholeAt }
  }
  return { document: packWhole(text), whole_at: null }
}

const documentAt = async (trx: Transaction<Tables>, id: string, number: number) =>
  (
    await trx
      .selectFrom('revisions')
      .select('document')
      .where('job_id', '=', id)
      .where('number', '=', number)
      .executeTakeFirst()
  )?.document ?? null

/** one that is damaged is no ground to stand on */
function differenceOr(text: string, wholeText: string): Buffer | null {
  try {
    return packDifference(text, wholeText)
  } catch {
    return null
  }
}
