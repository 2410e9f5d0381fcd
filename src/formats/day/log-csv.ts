import { type Result } from '../../core/units'
import Papa from 'papaparse'
import type { LoggedRun } from '../../core/run'
import { columnOf, figure, readTable } from './table'

export type LogFile = Result<{ log: LoggedRun; notes: string[] }>

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

/**
 * A logged run from a table with time and coolant, and what else it has: fan (on, off, or volts across it), probe, air,
 * speed, engine speed, load. Celsius or Fahrenheit, points or commas, seconds, minutes or clock times.
 * @param systemV volts of the machine: a fan with more than half of it runs
 */
export function readLogCsv(text: string, systemV: number): LogFile {
  const read = readTable(text)
  if (!read.ok) return read
  const { header, rows } = read.table
  const timeAt = columnOf(header, /^(t|s|sec|min|time|seconds?|minutes?|elapsed|moment|clock)([\s_(\[/.-]|$)/)
  const coolantAt = columnOf(header, /coolant|water|ect|engine.?temp|radiator/)
  if (timeAt < 0)
    return {
      ok: false,
      message: `This log has no column of times. Its headings are: ${header.join(', ').slice(0, 120)}.`,
    }
  if (coolantAt < 0)
    return {
      ok: false,
      message: `This log has no column of coolant. Its headings are: ${header.join(', ').slice(0, 120)}.`,
    }
  const unit = /min/i.test(header[timeAt]!) ? 60 : /(^|[^a-z])m?s?ms($|[^a-z])/i.test(header[timeAt]!) ? 1e-3 : 1
  const at = {
    volts: columnOf(header, /fan.*(v\b|volt)|^volt/),
    fan: columnOf(header, /fan/),
    probe: columnOf(header, /probe|sensor/),
    air: columnOf(header, /ambient|^air|outside|surround/),
    speed: columnOf(header, /^speed|km.?h|^v_/),
    rpm: columnOf(header, /rpm|engine.?speed|revs/),
    load: columnOf(header, /load/),
  }
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
      message:
        `No line of this log could be read: neither "${(rows[0]?.[timeAt] ?? '').slice(0, 20)}" nor ` +
        `"${(rows[0]?.[coolantAt] ?? '').slice(0, 20)}" is a time and a temperature.`,
    }
  if (backward > MOST_BACKWARD * kept.length)
    return {
      ok: false,
      message:
        `${backward} lines of this log stand at a time that was already past: put it in order of time, or ` +
        `cut out one run.`,
    }
  if (unread) notes.push(`${unread} lines could not be read and were left out.`)
  if (backward) notes.push(`${backward} lines stand at a time that was already past; they were left out.`)
  if (repeated) notes.push(`${repeated} lines repeat a time; the first of each counts.`)
  const sorted = kept.map((k) => k.c).sort((a, b) => a - b)
  const fahrenheit =
    /(_f\b|°f|\bf\b|fahrenheit)/i.test(header[coolantAt]!) ||
    (!/(_c\b|°c|celsius)/i.test(header[coolantAt]!) && sorted[Math.floor(0.9 * sorted.length)]! > HOTTEST_C)
  if (fahrenheit) notes.push('Its temperatures are taken as Fahrenheit.')
  const celsius = (c: number): number => (fahrenheit ? ((c - 32) * 5) / 9 : c)
  if (celsius(sorted[0]!) < -60 || celsius(sorted[sorted.length - 1]!) > 250)
    return {
      ok: false,
      message: `Coolant from ${sorted[0]!} to ${sorted[sorted.length - 1]!}: that is no coolant. Which column is it?`,
    }
  const stride = Math.ceil(kept.length / MOST_LINES)
  if (stride > 1) notes.push(`${kept.length} lines, every ${stride} taken as one.`)
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
    log: {
      t: groups.map((g) => mean(g.map((k) => k.t)) - t0),
      coolantC: groups.map((g) => celsius(mean(g.map((k) => k.c)))),
      fan,
      probeC: column(at.probe, number)?.map(celsius) ?? null,
      airC: column(at.air, number)?.map(celsius) ?? null,
      speedMs:
        speed &&
        speed.map(
          (v) =>
            Math.max(0, v) *
            (/mph/i.test(header[at.speed]!)
              ? 0.44704
              : /m.?s$/i.test(header[at.speed]!) && !/km/i.test(header[at.speed]!)
                ? 1
                : KMH),
        ),
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
