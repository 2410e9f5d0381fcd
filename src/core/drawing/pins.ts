import type { Drawing, Shape } from './drawing-schema'
import { framed, path, rect, text } from './shapes'

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

/** Where a pin stands as it is held: seen from the wires left and right change places, then it is turned. */
export function pinAt(
  pin: RelayPin,
  { seen, quarters }: Held,
): { readonly x: number; readonly y: number; readonly upright: boolean } {
  const { x, y, upright } = usual[pin]
  let [px, py] = [seen === 'pin side' ? x : -x, y]
  const turns = ((quarters % 4) + 4) % 4
  for (let i = 0; i < turns; i++) [px, py] = [-py, px]
  // no minus nought
  return { x: px + 0, y: py + 0, upright: turns % 2 === 1 ? !upright : upright }
}

/**
 * A relay's pins as they lie under the hand, with the wire that goes to each. The numbers stamped beside them count,
 * whatever the picture says: makers place them differently.
 * @param words what ends at each pin; a pin without words stays empty
 */
export function pinDrawing(title: string, words: PinWords, held: Held, pins: readonly RelayPin[]): Drawing {
  const shapes: Shape[] = [
    rect('outline', -HALF, -HALF, 2 * HALF, 2 * HALF),
    // where its name is stamped, so that turning is seen
    ...(() => {
      const turned = (x: number, y: number): readonly [number, number] => {
        let [px, py] = [held.seen === 'pin side' ? x : -x, y]
        for (let i = 0; i < ((held.quarters % 4) + 4) % 4; i++) [px, py] = [-py, px]
        return [px, py]
      }
      return [path('part-thin', [turned(-HALF, HALF - 4), turned(-HALF + 4, HALF)])]
    })(),
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
  const told = pins.map((p) => `${p} ${words[p] ?? 'empty'}`).join(', ')
  return framed(
    title,
    `Relay seen onto its ${held.seen === 'pin side' ? 'pins' : 'wires'}: ${told}`.slice(0, 400),
    shapes,
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
