/** A fan's nameplate, as its motor model needs it. Volts, amps, metres. */
export interface FanRating {
  readonly motor: 'brushed' | 'brushless'
  readonly ratedV: number
  readonly ratedA: number
  /** locked-rotor current; null where unknown (4 × rated, estimate) */
  readonly lockedA: number | null
  readonly diameterM: number
}

/** brushes and bearings take this share of the rated current (estimate) */
const IDLE_SHARE = 0.1
const LOCKED_RATIO = 4
const SOFT_START = 1.2

interface Constants { readonly r: number; readonly k: number; readonly c: number; readonly i0: number }

/** R, k, c and I₀ of a permanent-magnet motor. @see engineering §1.6 */
function constants({ ratedV, ratedA, lockedA }: FanRating): Constants {
  const i0 = IDLE_SHARE * ratedA
  const r = ratedV / Math.max(lockedA ?? LOCKED_RATIO * ratedA, 1.05 * ratedA)
  const k = ratedV - ratedA * r
  return { r, k, c: k * (ratedA - i0), i0 }
}

export interface Running { readonly currentA: number; readonly speed: number }

/**
 * Steady speed and current of a fan at a voltage behind a resistance.
 * @param supplyV at the source; may be negative (swapped wires: it runs backwards)
 * @param seriesOhm everything between source and fan
 * @returns current in A, speed relative to the rating
 * @see engineering §1.6
 */
export function runningFan(rating: FanRating, supplyV: number, seriesOhm = 0): Running {
  if (supplyV < 0) {
    const forward = runningFan(rating, -supplyV, seriesOhm)
    return { currentA: -forward.currentA, speed: -forward.speed }
  }
  if (rating.motor === 'brushless') {
    const powerW = rating.ratedV * rating.ratedA
    const inside = supplyV ** 2 - 4 * seriesOhm * powerW
    if (supplyV <= 0 || inside < 0) return { currentA: 0, speed: 0 }
    return { currentA: powerW / ((supplyV + Math.sqrt(inside)) / 2), speed: 1 }
  }
  const { r, k, c, i0 } = constants(rating)
  const ohm = r + seriesOhm
  if (supplyV <= ohm * i0) return { currentA: supplyV / ohm, speed: 0 }
  const a = (ohm * c) / k
  const speed = (2 * (supplyV - ohm * i0)) / (k + Math.sqrt(k * k + 4 * a * (supplyV - ohm * i0)))
  return { currentA: i0 + (c / k) * speed ** 2, speed }
}

/** Current of a fan that is held fast, A. A brushless fan limits itself. @see engineering §1.6 */
export function jammedCurrent(rating: FanRating, supplyV: number, seriesOhm = 0): number {
  if (rating.motor === 'brushless') return SOFT_START * rating.ratedA
  return supplyV / (constants(rating).r + seriesOhm)
}

/** First instant of a start, A: the jammed current, or a soft start. */
export const startingCurrent = jammedCurrent

/** Time constant of a start, s (estimate). @see engineering §1.6 */
export function startTimeConstant(diameterM: number): number {
  if (diameterM <= 0.15) return 0.15
  return diameterM <= 0.3 ? 0.25 : 0.35
}
