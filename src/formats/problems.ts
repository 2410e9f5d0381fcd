import { type Result } from '../core/units'
import type { z } from 'zod'
import { say } from '../core/words'

const MOST = 5

/** Zod's findings as sentences: where in the file, and what is wrong there. */
export function problemsInWords(error: z.ZodError): string {
  const found = error.issues.slice(0, MOST).map((issue) => {
    const where = issue.path.length ? issue.path.map(String).join('.') : say`the file itself`
    // what the document itself says of a list needs no address
    if (issue.code === 'too_big' && issue.message.startsWith('no more than')) return issue.message
    return issue.code === 'unrecognized_keys'
      ? say`${where}: "${issue.keys.join('", "')}" is not known here`
      : `${where}: ${issue.message}`
  })
  const more = error.issues.length - found.length
  return found.join('; ') + (more > 0 ? say`; and ${more} more` : '')
}

/** A file as JSON, or why it is not. */
export function parseJson(text: string): Result<{ value: unknown }> {
  try {
    return { ok: true, value: JSON.parse(text) as unknown }
  } catch {
    return {
      ok: false,
      message: text.trim() ? say`This is not a JSON file, or it is cut off.` : say`This file is empty.`,
    }
  }
}
