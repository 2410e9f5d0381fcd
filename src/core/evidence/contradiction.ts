import { type Contradiction, DRAWS, effectiveNumber, type Ends, type Lookup } from '../reading'
import type { Asked } from './asked'
import { misfit } from './likelihood'
import type { Seen } from './seen'
import { farOff, type Round, TOO_FAR, TOO_FEW, weightsOf } from './round'

/** readings are let move this many times as far as their spread reaches, to see where they would have to be */
const BEYOND = 3
const MOST_TOLD = 3
/** how many readings are moved towards what was seen, one after another; each σ² that is left a seen thing may stand */
const STEPS = 4

/** What, left out, makes the rest agree: the one of which most draws count then. */
function leaveOut(seen: readonly Seen[], round: Round): string | null {
  if (seen.length < 2) return null
  const found = seen.flatMap((s, left) => {
    const counts = (j: number): boolean => j !== left
    const weights = weightsOf(round, seen, counts)
    const agree = seen.every((o, j) => j === left || farOff(round.predicted[j]!, o, weights) <= TOO_FAR)
    const effective = effectiveNumber(weights)
    // most drawn once stand far from several sharp figures at once: what is left must only not be out of reach
    return agree && effective >= Math.min(TOO_FEW, DRAWS / 2 ** (seen.length + 2)) ? [{ id: s.id, effective }] : []
  })
  return found.sort((a, b) => b.effective - a.effective)[0]?.id ?? null
}

/** Sum of squared misfits of everything that was seen, in a machine whose readings are moved. */
const misfitsAt = (asked: readonly Asked[], moved: ReadonlyMap<string, number>): number =>
  asked.reduce((sum, { at, seen }) => sum + misfit(at(moved), seen) ** 2, 0)

/**
 * How what was seen and what was read cannot be of one machine: the readings that would have to move furthest beyond
 * their spreads, and what, left out, makes the rest agree.
 * @see engineering §0, evidence
 */
export function contradictionIn(
  lookup: Lookup,
  asked: readonly Asked[],
  first: Round,
  ends: readonly Ends[],
): Contradiction {
  const moved = new Map<string, number>()
  let least = misfitsAt(asked, moved)
  // one reading after another to the end that helps most, further than it reaches, until it agrees
  for (let n = 0; n < STEPS && least > asked.length; n++) {
    let best: { readonly address: string; readonly to: number; readonly misfit: number } | null = null
    for (const { address, low, value, high } of ends) {
      if (moved.has(address)) continue
      const { limits } = lookup(address)
      for (const end of [low, high]) {
        const to = Math.min(limits.max, Math.max(limits.min, value + BEYOND * (end - value)))
        if (to === value) continue
        const found = misfitsAt(asked, new Map([...moved, [address, to]]))
        if (found < (best?.misfit ?? least)) best = { address, to, misfit: found }
      }
    }
    if (!best) break
    moved.set(best.address, best.to)
    least = best.misfit
  }
  return {
    move: [...moved]
      .slice(0, MOST_TOLD)
      .map(([address, to]) => ({ address, from: ends.find((e) => e.address === address)!.value, to })),
    leaveOut: leaveOut(
      asked.map((a) => a.seen),
      first,
    ),
  }
}
