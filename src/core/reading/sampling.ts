import { Bench, endsAt, type Lookup } from './bench'
import { DRAWS } from './draws'
import { asWeighed } from './weighing'
import type { Weighing } from './weighing-schema'

const STRATA = 16
const SEED = 0x9e3779b9

/** each reading has its own numbers, whatever is drawn beside it */
const seedOf = (address: string): number =>
  [...address].reduce((h, c) => Math.imul(h ^ c.charCodeAt(0), 0x01000193), SEED) >>> 0

/** A small reproducible generator (mulberry32), so that the same seed gives the same answer twice. @returns 0…1 */
export function generator(seed: number): () => number {
  let state = seed >>> 0
  return () => {
    state = (state + 0x6d2b79f5) >>> 0
    let t = state
    t = Math.imul(t ^ (t >>> 15), t | 1)
    t ^= t + Math.imul(t ^ (t >>> 7), t | 61)
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296
  }
}

function shuffled(n: number, random: () => number): Uint16Array {
  const order = Uint16Array.from({ length: n }, (_, i) => i)
  for (let i = n - 1; i > 0; i--) {
    const j = Math.floor(random() * (i + 1))
    const held = order[i]!
    order[i] = order[j]!
    order[j] = held
  }
  return order
}

/** Quantile of a triangular distribution that peaks at `value` and ends at `low` and `high`. */
export function triangularQuantile(u: number, low: number, value: number, high: number): number {
  const width = high - low
  if (width <= 0) return value
  const rise = (value - low) / width
  return u < rise ? low + Math.sqrt(u * width * (value - low)) : high - Math.sqrt((1 - u) * width * (high - value))
}

/** Density of the same at a value; 0 outside its ends, and where it has no width. */
export function triangularDensity(x: number, low: number, value: number, high: number): number {
  if (x < low || x > high || high <= low) return 0
  const top = 2 / (high - low)
  if (x < value) return (top * (x - low)) / (value - low)
  return x === value || high === value ? top : (top * (high - x)) / (high - value)
}

export interface Sample {
  readonly size: number
  /** of each sample, together 1; empty: all alike */
  readonly weights: readonly number[]
  /** for each address, which of the strata, as many as samples, each sample fell in */
  readonly stratum: ReadonlyMap<string, Uint16Array>
  /** for each address, the value drawn in each sample */
  readonly drawn: ReadonlyMap<string, Float64Array>
}

/** Where in 0…1 each sample of an address lies, and in which stratum: the same for every job, so drawn once. */
interface Shares {
  readonly order: Uint16Array
  readonly shares: Float64Array
}
const sharesDrawn = new Map<string, Shares>()
const MOST_KEPT = 1000

function sharesOf(address: string, size: number): Shares {
  const key = `${size} ${address}`
  const before = sharesDrawn.get(key)
  if (before) return before
  const random = generator(seedOf(address))
  const order = shuffled(size, random)
  const made = { order, shares: Float64Array.from(order, (k) => (k + random()) / size) }
  if (sharesDrawn.size >= MOST_KEPT) sharesDrawn.clear()
  sharesDrawn.set(key, made)
  return made
}

/**
 * Latin-hypercube sample of the given readings, triangular over value ± spread; a reading that was drawn anew when what
 * was seen was weighed is drawn from there again, so that the weights belong to it.
 * @see engineering §0, evidence
 */
export function drawSample(lookup: Lookup, addresses: readonly string[], weighing: Weighing | null = null): Sample {
  const size = DRAWS
  const stratum = new Map<string, Uint16Array>()
  const drawn = new Map<string, Float64Array>()
  const anew = new Map(
    (weighing?.drawnFrom ?? []).filter((r) => asWeighed(lookup, r)).map((r) => [r.address, r] as const),
  )
  for (const ends of endsAt(lookup, addresses)) {
    const { address } = ends
    const { low, high, value } = anew.get(address) ?? ends
    const { order, shares } = sharesOf(address, size)
    stratum.set(address, order)
    drawn.set(
      address,
      shares.map((u) => triangularQuantile(u, low, value, high)),
    )
  }
  return { size, stratum, drawn, weights: weighing?.weights ?? [] }
}

/** A reader that sees one sample after another, without building a map for each. */
class SampleBench extends Bench {
  index = 0
  constructor(
    lookup: Lookup,
    private readonly sample: Sample,
  ) {
    super(lookup)
  }
  override get sampleOf() {
    return this
  }
  get size(): number {
    return this.sample.size
  }
  override value(address: string): number {
    return this.sample.drawn.get(address)?.[this.index] ?? super.value(address)
  }
}

/** Runs a computation over every sample. @returns as many results as there are samples */
export function overSamples(compute: (bench: Bench) => number, lookup: Lookup, sample: Sample): Float64Array {
  const bench = new SampleBench(lookup, sample)
  return Float64Array.from({ length: sample.size }, (_, i) => {
    bench.index = i
    return compute(bench)
  })
}

/**
 * First-order Sobol index of one input: variance of the output's means over equal strata of that input, over its whole
 * variance, less what so few draws in a stratum vary by chance.
 * @returns 0…1; 0 where the output does not vary
 * @see engineering §0
 */
export function sobolIndex(results: Float64Array, stratum: Uint16Array): number {
  const mean = results.reduce((s, r) => s + r, 0) / results.length
  const variance = results.reduce((s, r) => s + (r - mean) ** 2, 0) / results.length
  if (variance <= 1e-18) return 0
  const sums = new Float64Array(STRATA)
  const perStratum = results.length / STRATA
  results.forEach((r, i) => {
    sums[Math.floor(stratum[i]! / perStratum)]! += r
  })
  const between = sums.reduce((s, total) => s + (total / perStratum - mean) ** 2, 0) / STRATA / variance
  return Math.max(0, 1 - ((1 - between) * (results.length - 1)) / (results.length - STRATA))
}
