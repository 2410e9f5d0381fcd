import type { Quantity } from '../units'

/** How a value is known, best first. */
export const sources = ['measured', 'label', 'seen', 'typical'] as const
export type Source = (typeof sources)[number]

/**
 * A number and how we know it.
 * `value` is in SI (see `quantities`); `spread` (±, SI) stands only where somebody gave one, otherwise the source
 * decides; `typed` is what was typed, word for word.
 * @see engineering §0
 */
export interface Reading {
  value: number
  source: Source
  spread?: number | undefined
  typed?: string | undefined
}

const relative: Record<Source, number> = { measured: 0.03, label: 0.1, seen: 0.15, typical: 0.3 }
const kelvin: Record<Source, number> = { measured: 1.5, label: 3, seen: 3, typical: 6 }
/** what an instrument may be out, as a share of what it shows; 3 % where nothing is said */
const instrument: Partial<Record<Quantity, number>> = {
  voltage: 0.01,
  resistance: 0.01,
  mass: 0.02,
  minutes: 0.02,
  seconds: 0.02,
}
/** a tape along an edge, a calliper across a thin thing, a way along a frame; what is printed; m, and from where on */
const TAPE = { edgeM: 0.001, calliperM: 0.0002, wayFromM: 0.6, way: 0.02, printedM: 0.003 }

/** Half-width of a length, m. */
function lengthSpread(m: number, source: 'measured' | 'label'): number {
  const share = relative[source] * m
  if (source === 'label') return Math.min(TAPE.printedM, share)
  return m >= TAPE.wayFromM ? TAPE.way * m : Math.min(TAPE.edgeM, Math.max(TAPE.calliperM, share))
}
/** sellers overstate free air-flow */
const LABEL_FLOW = 0.2

/**
 * Half-width of what the value may really be.
 * @returns ± in the reading's unit (kelvin for a temperature)
 * @see engineering §0
 * @example spreadOf({ value: 10, source: 'label' }, 'current') //=> 1
 */
export function spreadOf(reading: Reading, quantity: Quantity): number {
  if (reading.spread !== undefined) return reading.spread
  if (quantity === 'temperature') return kelvin[reading.source]
  if (quantity === 'flow' && reading.source === 'label') return LABEL_FLOW * Math.abs(reading.value)
  if (quantity === 'length' && (reading.source === 'measured' || reading.source === 'label'))
    return lengthSpread(Math.abs(reading.value), reading.source)
  const share = reading.source === 'measured' ? instrument[quantity] : undefined
  return (share ?? relative[reading.source]) * Math.abs(reading.value)
}

/** What a quantity can be at all, SI; a spread is cut there. */
export interface Limits {
  readonly min: number
  readonly max: number
}

/** Lowest and highest value the reading may really have. */
export function endsOf(reading: Reading, quantity: Quantity, limits: Limits): { low: number; high: number } {
  const spread = spreadOf(reading, quantity)
  const { value } = reading
  return {
    low: Math.min(value, Math.max(limits.min, value - spread)),
    high: Math.max(value, Math.min(limits.max, value + spread)),
  }
}

export const measured = (value: number, spread?: number): Reading => ({
  value,
  source: 'measured',
  ...(spread === undefined ? {} : { spread }),
})
export const label = (value: number, spread?: number): Reading => ({
  value,
  source: 'label',
  ...(spread === undefined ? {} : { spread }),
})
export const typical = (value: number, spread?: number): Reading => ({
  value,
  source: 'typical',
  ...(spread === undefined ? {} : { spread }),
})
