import { type Job, lookupOf, type MarginId } from '../job'
import { Bench, endsAt, NotingBench } from '../reading'
import { marginsOf } from './margins-of'
import { figureOf, isMissing, isOpen, marginUnits } from './part'

/** The margin whose doubt a reading makes most of, and how much of the common scale its ends move it. */
export interface FirmsUp {
  readonly margin: MarginId
  readonly name: string
  readonly x: number
}

/** a reading that moves no margin by this much of its scale firms nothing up */
const LEAST = 0.02

/**
 * For every reading, the margin that measuring it would firm up most: the one that its two ends move furthest, by the
 * scale on which margins are compared.
 * @see engineering §0, margins.md
 */
export function firmsUp(job: Job): ReadonlyMap<string, FirmsUp> {
  const lookup = lookupOf(job)
  const found = new Map<string, FirmsUp>()
  for (const margin of marginsOf(job, new Bench(lookup))) {
    for (const part of margin.parts) {
      if (isOpen(part) || isMissing(part) || part.warns !== undefined) continue
      const noting = new NotingBench(lookup)
      part.compute(noting)
      const scale = Math.max(part.scale(new Bench(lookup)), 1e-9) * marginUnits[part.unit].si
      for (const { address, low, high } of endsAt(lookup, noting.touched)) {
        const at = (value: number): number => figureOf(part, new Bench(lookup, new Map([[address, value]])))
        const x = Math.abs(at(high) - at(low)) / scale
        if (x > LEAST && x > (found.get(address)?.x ?? 0))
          found.set(address, { margin: margin.id, name: margin.name, x })
      }
    }
  }
  return found
}
