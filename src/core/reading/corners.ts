import { Bench, endsAt, type Lookup } from './bench'

export interface Corners {
  readonly worst: number
  readonly best: number
  /** the reading whose single end hurts most, if any hurts */
  readonly hurtsMost?: string
}

/**
 * Moves each touched reading to both ends alone, then all together to the ends that hurt (and, for the best corner,
 * helped) more.
 * @param compute a margin's part as a function of the readings; larger is better
 * @param touched addresses that the nominal pass asked for
 * @param nominal its value there
 * @returns worst ≤ nominal ≤ best; worst is no number where any end of a reading makes none
 * @see engineering §0, margins.md
 */
export function corners(
  compute: (bench: Bench) => number,
  lookup: Lookup,
  touched: readonly string[],
  nominal: number,
): Corners {
  const down = new Map<string, number>()
  const up = new Map<string, number>()
  let worst = nominal
  let best = nominal
  let hurtsMost: string | undefined
  let broken = false
  const at = (moved: ReadonlyMap<string, number>): number => {
    const value = compute(new Bench(lookup, moved))
    broken ||= Number.isNaN(value)
    return value
  }
  for (const { address, low, high } of endsAt(lookup, touched)) {
    const atLow = at(new Map([[address, low]]))
    const atHigh = at(new Map([[address, high]]))
    const lesser = Math.min(atLow, atHigh)
    const greater = Math.max(atLow, atHigh)
    if (lesser < nominal) down.set(address, atLow <= atHigh ? low : high)
    if (greater > nominal) up.set(address, atLow >= atHigh ? low : high)
    if (lesser < worst) {
      worst = lesser
      hurtsMost = address
    }
    best = Math.max(best, greater)
  }
  if (down.size > 1) worst = Math.min(worst, at(down))
  if (up.size > 1) best = Math.max(best, at(up))
  if (broken) worst = Number.NaN
  return { worst, best, ...(hurtsMost === undefined ? {} : { hurtsMost }) }
}
