import { type Result } from '../../core/units'
import type { z } from 'zod'
import { LARGEST_JOB_FILE, parseJson, problemsInWords } from '@/formats'
import { StoreTrouble } from '@/store'
import { asked, log } from '../log'

/** The body of a request as JSON in a known shape, or why not, in words. */
export async function readBody<T>(request: Request, schema: z.ZodType<T>): Promise<Result<{ value: T }>> {
  const text = await request.text()
  if (text.length > LARGEST_JOB_FILE) return { ok: false, message: 'This is too large.' }
  const json = parseJson(text)
  if (!json.ok) return json
  const parsed = schema.safeParse(json.value)
  return parsed.success
    ? { ok: true, value: parsed.data }
    : { ok: false, message: `This cannot be taken: ${problemsInWords(parsed.error)}.` }
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
      inTrouble('Something went wrong inside Pyraxis. Nothing of yours is lost; try again.', false),
      { status: 500 },
    )
  }
}
