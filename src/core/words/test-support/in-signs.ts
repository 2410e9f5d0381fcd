import type { Language } from '..'

/** every phrase that was asked for, in signs */
const spoken = new Map<string, string>()
export const asked = (): readonly string[] => [...spoken.keys()]

const signs = (phrase: string): string =>
  phrase.replace(/[a-z]/gi, (c) => String.fromCodePoint(0x3000 + c.codePointAt(0)!))

/** Every phrase in signs: what a word is compared with, looked up by or kept as would no longer be found. */
export const inSigns: Language = {
  // whose days have no Latin letters either
  tag: 'ja',
  decimal: ',',
  phrases: new Proxy(
    {},
    {
      get: (_, key) => {
        const phrase = String(key)
        const before = spoken.get(phrase)
        if (before !== undefined) return before
        const made = signs(phrase)
        spoken.set(phrase, made)
        return made
      },
    },
  ),
}

/** where a person's own text stands, though a phrase is offered for it */
const own = new Set(['what', 'name', 'title', 'colour', 'brings'])

/** What people have written in a job or a shelf: all text but choices, which are phrases of the catalogue. */
export function writtenIn(value: unknown, phrases: ReadonlySet<string>, key = ''): string {
  if (typeof value === 'string') return phrases.has(value) && !own.has(key) ? '' : value
  if (typeof value !== 'object' || value === null) return ''
  return Object.entries(value)
    .map(([at, v]) => writtenIn(v, phrases, Array.isArray(value) ? key : at))
    .join('\n')
}

/** English that stands bare where all else is in signs, and is not what a person has written. */
export function bareIn(value: unknown, written: string, leave: readonly string[] = []): string[] {
  if (Array.isArray(value)) return value.flatMap((v) => bareIn(v, written, leave))
  if (typeof value === 'object' && value !== null)
    return Object.entries(value).flatMap(([key, v]) => (leave.includes(key) ? [] : bareIn(v, written, leave)))
  const letters = typeof value === 'string' ? value.match(/[a-z’]{3,}( [a-z’]+)*/g) : null
  return (letters ?? []).filter((words) => !written.includes(words))
}
