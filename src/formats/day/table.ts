import { type Result } from '../../core/units'
import Papa from 'papaparse'

/** Columns of a table of figures, however it was written down. */
export interface FigureTable {
  readonly header: readonly string[]
  readonly rows: readonly (readonly string[])[]
}
export type TableRead = Result<{ table: FigureTable }>

export const LARGEST_TABLE = 60_000_000

/** A CSV with a header: commas, semicolons or tabs between its columns. */
export function readTable(text: string): TableRead {
  if (text.length > LARGEST_TABLE) return { ok: false, message: 'This table is too large: cut it into days.' }
  const clean = text.replace(/^\uFEFF/, '')
  const { data } = Papa.parse<string[]>(clean, { skipEmptyLines: 'greedy', delimitersToGuess: [';', '\t', ',', '|'] })
  // a header is the first line with a word in it
  const at = data.findIndex((row) => row.length > 1 && row.some((cell) => /[a-z]{1,}/i.test(cell)))
  if (at < 0) return { ok: false, message: 'This table has no line of headings, with at least two columns.' }
  const header = data[at]!.map((h) => h.trim())
  return { ok: true, table: { header, rows: data.slice(at + 1) } }
}

/** A figure with a point or a comma before its decimals; null for what is none. */
export function figure(cell: string | undefined): number | null {
  const t = (cell ?? '').trim().replace(/\s/g, '')
  if (!t) return null
  const plain = /^[+-]?\d+,\d+$/.test(t) ? t.replace(',', '.') : t
  const n = /^[+-]?(\d+\.?\d*|\.\d+)(e[+-]?\d+)?$/i.test(plain) ? Number(plain) : Number.NaN
  return Number.isFinite(n) ? n : null
}

/** The first column whose heading fits; -1 where none does. */
export const columnOf = (header: readonly string[], pattern: RegExp): number =>
  header.findIndex((h) => pattern.test(h.toLowerCase()))
