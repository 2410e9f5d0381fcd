import { readLiveLine } from '@/formats/live'
import { log } from '../../log'

/** where a logger speaks, as newline-delimited JSON */
const LOGGER = process.env.PYRAXIS_LOGGER ?? 'http://127.0.0.1:4010/live.ndjson'
const LONGEST_LINE = 10_000
/** how soon a page asks again once a logger has gone, ms */
const AGAIN_MS = 2000

/** Whole lines as they come; what is too long to be one is given out empty. */
async function* linesOf(body: ReadableStream<Uint8Array>): AsyncGenerator<string> {
  const decoder = new TextDecoder()
  let rest = ''
  for await (const bytes of body as unknown as AsyncIterable<Uint8Array>) {
    const lines = (rest + decoder.decode(bytes, { stream: true })).split('\n')
    rest = lines.pop() ?? ''
    yield* lines
    if (rest.length > LONGEST_LINE) {
      rest = ''
      yield ''
    }
  }
}

const event = (name: string, data: unknown): string => `event: ${name}\ndata: ${JSON.stringify(data)}\n\n`

/** What the logger says, then that it has gone. */
async function* said(signal: AbortSignal): AsyncGenerator<string> {
  yield `retry: ${AGAIN_MS}\n\n`
  try {
    const answer = await fetch(LOGGER, { signal, cache: 'no-store' })
    if (answer.ok && answer.body) {
      yield event('here', {})
      for await (const line of linesOf(answer.body)) {
        const sample = readLiveLine(line)
        yield sample ? event('sample', sample) : event('nonsense', {})
      }
    }
  } catch (error) {
    if (!signal.aborted) log.info({ err: error }, 'the logger is not to be reached')
  }
  yield event('away', {})
}

/** The logger's lines as server-sent events: `here`, `sample`, `nonsense`, `away`; then it ends, and is asked again. */
export function GET(request: Request): Response {
  const events = said(request.signal)
  const encoder = new TextEncoder()
  const stream = new ReadableStream<Uint8Array>({
    pull: async (c) => {
      const { value, done } = await events.next()
      if (done) c.close()
      else c.enqueue(encoder.encode(value))
    },
    cancel: () => void events.return(undefined),
  })
  return new Response(stream, { headers: { 'content-type': 'text/event-stream', 'cache-control': 'no-store' } })
}
