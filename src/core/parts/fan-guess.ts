import { typicalMaxPressure } from '../air'
import { typical, type Reading } from '../reading'

/** a ring frame is little wider than its blades, and nobody says by how much, m (estimates) */
const RIM_M = 0.002
const RIM_SPREAD_M = 0.006
/** corner to corner of the fixing holes against the frame's width: a square of holes a little inside it (estimate) */
const CIRCLE_SHARE = 1.3

/** to a tenth of a millimetre and finer: no noise of a sum */
const tidy = (m: number): number => Number(m.toPrecision(6))

/**
 * What a fan's seller usually leaves out, guessed from what is known of it (estimates).
 * @see engineering §2.3, §7
 */
export function fanGuesses(
  diameterM: number,
  housingM = diameterM + RIM_M,
): {
  readonly maxPressurePa: Reading
  readonly housingM: Reading
  readonly fixings: number
  readonly boltCircleM: Reading
} {
  return {
    maxPressurePa: typical(typicalMaxPressure(diameterM)),
    housingM: typical(tidy(housingM), RIM_SPREAD_M),
    fixings: 4,
    boltCircleM: typical(tidy(housingM * CIRCLE_SHARE), tidy(0.05 * housingM)),
  }
}
