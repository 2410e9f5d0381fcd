import { type Ends, quantilesOf, triangularQuantile, type WeighedReading } from '../reading'
import type { Prediction } from './predict'
import type { Asked } from './asked'
import type { Round } from './round'
import { type Seen, sigmaOf } from './seen'

/** spreads are widened by this when draws are made anew */
const WIDER = 1.5
/** half a symmetric triangle over its standard deviation */
const HALF = Math.sqrt(6)
/** a reading is told of where its 5th-to-95th shrinks by this share, or its mean moves by so much of it */
const [SHRINKS, MOVES] = [0.1, 0.12]

function momentsOf(values: Float64Array, weights: readonly number[]): { readonly mean: number; readonly sd: number } {
  const mean = values.reduce((s, v, i) => s + v * weights[i]!, 0)
  const variance = values.reduce((s, v, i) => s + (v - mean) ** 2 * weights[i]!, 0)
  return { mean, sd: Math.sqrt(Math.max(0, variance)) }
}

/** 5th and 95th of a reading before anything was seen. */
const priorBand = ({ low, value, high }: Ends): readonly [number, number] => [
  triangularQuantile(0.05, low, value, high),
  triangularQuantile(0.95, low, value, high),
]

const middle = ({ low, value, high }: Ends): number => (low + value + high) / 3

/** What a reading comes to by the weights, where that tells more than was known. */
export function informedOf(ends: Ends, values: Float64Array, weights: readonly number[]): WeighedReading | null {
  const { address, ...was } = ends
  const [low, high] = quantilesOf(values, weights, [0.05, 0.95]) as [number, number]
  const [from, to] = priorBand(ends)
  const { mean } = momentsOf(values, weights)
  const tells = high - low < (1 - SHRINKS) * (to - from) || Math.abs(mean - middle(ends)) > MOVES * (to - from)
  return tells ? { address, was, low, value: mean, high } : null
}

/** a correlation over 256 draws that is no chance: three times what two unconnected columns show */
const CONNECTED = 0.19

/** What a prediction comes to as one figure that goes on where a time does not: hotter is more. */
const scoreOf = (p: Prediction): number =>
  (Number.isFinite(p.value) ? -Math.log(Math.max(1, p.value)) : -Math.log(p.horizonS)) + (p.overK ?? 0) / 20

function correlation(a: ArrayLike<number>, b: ArrayLike<number>): number {
  const n = a.length
  let [sa, sb] = [0, 0]
  for (let i = 0; i < n; i++) {
    sa += a[i]!
    sb += b[i]!
  }
  let [ab, aa, bb] = [0, 0, 0]
  for (let i = 0; i < n; i++) {
    const [x, y] = [a[i]! - sa / n, b[i]! - sb / n]
    ab += x * y
    aa += x * x
    bb += y * y
  }
  return aa > 0 && bb > 0 ? ab / Math.sqrt(aa * bb) : 0
}

/** less than that changes nothing: a hundredth of a time, a twentieth of a kelvin */
const [TIME_TELLS, KELVIN_TELLS] = [0.01, 0.05]
/** nor does so much of what a meter may be off by */
const METER_TELLS = 0.1

function differs(a: Prediction, b: Prediction, seen: Seen): boolean {
  if (seen.kind === 'proved') return Math.abs(a.value - b.value) > METER_TELLS * sigmaOf(seen)
  const over = Math.abs((a.overK ?? 0) - (b.overK ?? 0)) > KELVIN_TELLS
  if (!Number.isFinite(a.value) || !Number.isFinite(b.value)) return over || a.value !== b.value
  return over || Math.abs(a.value - b.value) > TIME_TELLS * Math.max(1, Math.abs(a.value))
}

/** Whether a prediction moves with a reading at all, at either of its ends. */
export function movesWith({ address, low, high }: Ends, { at, seen }: Asked, nominal: Prediction): boolean {
  return [low, high].some((end) => differs(at(new Map([[address, end]])), nominal, seen))
}

/**
 * Readings that some prediction hangs on, by themselves and over all draws; of the others nothing can be told, whatever
 * few draws would make believe.
 * @param moving those that move a prediction by themselves
 */
export function connectedIn(round: Round, moving: ReadonlySet<string>): ReadonlySet<string> {
  const scores = round.predicted.map((list) =>
    list.map((p) => (p.overK === null && Number.isFinite(p.value) ? p.value : scoreOf(p))),
  )
  return new Set(
    [...round.drawn].flatMap(([address, values]) =>
      moving.has(address) && scores.some((s) => Math.abs(correlation(values, s)) > CONNECTED) ? [address] : [],
    ),
  )
}

/** Where a reading is drawn from next. */
export function proposalOf(ends: Ends, prior: Ends, values: Float64Array, weights: readonly number[]): WeighedReading {
  const { address, ...was } = ends
  const { mean, sd } = momentsOf(values, weights)
  const half = Math.max(WIDER * HALF * sd, 0.02 * (prior.high - prior.low))
  return {
    address,
    was,
    value: mean,
    low: Math.max(prior.low, mean - half),
    high: Math.min(prior.high, mean + half),
  }
}
