import { spreadOf, type Reading } from '../reading'
import { fromSi, plainNumber, shown, shownUnit, type Quantity, type UnitSystem } from '../units'
import { formOf } from './form'
import type { Part } from './part'
import { at } from './paths'

/** What is typed into a form, by path; a reading's way of knowing stands at `path + " source"`. */
export type FormText = Readonly<Record<string, string>>
export const sourcePath = (path: string): string => `${path} source`

const written = (si: number, quantity: Quantity, units: UnitSystem, figures: number): string => {
  const unit = shownUnit(quantity, units)
  return `${plainNumber(fromSi(si, unit), figures)}${unit.symbol ? ` ${unit.symbol}` : ''}`
}

function readingText(r: Reading, quantity: Quantity, units: UnitSystem, figures: number): string {
  const own =
    r.spread !== undefined && (figures > 4 || r.spread !== spreadOf({ value: r.value, source: r.source }, quantity))
  if (!own) return written(r.value, quantity, units, figures)
  const spread = shown(r.spread!, quantity === 'temperature' ? 'temperatureDifference' : quantity, units, figures)
  return `${written(r.value, quantity, units, figures)} ±${spread.number}`
}

/**
 * A part as the texts of its form.
 * @param figures how many figures a number keeps: 4 to read, 12 to read back the same
 */
export function formText(part: Part, units: UnitSystem, figures = 4): FormText {
  return Object.fromEntries(
    formOf(part.kind).flatMap((line): [string, string][] => {
      const value = at(part, line.path)
      if (value === undefined && line.kind === 'choice') return [[line.path, line.options![0]!.value]]
      if (value === null || value === undefined) return [[line.path, '']]
      if (line.kind === 'reading')
        return [
          [line.path, readingText(value as Reading, line.quantity!, units, figures)],
          [sourcePath(line.path), (value as Reading).source],
        ]
      if (line.kind === 'figure')
        return [
          [
            line.path,
            line.raw ? plainNumber(value as number, figures) : written(value as number, line.quantity!, units, figures),
          ],
        ]
      if (line.kind === 'lines') return [[line.path, (value as string[]).join('\n')]]
      const word = value ? 'yes' : 'no'
      return [[line.path, typeof value === 'boolean' ? word : String(value)]]
    }),
  )
}
