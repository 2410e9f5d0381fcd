import type { LayPlace } from '../job'
import type { WireSize } from '../units'
import type { TerminalKind, WireEnd } from './ends'
import type { Gap } from './gaps'

export interface ShoppingLine {
  /** the same in every language */
  readonly id: string
  readonly what: string
  readonly count: number
  readonly unit: 'm' | ''
  readonly has: 'on the shelf' | 'too little' | 'lacking'
  readonly note: string
  /** what of the shelf it is, or would be if there were enough; nothing where the shelf has none like it */
  readonly takes: readonly Taken[]
}

/** So many of a part of the shelf, or so many metres. */
export interface Taken {
  readonly part: string
  readonly count: number
}

export const sleeves = ['glass sleeve, 200 °C', 'heat sleeve, 150 °C', 'braided sleeve', 'ribbed tube'] as const
export type Sleeve = (typeof sleeves)[number]

/** One piece of wire to cut. */
export interface CutWire {
  readonly number: number
  readonly label: string
  readonly conductor: string
  /** it comes with the ready-made harness and is not cut */
  readonly fromKit: boolean
  readonly size: WireSize | null
  readonly colour: string
  readonly insulationC: number
  /** along its way, and as it is cut, m */
  readonly wayM: number
  readonly cutM: number
  readonly ends: readonly [WireEnd, WireEnd]
  readonly sleeve: Sleeve
  readonly lies: LayPlace
  readonly zoneC: number
  readonly getsC: number
  readonly hotEnough: boolean
  readonly amps: number
}

export interface CutList {
  readonly wires: readonly CutWire[]
  readonly totals: readonly {
    readonly size: WireSize
    /** as the job has it, which is what it is kept by, and as it is spoken */
    readonly dye: string
    readonly colour: string
    readonly insulationC: number
    readonly metres: number
  }[]
  readonly joints: readonly {
    readonly kind: TerminalKind
    readonly size: WireSize | null
    readonly name: string
    readonly count: number
  }[]
  readonly shopping: readonly ShoppingLine[]
  /** diodes and fuses that stand in a wire, each with where its leads go */
  readonly inline: readonly {
    readonly kind: 'diode' | 'fuse'
    readonly what: string
    readonly from: string
    readonly to: string
  }[]
  /** terminals that no wire of the list leads to */
  readonly gaps: readonly Gap[]
  /** two a wire, one for each end */
  readonly labels: readonly string[]
  readonly problems: readonly string[]
}
