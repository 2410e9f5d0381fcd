import Papa from 'papaparse'
import type { Sample } from '../core/build'
import { choiceEnds } from '../core/job'
import { say } from '../core/words'

const columns = {
  t: 'time_s',
  probeC: 'probe_c',
  amps: 'clamp_a',
  batteryV: 'battery_v',
  fanV: 'fan_v',
} as const
const ends = {
  t: choiceEnds.traceS,
  probeC: choiceEnds.setC,
  amps: choiceEnds.traceA,
  batteryV: choiceEnds.traceV,
  fanV: choiceEnds.traceV,
} as const
type Column = keyof typeof columns
const names = Object.keys(columns) as Column[]

/** A trace as a table that {@link readTraceCsv} reads back: seconds, °C, A, V. */
export const writeTraceCsv = (samples: readonly Sample[]): string =>
  `${Papa.unparse(
    { fields: Object.values(columns), data: samples.map((s) => names.map((n) => s[n] ?? '')) },
    { newline: '\n' },
  )}\n`

export type TraceTable =
  | { readonly ok: true; readonly samples: readonly Sample[]; readonly unread: number }
  | { readonly ok: false; readonly message: string }

const MOST_LINES = 20_000

/** A table with a time and at least one of the other columns; lines that cannot be read are counted. */
export function readTraceCsv(text: string): TraceTable {
  const { data } = Papa.parse<Record<string, string>>(text.trim(), { header: true, skipEmptyLines: true })
  const has = names.filter((n) => data[0] && columns[n] in data[0])
  if (!has.includes('t') || has.length < 2)
    return {
      ok: false,
      message: say`This is no trace: its first line names ${Object.values(columns).join(', ')},
          of which ${columns.t} and one other must be there.`,
    }
  const number = (cell: string | undefined, [low, high]: readonly [number, number]): number | null => {
    const written = (cell ?? '').trim().replace(',', '.')
    const v = Number(written)
    return written !== '' && v >= low && v <= high ? v : null
  }
  const samples: Sample[] = []
  let unread = 0
  for (const row of data.slice(0, MOST_LINES)) {
    const at = (n: Column): number | null => (has.includes(n) ? number(row[columns[n]], ends[n]) : null)
    const [t, last] = [at('t'), samples.at(-1)]
    if (t === null || (last && t <= last.t)) unread++
    else samples.push({ t, probeC: at('probeC'), amps: at('amps'), batteryV: at('batteryV'), fanV: at('fanV') })
  }
  return samples.length < 2
    ? { ok: false, message: say`No two lines of this table are in order of time.` }
    : { ok: true, samples, unread: unread + Math.max(0, data.length - MOST_LINES) }
}
