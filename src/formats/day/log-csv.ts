import Papa from 'papaparse'
import type { LoggedRun } from '../../core/run'
import { FAHRENHEIT, figure, readTable, unitIn, type UnitRead } from './table'
import { say } from '../../core/words'

export type LogFile =
  | {
      readonly ok: true
      readonly log: LoggedRun
      readonly notes: string[]
      /** every heading of the table, and which of them is taken for what */
      readonly headings: readonly string[]
      readonly columns: ColumnsTaken
    }
  | {
      readonly ok: false
      readonly message: string
      /** where a table was read, but not as a log: one of them may be chosen by hand */
      readonly headings?: readonly string[]
      readonly columns?: ColumnsTaken
    }

/** lines beyond which a log is averaged */
const MOST_LINES = 3000
const KMH = 1 / 3.6
/** no coolant is so hot in °C, any is in °F */
const HOTTEST_C = 150
/** more lines out of order than this, and nobody knows what came first */
const MOST_BACKWARD = 0.3

const number = (v: string | undefined): number | null => figure(v)

/** seconds of a cell: a figure, h:mm:ss, or a moment */
function secondsOf(cell: string | undefined, unit: number): number | null {
  const n = number(cell)
  if (n !== null) return n * unit
  const t = (cell ?? '').trim()
  const clock = /^(?:(\d+):)?(\d{1,2}):(\d{1,2}(?:[.,]\d+)?)$/.exec(t)
  if (clock) return 3600 * Number(clock[1] ?? 0) + 60 * Number(clock[2]) + Number(clock[3]!.replace(',', '.'))
  const moment = Date.parse(t)
  return Number.isNaN(moment) ? null : moment / 1000
}

const onWords: Readonly<Record<string, number>> = {
  on: 1,
  yes: 1,
  true: 1,
  running: 1,
  off: 0,
  no: 0,
  false: 0,
  stopped: 0,
}

const wanted = {
  time: /^(t|s|sec|min|time|seconds?|minutes?|elapsed|moment|clock)([\s_(\[/.-]|$)/,
  coolant: /(^|[^a-z])(coolant|water|ect|clt|radiator)([^a-z]|$)|engine.?temp/,
  volts: /fan.*(v\b|volt)|^volt/,
  fan: /(^|[^a-z])fan([^a-z]|$)/,
  probe: /probe|sensor/,
  air: /ambient|^air|outside|surround/,
  speed: /^(gps.?)?speed|km.?h|mph|^v_/,
  rpm: /rpm|engine.?speed|revs/,
  load: /load/,
} as const satisfies Readonly<Record<string, RegExp>>

/** A thing that a log can tell, each from a column of its own. */
export type LogColumn = keyof typeof wanted
export const logColumns = Object.keys(wanted) as LogColumn[]

/** Which heading each thing is taken from, and in what; null: from none. */
export type ColumnsTaken = Readonly<Record<LogColumn, { readonly heading: string; readonly unit: string } | null>>

/** Columns that somebody chose by hand: a heading, or null for none. */
export type ColumnsChosen = Readonly<Partial<Record<LogColumn, string | null>>>

/** Where each thing stands: as chosen, else the first heading that fits. A column is taken once. */
function columnsIn(header: readonly string[], chosen: ColumnsChosen): Record<LogColumn, number> {
  const used = new Set<number>()
  const place = (name: LogColumn): number => {
    const by = chosen[name]
    if (by !== undefined) return by === null ? -1 : header.indexOf(by)
    return header.findIndex((h, i) => !used.has(i) && wanted[name].test(h.toLowerCase()))
  }
  const found = {} as Record<LogColumn, number>
  // those that were chosen first, so that no guess takes their column
  for (const name of [...logColumns].sort(
    (x, y) => Number(chosen[y] !== undefined) - Number(chosen[x] !== undefined),
  )) {
    found[name] = place(name)
    if (found[name] >= 0) used.add(found[name])
  }
  return found
}

const takenFrom = (
  header: readonly string[],
  at: Readonly<Record<LogColumn, number>>,
  unitOf: (name: LogColumn) => string,
): ColumnsTaken =>
  Object.fromEntries(
    logColumns.map((name) => [name, at[name] < 0 ? null : { heading: header[at[name]]!, unit: unitOf(name) }]),
  ) as ColumnsTaken

const plain: UnitRead = { name: '', to: (v) => v }
const asMs: UnitRead = { name: 'km/h', to: (v) => v * KMH }
const measures = {
  coolant: 'temperature',
  probe: 'temperature',
  air: 'temperature',
  speed: 'speed',
  time: 'time',
} as const

/**
 * A logged run from a table with time and coolant, and what else it has: fan (on, off, or volts across it), probe, air,
 * speed, engine speed, load. Each column is in the unit that its own heading names; points or commas, clock times.
 * @param systemV volts of the machine: a fan with more than half of it runs
 * @param chosen columns that somebody chose by hand
 */
export function readLogCsv(text: string, systemV: number, chosen: ColumnsChosen = {}): LogFile {
  const read = readTable(text)
  if (!read.ok) return read
  const { header, rows } = read.table
  const at = columnsIn(header, chosen)
  const { time: timeAt, coolant: coolantAt } = at
  if (timeAt < 0 || coolantAt < 0)
    return {
      ok: false,
      message:
        timeAt < 0
          ? say`This log has no column of times. Its headings are: ${header.join(', ').slice(0, 120)}.`
          : say`This log has no column of coolant. Its headings are: ${header.join(', ').slice(0, 120)}.`,
      headings: header,
      columns: takenFrom(header, at, () => ''),
    }
  const own = (name: keyof typeof measures): UnitRead | null =>
    at[name] < 0 ? null : unitIn(header[at[name]]!, measures[name])
  const unit = own('time')?.to(1) ?? 1
  const notes: string[] = []
  const kept: { t: number; c: number; row: readonly string[] }[] = []
  let [unread, backward, repeated] = [0, 0, 0]
  for (const row of rows) {
    const t = secondsOf(row[timeAt], unit)
    const c = number(row[coolantAt])
    if (t === null || c === null) {
      unread++
      continue
    }
    const last = kept[kept.length - 1]
    if (last && t < last.t) {
      backward++
      continue
    }
    if (last && t === last.t) {
      repeated++
      continue
    }
    kept.push({ t, c, row })
  }
  if (kept.length < 2)
    return {
      ok: false,
      message: say`No line of this log could be read: neither "${(rows[0]?.[timeAt] ?? '').slice(0, 20)}" nor
          "${(rows[0]?.[coolantAt] ?? '').slice(0, 20)}" is a time and a temperature.`,
    }
  if (backward > MOST_BACKWARD * kept.length)
    return {
      ok: false,
      message: say`${backward} lines of this log stand at a time that was already past: put it in order of time, or cut
          out one run.`,
    }
  if (unread) notes.push(say`${unread} lines could not be read and were left out.`)
  if (backward) notes.push(say`${backward} lines stand at a time that was already past; they were left out.`)
  if (repeated) notes.push(say`${repeated} lines repeat a time; the first of each counts.`)
  const sorted = kept.map((k) => k.c).sort((a, b) => a - b)
  // no heading says so, but no coolant is so hot in °C
  const guessedF = own('coolant') === null && sorted[Math.floor(0.9 * sorted.length)]! > HOTTEST_C
  const usual: UnitRead = guessedF || own('coolant')?.name === '°F' ? FAHRENHEIT : { name: '°C', to: (v) => v }
  if (guessedF) notes.push(say`Its coolant is taken as Fahrenheit: nothing is so hot in °C.`)
  const inUnit = {
    time: own('time') ?? { name: 's', to: (v: number) => v },
    coolant: own('coolant') ?? usual,
    // what names no unit of its own is in the coolant's
    probe: own('probe') ?? usual,
    air: own('air') ?? usual,
    speed: own('speed') ?? asMs,
  }
  const celsius = inUnit.coolant.to
  if (celsius(sorted[0]!) < -60 || celsius(sorted[sorted.length - 1]!) > 250)
    return {
      ok: false,
      message: say`Coolant from ${sorted[0]} to ${sorted.at(-1)}: that is no coolant. Which column is it?`,
      headings: header,
    }
  const stride = Math.ceil(kept.length / MOST_LINES)
  if (stride > 1) notes.push(say`${kept.length} lines, every ${stride} taken as one.`)
  const groups = Array.from({ length: Math.ceil(kept.length / stride) }, (_, i) =>
    kept.slice(i * stride, (i + 1) * stride),
  )
  const mean = (list: readonly number[]): number => list.reduce((a, b) => a + b, 0) / list.length
  /** a column where most of its cells can be read; a gap keeps what stood before it */
  const column = (index: number, of: (cell: string) => number | null): number[] | null => {
    if (index < 0) return null
    let [before, found] = [null as number | null, 0]
    const values = groups.map((g) => {
      const own = g.flatMap((k) => of((k.row[index] ?? '').trim()) ?? [])
      if (own.length) {
        before = mean(own)
        found++
      }
      return before
    })
    if (found < 0.5 * groups.length) return null
    const begins = values.find((v) => v !== null)!
    return values.map((v) => v ?? begins)
  }
  const t0 = groups[0]![0]!.t
  const word = (cell: string): number | null => onWords[cell.toLowerCase()] ?? number(cell)
  const volts = column(at.volts, number)
  const fanRaw = volts ? null : column(at.fan, word)
  const percent = (fanRaw ?? []).some((v) => v > 1.5)
  const fan = volts
    ? volts.map((v) => (v > systemV / 2 ? 1 : 0))
    : fanRaw && fanRaw.map((v) => (v > (percent ? 50 : 0.5) ? 1 : 0))
  const speed = column(at.speed, number)
  const load = column(at.load, number)
  const scaled = load && load.some((v) => v > 1.5)
  return {
    ok: true,
    notes,
    headings: header,
    columns: takenFrom(header, at, (name) => (name in inUnit ? inUnit[name as keyof typeof inUnit] : plain).name),
    log: {
      t: groups.map((g) => mean(g.map((k) => k.t)) - t0),
      coolantC: groups.map((g) => celsius(mean(g.map((k) => k.c)))),
      fan,
      probeC: column(at.probe, number)?.map(inUnit.probe.to) ?? null,
      airC: column(at.air, number)?.map(inUnit.air.to) ?? null,
      speedMs: speed && speed.map((v) => Math.max(0, inUnit.speed.to(v))),
      rpm: column(at.rpm, number),
      loadShare: load && load.map((v) => Math.min(1.5, Math.max(0, scaled ? v / 100 : v))),
    },
  }
}

/** A logged run as a table that {@link readLogCsv} reads back. */
export const writeLogCsv = ({ t, coolantC, probeC, fan, airC, speedMs, rpm, loadShare }: LoggedRun): string =>
  `${Papa.unparse(
    t.map((s, i) => ({
      time_s: +s.toFixed(2),
      coolant_c: +coolantC[i]!.toFixed(2),
      ...(probeC ? { probe_c: +probeC[i]!.toFixed(2) } : {}),
      ...(fan ? { fan: fan[i] ? 'on' : 'off' } : {}),
      ...(airC ? { ambient_c: +airC[i]!.toFixed(2) } : {}),
      ...(speedMs ? { speed_kmh: +(speedMs[i]! / KMH).toFixed(2) } : {}),
      ...(rpm ? { rpm: Math.round(rpm[i]!) } : {}),
      ...(loadShare ? { load_share: +loadShare[i]!.toFixed(3) } : {}),
    })),
    { newline: '\n' },
  )}\n`
