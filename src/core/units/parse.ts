import { type Result } from './result'
import { definitionOf, shownUnit, toSi, type Quantity, type Unit, type UnitSystem } from './quantity'
import { decimalSign, numeral, say, spokenWord } from '../words'

/** What somebody typed, understood; or why not, in words that say what is accepted. */
export type Parsed = Result<{ value: number; spread?: number }>

const refuse = (message: string): Parsed => ({ ok: false, message })
const DASHES = /[−–—]/g
const PLUS_MINUS = /±|\+\/-|\+-/
/** a whole or decimal number, a fraction, or a whole number with a fraction; thousands may be set apart by a space */
const WHOLE_OR_DECIMAL = /[+-]?(?:\d{1,3}(?: \d{3})+(?!\d)(?:[.,]\d+)?|\d+(?:[.,]\d*)?|[.,]\d+)(?:e[+-]?\d+)?/
const FRACTION = /(?:[ -]+(\d+)\/(\d+)|\/(\d+))?/
const NUMBER = new RegExp(`^(${WHOLE_OR_DECIMAL.source})${FRACTION.source}`, 'i')

/** three digits behind the sign that is not the decimal one: thousands, or decimals as others write them */
const THOUSANDS = { '.': /^[+-]?[1-9]\d{0,2}(,\d{3})+$/, ',': /^[+-]?[1-9]\d{0,2}(\.\d{3})+$/ }

interface Term {
  readonly number: number
  readonly unitText: string
}

/** Reads "3 5/8 in", "6 ft 3 in", "-4": one or more numbers, each with the letters that follow it. */
function terms(text: string): Term[] | string {
  const found: Term[] = []
  let rest = text.trim()
  while (rest) {
    const match = NUMBER.exec(rest)
    if (!match) return found.length || /\d/.test(rest) ? 'mixed' : 'none'
    const [whole, main = '', top, bottom, under] = match
    if (THOUSANDS[decimalSign() === ',' ? ',' : '.'].test(main)) return `thousands:${main}`
    let number = Number(main.replace(/ /g, '').replace(',', '.'))
    if (under !== undefined) number /= Number(under)
    if (top !== undefined && bottom !== undefined) number += Math.sign(number || 1) * (Number(top) / Number(bottom))
    rest = rest.slice(whole.length).trimStart()
    const unitText = /^[^\d+-]*(?:-lb|-m|-in)?(?:(?<=[a-z])[23](?=$|\s|\/)(?:\/[a-z]+)?)?/i.exec(rest)?.[0] ?? ''
    rest = rest.slice(unitText.length).trimStart()
    found.push({ number, unitText: unitText.trim() })
  }
  return found.length ? found : 'none'
}

function findUnit(quantity: Quantity, text: string): Unit | undefined {
  const exact = definitionOf(quantity).units.find((u) => u.symbol === text)
  if (exact) return exact
  const bare = text.toLowerCase().replace(/[\s°]|\.$/g, '')
  return definitionOf(quantity).units.find(
    (u) =>
      u.symbol.toLowerCase().replace(/°/g, '') === bare ||
      u.spellings.includes(bare) ||
      spokenWord(u.symbol).toLowerCase() === bare,
  )
}

const CLOCK = /^\s*(\d{1,4}):([0-5]\d)(?::([0-5]\d))?\s*(min|h)?\s*$/i

/**
 * "1:30" as a time: minutes and seconds, in a field of hours hours and minutes; "1:02:30" hours, minutes, seconds.
 * @returns seconds; null where it is not so written
 */
function clockTime(text: string, quantity: Quantity): number | null {
  const [, first, second, third, named] = CLOCK.exec(text) ?? []
  if (first === undefined) return null
  if (third !== undefined) return Number(first) * 3600 + Number(second) * 60 + Number(third)
  const inHours = named === undefined ? quantity === 'hours' || quantity === 'days' : named.toLowerCase() === 'h'
  return (Number(first) * 60 + Number(second)) * (inHours ? 60 : 1)
}

const POWER_AT = /^(.*?[^\d.,\s].*?)\s*(?:at|bij|@)\s*(.*)$/i
const TENTHS = 10

/**
 * "80 W at 13.8 V" as the current it is, P/V, rounded up to a tenth of an ampere: what is sized for it bears it.
 * @returns null where no power is written
 * @see engineering §1.1
 */
function currentOfPower(text: string, system: UnitSystem): Parsed | null {
  const [, powerText, voltText] = POWER_AT.exec(text) ?? []
  const watts = amount(powerText ?? text, 'heat', system)
  const isPower = watts.ok && /[wk]/i.test(powerText ?? text)
  if (!isPower) return null
  if (voltText === undefined)
    return refuse(
      say`At what voltage is that? Write 80 W at 12 V, or at 13.8 V if it is rated with the engine running.`,
    )
  const volts = amount(voltText, 'voltage', system)
  if (!volts.ok) return volts
  if (volts.value <= 0) return refuse(say`A power is drawn at some volts. Write it like 80 W at 13.8 V.`)
  return { ok: true, value: Math.ceil((watts.value / volts.value) * TENTHS - 1e-9) / TENTHS }
}

const notOf = (noun: string, examples: string): string =>
  /^[aeiou]/.test(noun)
    ? say`This is not an ${noun}. Write it like ${examples}.`
    : say`This is not a ${noun}. Write it like ${examples}.`

function amount(text: string, quantity: Quantity, system: UnitSystem): Parsed {
  const { noun, examples, units } = definitionOf(quantity)
  const clock = units === definitionOf('seconds').units ? clockTime(text, quantity) : null
  if (clock !== null) return { ok: true, value: clock }
  const power = quantity === 'current' ? currentOfPower(text, system) : null
  if (power) return power
  const found = terms(text)
  if (typeof found === 'string') {
    if (found.startsWith('thousands:')) {
      const typed = found.slice('thousands:'.length)
      return refuse(
        say`${typed} can be read two ways: write ${typed.replaceAll(/[.,]/g, '')} or
          ${numeral(String(Number(typed.replace(',', '.')) || typed.replace(',', '.')))}.`,
      )
    }
    return refuse(notOf(noun, examples))
  }
  const compound = found.length > 1
  if (compound && found.some((t) => !t.unitText))
    return refuse(say`Each number needs its unit here. Write it like ${examples}.`)
  let value = 0
  const negative = found[0]!.number < 0
  for (const { number, unitText } of found) {
    const u = unitText ? findUnit(quantity, unitText) : shownUnit(quantity, system)
    if (!u) return refuse(say`"${unitText.slice(0, 20)}" is not a unit of ${noun}. Write it like ${examples}.`)
    if (compound && u.shift) return refuse(notOf(noun, examples))
    const si = toSi(number, u)
    value += compound && negative ? -Math.abs(si) : si
  }
  if (!Number.isFinite(value) || Math.abs(value) > 1e12)
    return refuse(say`That is too large, or not a number. Write it like ${examples}.`)
  const floor = definitionOf(quantity).floor
  if (floor !== undefined && value < floor) return refuse(say`Nothing is colder than −273.15 °C.`)
  return { ok: true, value }
}

/**
 * Reads what a mechanic types as one quantity, with or without unit and spread.
 * @param text     as typed: any unit of the quantity, fractions, decimal point or comma, "±" for a spread
 * @param quantity what the field holds
 * @param system   whose unit a bare number takes
 * @returns the value in SI, and the spread (± in SI) if one was typed; otherwise a message that says what is accepted
 * @example parse('3 5/8 in', 'length', 'metric').value //=> 0.092075
 * @example parse('4.2 A ±0.3', 'current', 'metric') //=> { ok: true, value: 4.2, spread: 0.3 }
 * @example parse('80 W at 12 V', 'current', 'metric').value //=> 6.7
 * @example parse('1:30', 'minutes', 'metric').value //=> 90
 * @example parse('1,500', 'engineSpeed', 'metric').message //=> '1,500 can be read two ways: write 1500 or 1.5.'
 */
export function parse(text: string, quantity: Quantity, system: UnitSystem): Parsed {
  const { examples, spreadAs } = definitionOf(quantity)
  if (text.length > 80) return refuse(say`That is too long. Write it like ${examples}.`)
  const [main = '', spreadText, more] = text
    .normalize('NFC')
    .replace(DASHES, '-')
    .replace(/\u00a0|\u202f/g, ' ')
    .split(PLUS_MINUS)
  if (!main.trim()) return refuse(say`Nothing is written here. Write it like ${examples}.`)
  const value = amount(main, quantity, system)
  if (!value.ok || spreadText === undefined) return value
  if (more !== undefined) return refuse(say`Only one ± can follow a reading.`)
  const percent = /^\s*([\d.,]+)\s*%\s*$/.exec(spreadText)
  if (percent && quantity !== 'share') {
    if (spreadAs) return refuse(say`A temperature is not spread in per cent. Write it like 41 C ±1.`)
    const part = Number(percent[1]!.replace(',', '.'))
    return Number.isFinite(part)
      ? { ...value, spread: (Math.abs(value.value) * part) / 100 }
      : refuse(say`The spread is not a number. Write it like ±5 %.`)
  }
  const mainUnit = /^[\s\d.,/]*$/.test(spreadText) ? unitWordOf(main) : ''
  const spread = amount(`${spreadText} ${mainUnit}`, spreadAs ?? quantity, system)
  if (!spread.ok) return refuse(say`The spread after ± is not understood. Write it like ±0.3.`)
  if (spread.value < 0) return refuse(say`A spread is not negative. Write it like ±0.3.`)
  return { ...value, spread: spread.value }
}

/** a bare spread takes the unit of the value before it */
const unitWordOf = (main: string): string => {
  const found = terms(main)
  return typeof found === 'string' ? '' : found[found.length - 1]!.unitText
}
