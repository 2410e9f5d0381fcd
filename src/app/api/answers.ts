import { type Result } from '../../core/units'
import type { z } from 'zod'
import { LARGEST_JOB_FILE, parseJson, problemsInWords } from '@/formats'
import { StoreTrouble } from '@/store'
import { asked, log } from '../log'
import { say } from '@/core/words'

/**
 * The body of a request, read no further than it may go.
 * @param most bytes
 * @returns null where it is larger; what it says of its length is believed first
 */
export async function readLimited(request: Request, most: number): Promise<Uint8Array | null> {
  if (Number(request.headers.get('content-length') ?? 0) > most) return null
  if (!request.body) return new Uint8Array()
  const pieces: Uint8Array[] = []
  let length = 0
  for await (const piece of request.body as unknown as AsyncIterable<Uint8Array>) {
    length += piece.length
    if (length > most) return null
    pieces.push(piece)
  }
  return Buffer.concat(pieces)
}

/** As {@link readLimited}, as text. */
export async function readText(request: Request, most: number): Promise<string | null> {
  const bytes = await readLimited(request, most)
  return bytes && new TextDecoder().decode(bytes)
}

/** The body of a request as JSON in a known shape, or why not, in words. */
export async function readBody<T>(request: Request, schema: z.ZodType<T>): Promise<Result<{ value: T }>> {
  const text = await readText(request, LARGEST_JOB_FILE)
  if (text === null) return { ok: false, message: say`This is too large.` }
  const json = parseJson(text)
  if (!json.ok) return json
  const parsed = schema.safeParse(json.value)
  return parsed.success
    ? { ok: true, value: parsed.data }
    : { ok: false, message: say`This cannot be taken: ${problemsInWords(parsed.error)}.` }
}

/** Runs a request's work on the store; its trouble becomes an answer in words. */
export async function answering(
  request: Request,
  work: () => Promise<Response>,
  inTrouble: (message: string, busy: boolean) => unknown,
): Promise<Response> {
  try {
    return await work()
  } catch (error) {
    if (error instanceof StoreTrouble) {
      log.warn({ ...asked(request), trouble: error.kind }, error.message)
      return Response.json(inTrouble(error.message, error.kind === 'locked'), { status: 503 })
    }
    log.error({ ...asked(request), err: error }, 'an error that nobody foresaw')
    return Response.json(
      inTrouble(
        say`Something went wrong inside Pyraxis, and this was not done. What stood there before stands. The log has
          more.`,
        false,
      ),
      { status: 500 },
    )
  }
}
