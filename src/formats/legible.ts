/** What no drawing, table or page can show, or what turns round the words after it: see {@link legible}. */
const HIDDEN =
  /[\u0000-\u0008\u000b\u000c\u000e-\u001f\u007f-\u009f\u2028-\u202e\u2066-\u2069\ufeff\ufffe\uffff]|\p{Cs}/gu

/**
 * Words as a file can carry them: without control characters, halves of pairs and marks that turn the direction of what
 * follows. A tab and the end of a line stay. XML 1.0 §2.2 allows none of the first.
 */
export const legible = (words: string): string => words.replace(HIDDEN, '')

/** Something with all words within it changed. */
export function withWords<T>(thing: T, change: (words: string) => string): T {
  if (typeof thing === 'string') return change(thing) as T
  if (Array.isArray(thing)) return thing.map((part: unknown) => withWords(part, change)) as T
  if (thing === null || typeof thing !== 'object' || ArrayBuffer.isView(thing)) return thing
  return Object.fromEntries(Object.entries(thing).map(([key, value]) => [key, withWords(value, change)])) as T
}

/** {@link legible}, of all words within something that is written out. */
export const legibleAll = <T>(thing: T): T => withWords(thing, legible)
