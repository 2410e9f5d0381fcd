import { feltLevels, type Job, type Observation, observationFigures } from '../job'
import { complaintSeen, type Felt, isFelt, sigmaOf, type Watched } from './seen'
import { say } from '../words'

/** 5th to 95th of a normal distribution, in σ each way */
const Z = 1.645
/** air that differs by no more is the same day, K; so much of a temperature says nothing (estimates) */
export const LIKE_AIR_K = 5
const LIKE_FROM_K = 2
/** watched for times that differ by no more than this factor is watched alike */
const LIKE_TIME = 1.5
/** where nobody says what was waited for, it is held against boiling, °C */
const HOT_C = 100

export type Told = 'better' | 'worse' | 'no difference' | 'not comparable'

/** One thing seen before the fan was fitted and again with it. */
export interface BeforeAfter {
  readonly before: Watched | Felt
  readonly after: Watched | Felt
  readonly told: Told
  /** why the two cannot be compared; null where they can */
  readonly because: string | null
  /** what it is compared in: times as long, K, share of the time, levels of what is felt */
  readonly in: 'times' | 'kelvins' | 'volts' | 'levels'
  /** after against before, 5th, middle and 95th; no upper end where it was never come to; null: not comparable */
  readonly change: { readonly low: number; readonly middle: number; readonly high: number | null } | null
}

const minutesIn = ({ forS }: Watched): number | null => forS

/** Why two things seen are not alike; null where they are. */
function unlike(before: Watched, after: Watched): string | null {
  if (before.work !== after.work) return say`another kind of work`
  if (Math.abs(before.airC - after.airC) > LIKE_AIR_K)
    return say`the air differs by ${Math.round(Math.abs(before.airC - after.airC))} K`
  const apart = (a: number | null, b: number | null): boolean =>
    a !== null && b !== null && Math.abs(a - b) > LIKE_FROM_K
  if (apart(before.fromC, after.fromC) || apart(before.toC, after.toC)) return say`between other temperatures`
  const [a, b] = [minutesIn(before), minutesIn(after)]
  if (observationFigures[before.kind] !== 'afterS' && a !== null && b !== null && Math.max(a / b, b / a) > LIKE_TIME)
    return say`watched for another time`
  return null
}

function told(low: number, high: number, none: number, moreIsBetter: boolean): Told {
  if (low <= none && high >= none) return 'no difference'
  return low > none === moreIsBetter ? 'better' : 'worse'
}

/** kinds of which a longer time is the better one */
const longerIsBetter = ({ kind }: Watched): boolean => kind !== 'fall' && kind !== 'after-run'

/** So much of a time hangs on the air's being another: what is left up to the temperature that was waited for. */
const airShare = (before: Watched, after: Watched): number =>
  Math.abs(before.airC - after.airC) / Math.max(20, (after.toC ?? before.toC ?? HOT_C) - before.airC)

type Compared = Pick<BeforeAfter, 'told' | 'in' | 'change'>

function ratio(before: Watched, after: Watched): Compared | null {
  const from = before.seen
  // what was never come to has no ratio but the other way round
  if (from === null) return null
  const never = after.seen === null
  const to = after.seen ?? minutesIn(after)
  if (to === null) return null
  const sigma = Math.hypot(sigmaOf(before), never ? 0 : sigmaOf(after), airShare(before, after))
  const middle = to / from
  const [low, high] = [middle * Math.exp(-Z * sigma), middle * Math.exp(Z * sigma)]
  const end = never ? Number.POSITIVE_INFINITY : high
  return {
    told: told(low, end, 1, longerIsBetter(after)),
    in: 'times',
    change: { low, middle, high: never ? null : high },
  }
}

/** A temperature counts over its own air; a share or a voltage as it stands. */
function difference(before: Watched, after: Watched): Compared | null {
  if (before.seen === null || after.seen === null) return null
  const volts = observationFigures[after.kind] === 'volts'
  const middle = volts ? after.seen - before.seen : after.seen - after.airC - (before.seen - before.airC)
  const spread = Z * Math.hypot(sigmaOf(before), sigmaOf(after))
  const [low, high] = [middle - spread, middle + spread]
  return { told: told(low, high, 0, volts), in: volts ? 'volts' : 'kelvins', change: { low, middle, high } }
}

function comparedFigures(before: Watched, after: Watched): Compared | null {
  switch (observationFigures[after.kind]) {
    case 'afterS':
      return ratio(before, after)
    case 'share': {
      const found = ratio(before, after)
      // a fan that runs for less of the time is the better one
      const swapped = { better: 'worse', worse: 'better' } as const
      return found && (found.told === 'better' || found.told === 'worse')
        ? { ...found, told: swapped[found.told] }
        : found
    }
    default:
      return difference(before, after)
  }
}

const notComparable = (before: BeforeAfter['before'], after: BeforeAfter['after'], because: string): BeforeAfter => ({
  before,
  after,
  told: 'not comparable',
  because,
  in: 'times',
  change: null,
})

function ofWatched(before: Watched, after: Watched): BeforeAfter {
  const because = unlike(before, after)
  if (because) return notComparable(before, after, because)
  const found = comparedFigures(before, after)
  return found
    ? { before, after, because: null, ...found }
    : notComparable(before, after, say`it was never come to before, and so there is nothing to hold it against`)
}

const sameWords = (a: string, b: string): boolean => a.trim().toLowerCase() === b.trim().toLowerCase()

function ofFelt(before: Felt, after: Felt): BeforeAfter {
  if (!sameWords(before.place, after.place)) return notComparable(before, after, say`felt at another place`)
  const middle = (after.seen ?? 0) - (before.seen ?? 0)
  const most = feltLevels.length - 1
  // a level is an order: one step is told, how much air that is is not
  return {
    before,
    after,
    told: told(middle, middle, 0, true),
    because: null,
    in: 'levels',
    change: { low: Math.max(-most, middle), middle, high: Math.min(most, middle) },
  }
}

const counts = (o: Observation): boolean => !o.doubted

/** How alike two things are: the pair that can be compared first, then the nearest air. */
const nearer = (a: BeforeAfter, b: BeforeAfter): BeforeAfter => {
  if ((a.because === null) !== (b.because === null)) return a.because === null ? a : b
  const apart = (p: BeforeAfter): number => Math.abs(p.before.airC - p.after.airC)
  return apart(b) < apart(a) ? b : a
}

/**
 * Everything that was seen with the fan, each beside what is most like it from before: how much better, with how sure
 * that is, or why the two cannot be compared. Only what was seen is compared, no reading and no run.
 * @returns one for each thing seen as fitted of which there is something of the same kind from before
 * @see engineering §0, before and after
 */
export function beforeAndAfter(job: Job): BeforeAfter[] {
  const complaint = job.complaint.doubted ? null : complaintSeen(job)
  // that it got too hot, without saying when, is no figure
  const first = complaint && !complaint.sometime && complaint.underK === undefined ? [complaint] : []
  const seen = [...first, ...job.observations.filter(counts)] as (Watched | Felt)[]
  return seen
    .filter((o) => o.state === 'as fitted')
    .flatMap((after) => {
      const pairs = seen
        .filter((o) => o.state === 'as it came' && o.kind === after.kind)
        .map((before) =>
          isFelt(before) && isFelt(after) ? ofFelt(before, after) : ofWatched(before as Watched, after as Watched),
        )
      return pairs.length ? [pairs.reduce(nearer)] : []
    })
}
