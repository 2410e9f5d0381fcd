import { type Result } from '../../core/units'
import { XMLParser } from 'fast-xml-parser'
import { z } from 'zod'
import { type Day, legEnds } from '../../core/job'
import { reduced, tooLong, type DaySample } from './reduce'
import { say } from '../../core/words'

export type DayFile = Result<{ day: Day; notes: string[] }>

/** larger than a track of some hundred thousand points */
export const LARGEST_TRACK = 120_000_000
const EARTH_M = 6_371_000
/** a pause in the track longer than this is a stop, s */
const GAP_S = 60
/** no machine of ours is faster, m/s; such jumps are the receiver's */
const FASTEST_MS = 60
/** grades are told over at least so many metres: a receiver's heights jump */
const GRADE_OVER_M = 40
const STANDS_BELOW_MS = 0.5
/** steeper than this nothing is driven */
const STEEPEST = 0.6

const pointSchema = z.looseObject({
  '@_lat': z.coerce.number().min(-90).max(90),
  '@_lon': z.coerce.number().min(-180).max(180),
  ele: z.coerce.number().optional().catch(undefined),
  time: z.coerce.string().optional().catch(undefined),
})
interface Point {
  readonly lat: number
  readonly lon: number
  readonly ele: number | null
  readonly at: number | null
}

const radians = (degrees: number): number => (degrees * Math.PI) / 180

/** Great-circle distance, m. */
export function distance(a: Pick<Point, 'lat' | 'lon'>, b: Pick<Point, 'lat' | 'lon'>): number {
  const h =
    Math.sin(radians(b.lat - a.lat) / 2) ** 2 +
    Math.cos(radians(a.lat)) * Math.cos(radians(b.lat)) * Math.sin(radians(b.lon - a.lon) / 2) ** 2
  return 2 * EARTH_M * Math.asin(Math.min(1, Math.sqrt(h)))
}

function listOf(value: unknown): unknown[] {
  if (Array.isArray(value)) return value as unknown[]
  return value === undefined || value === '' ? [] : [value]
}
const child = (value: unknown, key: string): unknown[] => listOf((value as Record<string, unknown> | null)?.[key])

/**
 * A GPX track as a day: speed, grade and height of each stretch.
 * @param slowMs how fast it is taken to go where the track has no times
 * @see engineering §4
 */
export function readGpx(text: string, slowMs: number): DayFile {
  if (text.length > LARGEST_TRACK) return { ok: false, message: say`This track is too large: cut it into days.` }
  let root: unknown
  try {
    root = new XMLParser({
      ignoreAttributes: false,
      parseTagValue: false,
      parseAttributeValue: false,
      processEntities: false,
    }).parse(text)
  } catch {
    return { ok: false, message: say`This is not a GPX track: it is not even well-formed XML.` }
  }
  const gpx = (root as { gpx?: unknown }).gpx
  if (typeof gpx !== 'object' || gpx === null)
    return { ok: false, message: say`This is not a GPX track: there is no <gpx> in it.` }
  const tracks = child(gpx, 'trk')
  const raw = [
    ...tracks.flatMap((t) => child(t, 'trkseg').flatMap((s) => child(s, 'trkpt'))),
    ...(tracks.length ? [] : child(gpx, 'rte').flatMap((r) => child(r, 'rtept'))),
  ]
  const points: Point[] = []
  let unread = 0
  let strange = 0
  for (const p of raw) {
    const read = pointSchema.safeParse(p)
    if (!read.success) {
      unread++
      continue
    }
    const at = read.data.time === undefined ? Number.NaN : Date.parse(read.data.time)
    const { ele = null } = read.data
    const [lowest, highest] = legEnds.heightM
    const possible = ele === null || (ele >= lowest && ele <= highest)
    if (!possible) strange++
    points.push({
      lat: read.data['@_lat'],
      lon: read.data['@_lon'],
      ele: possible ? ele : null,
      at: Number.isNaN(at) ? null : at / 1000,
    })
  }
  if (points.length < 2) return { ok: false, message: say`This track has fewer than two points.` }
  const notes: string[] = []
  if (!/<\/gpx\s*>\s*$/.test(text) && !/<gpx[^>]*\/>\s*$/.test(text))
    notes.push(say`The file ends in the middle: it was cut off, and the way home may be missing.`)
  if (strange)
    notes.push(
      say`${strange} ${strange === 1 ? say`point has a height` : say`points have heights`} that cannot be (below
        ${legEnds.heightM[0]} m or above ${legEnds.heightM[1]} m): taken from the points beside.`,
    )
  if (unread) notes.push(say`${unread} points could not be read and were left out.`)
  const timed = points.filter((p) => p.at !== null)
  const withTimes = timed.length >= 0.5 * points.length && timed.length >= 2
  if (!withTimes) notes.push(say`The track has no times: it is taken to go at slow work’s speed all the way.`)
  const used = withTimes ? timed : points
  const high = used.filter((p) => p.ele !== null).length
  const withHeights = high >= 0.5 * used.length
  if (!withHeights) notes.push(say`The track has no heights: it is taken as level, at the height of the job.`)
  const samples = samplesOf(used, withTimes, withHeights, slowMs, notes)
  if (!samples.length)
    return { ok: false, message: say`This track goes nowhere: its points have no time or distance between them.` }
  const long = tooLong(samples)
  if (long) return { ok: false, message: long }
  const named = (tracks[0] as { name?: unknown } | undefined)?.name
  const { day, joined } = reduced(samples, typeof named === 'string' ? named : say`a track`, 'track', STANDS_BELOW_MS)
  if (joined > 0) notes.push(say`${points.length} points, joined to ${day.legs.length} legs.`)
  return { ok: true, day, notes }
}

function samplesOf(
  points: readonly Point[],
  withTimes: boolean,
  withHeights: boolean,
  slowMs: number,
  notes: string[],
): DaySample[] {
  const samples: DaySample[] = []
  let [backward, gaps, jumps] = [0, 0, 0]
  let before = points[0]!
  // grade over the last stretch of some length
  let foot = { ele: before.ele, along: 0 }
  let [along, grade] = [0, 0]
  for (const p of points.slice(1)) {
    const d = distance(before, p)
    const seconds = withTimes ? p.at! - before.at! : d / Math.max(slowMs, 0.5)
    if (seconds <= 0) {
      if (withTimes) backward++
      continue
    }
    const speed = d / seconds
    if (speed > FASTEST_MS) {
      jumps++
      before = { ...p }
      continue
    }
    along += d
    if (withHeights && p.ele !== null) {
      foot.ele ??= p.ele
      if (along - foot.along >= GRADE_OVER_M) {
        grade = Math.min(STEEPEST, Math.max(-STEEPEST, (p.ele - foot.ele) / (along - foot.along)))
        foot = { ele: p.ele, along }
      }
    }
    const rest = { loadShare: null, rpm: null, airC: null, heightM: withHeights ? (p.ele ?? before.ele) : null }
    if (withTimes && seconds > GAP_S && speed < STANDS_BELOW_MS) {
      gaps++
      samples.push({ seconds, speedMs: 0, grade: null, ...rest })
    } else samples.push({ seconds, speedMs: speed, grade, ...rest })
    before = p
  }
  if (backward) notes.push(say`${backward} points stand at a time that was already past; they were left out.`)
  if (jumps) notes.push(say`${jumps} jumps faster than ${Math.round(FASTEST_MS * 3.6)} km/h were left out.`)
  if (gaps) notes.push(say`${gaps} pauses of more than a minute count as standing with the engine idling.`)
  return samples
}
