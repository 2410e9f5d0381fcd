import { type Result } from '../../core/units'
import Papa from 'papaparse'
import { say } from '../../core/words'

/** Columns of a table of figures, however it was written down. */
export interface FigureTable {
  readonly header: readonly string[]
  readonly rows: readonly (readonly string[])[]
}
export type TableRead = Result<{ table: FigureTable }>

export const LARGEST_TABLE = 60_000_000

/** A CSV with a header: commas, semicolons or tabs between its columns. */
export function readTable(text: string): TableRead {
  if (text.length > LARGEST_TABLE) return { ok: false, message: say`This table is too large: cut it into days.` }
  const clean = text.replace(/^\uFEFF/, '')
  const { data } = Papa.parse<string[]>(clean, { skipEmptyLines: 'greedy', delimitersToGuess: [';', '\t', ',', '|'] })
  // a header is the first line with a word in it
  const at = data.findIndex((row) => row.length > 1 && row.some((cell) => /[a-z]{1,}/i.test(cell)))
  if (at < 0) return { ok: false, message: say`This table has no line of headings, with at least two columns.` }
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

/** What a heading says its column is in; null where it says nothing. */
export interface UnitRead {
  /** as it is told to whoever looks at the table */
  readonly name: string
  /** a figure of the column in SI, °C, shares */
  readonly to: (value: number) => number
}

const celsius: UnitRead = { name: '°C', to: (v) => v }
export const FAHRENHEIT: UnitRead = { name: '°F', to: (v) => ((v - 32) * 5) / 9 }
const times = (name: string, by: number): UnitRead => ({ name, to: (v) => v * by })

type Read = readonly (readonly [pattern: RegExp, unit: UnitRead])[]
/** a unit stands by itself in a heading: after an underscore, a space or a bracket */
const units = {
  temperature: [
    [/°\s*f|fahrenheit|(^|[^a-z])f([^a-z]|$)/, FAHRENHEIT],
    [/°\s*c|celsius|(^|[^a-z])c([^a-z]|$)/, celsius],
  ],
  speed: [
    [/mph|miles/, times('mph', 0.44704)],
    [/km.?h|kph|kmph/, times('km/h', 1 / 3.6)],
    [/knots?|(^|[^a-z])kn?ts?([^a-z]|$)/, times('knots', 0.514444)],
    [/m\s*\/\s*s|(^|[^a-z])(m_?s|mps)([^a-z]|$)/, times('m/s', 1)],
  ],
  time: [
    [/(^|[^a-z])(ms|msec|milliseconds?)([^a-z]|$)/, times('ms', 1e-3)],
    [/(^|[^a-z])(min|mins|minutes?)([^a-z]|$)/, times('min', 60)],
    [/(^|[^a-z])(h|hrs?|hours?)([^a-z]|$)/, times('h', 3600)],
    [/(^|[^a-z])(s|secs?|seconds?)([^a-z]|$)/, times('s', 1)],
  ],
  height: [
    [/(^|[^a-z])(ft|feet)([^a-z]|$)/, times('ft', 0.3048)],
    [/(^|[^a-z])(m|metres?|meters?)([^a-z]|$)/, times('m', 1)],
  ],
} as const satisfies Readonly<Record<string, Read>>

/** The unit that a heading names for its column. @param of what the column measures */
export const unitIn = (heading: string, of: keyof typeof units): UnitRead | null =>
  units[of].find(([pattern]) => pattern.test(heading.toLowerCase()))?.[1] ?? null
