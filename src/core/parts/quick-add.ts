import type { UnitSystem } from '../units'
import { formOf, type FormLine } from './form'
import { readForm, type FormRead } from './form-read'
import { formText, sourcePath, type FormText } from './form-text'
import type { Part, PartKind } from './part'
import { starterShelf, typicalBattery } from './starter'
import { typicalFan } from './typical-fan'
import { say } from '../words'

/** What stands on a box, by kind: all that is asked where a part is added beside the work. */
const onTheBox = {
  fan: ['name', 'ratedV', 'ratedA', 'diameterM', 'depthM', 'leadM'],
  controller: ['name', 'band', 'range.minC', 'range.maxC', 'fixed.closesC', 'fixed.opensC', 'contact.ratedA'],
  probe: ['name', 'r25Ohm', 'leadM'],
  relay: ['name', 'coilV', 'contact.ratedA'],
  switch: ['name', 'contact.ratedA'],
  battery: ['name', 'capacityAh', 'coldCrankingA'],
} as const satisfies Partial<Record<PartKind, readonly string[]>>

export type QuickKind = keyof typeof onTheBox

export const isQuickKind = (kind: PartKind): kind is QuickKind => kind in onTheBox

/** The lines that are asked; only the name must be said. */
export const boxLines = (kind: QuickKind): FormLine[] =>
  formOf(kind).filter((l) => (onTheBox[kind] as readonly string[]).includes(l.path))

/** A usual part with some of what was typed; as it is where that cannot be read. */
function withTyped<P extends Part>(usual: P, paths: readonly string[], texts: FormText, units: UnitSystem): P {
  const typed = Object.fromEntries(paths.flatMap((path) => (texts[path]?.trim() ? [[path, texts[path]]] : [])))
  const read = readForm(usual.kind, usual.id, { ...formText(usual, units), ...typed }, units, usual)
  return read.ok ? (read.part as P) : usual
}

/** What is usual of a kind, by what its box says of its size, its voltage and its capacity. */
function template(kind: QuickKind, texts: FormText, units: UnitSystem): Part {
  switch (kind) {
    case 'fan': {
      const usual = typicalFan({ diameterM: 0.19, motor: 'brushed', ratedV: 12 })
      const { diameterM } = withTyped(usual, ['diameterM'], texts, units)
      const { ratedV } = withTyped(usual, ['ratedV'], texts, units)
      return typicalFan({ diameterM: diameterM.value, motor: 'brushed', ratedV })
    }
    case 'battery':
      return typicalBattery(withTyped(typicalBattery(12), ['capacityAh'], texts, units).capacityAh.value)
    case 'relay':
      return starterShelf().find((p) => p.kind === 'relay' && p.coilV === (texts.coilV === '24' ? 24 : 12))!
    default:
      return starterShelf().find((p) => p.kind === kind)!
  }
}

/**
 * A part from what is on its box: what is said is of the label, all else is typical of its kind and size.
 * @param id     that nothing on the shelf has
 * @param texts  as typed, by path; empty where nobody knows
 * @returns the part, or for each path what is wrong with its text
 */
export function quickPart(kind: QuickKind, id: string, texts: FormText, units: UnitSystem): FormRead {
  const from = template(kind, texts, units)
  const typed = Object.entries(texts).filter(([, text]) => text.trim() !== '')
  const known = Object.fromEntries(
    typed.flatMap(([path, text]) => [
      [path, text],
      [sourcePath(path), 'label'],
    ]),
  )
  const unset = kind === 'controller' && ['fixed', 'hand', 'always'].includes(texts.band ?? '')
  return readForm(
    kind,
    id,
    {
      ...formText(from, units),
      ...(unset ? { 'range.minC': '', 'range.maxC': '', suppliedProbeId: '' } : {}),
      ...(texts.band === 'fixed' ? { 'fixed.closesC': '92 °C', 'fixed.opensC': '87 °C' } : {}),
      ...known,
      name: texts.name ?? '',
      note: say`added at the bench: what its box did not say is typical`,
    },
    units,
    from,
  )
}
