import { airPower, HUB_SHARE } from '../air'
import { percent } from '../units'
import type { FanPart } from './part'
import { say } from '../words'

/** small axial fans with their motors turn 15 to 40 % of what they take into moving air (estimate) */
const BEST_SHARE = 0.5

/** Whether a fan's motor can move what its box claims. */
export interface FlowClaim {
  /** of the power that it takes, what its flow and pressure would have to be */
  readonly share: number
  readonly verdict: 'can be' | 'doubtful' | 'cannot be'
}

/** A fan's flow and pressure held against the power that its label names. @see engineering §2.3 */
export function flowClaim(part: FanPart): FlowClaim {
  const annulus = (Math.PI / 4) * part.diameterM.value ** 2 * (1 - HUB_SHARE ** 2)
  const air = airPower({ freeFlow: part.freeFlowM3s.value, maxPressure: part.maxPressurePa.value }, annulus)
  const share = air / (part.ratedV * part.ratedA.value)
  if (share > 1) return { share, verdict: 'cannot be' }
  return { share, verdict: share > BEST_SHARE ? 'doubtful' : 'can be' }
}

/** What is wrong with a fan's claim of air, in a sentence; null where nothing is. */
export function flowClaimInWords(part: FanPart): string | null {
  const { share, verdict } = flowClaim(part)
  if (verdict === 'can be') return null
  return verdict === 'cannot be'
    ? say`Its flow and pressure would take ${percent(share, 2)} of the power on its label: one of the three is not
      true.`
    : say`Its flow and pressure would take ${percent(share, 2)} of the power on its label; small fans turn 15 to 40 %
      of it into moving air. Measure it before you count on it.`
}
