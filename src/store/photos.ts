import { randomUUID } from 'node:crypto'
import sharp from 'sharp'
import type { Result } from '../core/units'
import { mostOf, tooMany } from '../core/job'
import { patiently, type Store } from './patience'

/** the largest file that is taken, bytes */
export const LARGEST_PHOTO = 25 * 1024 * 1024
/** the longer side of what is kept, and the most that is opened at all, pixels */
const LONGER_SIDE = 1600
const MOST_PIXELS = 80_000_000
const QUALITY = 78

/**
 * A picture made small and turned upright; what the camera wrote into it (place, owner, time) is left out.
 * @returns JPEG, or why it is none
 */
export async function smallPhoto(bytes: Uint8Array): Promise<Result<{ jpeg: Buffer }>> {
  if (bytes.length > LARGEST_PHOTO) return { ok: false, message: 'This picture is larger than 25 MB.' }
  try {
    const jpeg = await sharp(bytes, { limitInputPixels: MOST_PIXELS, failOn: 'error' })
      .rotate()
      .resize({ width: LONGER_SIDE, height: LONGER_SIDE, fit: 'inside', withoutEnlargement: true })
      .jpeg({ quality: QUALITY })
      .toBuffer()
    return { ok: true, jpeg }
  } catch {
    return { ok: false, message: 'This is no picture that can be read: take a JPEG, PNG or WebP file.' }
  }
}

/** Keeps a picture beside a job. @returns its id, or why not */
export async function keepPhoto(
  { db, file }: Store,
  job: string,
  bytes: Uint8Array,
  at: string,
): Promise<Result<{ id: string }>> {
  const small = await smallPhoto(bytes)
  if (!small.ok) return small
  return patiently(file, () =>
    db.transaction().execute(async (trx): Promise<Result<{ id: string }>> => {
      const there = await trx.selectFrom('jobs').select('id').where('id', '=', job).executeTakeFirst()
      if (!there) return { ok: false, message: 'This job is not in this yard any more.' }
      const { n } = await trx
        .selectFrom('photos')
        .select((e) => e.fn.countAll<number>().as('n'))
        .where('job_id', '=', job)
        .executeTakeFirstOrThrow()
      // some that no revision names any more may lie there too
      if (Number(n) >= 2 * mostOf('photos')) return { ok: false, message: `A job keeps ${tooMany('photos')}.` }
      const id = `p${randomUUID()}`
      await trx.insertInto('photos').values({ id, job_id: job, made_at: at, bytes: small.jpeg }).execute()
      return { ok: true, id }
    }),
  )
}

/** A picture of a job as JPEG; null where there is none. */
export const readPhoto = ({ db, file }: Store, job: string, id: string): Promise<Uint8Array | null> =>
  patiently(file, async () => {
    const row = await db
      .selectFrom('photos')
      .select('bytes')
      .where('job_id', '=', job)
      .where('id', '=', id)
      .executeTakeFirst()
    return row ? row.bytes : null
  })
