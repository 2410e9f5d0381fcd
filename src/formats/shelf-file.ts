import { type Result } from '../core/units'
import { z } from 'zod'
import { migratePart } from '../core/job'
import { type Part, partSchema } from '../core/parts'
import { parseJson, problemsInWords } from './problems'
import { say } from '../core/words'

const shelfSchema = z.strictObject({
  format: z.literal('pyraxis-shelf'),
  version: z.literal(1),
  parts: z.array(z.preprocess(migratePart, partSchema)).max(5000),
})

/** Parts of a shelf from the text of a file, all or none. */
export function readShelfFile(text: string): Result<{ parts: Part[] }> {
  const json = parseJson(text)
  if (!json.ok) return json
  const parsed = shelfSchema.safeParse(json.value)
  return parsed.success
    ? { ok: true, parts: parsed.data.parts }
    : { ok: false, message: say`This shelf cannot be read: ${problemsInWords(parsed.error)}.` }
}

/** Parts as a file that {@link readShelfFile} reads back to the same parts. */
export const writeShelfFile = (parts: readonly Part[]): string =>
  `${JSON.stringify({ format: 'pyraxis-shelf', version: 1, parts }, null, 2)}\n`
