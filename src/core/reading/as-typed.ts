import { parse, shownUnit, type Quantity, type UnitSystem } from '../units'
import type { Reading } from './reading'

const NAMED_UNIT = /[^\d\s.,/±+\-−–—:]/u
const SLIGHT = 1e-9

/** The letters of a unit: "cm2" and "cm²" are one. */
const lettersOf = (text: string): string => text.replace(/[\d\s.,/+\-−–—:°²³]/gu, '').toLowerCase()

/**
 * A reading's own words where they name another unit than the one that is shown: what was typed as 27 °C stays 27 °C,
 * and 3 5/8 in stays that, in whatever units the job is written.
 * @returns null where the figure as it is shown says the same, or where nothing was typed
 * @example asTyped({ value: 27, source: 'measured', typed: '27 C' }, 'temperature', 'imperial') //=> '27 °C'
 * @example asTyped({ value: 0.132, source: 'measured', typed: '132 mm' }, 'length', 'metric') //=> null
 */
export function asTyped({ value, typed }: Reading, quantity: Quantity, system: UnitSystem): string | null {
  if (!typed || !NAMED_UNIT.test(typed.replace(/±.*$/, ''))) return null
  const read = parse(typed, quantity, system)
  if (!read.ok || Math.abs(read.value - value) > SLIGHT * Math.max(1, Math.abs(value))) return null
  // the same words with the shown unit alone mean the same: then the figure says as much
  const own = shownUnit(quantity, system)
  const letters = lettersOf(typed.replace(/±.*$/, ''))
  const same = [own.symbol, ...own.spellings].some((s) => lettersOf(s) === letters)
  return same || letters === ''
    ? null
    : typed.replace(/(?<=\d)\s*°?\s*([CF])\b/i, (_, scale: string) => ` °${scale.toUpperCase()}`)
}
