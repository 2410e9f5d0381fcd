import Papa from 'papaparse'
import { type Day, legEnds } from '../../core/job'
import { workDefinitions } from '../../core/run'
import type { DayFile } from './gpx'
import { reduced, tooLong, type DaySample } from './reduce'
import { columnOf, figure, readTable } from './table'

const KMH = 1 / 3.6

/** A day as `minutes,speed_kmh,load_share,rpm,ambient_c,grade_pct`; an empty cell is as the job's readings have it. */
export function writeDayCsv(day: Day): string {
  return Papa.unparse(
    day.legs.map((l) => ({
      name: l.name,
      minutes: +(l.seconds / 60).toFixed(4),
      speed_kmh: l.speedMs === null ? '' : +(l.speedMs / KMH).toFixed(3),
      load_share: l.loadShare ?? (workDefinitions[l.work].running ? '' : 0),
      rpm: l.rpm ?? (workDefinitions[l.work].running ? '' : 0),
      ambient_c: l.airC ?? '',
      grade_pct: l.grade === null ? '' : +(100 * l.grade).toFixed(2),
      height_m: l.heightM ?? '',
    })),
    { newline: '\n' },
  )
}

/** Ends of a leg's figure in the unit of its column. */
const scaled = (key: keyof typeof legEnds, by: number): readonly [number, number] => [
  legEnds[key][0] * by,
  legEnds[key][1] * by,
]

/** Limits of each column, and what it is called where it lies outside. */
const columns = [
  ['speed', /^(speed|v\b)/, ...scaled('speedMs', 3.6)],
  ['load', /^load/, ...scaled('loadShare', 1)],
  ['rpm', /^rpm|revs/, ...scaled('rpm', 1)],
  ['ambient', /^(ambient|air)/, ...scaled('airC', 1)],
  ['grade', /^grade|slope/, ...scaled('grade', 100)],
  ['height', /^(height|alt|ele)/, ...scaled('heightM', 1)],
] as const

/** A day from a table of stretches. @see writeDayCsv */
export function readDayCsv(text: string, name: string): DayFile {
  const read = readTable(text)
  if (!read.ok) return read
  const { header, rows } = read.table
  const minutesAt = columnOf(header, /^(minutes|min\b|time|duration)/)
  if (minutesAt < 0)
    return {
      ok: false,
      message:
        'This table has no column of minutes. Its headings are: minutes, speed_kmh, load_share, rpm, ambient_c, ' +
        'grade_pct.',
    }
  const nameAt = columnOf(header, /^(name|leg|what)/)
  const at = columns.map(([, pattern]) => columnOf(header, pattern))
  const fahrenheit = at[3]! >= 0 && /_f$|°f|fahrenheit/i.test(header[at[3]!]!)
  const samples: DaySample[] = []
  for (const [i, row] of rows.entries()) {
    const minutes = figure(row[minutesAt])
    if (minutes === null || minutes < 0 || minutes > 2880)
      return {
        ok: false,
        message: `Line ${i + 2}: "${(row[minutesAt] ?? '').slice(0, 20)}" is not a number of minutes from 0 to 2880.`,
      }
    const values = columns.map(([title, , low, high], c): number | null | string => {
      const cell = at[c]! < 0 ? '' : (row[at[c]!] ?? '').trim()
      if (!cell) return null
      const value = figure(cell)
      const converted = value !== null && title === 'ambient' && fahrenheit ? ((value - 32) * 5) / 9 : value
      return converted === null || converted < low || converted > high
        ? `Line ${i + 2}: "${cell.slice(0, 20)}" cannot be a ${title}; it is between ${low} and ${high}.`
        : converted
    })
    const wrong = values.find((v): v is string => typeof v === 'string')
    if (wrong) return { ok: false, message: wrong }
    const [speed, load, rpm, ambient, grade, height] = values as (number | null)[]
    const called = nameAt >= 0 ? (row[nameAt] ?? '').trim().slice(0, 40) : ''
    samples.push({
      seconds: 60 * minutes,
      speedMs: speed === null ? null : speed! * KMH,
      loadShare: load ?? null,
      rpm: rpm ?? null,
      airC: ambient ?? null,
      grade: grade === null ? null : grade! / 100,
      heightM: height ?? null,
      ...(called ? { name: called } : {}),
    })
  }
  if (!samples.some((s) => s.seconds > 0))
    return { ok: false, message: 'This table has no stretch that takes any time.' }
  const long = tooLong(samples)
  if (long) return { ok: false, message: long }
  const { day, joined } = reduced(samples, name, 'table', 0.3)
  return { ok: true, day, notes: joined > 0 ? [`${samples.length} lines, joined to ${day.legs.length} legs.`] : [] }
}
