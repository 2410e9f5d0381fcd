import { randomUUID } from 'node:crypto'
import sharp from 'sharp'
import type { Result } from '../core/units'
import { type Job, mostOf, tooMany } from '../core/job'
import { patiently, type Store } from './patience'
import { addJobsIn, type Prepared } from './jobs'
import { say } from '../core/words'

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
  if (bytes.length > LARGEST_PHOTO) return { ok: false, message: say`This picture is larger than 25 MB.` }
  try {
    const jpeg = await sharp(bytes, { limitInputPixels: MOST_PIXELS, failOn: 'error' })
      .rotate()
      .resize({ width: LONGER_SIDE, height: LONGER_SIDE, fit: 'inside', withoutEnlargement: true })
      .jpeg({ quality: QUALITY })
      .toBuffer()
    return { ok: true, jpeg }
  } catch {
    return { ok: false, message: say`This is no picture that can be read: take a JPEG, PNG or WebP file.` }
  }
}

/** A picture of a file: as it is where it was made small before, so that it loses nothing on its way between yards. */
async function pictureOf(bytes: Uint8Array): Promise<Result<{ jpeg: Uint8Array }>> {
  try {
    const read = sharp(bytes, { limitInputPixels: MOST_PIXELS, failOn: 'error' })
    const { format, width, height, exif, xmp, iptc } = await read.metadata()
    const small = Math.max(width, height) <= LONGER_SIDE
    if (format !== 'jpeg' || !small || exif || xmp || iptc) return await smallPhoto(bytes)
    // all of it must be there, not its head alone
    await read.raw().toBuffer()
    return { ok: true, jpeg: bytes }
  } catch {
    return { ok: false, message: say`This is no picture that can be read.` }
  }
}

/** A job with its pictures under names of this yard, and how many it names that are not there or cannot be read. */
export interface WithPictures {
  readonly job: Job
  readonly jpegs: ReadonlyMap<string, Uint8Array>
  readonly lost: number
}

/**
 * Pictures of a file, each read, for a job that comes in with them. They have new names here: the same job may stand in
 * the yard already.
 * @param pictures bytes by the names that the job has for them
 */
export async function readPictures(job: Job, pictures: ReadonlyMap<string, Uint8Array>): Promise<WithPictures> {
  if (!pictures.size) return { job, jpegs: new Map(), lost: job.photos.length }
  const jpegs = new Map<string, Uint8Array>()
  const named: Job['photos'][number][] = []
  for (const photo of job.photos) {
    const bytes = pictures.get(photo.id)
    const read = bytes ? await pictureOf(bytes) : null
    const id = `p${randomUUID()}`
    if (read?.ok) jpegs.set(id, read.jpeg)
    named.push({ ...photo, id })
  }
  return { job: { ...job, photos: named }, jpegs, lost: named.length - jpegs.size }
}

/** One job of a file with its pictures, all or none. @returns its id */
export const addJobWithPictures = (
  { db, file }: Store,
  prepared: Extract<Prepared, { ok: true }>,
  jpegs: ReadonlyMap<string, Uint8Array>,
  at: string,
): Promise<string> =>
  patiently(file, () =>
    db.transaction().execute(async (trx) => {
      const [job] = await addJobsIn(trx, [prepared], at)
      for (const [id, jpeg] of jpegs)
        await trx
          .insertInto('photos')
          .values({ id, job_id: job!, made_at: at, bytes: Buffer.from(jpeg) })
          .execute()
      return job!
    }),
  )

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
      if (!there) return { ok: false, message: say`This job is not in this yard any more.` }
      const { n } = await trx
        .selectFrom('photos')
        .select((e) => e.fn.countAll<number>().as('n'))
        .where('job_id', '=', job)
        .executeTakeFirstOrThrow()
      // some that no revision names any more may lie there too
      if (Number(n) >= 2 * mostOf('photos')) return { ok: false, message: say`A job keeps ${tooMany('photos')}.` }
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

/** Every picture that a job names and that is there, by its name. */
export async function readPhotos(
  store: Store,
  id: string,
  { photos }: Pick<Job, 'photos'>,
): Promise<Map<string, Uint8Array>> {
  const found = new Map<string, Uint8Array>()
  for (const photo of photos) {
    const bytes = await readPhoto(store, id, photo.id)
    if (bytes) found.set(photo.id, bytes)
  }
  return found
}
