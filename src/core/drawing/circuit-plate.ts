import { fixed } from '@/core/units'
import { conducts, type Conditions, type Element, type Netlist, type Solution } from '../circuit'
import { type GraphEdge, PART } from './circuit-graph'
import type { Pen, Shape } from './drawing-schema'
import { path, text } from './shapes'
import { say } from '../words'

export type XY = readonly [number, number]
/** state in which a circuit is drawn; none for a plain plan of it */
export interface Shown {
  readonly conditions: Conditions
  readonly solution: Solution
  readonly figures: boolean
  /** laid out for a narrow screen: larger words */ readonly narrow?: boolean
}

export const MID = PART.w / 2
export const Y = PART.symbol / 2

/** Thickness of a line by what flows through it, mm: 0.4 for nothing, then with the root of the current. */
export const weightOf = (amps: number): number => 0.4 + 0.85 * Math.sqrt(Math.min(60, Math.abs(amps)))

export const line = (pen: Pen, of: string, ...points: readonly XY[]): Shape => path(pen, points, { of })

/** How large words are, and how many letters stand on a line of a label: a folded circuit is shown on little glass. */
export interface Lettering {
  readonly label: number
  readonly figure: number
  readonly letters: number
  readonly lines: number
}
export const usual: Lettering = { label: 3.9, figure: 3.7, letters: 17, lines: 3 }
export const large: Lettering = { label: 5.2, figure: 4.6, letters: 15, lines: 3 }

/** The smallest letters of a circuit, mm: laid out wide, and for a narrow screen. */
export const circuitLettering = { usual: usual.figure, large: large.figure } as const

/** A label in as many lines as there may be, cut off where even that is too little. */
export function labelled(
  words: string,
  of: string | null,
  [x, y]: XY,
  { label, letters, lines: most }: Lettering,
): Shape[] {
  const lines = ['']
  for (const w of words.split(' ')) {
    const last = lines[lines.length - 1]!
    if (last && (last + ' ' + w).length > letters && lines.length < most) lines.push(w)
    else lines[lines.length - 1] = last ? `${last} ${w}` : w
  }
  const cut = (l: string): string => (l.length > letters + 3 ? `${l.slice(0, letters + 2)}…` : l)
  return lines.map((l, i) =>
    text(x, y + 1.18 * label * (i + 1), cut(l), label, { anchor: 'middle', ...(of ? { of } : {}) }),
  )
}

/** A figure in three places: 0.012, 1.23, 12.3, 123. */
export const figure = (value: number): string => {
  const a = Math.abs(value)
  if (a >= 99.5) return fixed(value, 0)
  if (a >= 9.95) return fixed(value, 1)
  return fixed(value, a >= 0.0995 || a < 0.0005 ? 2 : 3)
}

/** Room that something takes, mm. */
export type Room = readonly [left: number, top: number, right: number, foot: number]
/** A straight piece of a line, as a room that has no width or no height. */
export interface Piece {
  readonly edge: string
  readonly room: Room
}

/** Everything that a circuit is drawn from. */
export interface Plate {
  readonly net: Netlist
  readonly byName: ReadonlyMap<string, Element>
  readonly places: ReadonlyMap<string, { readonly x: number; readonly y: number }>
  readonly lines: ReadonlyMap<string, readonly XY[]>
  readonly shown: Shown | null
  readonly marks: readonly string[]
  /** number and colour of each wire of the cut list: "3 red" */
  readonly wires: ReadonlyMap<string, string>
  readonly lettering: Lettering
  /** straight pieces of the lines */
  readonly pieces: readonly Piece[]
  /** where something stands already; words that are put somewhere are added */
  readonly taken: Room[]
  readonly supplyV: number
}

/** What is drawn, in three layers: figures lie over everything. */
export interface Layers {
  readonly shapes: Shape[]
  readonly flows: Shape[]
  readonly figures: Shape[]
}

export const ampsOf = ({ shown }: Plate, name: string): number => shown?.solution.amps.get(name) ?? 0

/** What flows along a line, from its beginning to its end, A. */
export const currentIn = (p: Plate, edge: GraphEdge): number =>
  edge.carries.reduce((sum, { element, sign }) => sum + sign * ampsOf(p, element), 0)

export const isClosed = (p: Plate, e: Element): boolean =>
  p.shown ? conducts(e, p.shown.solution.states, p.shown.conditions) : e.kind === 'fuse' || e.kind === 'diode'

export const inMarked = (shapes: readonly Shape[], marked: boolean): Shape[] =>
  shapes.map((s): Shape => (marked && s.kind !== 'text' ? { ...s, pen: 'touch' } : s))

export const isBroken = (of: string, [x, y]: XY): Shape =>
  text(x, y, say`broken`, 4, { anchor: 'middle', tone: 'short', of })
