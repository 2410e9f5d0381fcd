import { fromSi, shownUnit, type Quantity, type UnitSystem } from './quantity'
import { numeral, say, spokenWord } from '../words'

const MINUS = '−'

/**
 * A number with at most four figures that matter, no needless noughts, and a true minus sign.
 * @example plainNumber(92.075) //=> '92.08'
 * @example plainNumber(-1.4) //=> '−1.4'
 */
export function plainNumber(value: number, figures = 4): string {
  if (Number.isNaN(value)) return say`unknown`
  if (!Number.isFinite(value)) return value > 0 ? say`no end` : say`${MINUS}no end`
  const size = Math.abs(value)
  const decimals = size === 0 ? 0 : Math.min(6, Math.max(0, figures - 1 - Math.floor(Math.log10(size))))
  const text = size.toFixed(decimals)
  const trimmed = text.includes('.') ? text.replace(/\.?0+$/, '') : text
  return numeral(value < 0 && Number(trimmed) !== 0 ? MINUS + trimmed : trimmed)
}

/**
 * A number with so many decimals, noughts too.
 * @example fixed(13.8, 2) //=> '13.80'
 */
export const fixed = (value: number, decimals: number): string => numeral(value.toFixed(decimals))

export interface Shown {
  readonly number: string
  readonly unit: string
}

/**
 * A quantity in the chosen system, number and unit apart.
 * @param si value in the quantity's SI unit
 * @example shown(0.132, 'length', 'metric') //=> { number: '132', unit: 'mm' }
 */
export function shown(si: number, quantity: Quantity, system: UnitSystem, figures?: number): Shown {
  const unit = shownUnit(quantity, system)
  return { number: plainNumber(fromSi(si, unit), figures), unit: spokenWord(unit.symbol) }
}

/**
 * A quantity as text that parses back to itself.
 * @example format(36.6, 'temperature', 'imperial') //=> '97.88 °F'
 */
export function format(si: number, quantity: Quantity, system: UnitSystem, figures?: number): string {
  const { number, unit } = shown(si, quantity, system, figures)
  return unit ? `${number} ${unit}` : number
}

/**
 * The width of a spread in the chosen system: like {@link format}, but a temperature's spread is a difference.
 * @example formatSpread(0.001, 'length', 'metric') //=> { number: '1', unit: 'mm' }
 */
export function formatSpread(si: number, quantity: Quantity, system: UnitSystem): Shown {
  return shown(si, quantity === 'temperature' ? 'temperatureDifference' : quantity, system, 2)
}

/**
 * A share as per cent. What is not a number is said to be unknown, here for every per cent that is shown.
 * @param figures how many figures it keeps; whole per cents where unsaid
 * @example percent(0.256) //=> '26 %'
 * @example percent(0 / 0) //=> 'unknown'
 */
export function percent(share: number, figures?: number): string {
  if (!Number.isFinite(share)) return say`unknown`
  const whole = Math.round(100 * share) + 0
  return `${figures === undefined ? plainNumber(whole) : plainNumber(100 * share, figures)} %`
}
