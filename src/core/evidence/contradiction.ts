import { type Job, lookupOf } from '../job'
import { Bench, DRAWS, effectiveNumber, type Ends, type Weighing } from '../reading'
import { misfit } from './likelihood'
import { jobWhen, predict, type Prediction } from './predict'
import type { Seen } from './seen'
import { farOff, type Round, TOO_FAR, TOO_FEW, weightsOf } from './round'

/** readings are let move this many times as far as their spread reaches, to see where they would have to be */
const BEYOND = 3
const MOST_TOLD = 3
/** how many readings are moved towards what was seen, one at a time, from the middle */
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
function misfitsAt(job: Job, seen: readonly Seen[], moved: ReadonlyMap<string, number>): number {
  return seen.reduce((sum, s) => {
    const then = jobWhen(job, s)
    const known = then === job ? moved : new Map([...moved].filter(([a]) => !a.startsWith('fans.')))
    let p: Prediction
    try {
      p = predict(new Bench(lookupOf(then), known), then, s)
    } catch {
      return Number.POSITIVE_INFINITY
    }
    return sum + misfit(p, s) ** 2
  }, 0)
}

/**
 * What and what cannot be of one machine: the readings that would have to move furthest beyond their spreads for it, and
 * what left out makes the rest agree.
 * @see engineering §0, evidence
 */
export function contradictionIn(
  job: Job,
  seen: readonly Seen[],
  first: Round,
  ends: readonly Ends[],
): NonNullable<Weighing['contradiction']> {
  const lookup = lookupOf(job)
  const moved = new Map<string, number>()
  let least = misfitsAt(job, seen, moved)
  const goal = seen.length * 1
  // one reading after another to the end that helps most, further than it reaches, until it agrees
  for (let n = 0; n < STEPS && least > goal; n++) {
    let best: { readonly address: string; readonly to: number; readonly misfit: number } | null = null
    for (const { address, low, value, high } of ends) {
      if (moved.has(address)) continue
      const { limits } = lookup(address)
      for (const end of [low, high]) {
        const to = Math.min(limits.max, Math.max(limits.min, value + BEYOND * (end - value)))
        if (to === value) continue
        const found = misfitsAt(job, seen, new Map([...moved, [address, to]]))
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
    leaveOut: leaveOut(seen, first),
  }
}
