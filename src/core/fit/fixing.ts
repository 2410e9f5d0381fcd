/** A hole of a fan's frame, from the fan's middle, m. */
export interface Hole {
  readonly x: number
  readonly y: number
}

/**
 * Fixing holes evenly on their circle; four of them stand in the corners.
 * @param turnedDeg clockwise
 * @see engineering §7
 * @example holesOf(4, 0.2).length //=> 4
 */
export function holesOf(count: number, circleM: number, turnedDeg = 0): Hole[] {
  const first = (count === 4 ? 45 : -90) + turnedDeg
  return Array.from({ length: count }, (_, i) => {
    const a = ((first + (360 * i) / count) * Math.PI) / 180
    return { x: (circleM / 2) * Math.cos(a), y: (circleM / 2) * Math.sin(a) }
  })
}

/**
 * Ties go between tubes, in the middle of a gap; tubes stand at whole pitches from the core's left edge.
 * @example nearestGap(0.011, 0.01) //=> 0.015
 */
export const nearestGap = (xM: number, pitchM: number): number => (Math.floor(xM / pitchM) + 0.5) * pitchM

/**
 * How far the worst of a fan's holes is from the gap that its tie goes through, with the fan's middle at x.
 * @returns m
 */
export const offTheGaps = (xM: number, holes: readonly Hole[], pitchM: number): number =>
  Math.max(...holes.map((h) => Math.abs(xM + h.x - nearestGap(xM + h.x, pitchM))))

const STEPS = 60

/**
 * The place close by, sideways, where every tie comes nearest to the middle of a gap between tubes.
 * @returns the fan's middle from the core's left, m, and how far the worst hole is off there
 * @see engineering §7
 */
export function snapToGaps(
  xM: number,
  holes: readonly Hole[],
  pitchM: number,
): { readonly xM: number; readonly offM: number } {
  let best = { xM, offM: offTheGaps(xM, holes, pitchM) }
  for (let i = -STEPS; i <= STEPS; i++) {
    const x = xM + (i / STEPS) * (pitchM / 2)
    const offM = offTheGaps(x, holes, pitchM)
    if (offM < best.offM - 1e-9 || (Math.abs(offM - best.offM) < 1e-9 && Math.abs(x - xM) < Math.abs(best.xM - xM)))
      best = { xM: x, offM }
  }
  return best
}

/** a bolt finds its hole within this, m (estimate) */
const SLACK_M = 0.0015

export interface Engagement {
  /** fixing points of the new fan that meet one of the old housing's */
  readonly engaged: number
  readonly of: number
  /** how far to turn the new fan clockwise, degrees; every way that engages as many */
  readonly turns: readonly number[]
}

/**
 * How many of a fan's fixing points meet those of the housing it goes into, and how to turn it.
 * @see engineering §7
 * @example engagement({ count: 3, circleM: 0.14 }, { count: 6, circleM: 0.14 }).engaged //=> 3
 */
export function engagement(
  fan: { readonly count: number; readonly circleM: number },
  housing: { readonly count: number; readonly circleM: number },
): Engagement {
  const points = holesOf(housing.count, housing.circleM)
  const meets = (turn: number): number =>
    holesOf(fan.count, fan.circleM, turn).filter((h) => points.some((p) => Math.hypot(h.x - p.x, h.y - p.y) <= SLACK_M))
      .length
  const tried = Array.from({ length: 360 }, (_, turn) => ({ turn, n: meets(turn) }))
  const engaged = Math.max(...tried.map((t) => t.n))
  // a bolt's slack lets a degree or so either way pass: of each such stretch the middle one is told
  const good = tried.filter((t) => t.n === engaged).map((t) => t.turn)
  const stretches: number[][] = []
  for (const turn of engaged ? good : []) {
    const last = stretches.at(-1)
    if (last && turn === last.at(-1)! + 1) last.push(turn)
    else stretches.push([turn])
  }
  if (stretches.length > 1 && stretches[0]![0] === 0 && stretches.at(-1)!.at(-1) === 359)
    stretches[0]!.unshift(...stretches.pop()!.map((t) => t - 360))
  return {
    engaged,
    of: fan.count,
    turns: stretches.length > 20 ? [0] : stretches.map((s) => (s[Math.floor((s.length - 1) / 2)]! + 360) % 360),
  }
}

/**
 * Longest screw into a side channel: through bracket and washer, a millimetre short of its bottom.
 * @see engineering §7
 * @example longestScrew(0.003, 0.001, 0.008) //=> 0.011
 */
export const longestScrew = (bracketM: number, washerM: number, channelM: number): number =>
  bracketM + washerM + channelM - 0.001

/** ties are led through the core and back, with their head, m (estimate) */
const TIE_HEAD_M = 0.03

/** Length of tie that one corner takes: there and back through core, foam and frame. @see engineering §7 */
export const tieLength = (coreM: number, foamM: number, frameM: number): number =>
  2 * (coreM + foamM + frameM) + TIE_HEAD_M
