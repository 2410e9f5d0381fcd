import { format, parse, type UnitSystem } from '@/core/units'
import { say } from '@/core/words'

/** lowest and highest place that machines work at, m */
const HEIGHTS = [-430, 5500] as const

/** A height above the sea as it was typed, m: null where nothing was; or what is wrong with it, in words. */
export const heightIn = (text: string, units: UnitSystem): number | null | string => {
  if (!text.trim()) return null
  const read = parse(text, 'height', units)
  if (!read.ok) return read.message
  if (read.value >= HEIGHTS[0] && read.value <= HEIGHTS[1]) return read.value
  return say`Between ${format(HEIGHTS[0], 'height', units)} and ${format(HEIGHTS[1], 'height', units)}.`
}
