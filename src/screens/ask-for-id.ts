import { z } from 'zod'

const answerSchema = z.union([z.object({ id: z.string() }), z.object({ message: z.string() })])

/** Asks the server for a new job. @returns its id, or why there is none, in words */
export async function askForId(
  path: string,
  body: unknown,
): Promise<{ readonly id: string } | { readonly message: string }> {
  try {
    const answer = await fetch(path, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify(body),
    })
    return answerSchema.parse(await answer.json())
  } catch {
    return { message: 'Pyraxis does not answer. Is it still running? What you wrote stays here.' }
  }
}
