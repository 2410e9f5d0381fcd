import { fromSi, type Quantity, shownUnit, type UnitSystem } from './quantity'
import { decimalSign, numeral, say } from '../words'

/** What stands in sentences of the core in metric units, and what it is in the others. */
const METRIC: Readonly<
  Record<string, { readonly quantity: Quantity; readonly factor: number; readonly step: number }>
> = {
  mm: { quantity: 'length', factor: 1e-3, step: 0.05 },
  '°C': { quantity: 'temperature', factor: 1, step: 1 },
  'N·m': { quantity: 'torque', factor: 1, step: 1 },
  m: { quantity: 'run', factor: 1, step: 0.5 },
  km: { quantity: 'run', factor: 1000, step: 10 },
  kg: { quantity: 'mass', factor: 1, step: 0.5 },
  K: { quantity: 'temperatureDifference', factor: 1, step: 1 },
}

/** Names of things whose size is part of the name. */
const traded = [say`female blade`, 'blade', say`terminal`, say`sleeve`]
const TRADE_SIZE = new RegExp(`(${traded.join('|')}),? $`)

/** a figure with its unit; not one of an area or a flow, of a thread, or the size of a blade */
const NUMBER = `\\d+(?:[${decimalSign()}]\\d+)?`
const FIGURE = new RegExp(
  `(?<![\\w${decimalSign()}])(${NUMBER})(${say` to `}(${NUMBER}))? (mm|°C|N·m|km|kg|m|K)(?![\\w²³/])`,
  'g',
)

const rounded = (value: number, step: number): string => {
  const whole = Math.max(step, Math.round(value / step) * step)
  return numeral(String(Number(whole.toFixed(step < 1 ? 2 : 0))))
}

/**
 * A sentence whose figures stand in metric units, as it reads in the other system: rounded as a sentence is. Sizes that
 * are names stay: a blade of 6.3 mm, wire of 1.5 mm².
 * @example worded('Above 50 °C; ties every 150 mm.', 'imperial') //=> 'Above 122 °F; ties every 5.9 in.'
 * @example worded('A wire of 1.5 mm², female blade, 6.3 mm', 'imperial') //=> 'A wire of 1.5 mm², female blade, 6.3 mm'
 */
export function worded(sentence: string, system: UnitSystem): string {
  if (system === 'metric') return sentence
  return sentence.replace(
    FIGURE,
    (whole: string, from: string, _range, to: string | undefined, symbol: string, ...rest) => {
      const [at, text] = rest as [number, string]
      if (TRADE_SIZE.test(text.slice(0, at))) return whole
      const { quantity, factor, step } = METRIC[symbol]!
      const unit = shownUnit(quantity, 'imperial')
      const other = (typed: string): string => {
        const value = fromSi(Number(typed.replace(',', '.')) * factor, unit)
        // small lengths to a twentieth of an inch, larger ones to a tenth
        return rounded(value, quantity === 'length' && value >= 1 ? 0.1 : step)
      }
      return `${other(from)}${to === undefined ? '' : say` to ${other(to)}`} ${unit.symbol}`
    },
  )
}
