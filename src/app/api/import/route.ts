import { createHash } from 'node:crypto'
import type { Job } from '@/core/job'
import { type JobFile, LARGEST_YARD_FILE, readJob, type SplitFile, splitJobsFile } from '@/formats'
import { asWritten, unsigned } from '@/formats/signed-file'
import {
  addJobWithPictures,
  bringInPieces,
  broughtIn,
  now,
  prepareJob,
  readPictures,
  theStore,
  type Prepared,
} from '@/store'
import { asked, log } from '../../log'
import { answering, readText } from '../answers'
import { say } from '@/core/words'

type Ready = Extract<Prepared, { ok: true }>
interface Failure {
  readonly number: number
  readonly title: string
  readonly message: string
}

const MOST_TOLD = 200
const TOLD_EVERY = 20
const titleOf = (value: unknown): string => {
  const title = typeof value === 'object' && value !== null ? (value as { title?: unknown }).title : undefined
  return typeof title === 'string' ? title.slice(0, 80) : ''
}
/** lets other requests in between two jobs */
const breathe = (): Promise<void> =>
  new Promise((resolve) => {
    setImmediate(resolve)
  })

/** Work on one job of a file: where it fails in a way that nobody foresaw it is said of that job alone. */
function saidOfIt<R>(request: Request, work: () => R): R | { readonly ok: false; readonly message: string } {
  try {
    return work()
  } catch (error) {
    log.error({ ...asked(request), err: error }, 'a job of a file cannot be read or worked out')
    return {
      ok: false,
      message: say`This job cannot be worked out as it stands in the file. Tell whoever looks after Pyraxis.`,
    }
  }
}

/** One job of a file as it was written, then as a job. */
const readOne = (value: unknown, request: Request): JobFile & { readonly changed?: boolean } =>
  saidOfIt(request, () => {
    const written = asWritten(value)
    return written.ok ? readJob(written.value) : { ...written, changed: true }
  })

const workedOut = (job: Job, request: Request): Prepared => saidOfIt(request, () => prepareJob(job))

/** One job of a file of many worked out. */
function prepared(value: unknown, request: Request): Prepared {
  const read = readOne(value, request)
  return read.ok ? workedOut(read.job, request) : read
}

/** The one job of a file with its pictures: `{ id }`, and how many pictures of it did not come along. */
async function takeOne(value: unknown, pictures: SplitFile['pictures'], request: Request): Promise<Response> {
  const read = readOne(value, request)
  if (!read.ok) return Response.json({ message: read.message, changed: read.changed === true }, { status: 400 })
  const bytes = new Map(pictures.map((p) => [p.id, Buffer.from(p.jpeg, 'base64')]))
  const { job, jpegs, lost } = await readPictures(read.job, bytes)
  const one = workedOut(job, request)
  if (!one.ok) return Response.json({ message: one.message }, { status: 400 })
  const id = await addJobWithPictures(await theStore(), one, jpegs, now().toISOString())
  return Response.json({ id, ...(lost ? { lost, of: job.photos.length } : {}) })
}

/** The jobs of a file that can be taken, worked out as they are asked for. */
function* readyOnes(jobs: readonly unknown[], request: Request): Generator<Ready> {
  for (const value of jobs) {
    const one = prepared(value, request)
    if (one.ok) yield one
  }
}

interface Wanted {
  readonly jobs: readonly unknown[]
  /** of the file, by what it holds */
  readonly key: string
  /** those that can be read, where some cannot */
  readonly partly: boolean
}

/**
 * Works every job out first, then writes them piece by piece: all, or with `partly` those that can be read. Yields
 * `{ done, of }` on the way and ends with `{ added, failed, failures }`. Whoever hangs up takes nothing.
 */
async function* bringIn({ jobs, key, partly }: Wanted, request: Request): AsyncGenerator<object> {
  const failures: Failure[] = []
  let pictures = 0
  const of = 2 * jobs.length
  for (const [i, value] of jobs.entries()) {
    if (request.signal.aborted) return
    const one = prepared(value, request)
    if (!one.ok) failures.push({ number: i + 1, title: titleOf(value), message: one.message })
    else pictures += one.job.photos.length
    if (i % TOLD_EVERY === TOLD_EVERY - 1) yield { done: i + 1, of }
    await breathe()
  }
  const could = jobs.length - failures.length
  let added = 0
  if (could > 0 && (failures.length === 0 || partly)) {
    const steps = bringInPieces(await theStore(), readyOnes(jobs, request), key, now().toISOString())
    try {
      for (;;) {
        const step = await steps.next()
        if (step.done) {
          added = step.value
          break
        }
        if (request.signal.aborted) return
        yield { done: jobs.length + step.value, of }
        await breathe()
      }
    } finally {
      // of no use once it is through, and takes out what was written where it is not
      await steps.return(0)
    }
  }
  yield { added, could, failed: failures.length, failures: failures.slice(0, MOST_TOLD), pictures }
}

/** Steps as lines of JSON, one at a time as they are read. */
function asLines(steps: AsyncGenerator<object>, request: Request): Response {
  const encoder = new TextEncoder()
  const stream = new ReadableStream<Uint8Array>({
    pull: async (c) => {
      const line = await answering(
        request,
        async () => {
          const { value, done } = await steps.next()
          return done ? new Response(null) : Response.json(value)
        },
        (message) => ({ message }),
      )
      const text = await line.text()
      if (text) c.enqueue(encoder.encode(`${text}\n`))
      else c.close()
    },
    cancel: () => void steps.return(undefined),
  })
  return new Response(stream, { headers: { 'content-type': 'application/x-ndjson' } })
}

/**
 * Takes a file of one job in, with its pictures where they are in it: `{ id }`, or `{ message }` that says what is
 * wrong with it. A file of many is answered line by line, the last one telling what was taken and what was not; closing
 * the connection before that takes nothing. The same file is not taken twice by chance: `{ before: { at, added } }` is
 * answered, until asked for `?again=yes`.
 */
export async function POST(request: Request): Promise<Response> {
  return answering(
    request,
    async () => {
      const text = await readText(request, LARGEST_YARD_FILE)
      if (text === null)
        return Response.json({ message: say`This file is too large: bring it in as several.` }, { status: 413 })
      const split = splitJobsFile(text)
      if (!split.ok) return Response.json({ message: split.message }, { status: 400 })
      const [only] = split.jobs
      const asked = new URL(request.url).searchParams
      if (split.jobs.length === 1)
        return await takeOne(asked.get('unsigned') === 'yes' ? unsigned(only) : only, split.pictures, request)
      const partly = asked.get('partly') === 'yes'
      const key = createHash('sha256').update(text).digest('hex')
      const before = asked.get('again') === 'yes' || partly ? null : await broughtIn(await theStore(), key)
      if (before) return Response.json({ before })
      return asLines(bringIn({ jobs: split.jobs, key, partly }, request), request)
    },
    (message) => ({ message }),
  )
}
