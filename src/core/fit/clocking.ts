const TURN = 360

/** How a foreign motor is turned in a housing so that it keeps away from everything as evenly as it can. */
export interface Clocking {
  /** clockwise from where the angles were read, degrees, 0 ≤ turn < 360 */
  readonly turnDeg: number
  /** least angle between a lug of the motor and anything of the housing, degrees */
  readonly apartDeg: number
  /** the same along the circle, less half of what each is wide, m; negative: they meet */
  readonly leftM: number
}

const wrapped = (deg: number): number => ((deg % TURN) + TURN) % TURN

/**
 * The turn of a foreign motor in a housing at which its lugs keep furthest from the housing's posts, ribs and screws:
 * the middle of the widest gap between the turns at which some lug meets something.
 * @param lugs   angles of what stands out on the motor, degrees
 * @param posts  angles of what stands in the housing's way, degrees
 * @param circle radius at which they pass each other, and what each is wide there, m
 * @throws RangeError where there is nothing to turn or to keep from, or a figure is not finite
 * @see engineering §7
 * @example clocking([0, 180], [10, 190], { radiusM: 0.05, lugM: 0.01, postM: 0.01 }).turnDeg //=> 100
 */
export function clocking(
  lugs: readonly number[],
  posts: readonly number[],
  circle: { readonly radiusM: number; readonly lugM: number; readonly postM: number },
): Clocking {
  const { radiusM, lugM, postM } = circle
  if (!lugs.length || !posts.length || ![...lugs, ...posts, radiusM, lugM, postM].every(Number.isFinite))
    throw new RangeError('a motor has a lug at least, a housing something in its way')
  const meets = [...new Set(lugs.flatMap((l) => posts.map((p) => wrapped(p - l))))].sort((a, b) => a - b)
  const gaps = meets.map((from, i) => ({ from, wide: (meets[i + 1] ?? meets[0]! + TURN) - from }))
  const { from, wide } = gaps.reduce((best, g) => (g.wide > best.wide + 1e-9 ? g : best))
  const apartDeg = wide / 2
  return {
    turnDeg: wrapped(from + apartDeg),
    apartDeg,
    leftM: ((apartDeg * Math.PI) / 180) * radiusM - (lugM + postM) / 2,
  }
}
