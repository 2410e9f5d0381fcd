import { type Shape } from './drawing-schema'
import { type Pen } from './drawing-schema'
import { type Drawing } from './drawing-schema'
type Text = Extract<Shape, { kind: 'text' }>
export type Anchor = Text['anchor']
export type Tone = Text['tone']

export const path = (
  pen: Pen,
  points: readonly (readonly [number, number])[],
  more: { closed?: boolean; of?: string } = {},
): Shape => ({ kind: 'path', pen, points, ...more })
export const rect = (pen: Pen, x: number, y: number, w: number, h: number, of?: string): Shape => ({
  kind: 'rect',
  pen,
  x,
  y,
  w,
  h,
  ...(of ? { of } : {}),
})
export const circle = (pen: Pen, x: number, y: number, r: number, of?: string): Shape => ({
  kind: 'circle',
  pen,
  x,
  y,
  r,
  ...(of ? { of } : {}),
})
export const text = (
  x: number,
  y: number,
  words: string,
  size: number,
  more: { anchor?: Anchor; tone?: Tone; figure?: boolean; of?: string } = {},
): Shape => ({
  kind: 'text',
  x,
  y,
  text: words,
  size,
  anchor: more.anchor ?? 'start',
  tone: more.tone ?? 'ink',
  figure: more.figure ?? false,
  ...(more.of ? { of: more.of } : {}),
})

/** A dimension along x or y with slanting ends and its figure beside it. @param size of the figure, mm */
export function dimension(
  from: readonly [number, number],
  to: readonly [number, number],
  words: string,
  size: number,
  tone: Tone = 'ink',
): Shape[] {
  const [x1, y1] = from
  const [x2, y2] = to
  const tick = size * 0.35
  const upright = Math.abs(x1 - x2) < 1e-9
  const ends = [from, to].map(([x, y]) =>
    path('dimension', [
      [x - tick, y + tick],
      [x + tick, y - tick],
    ]),
  )
  // a figure wider than its dimension stands beside it
  const tight = !upright && Math.abs(x2 - x1) < words.length * size * 0.62
  return [
    path('dimension', [from, to]),
    ...ends,
    upright
      ? text(x1 - size * 0.5, (y1 + y2) / 2 + size * 0.35, words, size, { anchor: 'end', figure: true, tone })
      : text(
          tight ? Math.max(x1, x2) + size * 0.6 : (x1 + x2) / 2,
          tight ? y1 + size * 0.35 : y1 - size * 0.4,
          words,
          size,
          { anchor: tight ? 'start' : 'middle', figure: true, tone },
        ),
  ]
}

/** An arrow along a line, its head at the end. */
export function arrow(pen: Pen, from: readonly [number, number], to: readonly [number, number], head: number): Shape[] {
  const a = Math.atan2(to[1] - from[1], to[0] - from[0])
  const wing = (turn: number): readonly [number, number] => [
    to[0] - head * Math.cos(a + turn),
    to[1] - head * Math.sin(a + turn),
  ]
  return [path(pen, [from, to]), path(pen, [wing(0.45), to, wing(-0.45)])]
}

/** The frame round everything that is drawn, with some air; words lie over all lines. */
export function framed(title: string, says: string, drawn: readonly Shape[], air: number): Drawing {
  const shapes = [...drawn.filter((s) => s.kind !== 'text'), ...drawn.filter((s) => s.kind === 'text')]
  let [x1, y1, x2, y2] = [
    Number.POSITIVE_INFINITY,
    Number.POSITIVE_INFINITY,
    Number.NEGATIVE_INFINITY,
    Number.NEGATIVE_INFINITY,
  ]
  const take = (x: number, y: number): void => {
    x1 = Math.min(x1, x)
    y1 = Math.min(y1, y)
    x2 = Math.max(x2, x)
    y2 = Math.max(y2, y)
  }
  for (const s of shapes) {
    if (s.kind === 'path') for (const [x, y] of s.points) take(x, y)
    else if (s.kind === 'rect') {
      take(s.x, s.y)
      take(s.x + s.w, s.y + s.h)
    } else if (s.kind === 'circle') {
      take(s.x - s.r, s.y - s.r)
      take(s.x + s.r, s.y + s.r)
    } else {
      const long = s.text.length * s.size * 0.56
      const before = { start: 0, middle: long / 2, end: long }[s.anchor]
      take(s.x - before, s.y - s.size)
      take(s.x + (long - before), s.y + s.size * 0.3)
    }
  }
  if (!Number.isFinite(x1)) return { title, says, x: 0, y: 0, w: 1, h: 1, shapes }
  return { title, says, x: x1 - air, y: y1 - air, w: x2 - x1 + 2 * air, h: y2 - y1 + 2 * air, shapes }
}
