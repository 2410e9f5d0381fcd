import type { Quantity } from '../units'
import { endsOf, type Limits, type Reading } from './reading'
import { term, type Term } from './working'

/** Where a reading stands: what it is called, what it measures, and what it can be at all. */
export interface Placed {
  readonly reading: Reading
  readonly label: string
  readonly quantity: Quantity
  readonly limits: Limits
  /** nobody can take it at a bench */
  readonly seenOnly?: true
  /** how far it may be out, where that is not told by the reading itself */
  readonly ends?: { readonly low: number; readonly high: number }
}

/** Finds a reading of a job by its address, for instance "batteries.b1.capacityAh". */
export type Lookup = (address: string) => Placed

/** Hands readings to a computation: the nominal value, unless this pass moves it. */
export class Bench {
  /** which sample this pass is of a whole drawn beforehand; null: none */
  get sampleOf(): { readonly index: number; readonly size: number } | null {
    return null
  }

  constructor(
    private readonly lookup: Lookup,
    private readonly moved?: ReadonlyMap<string, number>,
  ) {}

  value(address: string): number {
    return this.moved?.get(address) ?? this.lookup(address).reading.value
  }

  /** the value as a term of a working, named as its field is */
  term(address: string, name?: string): Term {
    const { label, quantity } = this.lookup(address)
    return term(name ?? label, this.value(address), quantity, address)
  }
}

/** Remembers which readings were asked for, so that only those are moved in the corners. */
export class NotingBench extends Bench {
  private readonly asked = new Set<string>()
  override value(address: string): number {
    this.asked.add(address)
    return super.value(address)
  }
  get touched(): readonly string[] {
    return [...this.asked]
  }
}

export interface Ends {
  readonly address: string
  readonly low: number
  readonly high: number
  readonly value: number
}

/** The ends of every reading that has a spread at all. */
export function endsAt(lookup: Lookup, addresses: readonly string[]): Ends[] {
  return addresses
    .map((address) => {
      const { reading, quantity, limits, ends } = lookup(address)
      return { address, value: reading.value, ...(ends ?? endsOf(reading, quantity, limits)) }
    })
    .filter((e) => e.low < e.high)
}
