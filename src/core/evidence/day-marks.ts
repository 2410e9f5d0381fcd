import type { Job } from '../job'
import { type ChartedRuns, type Circumstances, dayOf } from '../run'
import { rowAt, type RunView } from '../transient'
import { LIKE_AIR_K } from './before-after'
import { apartBecause, complaintApart, complaintSeen, isFelt, type Watched } from './seen'
import { say } from '../words'

/** it begins as warm, so many K apart, or its time is another's (estimate) */
const LIKE_START_K = 6

/** One thing that was seen, at its place in a day that was run. */
export interface DayMark {
  readonly seen: Watched
  /** from the day's beginning, s */
  readonly atS: number
  readonly c: number
  /** it had not come so far: it stayed below */
  readonly below: boolean
  /** the run of the machine as it was then, at that moment, °C */
  readonly runC: number
}

/** What was seen, and why it has no place in this day. */
export interface NoMark {
  readonly seen: Watched
  readonly because: string
  /** the air of the day's own piece of that work, °C, where that is why */
  readonly dayAirC: number | null
}

interface Place {
  readonly run: RunView
  readonly fromS: number
  readonly toS: number
  /** it boils, or is hotter than it may be */
  readonly mostC: number
}

const hotAt = (run: RunView, s: number): number => run.rows.hot[rowAt(run, s)]!

/** The first piece of the day of the same work in like air, of the run of the machine as it was then. */
function placeOf(job: Job, runs: ChartedRuns, seen: Watched): Place | Omit<NoMark, 'seen'> {
  const run = seen.state === 'as fitted' ? runs.proposed : (runs.present ?? runs.none)
  if (!run) return { because: say`no run of that machine is drawn`, dayAirC: null }
  const { legs } = dayOf(job)
  const work = seen.afterOff ? 'off' : seen.work
  const alike = run.legs.filter((_, i) => legs[i]?.work === work)
  const [first] = alike
  if (!first) return { because: say`the day has no such work`, dayAirC: null }
  const found = alike.find(({ leg }) => Math.abs(leg.airC - seen.airC) <= LIKE_AIR_K)
  if (!found) return { because: say`in other air`, dayAirC: first.leg.airC }
  const { boilsC, seconds } = found.leg
  // a bay does not boil: its complaint is that it gets hotter than it may
  const mostC = job.bay ? job.bay.allowedC.value : boilsC
  return { run, fromS: found.fromS, toS: found.fromS + seconds, mostC }
}

type Point = Omit<DayMark, 'seen' | 'runC'>

/** So long into the piece, s from the day's beginning; null where the piece is shorter. */
const into = ({ fromS, toS }: Place, after: number | null): number | null =>
  after !== null && fromS + after <= toS + 1 ? Math.min(toS, fromS + after) : null

const SHORTER = say`the day’s piece of it is shorter`

/** When it got too hot, or had not. */
function boiledAt(job: Job, seen: Watched, place: Place): Point | string {
  if (seen.sometime) return say`nobody said when`
  const atS = into(place, seen.seen ?? seen.forS)
  if (atS === null) return SHORTER
  const opensC = (job.cooling && job.engine?.thermostatOpensC?.value) ?? null
  const beganC = seen.afterOff ? null : (seen.fromC ?? opensC)
  if (beganC !== null && Math.abs(hotAt(place.run, place.fromS) - beganC) > LIKE_START_K)
    return say`there it begins at another temperature`
  return { atS, c: place.mostC - (seen.underK ?? 0), below: seen.seen === null }
}

function warmedUpAt(seen: Watched, place: Place): Point | string {
  const cold = place.fromS === 0 && Math.abs(hotAt(place.run, 0) - seen.airC) <= LIKE_START_K
  if (!cold || seen.seen === null || seen.toC === null) return say`the day does not begin so cold`
  const atS = into(place, seen.seen)
  return atS === null ? SHORTER : { atS, c: seen.toC, below: false }
}

/** When it was seen in that piece, and what stood there; words where it has no such place. */
function pointOf(job: Job, seen: Watched, place: Place): Point | string {
  switch (seen.kind) {
    case 'boiled':
      return boiledAt(job, seen, place)
    case 'hottest':
    case 'temperature': {
      const c = seen.seen ?? seen.toC
      if (c === null) return say`no temperature was noted`
      // so long into it, or where it ends: that is where it stands longest
      return { atS: into(place, seen.forS) ?? place.toS, c, below: seen.kind === 'hottest' }
    }
    case 'warm-up':
      return warmedUpAt(seen, place)
    case 'rise':
    case 'fall':
      return say`its fan was held on or off for it`
    default:
      return say`it is no temperature of the chart`
  }
}

const OTHERWISE = { because: say`the day is supposed otherwise`, dayAirC: null } as const

/**
 * Everything that was watched of a job, at its place in the day that is drawn: the same work, air within 5 K, begun as
 * warm; and what has none, with why. What is doubted or tells nothing of this job is left out.
 * @param whatIf what is supposed of the day: a day that never was has nothing that was seen
 * @see engineering §4
 */
export function dayMarks(
  job: Job,
  runs: ChartedRuns,
  whatIf: Circumstances['whatIf'],
): { readonly marks: readonly DayMark[]; readonly apart: readonly NoMark[] } {
  const complaint = complaintApart(job) === null ? complaintSeen(job) : null
  const watched = [
    ...(complaint ? [complaint] : []),
    ...job.observations.filter((o) => !isFelt(o) && apartBecause(job, o) === null),
  ] as Watched[]
  const marks: DayMark[] = []
  const apart: NoMark[] = []
  for (const seen of watched) {
    const place = whatIf === 'as it is' ? placeOf(job, runs, seen) : OTHERWISE
    if ('because' in place) {
      apart.push({ seen, ...place })
      continue
    }
    const point = pointOf(job, seen, place)
    if (typeof point === 'string') apart.push({ seen, because: point, dayAirC: null })
    else marks.push({ seen, ...point, runC: hotAt(place.run, point.atS) })
  }
  return { marks, apart }
}
