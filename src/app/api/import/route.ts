import { readJob, splitJobsFile } from '@/formats'
import { addJobs, now, prepareJob, theStore, type Prepared } from '@/store'
import { asked, log } from '../../log'
import { answering } from '../answers'

type Ready = Extract<Prepared, { ok: true }>
interface Failure {
  readonly number: number
  readonly title: string
  readonly message: string
}

const MOST_TOLD = 200
const titleOf = (value: unknown): string => {
  const title = typeof value === 'object' && value !== null ? (value as { title?: unknown }).title : undefined
  return typeof title === 'string' ? title.slice(0, 80) : ''
}
/** lets other requests in between two jobs */
const breathe = (): Promise<void> =>
  new Promise((resolve) => {
    setImmediate(resolve)
  })

/** One job of a file worked out; whatever is wrong with it is said of it, and takes no other with it. */
function prepared(value: unknown, request: Request): Prepared {
  try {
    const read = readJob(value)
    return read.ok ? prepareJob(read.job) : read
  } catch (error) {
    log.error({ ...asked(request), err: error }, 'a job that was read cannot be worked out')
    return { ok: false, message: 'This job can be read, but not worked out. Tell whoever looks after Pyraxis.' }
  }
}

/**
 * Works every job out first, then puts them into the yard in one go: all, or with `partly` those that can be read.
 * Yields `{ done, of }` on the way and ends with `{ added, failed, failures }`.
 */
async function* bringIn(jobs: readonly unknown[], partly: boolean, request: Request): AsyncGenerator<object> {
  const ready: Ready[] = []
  const failures: Failure[] = []
  for (const [i, value] of jobs.entries()) {
    if (request.signal.aborted) return
    const one = prepared(value, request)
    if (one.ok) ready.push(one)
    else failures.push({ number: i + 1, title: titleOf(value), message: one.message })
    if (i % 20 === 19) {
      yield { done: i + 1, of: jobs.length }
      await breathe()
    }
  }
  if (request.signal.aborted) return
  const taken = failures.length === 0 || partly ? ready : []
  const ids = taken.length ? await addJobs(await theStore(), taken, now().toISOString()) : []
  yield {
    added: ids.length,
    could: ready.length,
    failed: failures.length,
    failures: failures.slice(0, MOST_TOLD),
    ...(ids.length === 1 ? { id: ids[0] } : {}),
  }
}

/**
 * Takes a file of one job in: `{ id }`, or `{ message }` that says what is wrong with it. A file of many is answered
 * line by line, the last one telling what was taken and what was not; closing the connection before that takes nothing.
 */
export async function POST(request: Request): Promise<Response> {
  return answering(
    request,
    async () => {
      const split = splitJobsFile(await request.text())
      if (!split.ok) return Response.json({ message: split.message }, { status: 400 })
      const [only] = split.jobs
      if (split.jobs.length === 1) {
        const one = prepared(only, request)
        if (!one.ok) return Response.json({ message: one.message }, { status: 400 })
        const [id] = await addJobs(await theStore(), [one], now().toISOString())
        return Response.json({ id })
      }
      const steps = bringIn(split.jobs, new URL(request.url).searchParams.get('partly') === 'yes', request)
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
    },
    (message) => ({ message }),
  )
}
