import { z } from 'zod'
import type { Part } from '@/core/parts'
import { askServer, troubleOf, UNREACHED } from '@/ui/ask-server'

const problemSchema = z.object({ row: z.number(), name: z.string(), message: z.string() })
const fileAnswer = z.union([
  z.object({ taken: z.number(), noted: z.number().optional() }),
  z.object({ message: z.string(), problems: z.array(problemSchema) }),
])
export interface ShelfTrouble {
  readonly message: string
  readonly problems: readonly z.infer<typeof problemSchema>[]
}

/** @returns null when done, else what is wrong */
export async function putPart(part: Part, isNew: boolean): Promise<string | null> {
  return troubleOf('/api/parts', { part, isNew })
}

/** @returns null when done, else what is wrong */
export async function retire(id: string, retired: boolean): Promise<string | null> {
  return troubleOf(`/api/parts/${encodeURIComponent(id)}`, { retired })
}

/** @param source the file's name where it is one more source of parts that stand there; null: it replaces them */
export async function bringShelfIn(
  text: string,
  source: string | null,
): Promise<{ ok: true; taken: number; noted: number } | { ok: false; trouble: ShelfTrouble }> {
  const how = source === null ? '' : `?as=source&name=${encodeURIComponent(source)}`
  const answer = await askServer(`/api/parts/file${how}`, text, fileAnswer)
  if (answer === null) return { ok: false, trouble: { message: UNREACHED, problems: [] } }
  return 'taken' in answer
    ? { ok: true, taken: answer.taken, noted: answer.noted ?? 0 }
    : { ok: false, trouble: answer }
}

/** Generic parts to begin with; those that stand there already stay as they are. */
export async function takeStarter(): Promise<{ ok: true; taken: number } | { ok: false; trouble: ShelfTrouble }> {
  const answer = await askServer('/api/parts/starter', '{}', fileAnswer)
  if (answer === null) return { ok: false, trouble: { message: UNREACHED, problems: [] } }
  return 'taken' in answer ? { ok: true, taken: answer.taken } : { ok: false, trouble: answer }
}
