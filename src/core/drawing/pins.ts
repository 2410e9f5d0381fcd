import type { Drawing, Shape } from './drawing-schema'
import { circle, framed, path, rect, text } from './shapes'
import { say } from '../words'

/** A relay's pins, by the numbers that are stamped beside them. */
export const relayPins = ['30', '85', '86', '87', '87a'] as const
export type RelayPin = (typeof relayPins)[number]

/** How the picture is held: onto the pins or onto the wires of its base, and turned by so many quarters. */
export interface Held {
  readonly seen: 'pin side' | 'wire side'
  readonly quarters: number
}

/** What ends at a pin: "3 red". */
export type PinWords = Readonly<Partial<Record<RelayPin, string>>>

/** Where pins usually stand, seen onto them, mm from the middle; the blade's long way across or upright. */
const usual: Readonly<Record<RelayPin, { readonly x: number; readonly y: number; readonly upright: boolean }>> = {
  '30': { x: 0, y: 9, upright: false },
  '85': { x: 8.5, y: 0, upright: true },
  '86': { x: -8.5, y: 0, upright: true },
  '87': { x: 0, y: -9, upright: false },
  '87a': { x: 0, y: -1, upright: false },
}

const HALF = 15
const [BLADE, THIN] = [7, 1.6]

/** Where a point comes to as it is held: seen from the wires left and right change places, then it is turned. */
function turnedBy({ seen, quarters }: Held): (x: number, y: number) => readonly [number, number] {
  const turns = ((quarters % 4) + 4) % 4
  return (x, y) => {
    let [px, py] = [seen === 'pin side' ? x : -x, y]
    for (let i = 0; i < turns; i++) [px, py] = [-py, px]
    // no minus nought
    return [px + 0, py + 0]
  }
}

/** Where a pin stands as it is held: seen from the wires left and right change places, then it is turned. */
export function pinAt(
  pin: RelayPin,
  held: Held,
): { readonly x: number; readonly y: number; readonly upright: boolean } {
  const { upright, ...at } = usual[pin]
  const [x, y] = turnedBy(held)(at.x, at.y)
  return { x, y, upright: held.quarters % 2 !== 0 ? !upright : upright }
}

/**
 * A relay's pins as they lie under the hand, with the wire that goes to each. The numbers stamped beside them count,
 * whatever the picture says: makers place them differently.
 * @param words what ends at each pin; a pin without words stays empty
 */
export function pinDrawing(title: string, words: PinWords, held: Held, pins: readonly RelayPin[]): Drawing {
  const turned = turnedBy(held)
  const shapes: Shape[] = [
    rect('outline', -HALF, -HALF, 2 * HALF, 2 * HALF),
    // where its name is stamped, so that turning is seen
    path('part-thin', [turned(-HALF, HALF - 4), turned(-HALF + 4, HALF)]),
    ...pins.flatMap((pin): Shape[] => {
      const { x, y, upright } = pinAt(pin, held)
      const [w, h] = upright ? [THIN, BLADE] : [BLADE, THIN]
      const name = words[pin]
      // the number stands beside its blade, on the side of the middle
      const inward = x < 0 ? 1 : -1
      const upOrDown = y >= -2 ? -2.2 : 4.4
      const number = upright
        ? text(x + 2.4 * inward, y + 1.2, pin, 3, { anchor: inward > 0 ? 'start' : 'end', figure: true })
        : text(x, y + upOrDown, pin, 3, { anchor: 'middle', figure: true })
      return [rect('pad', x - w / 2, y - h / 2, w, h), number, ...(name ? leader(x, y, upright, name) : [])]
    }),
  ]
  const told = pins.map((p) => `${p} ${words[p] ?? say`empty`}`).join(', ')
  return framed(
    title,
    say`Relay seen onto its ${held.seen === 'pin side' ? say`pins` : say`wires`}: ${told}`.slice(0, 400),
    shapes,
    3,
  )
}

const rows = [
  [say`top left`, say`top`, say`top right`],
  [say`left side`, say`middle`, say`right side`],
  [say`bottom left`, say`bottom`, say`bottom right`],
] as const

/** Where something stands as seen from the middle, downwards counted as more. */
const placeInWords = (x: number, y: number): string => rows[Math.sign(y) + 1]![Math.sign(x) + 1]!

/** Pins without their numbers, one of them marked: for whoever has to know it by its place. */
export function pinAsked(held: Held, marked: RelayPin): Drawing {
  const turned = turnedBy(held)
  const at = pinAt(marked, held)
  const where = placeInWords(Math.abs(at.x) < 4 ? 0 : at.x, Math.abs(at.y) < 4 ? 0 : at.y)
  const corner = turned(-HALF, HALF)
  return framed(
    say`a relay`,
    say`The marked pin is at the ${where}; the cut corner is ${placeInWords(corner[0], corner[1])}.`,
    [
      rect('outline', -HALF, -HALF, 2 * HALF, 2 * HALF),
      path('part-heavy', [turned(-HALF, HALF - 4), turned(-HALF + 4, HALF)]),
      ...relayPins.flatMap((pin): Shape[] => {
        const { x, y, upright } = pinAt(pin, held)
        const [w, h] = upright ? [THIN, BLADE] : [BLADE, THIN]
        return [rect('pad', x - w / 2, y - h / 2, w, h), ...(pin === marked ? [circle('part-heavy', x, y, 5.2)] : [])]
      }),
    ],
    3,
  )
}

/** Words beside the relay, on the pin's own side. */
function leader(x: number, y: number, upright: boolean, name: string): Shape[] {
  const right = x > 0 || (x === 0 && y <= 0)
  const edge = right ? HALF : -HALF
  const out = right ? HALF + 3 : -HALF - 3
  const from: readonly [number, number] = upright || x !== 0 ? [x, y] : [x + (right ? BLADE / 2 : -BLADE / 2), y]
  return [
    path('part-thin', [from, [edge, y], [out, y]]),
    text(out + (right ? 1 : -1), y + 1.1, name, 3.2, { anchor: right ? 'start' : 'end' }),
  ]
}

/** One hole of a plug with what is in it; empty for nothing. */
export interface Hole {
  readonly name: string
  readonly words: string
}

const [PITCH, BORE] = [13, 4]

/**
 * A plug's holes in one row as they lie under the hand: seen from the wires the row runs the other way, and its latch
 * stays on top until it is turned.
 */
export function plugDrawing(title: string, holes: readonly Hole[], held: Held): Drawing {
  const { seen, quarters } = held
  const turned = turnedBy(held)
  const half = (PITCH * holes.length) / 2
  const box = (x1: number, y1: number, x2: number, y2: number, pen: 'outline' | 'part-thin'): Shape => {
    const [[ax, ay], [bx, by]] = [turned(x1, y1), turned(x2, y2)]
    return rect(pen, Math.min(ax, bx), Math.min(ay, by), Math.abs(ax - bx), Math.abs(ay - by))
  }
  const level = quarters % 2 === 0
  const shapes: Shape[] = [
    box(-half, -8, half, 8, 'outline'),
    box(-4, -11, 4, -8, 'part-thin'),
    ...holes.flatMap(({ name, words }, i): Shape[] => {
      const [x, y] = turned(-half + PITCH * (i + 0.5), 0)
      return [
        rect('pad', x - BORE / 2, y - BORE / 2, BORE, BORE),
        text(x, y - 3.2, name, 3, { anchor: 'middle', figure: true }),
        level
          ? text(x, y + 12.5 + (i % 2) * 4, words || say`empty`, 3.2, {
              anchor: 'middle',
              tone: words ? 'ink' : 'soft',
            })
          : text(x + 11, y + 1.1, words || say`empty`, 3.2, { tone: words ? 'ink' : 'soft' }),
      ]
    }),
  ]
  const told = holes.map((h) => `${h.name} ${h.words || say`empty`}`).join(', ')
  return framed(
    title,
    say`Plug seen onto its ${seen === 'pin side' ? say`pins` : say`wires`}: ${told}`.slice(0, 400),
    shapes,
    3,
  )
}
