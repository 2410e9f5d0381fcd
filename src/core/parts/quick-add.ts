import type { UnitSystem } from '../units'
import { formOf, type FormLine } from './form'
import { readForm, type FormRead } from './form-read'
import { formText, sourcePath, type FormText } from './form-text'
import type { Part, PartKind } from './part'
import { starterShelf } from './starter'
import { typicalFan } from './typical-fan'

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

const template = (kind: QuickKind, texts: FormText, units: UnitSystem): Part => {
  if (kind !== 'fan') return starterShelf().find((p) => p.kind === kind)!
  const usual = typicalFan({ diameterM: 0.19, motor: 'brushed', ratedV: 12 })
  const typed = (texts.diameterM ?? '').trim()
  if (!typed) return usual
  const read = readForm('fan', usual.id, { ...formText(usual, units), diameterM: typed }, units, usual)
  return read.ok && read.part.kind === 'fan'
    ? typicalFan({ diameterM: read.part.diameterM.value, motor: 'brushed', ratedV: 12 })
    : usual
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
      note: 'added at the bench: what its box did not say is typical',
    },
    units,
    from,
  )
}
