'use client'

import { createColumnHelper } from '@tanstack/react-table'
import { contradictions, copiedFacts, formOf, formText, type Part, type PartKind, partKinds } from '@/core/parts'
import type { UnitSystem } from '@/core/units'
import { say, spokenWord } from '@/core/words'

const kindOrder = Object.keys(partKinds) as PartKind[]

/** the figures that tell parts of one kind apart, in a line */
const telling: Readonly<Record<PartKind, readonly string[]>> = {
  fan: ['diameterM', 'ratedV', 'ratedA', 'depthM', 'ingress'],
  controller: ['band', 'range.minC', 'range.maxC', 'contact.ratedA', 'ingress'],
  probe: ['r25Ohm', 'leadM'],
  relay: ['contact.ratedA', 'coilV', 'terminalAreaM2'],
  switch: ['contact.ratedA', 'contact.rating'],
  fuse: ['ratingA', 'form', 'holderA', 'ingress', 'stock'],
  conductor: ['size', 'insulationC', 'colour', 'stockM'],
  connector: ['ways', 'ratedA', 'ingress', 'stock'],
  fitting: ['what', 'fits', 'mostAreaM2', 'ratedA', 'stock'],
  harness: ['wires', 'brings', 'fuseA', 'stock'],
  battery: ['chemistry', 'capacityAh', 'coldCrankingA'],
}

const inShort = (part: Part, units: UnitSystem): string => {
  const texts = formText(part, units)
  const lines = formOf(part.kind)
  return telling[part.kind]
    .flatMap((path) => {
      const line = lines.find((l) => l.path === path)!
      return texts[path]
        ? [
            line.options
              ? spokenWord(line.options.find((o) => o.value === texts[path])?.name ?? texts[path])
              : `${spokenWord(line.label)} ${path === 'colour' ? spokenWord(texts[path]) : texts[path]}`,
          ]
        : []
    })
    .join(' · ')
}

/** None left of what it is counted to, so that it is ordered again. */
const isToOrder = (part: Part): boolean => {
  const metres = part.kind === 'conductor' ? part.stockM : null
  const counted = 'stock' in part ? part.stock : metres
  return counted !== null && typeof part.reorderAt === 'number' && counted <= part.reorderAt
}

/** What is to be seen to of a part, the first of them. */
const states = {
  retired: say`retired`,
  disagree: say`sources disagree`,
  order: say`to order`,
  twice: say`a source stands twice`,
} as const
type State = keyof typeof states

function stateOf(part: Part, retiredAt: string | null): State | null {
  if (retiredAt) return 'retired'
  if (contradictions(part).length) return 'disagree'
  if (isToOrder(part)) return 'order'
  return copiedFacts(part).size ? 'twice' : null
}

export interface Row {
  readonly part: Part
  readonly kind: string
  readonly name: string
  readonly maker: string
  readonly about: string
  /** in words, empty where there is nothing */
  readonly state: string
  readonly is: State | null
}

const column = createColumnHelper<Row>()
export const columns = [
  column.accessor('kind', { header: say`kind` }),
  column.accessor('name', { header: say`name` }),
  column.accessor('maker', { header: say`maker` }),
  column.accessor('about', { header: say`figures`, enableSorting: false }),
  column.accessor('state', { header: say`state` }),
]

export interface Entry {
  readonly part: Part
  readonly retiredAt: string | null
}

/** A part as a line of the shelf, in one system of units. */
export function rowOf({ part, retiredAt }: Entry, units: UnitSystem): Row {
  const is = stateOf(part, retiredAt)
  return {
    part,
    kind: partKinds[part.kind].name,
    name: part.name,
    maker: part.maker,
    about: inShort(part, units),
    state: is ? states[is] : '',
    is,
  }
}

/** Parts by kind, then by name. */
export const inOrder = (a: Entry, b: Entry): number =>
  kindOrder.indexOf(a.part.kind) - kindOrder.indexOf(b.part.kind) ||
  a.part.name.localeCompare(b.part.name, 'en', { numeric: true })
