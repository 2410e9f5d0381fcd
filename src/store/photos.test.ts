import { randomBytes } from 'node:crypto'
import sharp from 'sharp'
import { addPhoto, type Job } from '../core/job'
import { readJob, readJobFile, splitJobsFile, writeJobAndPictures } from '../formats'
import { asWritten, withDigest } from '../formats/signed-file'
import { example } from '../formats/test-support/examples'
import { addJob, addJobWithPictures, keepPhoto, prepareJob, readHead, readPhotos, readPictures } from '.'
import { AT, fresh } from './test-support/fresh'
import { ownStore } from './test-support/own-store'

const store = ownStore()

/** a picture as a camera gives it: large, lying on its side, with its owner's name in it */
const fromCamera = (): Promise<Buffer> =>
  sharp(randomBytes(900 * 2400 * 3), { raw: { width: 2400, height: 900, channels: 3 } })
    .withMetadata({ orientation: 6, exif: { IFD0: { Artist: 'Somebody' } } })
    .jpeg()
    .toBuffer()

async function withPhotos(job: Job, id: string, of: readonly string[]): Promise<Job> {
  let next = job
  for (const what of of) {
    const kept = await keepPhoto(store(), id, await fromCamera(), AT)
    if (!kept.ok) throw new Error(kept.message)
    const added = addPhoto(next, { id: kept.id, of: what, words: what, at: AT })
    if ('full' in added) throw new Error(added.full)
    next = added
  }
  return next
}

async function comesIn(text: string): Promise<{ id: string; lost: number }> {
  const split = splitJobsFile(text)
  if (!split.ok) throw new Error(split.message)
  const written = asWritten(split.jobs[0])
  if (!written.ok) throw new Error(written.message)
  const read = readJob(written.value)
  if (!read.ok) throw new Error(read.message)
  const { job, jpegs, lost } = await readPictures(
    read.job,
    new Map(split.pictures.map((p) => [p.id, Buffer.from(p.jpeg, 'base64')])),
  )
  const ready = prepareJob(job)
  if (!ready.ok) throw new Error(ready.message)
  return { id: await addJobWithPictures(store(), ready, jpegs, AT), lost }
}

test('a job goes with its pictures from yard to yard, byte for byte, also twice into one', async () => {
  const added = await addJob(store(), fresh, AT)
  if (!added.ok) throw new Error(added.message)
  const job = await withPhotos(fresh, added.id, ['step:mount', 'proof:turns'])
  const pictures = await readPhotos(store(), added.id, job)
  for (const jpeg of pictures.values()) {
    const { width, height, exif } = await sharp(jpeg).metadata()
    expect([width, height, exif]).toEqual([600, 1600, undefined])
  }
  const text = writeJobAndPictures(withDigest(job), pictures)
  // whoever wants the job alone reads the same file
  expect(readJobFile(text)).toEqual({ ok: true, job })
  for (const yard of ['first', 'again']) {
    const { id, lost } = await comesIn(text)
    const there = (await readHead(store(), id))!.job
    expect([yard, lost, there.photos.map((p) => p.of)]).toEqual([yard, 0, ['step:mount', 'proof:turns']])
    const bytes = [...(await readPhotos(store(), id, there)).values()]
    expect(bytes.map((b) => Buffer.from(b))).toEqual([...pictures.values()].map((b) => Buffer.from(b)))
  }
})

test('a signed job stays signed; a picture that is cut off, or none, is counted and takes nothing with it', async () => {
  const signed = example('fell-bike-signed')
  const photos = ['a', 'b', 'c'].map((id) => ({ id, of: 'machine', words: id, at: AT }))
  const job = { ...signed, photos }
  const whole = await fromCamera()
  const text = writeJobAndPictures(
    withDigest(job),
    new Map([
      ['a', whole],
      ['b', whole.subarray(0, whole.length / 2)],
    ]),
  )
  const { id, lost } = await comesIn(text)
  expect(lost).toBe(2)
  const there = (await readHead(store(), id))!.job
  expect([there.signature?.by, there.photos.length]).toEqual([signed.signature!.by, 3])
  // what somebody else's file holds is made small and loses its owner as one from a camera does
  const [kept] = [...(await readPhotos(store(), id, there)).values()]
  expect(await sharp(kept).metadata()).toMatchObject({ width: 600, height: 1600 })
  expect((await sharp(kept).metadata()).exif).toBeUndefined()
})

test('a file of a job with pictures that is none is refused in words', () => {
  for (const [file, words] of [
    ['{"format":"pyraxis-job-and-pictures","version":2,"job":{},"pictures":[]}', /newer Pyraxis/],
    ['{"format":"pyraxis-job-and-pictures","version":1,"job":{},"pictures":[{"id":"a"}]}', /pictures\.0\.jpeg/],
    ['{"format":"pyraxis-job-and-pictures","version":1,"job":{},"pictures":{}}', /pictures/],
    [`{"format":"pyraxis-job-and-pictures","version":1,"job":"${'x'.repeat(2_000_001)}","pictures":[]}`, /too large/],
  ] as const)
    expect(splitJobsFile(file)).toEqual({ ok: false, message: expect.stringMatching(words) as string })
  expect(readJobFile('{"format":"pyraxis-jobs","version":1,"jobs":[{}]}')).toMatchObject({ ok: false })
})
