import { z } from 'zod'
import { say } from '@/core/words'

export const UNREACHED = say`Pyraxis does not answer. Is it still running? What you wrote stays here.`

/**
 * Asks the server, and reads its answer in a known shape.
 * @param body as JSON; a text that is CSV goes as it is
 * @returns null where it is not to be reached, or answers nothing that is known
 */
export async function askServer<T>(
  path: string,
  body: unknown,
  answer: z.ZodType<T>,
  method: 'POST' | 'PUT' = 'POST',
): Promise<T | null> {
  const csv = typeof body === 'string' && !body.trimStart().startsWith('{')
  try {
    const said = await fetch(path, {
      method,
      headers: { 'content-type': csv ? 'text/csv' : 'application/json' },
      body: typeof body === 'string' ? body : JSON.stringify(body),
    })
    return answer.parse(await said.json())
  } catch {
    return null
  }
}

const doneSchema = z.object({ ok: z.boolean(), message: z.string().optional() })

/** Asks the server to do something. @returns null when it is done, else what is wrong, in words */
export async function troubleOf(path: string, body: unknown, method: 'POST' | 'PUT' = 'POST'): Promise<string | null> {
  const answer = await askServer(path, body, doneSchema, method)
  if (!answer) return UNREACHED
  return answer.ok ? null : (answer.message ?? say`It was not done.`)
}
