import { term, worked, type Worked } from '../reading'
import { say } from '../words'

/** Standard blade ratings, A. @see engineering §1.4 */
export const bladeRatings = [1, 2, 3, 4, 5, 7.5, 10, 15, 20, 25, 30, 40] as const

/** The smallest blade fuse that a coil and a controller leave cool, for wires that carry signals, A. */
export const TAP_FUSE_A = 3

/** What is proposed: blade fuses, and large ones where those end, A. */
export const fuseRatings = [...bladeRatings, 50, 60, 70, 80, 100] as const

const RATIOS = [1.1, 1.35, 1.6, 2, 3.5, 6]
const SHORTEST = [360_000, 0.75, 0.25, 0.15, 0.04, 0.02]
const LONGEST = [Number.POSITIVE_INFINITY, 600, 50, 5, 0.5, 0.1]
const LOG_RATIOS = RATIOS.map(Math.log)
const LOG_SHORTEST = SHORTEST.map(Math.log)
const LOG_LONGEST = LONGEST.map(Math.log)
/**
 * the middle of the gate, √(shortest · longest); where the slow edge is endless, as far from the fast edge as at 1.35
 */
const LOG_MIDDLE = LOG_SHORTEST.map((s, i) => (i === 0 ? s + Math.log(28.3) : (s + LOG_LONGEST[i]!) / 2))
const LAST = RATIOS.length - 1

/** log of the time at a ratio, straight in log over log between the columns; held beyond the last */
function logTime(logRatio: number, times: readonly number[]): number {
  if (logRatio >= LOG_RATIOS[LAST]!) return times[LAST]!
  let i = 0
  while (logRatio > LOG_RATIOS[i + 1]!) i++
  const from = times[i]!
  const to = times[i + 1]!
  if (from === Number.POSITIVE_INFINITY) return logRatio >= LOG_RATIOS[i + 1]! ? to : from
  return from + ((to - from) * (logRatio - LOG_RATIOS[i]!)) / (LOG_RATIOS[i + 1]! - LOG_RATIOS[i]!)
}

/**
 * Shortest and longest time in which a blade fuse opens (SAE J1284 / ISO 8820-3).
 * @param ratio current over the rating I_n
 * @returns s; both endless below 1.10, the longest endless below 1.35
 * @see engineering §1.4
 * @example fuseGate(2).longestS //=> 5
 */
export function fuseGate(ratio: number): { readonly shortestS: number; readonly longestS: number } {
  if (ratio < RATIOS[0]!) return { shortestS: Number.POSITIVE_INFINITY, longestS: Number.POSITIVE_INFINITY }
  const x = Math.log(ratio)
  return { shortestS: Math.exp(logTime(x, LOG_SHORTEST)), longestS: Math.exp(logTime(x, LOG_LONGEST)) }
}

/**
 * Where most real fuses open.
 * @returns s; endless below 1.10
 * @see engineering §1.4
 * @example fuseMiddle(2) //=> 0.866
 */
export const fuseMiddle = (ratio: number): number =>
  ratio < RATIOS[0]! ? Number.POSITIVE_INFINITY : Math.exp(logTime(Math.log(ratio), LOG_MIDDLE))

export interface Start {
  readonly runningA: number
  readonly startingA: number
  readonly timeConstantS: number
}

/** Gauss–Legendre, four points on −1…1 */
const NODES = [-0.8611363115940526, -0.3399810435848563, 0.3399810435848563, 0.8611363115940526]
const WEIGHTS = [0.3478548451374538, 0.6521451548625461, 0.6521451548625461, 0.3478548451374538]
/** a running current that would itself open the fuse is followed for this many time constants */
const LONGEST_START = 12

/**
 * Share of a fuse's life at one start: the integral of dt over the time it would stand each current.
 * Worked out piece by piece between the columns of the gate, where it is smooth.
 * @param edge `middle` for wear, `fast` for a fuse at the fast edge of the standard
 * @returns 0 and up; 1 opens it
 * @see engineering §1.4, §1.6: i(t) = I_run + (I_start − I_run)·e^(−t/τ)
 */
export function startWear(
  { runningA, startingA, timeConstantS }: Start,
  ratingA: number,
  edge: 'middle' | 'fast',
): number {
  const times = edge === 'middle' ? LOG_MIDDLE : LOG_SHORTEST
  const span = startingA - runningA
  if (span <= 0) return 0
  const endRatio = Math.max(RATIOS[0]!, (runningA + span * Math.exp(-LONGEST_START)) / ratingA)
  const startRatio = startingA / ratingA
  if (startRatio <= endRatio) return 0
  /** time, in time constants, at which the current has fallen to a ratio */
  const timeAt = (ratio: number): number => Math.log(span / (ratio * ratingA - runningA))
  const stops = [startRatio, ...RATIOS.filter((r) => r < startRatio && r > endRatio).reverse(), endRatio].map(timeAt)
  let sum = 0
  for (let n = 1; n < stops.length; n++) {
    const half = (stops[n]! - stops[n - 1]!) / 2
    const middle = (stops[n]! + stops[n - 1]!) / 2
    for (let k = 0; k < NODES.length; k++) {
      const current = runningA + span * Math.exp(-(middle + half * NODES[k]!))
      sum += half * WEIGHTS[k]! * Math.exp(-logTime(Math.log(current / ratingA), times))
    }
  }
  return sum * timeConstantS
}

/**
 * Largest current that a fuse carries for good.
 * @param ambientC surroundings of the fuse
 * @returns A
 * @see engineering §1.4
 * @example fuseCarries(10, 25).value //=> 7.5
 */
export function fuseCarries(ratingA: number, ambientC: number): Worked {
  return worked(
    say`the fuse carries for good`,
    '0.75 × {0} × (1 − 0.0015 × ({1} − 25))',
    [term(say`fuse`, ratingA, 'current'), term(say`surroundings of the fuse`, ambientC, 'temperature')],
    0.75 * ratingA * (1 - 0.0015 * (ambientC - 25)),
    'current',
    '§1.4',
  )
}

export const OPENS_JAMMED_RATIO = 1.6
export const WEAR_ALLOWED = 0.3
export const POST_DISTANCE_M = 0.18

export interface FuseNeeds extends Start {
  readonly jammedA: number
  readonly ambientC: number
  readonly leastAllowedA: number
}

/** One rating held against what it must do. */
export interface FuseCheck {
  readonly ratingA: number
  readonly carries: boolean
  readonly survives: boolean
  readonly guards: boolean
  readonly fastEdge: boolean
  readonly opensJammed: boolean
  readonly wear: number
  readonly jammedLongestS: number
}

/** @see engineering §1.4 */
export function checkFuse(ratingA: number, needs: FuseNeeds): FuseCheck {
  const wear = startWear(needs, ratingA, 'middle')
  return {
    ratingA,
    carries: needs.runningA <= fuseCarries(ratingA, needs.ambientC).value,
    survives: wear <= WEAR_ALLOWED,
    guards: ratingA <= needs.leastAllowedA,
    fastEdge: startWear(needs, ratingA, 'fast') <= 1,
    opensJammed: needs.jammedA / ratingA >= OPENS_JAMMED_RATIO,
    wear,
    jammedLongestS: fuseGate(needs.jammedA / ratingA).longestS,
  }
}

/**
 * Smallest rating that carries, survives and protects without warning; failing that, the smallest that does so with
 * one.
 * @returns null where no rating will do
 * @see engineering §1.4
 */
export function chooseFuse(needs: FuseNeeds): FuseCheck | null {
  const fit = fuseRatings.map((r) => checkFuse(r, needs)).filter((c) => c.carries && c.survives && c.guards)
  return fit.find((c) => c.fastEdge && c.opensJammed) ?? fit[0] ?? null
}
