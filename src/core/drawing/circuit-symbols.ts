import type { Element } from '../circuit'
import { PART } from './circuit-graph'
import type { Pen, Shape } from './drawing-schema'
import { circle, path, rect, text } from './shapes'

type XY = readonly [number, number]
const MID = PART.w / 2
const Y = PART.symbol / 2

const line = (pen: Pen, of: string, ...points: readonly XY[]): Shape => path(pen, points, { of })

/** A symbol's box: points of it by their distance from its corner, and the line through it with a gap. */
function boxAt(of: string, x: number, y: number) {
  const at = (dx: number, dy: number): XY => [x + dx, y + dy]
  const through = (gap: number): Shape[] => [
    line('part', of, at(0, Y), at(MID - gap, Y)),
    line('part', of, at(MID + gap, Y), at(PART.w, Y)),
  ]
  return { of, x, y, at, through }
}
type Box = ReturnType<typeof boxAt>

const source = ({ of, x, y, at }: Box): Shape[] => [
  line('part', of, at(MID + 4, Y), at(PART.w, Y)),
  line('part-heavy', of, at(MID + 4, Y - 6), at(MID + 4, Y + 6)),
  line('part-heavy', of, at(MID, Y - 3), at(MID, Y + 3)),
  line('part', of, at(MID - 4, Y - 6), at(MID - 4, Y + 6)),
  line('part-heavy', of, at(MID - 8, Y - 3), at(MID - 8, Y + 3)),
  line('part', of, at(MID - 8, Y), at(MID - 12, Y)),
  line('part', of, at(MID - 12, Y - 3), at(MID - 12, Y + 3)),
  text(x + MID + 7, y + Y - 2, '+', 4, { of }),
  text(x + MID - 15, y + Y - 4, '−', 4, { of, anchor: 'end' }),
]

const pulses = ({ of, x, y, at, through }: Box): Shape[] => [
  ...through(10),
  rect('part', x + MID - 10, y + Y - 7, 20, 14, of),
  line(
    'part',
    of,
    at(MID - 7, Y + 4),
    at(MID - 7, Y - 4),
    at(MID - 2, Y - 4),
    at(MID - 2, Y + 4),
    at(MID + 2, Y + 4),
    at(MID + 2, Y - 4),
    at(MID + 7, Y - 4),
    at(MID + 7, Y + 4),
  ),
]

const fan = ({ of, x, y, at, through }: Box): Shape[] => [
  ...through(7),
  circle('part', x + MID, y + Y, 7, of),
  ...[0, 120, 240].map((turn) => {
    const a = (turn * Math.PI) / 180
    const p = (r: number, d: number): XY => at(MID + r * Math.cos(a + d), Y + r * Math.sin(a + d))
    return path('part', [at(MID, Y), p(5.6, -0.35), p(5.6, 0.35)], { closed: true, of })
  }),
]

/**
 * Symbols by kind, in a box of {@link PART}, the way through at half the symbol's height. `closed`: lets current
 * through.
 */
export function symbol(e: Element, x: number, y: number, closed: boolean): Shape[] {
  const b = boxAt(e.name, x, y)
  const { at, of, through } = b
  switch (e.kind) {
    case 'source':
      return source(b)
    case 'fuse':
      return [
        ...through(9),
        rect('part', x + MID - 9, y + Y - 3, 18, 6, of),
        line(
          closed ? 'part' : 'touch',
          of,
          ...(closed ? [at(MID - 9, Y), at(MID + 9, Y)] : [at(MID - 9, Y), at(MID - 3, Y - 2)]),
        ),
      ]
    case 'switch':
    case 'contact':
    case 'output':
      return [
        ...through(7),
        circle('part', x + MID - 7, y + Y, 0.9, of),
        circle('part', x + MID + 7, y + Y, 0.9, of),
        line('part-heavy', of, at(MID - 6.2, Y), closed ? at(MID + 6.2, Y) : at(MID + 5, Y - 5.5)),
        ...(e.kind === 'output' ? [rect('part-thin', x + MID - 12, y, 24, PART.symbol, of)] : []),
      ]
    case 'chopper':
      return pulses(b)
    case 'coil':
      return [
        ...through(7),
        rect('part', x + MID - 7, y + Y - 5, 14, 10, of),
        line('part', of, at(MID - 3, Y + 5), at(MID + 3, Y - 5)),
      ]
    case 'motor':
      return fan(b)
    case 'load':
      return e.what === 'lamp'
        ? [
            ...through(5),
            circle('part', x + MID, y + Y, 5, of),
            line('part', of, at(MID - 3.5, Y - 3.5), at(MID + 3.5, Y + 3.5)),
            line('part', of, at(MID - 3.5, Y + 3.5), at(MID + 3.5, Y - 3.5)),
          ]
        : [...through(7), rect('part-thin', x + MID - 7, y + Y - 3, 14, 6, of)]
    case 'diode':
      return [
        ...through(0),
        path('part', [at(MID - 4, Y - 4), at(MID + 3, Y), at(MID - 4, Y + 4)], { closed: true, of }),
        line('part-heavy', of, at(MID + 3, Y - 4), at(MID + 3, Y + 4)),
      ]
    case 'wire':
      return []
  }
}
