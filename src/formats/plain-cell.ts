import { legible } from './legible'

/** A cell of a table as words: a spreadsheet would take what begins like this for a formula. */
export const plain = (cell: string): string => {
  const words = legible(cell)
  return /^[=+\-@\t\r]/.test(words) ? `'${words}` : words
}
