import Papa from 'papaparse'
import { type Day, legEnds, works } from '../../core/job'
import { workDefinitions } from '../../core/run'
import type { DayFile } from './gpx'
import { reduced, tooLong, type DaySample } from './reduce'
import { columnOf, figure, readTable, unitIn } from './table'
import { say } from '../../core/words'

const KMH = 1 / 3.6

/**
 * A day as `minutes,speed_kmh,load_share,rpm,ambient_c,grade_pct,height_m,work`; an empty cell is as the job's readings
 * have it.
 */
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
      work: l.work,
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
  ['speed', say`speed`, /^(speed|v\b)/, ...scaled('speedMs', 3.6)],
  ['load', say`load`, /^load/, ...scaled('loadShare', 1)],
  ['rpm', say`rpm`, /^rpm|revs/, ...scaled('rpm', 1)],
  ['ambient', say`ambient`, /^(ambient|air)/, ...scaled('airC', 1)],
  ['grade', say`grade`, /^grade|slope/, ...scaled('grade', 100)],
  ['height', say`height`, /^(height|alt|ele)/, ...scaled('heightM', 1)],
] as const

type Conversions = Readonly<Partial<Record<(typeof columns)[number][0], (v: number) => number>>>

/** Each column is in the unit that its own heading names; limits are those of the unit that is written out. */
function conversionsIn(header: readonly string[], at: readonly number[]): Conversions {
  const inUnit = (c: number, of: 'speed' | 'temperature' | 'height', by: number): ((v: number) => number) => {
    const unit = at[c]! < 0 ? null : unitIn(header[at[c]!]!, of)
    return unit ? (v) => unit.to(v) * by : (v) => v
  }
  return {
    speed: inUnit(0, 'speed', 3.6),
    ambient: inUnit(3, 'temperature', 1),
    height: inUnit(5, 'height', 1),
  }
}

/** A line's figures, in the order of the columns. */
function sampleOf(seconds: number, [speed, load, rpm, ambient, grade, height]: readonly (number | null)[]): DaySample {
  return {
    seconds,
    speedMs: speed == null ? null : speed * KMH,
    loadShare: load ?? null,
    rpm: rpm ?? null,
    airC: ambient ?? null,
    grade: grade == null ? null : grade / 100,
    heightM: height ?? null,
  }
}

const HEADINGS = 'minutes, speed_kmh, load_share, rpm, ambient_c, grade_pct'

/** A day from a table of stretches. @see writeDayCsv */
export function readDayCsv(text: string, name: string): DayFile {
  const read = readTable(text)
  if (!read.ok) return read
  const { header, rows } = read.table
  const minutesAt = columnOf(header, /^(minutes|min\b|time|duration)/)
  if (minutesAt < 0)
    return {
      ok: false,
      message: say`This table has no column of minutes. Its headings are: ${HEADINGS}.`,
    }
  const nameAt = columnOf(header, /^(name|leg|what)/)
  const at = columns.map(([, , pattern]) => columnOf(header, pattern))
  const converting = conversionsIn(header, at)
  const minutesUnit = unitIn(header[minutesAt]!, 'time')?.to(1 / 60) ?? 1
  const workAt = columnOf(header, /^(work|kind)/)
  const strange = new Set<string>()
  const samples: DaySample[] = []
  for (const [i, row] of rows.entries()) {
    const counted = figure(row[minutesAt])
    const minutes = counted === null ? null : counted * minutesUnit
    if (minutes === null || minutes < 0 || minutes > 2880)
      return {
        ok: false,
        message: say`Line ${i + 2}: "${(row[minutesAt] ?? '').slice(0, 20)}" is not a number of minutes
          from 0 to 2880.`,
      }
    const values = columns.map(([title, called, , low, high], c): number | null | string => {
      const cell = at[c]! < 0 ? '' : (row[at[c]!] ?? '').trim()
      if (!cell) return null
      const value = figure(cell)
      const converted = value === null ? null : (converting[title]?.(value) ?? value)
      return converted === null || converted < low || converted > high
        ? say`Line ${i + 2}: "${cell.slice(0, 20)}" cannot be a ${called}; it is
            between ${low} and ${high}.`
        : converted
    })
    const wrong = values.find((v): v is string => typeof v === 'string')
    if (wrong) return { ok: false, message: wrong }
    const doing = workAt >= 0 ? (row[workAt] ?? '').trim().toLowerCase() : ''
    const work = works.find((w) => w === doing)
    if (doing && !work) strange.add(doing)
    const called = nameAt >= 0 ? (row[nameAt] ?? '').trim().slice(0, 40) : ''
    samples.push({
      ...sampleOf(60 * minutes, values as (number | null)[]),
      ...(called ? { name: called } : {}),
      ...(work ? { work } : {}),
    })
  }
  if (!samples.some((s) => s.seconds > 0))
    return { ok: false, message: say`This table has no stretch that takes any time.` }
  const long = tooLong(samples)
  if (long) return { ok: false, message: long }
  const { day, joined } = reduced(samples, name, 'table', 0.3)
  return {
    ok: true,
    day,
    notes: [
      ...(joined > 0 ? [say`${samples.length} lines, joined to ${day.legs.length} legs.`] : []),
      ...(strange.size
        ? [
            say`No such work: ${[...strange].slice(0, 5).join(', ')}. It is told from speed, load and engine speed
              instead.`,
          ]
        : []),
    ],
  }
}
