import type { ClaimKind } from '../job'
import { percent, type UnitSystem, worded } from '../units'
import type { ClaimHeld } from './claims'
import { say } from '../words'

/** "3.1 % gained, 0.4 to 5.8 %" */
export function gainInWords(gain: { readonly low: number; readonly middle: number; readonly high: number }): string {
  const p = (x: number): string => `${x < 0 ? '−' : ''}${percent(Math.abs(x), 2)}`
  return say`${p(gain.middle)}, between ${p(gain.low)} and ${p(gain.high)}`
}

export const claimNames: Readonly<Record<ClaimKind, string>> = { fuel: say`less fuel`, power: say`more power` }

/** What its runs say of a claim, in one sentence. */
export function heldInWords({ verdict, because, gain }: ClaimHeld, units: UnitSystem): string {
  if (because !== null) return say`No evidence: ${worded(because, units)}.`
  const found = gain ? gainInWords(gain) : ''
  switch (verdict) {
    case 'no difference':
      return say`No evidence of a gain: ${found}; that holds nothing as well.`
    case 'a loss':
      return say`A loss, not a gain: ${found}.`
    case 'less than claimed':
      return say`A gain, but less than claimed: ${found}.`
    default:
      return say`A gain${verdict === 'as claimed' ? say` that does not speak against the claim` : ''}: ${found}.`
  }
}
