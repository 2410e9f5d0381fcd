import { z } from 'zod'
import type { Part } from '@/core/parts'

const problemSchema = z.object({ row: z.number(), name: z.string(), message: z.string() })
const fileAnswer = z.union([
  z.object({ taken: z.number() }),
  z.object({ message: z.string(), problems: z.array(problemSchema) }),
])
const plainAnswer = z.union([
  z.object({ ok: z.literal(true) }),
  z.object({ ok: z.literal(false), message: z.string() }),
])
export interface ShelfTrouble {
  readonly message: string
  readonly problems: readonly z.infer<typeof problemSchema>[]
}

const UNREACHED = 'Pyraxis does not answer. Is it still running? What you wrote stays here.'

async function post<T>(address: string, body: string, schema: z.ZodType<T>): Promise<T | null> {
  try {
    return schema.parse(await (await fetch(address, { method: 'POST', body })).json())
  } catch {
    return null
  }
}

/** @returns null when done, else what is wrong */
export async function putPart(part: Part, isNew: boolean): Promise<string | null> {
  const answer = await post('/api/parts', JSON.stringify({ part, isNew }), plainAnswer)
  return answer === null ? UNREACHED : answer.ok ? null : answer.message
}

/** @returns null when done, else what is wrong */
export async function retire(id: string, retired: boolean): Promise<string | null> {
  const answer = await post(`/api/parts/${encodeURIComponent(id)}`, JSON.stringify({ retired }), plainAnswer)
  return answer === null ? UNREACHED : answer.ok ? null : answer.message
}

export async function bringShelfIn(
  text: string,
): Promise<{ ok: true; taken: number } | { ok: false; trouble: ShelfTrouble }> {
  const answer = await post('/api/parts/file', text, fileAnswer)
  if (answer === null) return { ok: false, trouble: { message: UNREACHED, problems: [] } }
  return 'taken' in answer ? { ok: true, taken: answer.taken } : { ok: false, trouble: answer }
}
