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
/** a brushless fan stands below this share of its rated voltage (estimate) */
export const CUT_OUT_SHARE = 0.5
export const SOFT_START = 1.2

/** R in ohm, k in V, c in W and I₀ in A of V = I R + k ω and k (I − I₀) = c ω². */
export interface MotorConstants {
  readonly r: number
  readonly k: number
  readonly c: number
  readonly i0: number
}

/**
 * R, k, c and I₀ of a permanent-magnet motor.
 * @see engineering §1.6
 * @example motorConstants({ ratedV: 12, ratedA: 5, lockedA: 20 }) //=> { r: 0.6, k: 9, i0: 0.5, c: 40.5 }
 */
export function motorConstants({ ratedV, ratedA, lockedA }: FanRating): MotorConstants {
  const i0 = IDLE_SHARE * ratedA
  const r = ratedV / Math.max(lockedA ?? LOCKED_RATIO * ratedA, 1.05 * ratedA)
  const k = ratedV - ratedA * r
  return { r, k, c: k * (ratedA - i0), i0 }
}

export interface Running {
  readonly currentA: number
  readonly speed: number
}

/**
 * Steady speed and current of a fan at a voltage behind a resistance.
 * @param supplyV at the source; may be negative (swapped wires: with brushes it runs backwards, without it stands)
 * @param seriesOhm everything between source and fan
 * @returns current in A, speed relative to the rating
 * @see engineering §1.6
 * @example runningFan({ ratedV: 12, ratedA: 5, lockedA: 20 }, 12).speed //=> 1
 */
export function runningFan(rating: FanRating, supplyV: number, seriesOhm = 0): Running {
  if (rating.motor === 'brushless') {
    const powerW = rating.ratedV * rating.ratedA
    const inside = supplyV ** 2 - 4 * seriesOhm * powerW
    const reaches = inside < 0 ? 0 : (supplyV + Math.sqrt(inside)) / 2
    // swapped wires, or too little to start on
    return reaches < CUT_OUT_SHARE * rating.ratedV
      ? { currentA: 0, speed: 0 }
      : { currentA: powerW / reaches, speed: 1 }
  }
  if (supplyV < 0) {
    const forward = runningFan(rating, -supplyV, seriesOhm)
    return { currentA: -forward.currentA, speed: -forward.speed }
  }
  const { r, k, c, i0 } = motorConstants(rating)
  const ohm = r + seriesOhm
  if (supplyV <= ohm * i0) return { currentA: supplyV / ohm, speed: 0 }
  const a = (ohm * c) / k
  const speed = (2 * (supplyV - ohm * i0)) / (k + Math.sqrt(k * k + 4 * a * (supplyV - ohm * i0)))
  return { currentA: i0 + (c / k) * speed ** 2, speed }
}

/**
 * Static curve of a fan at its own terminals: current and its slope over voltage, for Newton's method.
 * @returns A and A/V; a brushless fan holds its power down to its cut-out voltage, and takes nothing below it or
 *   backwards
 * @see engineering §1.6
 */
export function motorCurve(
  rating: FanRating,
  volts: number,
): { readonly currentA: number; readonly slope: number; readonly speed: number } {
  if (rating.motor === 'brushless') {
    if (volts < CUT_OUT_SHARE * rating.ratedV) return { currentA: 0, slope: 0, speed: 0 }
    const currentA = (rating.ratedV * rating.ratedA) / volts
    return { currentA, slope: -currentA / volts, speed: 1 }
  }
  if (volts < 0) {
    const { currentA, slope, speed } = motorCurve(rating, -volts)
    return { currentA: -currentA, slope, speed: -speed }
  }
  const { r, k, c, i0 } = motorConstants(rating)
  const beyond = volts - r * i0
  if (beyond <= 0) return { currentA: volts / r, slope: 1 / r, speed: 0 }
  const a = (r * c) / k
  const speed = (2 * beyond) / (k + Math.sqrt(k * k + 4 * a * beyond))
  return { currentA: i0 + (c / k) * speed ** 2, slope: (2 * (c / k) * speed) / (k + 2 * a * speed), speed }
}

/**
 * Current of a fan that is held fast, A. A brushless fan limits itself.
 * @see engineering §1.6
 * @example jammedCurrent({ ratedV: 12, ratedA: 5, lockedA: 20 }, 12) //=> 20
 */
export function jammedCurrent(rating: FanRating, supplyV: number, seriesOhm = 0): number {
  if (rating.motor === 'brushless') return SOFT_START * rating.ratedA
  return supplyV / (motorConstants(rating).r + seriesOhm)
}

/**
 * First instant of a start, A: the jammed current, or a soft start.
 * @example startingCurrent({ ratedV: 12, ratedA: 5, lockedA: 20 }, 12) //=> 20
 */
export const startingCurrent = jammedCurrent

/**
 * Time constant of a start, s (estimate).
 * @see engineering §1.6
 * @example startTimeConstant(0.14) //=> 0.15
 */
export function startTimeConstant(diameterM: number): number {
  if (diameterM <= 0.15) return 0.15
  return diameterM <= 0.3 ? 0.25 : 0.35
}
