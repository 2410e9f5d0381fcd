import { remembering } from '../reading'

/** A rectangle on a core's face or beside it, m: left and top edges, width and height; y runs down. */
export interface Rectangle {
  readonly x: number
  readonly y: number
  readonly w: number
  readonly h: number
}
/** A box before or behind a face: a rectangle between two depths from the face, m. */
export interface Box extends Rectangle {
  readonly from: number
  readonly to: number
}
export interface Circle {
  readonly x: number
  readonly y: number
  readonly r: number
}

/**
 * How far two boxes stand apart; where they overlap, how far one of them would have to move, as a negative figure.
 * @returns m
 * @see engineering §7
 * @example apart({ x: 0, y: 0, w: 2, h: 2, from: 0, to: 3 }, { x: 5, y: 0, w: 2, h: 2, from: 0, to: 3 }) //=> 3
 */
export function apart(a: Box, b: Box): number {
  const along = (from1: number, to1: number, from2: number, to2: number): number => Math.max(from2 - to1, from1 - to2)
  const gaps = [
    along(a.x, a.x + a.w, b.x, b.x + b.w),
    along(a.y, a.y + a.h, b.y, b.y + b.h),
    along(a.from, a.to, b.from, b.to),
  ]
  const open = gaps.filter((g) => g > 0)
  return open.length ? Math.hypot(...open) : Math.max(...gaps)
}

/**
 * How far a rectangle stays inside another at its tightest edge; negative where it stands over.
 * @returns m
 * @example inside({ x: 1, y: 1, w: 2, h: 2 }, { x: 0, y: 0, w: 5, h: 5 }) //=> 1
 */
export const inside = (inner: Rectangle, outer: Rectangle): number =>
  Math.min(
    inner.x - outer.x,
    inner.y - outer.y,
    outer.x + outer.w - inner.x - inner.w,
    outer.y + outer.h - inner.y - inner.h,
  )

const cross = (ax: number, ay: number, bx: number, by: number): number => ax * by - ay * bx

/** Area, with its sign, of a circle round the origin cut by the triangle from the origin to a and b. */
function wedge(r: number, ax: number, ay: number, bx: number, by: number): number {
  const sector = (px: number, py: number, qx: number, qy: number): number =>
    (r * r * Math.atan2(cross(px, py, qx, qy), px * qx + py * qy)) / 2
  const [dx, dy] = [bx - ax, by - ay]
  const a = dx * dx + dy * dy
  if (a === 0) return 0
  const b = ax * dx + ay * dy
  const c = ax * ax + ay * ay - r * r
  const root = b * b - a * c
  if (root <= 0) return sector(ax, ay, bx, by)
  const [t1, t2] = [(-b - Math.sqrt(root)) / a, (-b + Math.sqrt(root)) / a]
  if (t1 >= 1 || t2 <= 0) return sector(ax, ay, bx, by)
  const at = (t: number): [number, number] => [ax + t * dx, ay + t * dy]
  const [from, to] = [at(Math.max(0, t1)), at(Math.min(1, t2))]
  return (t1 > 0 ? sector(ax, ay, ...from) : 0) + cross(...from, ...to) / 2 + (t2 < 1 ? sector(...to, bx, by) : 0)
}

/** A circle round the origin, cut by a rectangle: radius, left, top, width, height. */
const cutCircle = remembering(16, (numbers) => {
  const [r, l, t, w, h] = numbers as [number, number, number, number, number]
  const [right, bottom] = [l + w, t + h]
  const area =
    wedge(r, l, t, right, t) +
    wedge(r, right, t, right, bottom) +
    wedge(r, right, bottom, l, bottom) +
    wedge(r, l, bottom, l, t)
  return Math.min(Math.max(0, area), Math.PI * r * r, w * h)
})

/**
 * Area of a circle that lies inside a rectangle.
 * @returns m²
 * @see engineering §7
 * @example circleInRectangle({ x: 0, y: 0, r: 1 }, { x: 0, y: 0, w: 5, h: 5 }) //=> 0.785
 */
export const circleInRectangle = ({ x, y, r }: Circle, rectangle: Rectangle): number =>
  r <= 0 || rectangle.w <= 0 || rectangle.h <= 0
    ? 0
    : cutCircle([r, rectangle.x - x, rectangle.y - y, rectangle.w, rectangle.h])

/** What bounds a chord of a circle in a rectangle, over x: y, and ± the circle's half-chord if it is an arc. */
interface Edge {
  readonly y: number
  readonly arc: Circle | null
  readonly sign: -1 | 1
}
interface Chord {
  readonly from: number
  readonly to: number
  readonly begins: Edge
  readonly ends: Edge
}

/** Where the order of chords can change: ends of circles, their meetings with each other and with the long edges. */
function turningPoints(circles: readonly Circle[], { x: left, y: top, w, h }: Rectangle): number[] {
  const points = [left, left + w]
  circles.forEach((c, i) => {
    points.push(c.x - c.r, c.x + c.r)
    for (const edge of [top, top + h]) {
      const half = Math.sqrt(Math.max(0, c.r ** 2 - (edge - c.y) ** 2))
      points.push(c.x - half, c.x + half)
    }
    for (const d of circles.slice(i + 1)) {
      const [dx, dy] = [d.x - c.x, d.y - c.y]
      const apart2 = dx * dx + dy * dy
      if (apart2 === 0) continue
      const along = (apart2 + c.r ** 2 - d.r ** 2) / (2 * apart2)
      const across = Math.sqrt(Math.max(0, c.r ** 2 / apart2 - along ** 2))
      points.push(c.x + along * dx - across * dy, c.x + along * dx + across * dy)
    }
  })
  return points.filter((p) => p >= left && p <= left + w).sort((a, b) => a - b)
}

/** The chord of a circle at one x between a rectangle's long edges; null where it has none. */
function chordAt(c: Circle, at: number, top: number, bottom: number): Chord | null {
  const half2 = c.r * c.r - (at - c.x) ** 2
  if (half2 <= 0) return null
  const half = Math.sqrt(half2)
  const [from, to] = [Math.max(top, c.y - half), Math.min(bottom, c.y + half)]
  if (to <= from) return null
  const straight = (y: number): Edge => ({ y, arc: null, sign: 1 })
  return {
    from,
    to,
    begins: from > top ? { y: c.y, arc: c, sign: -1 } : straight(top),
    ends: to < bottom ? { y: c.y, arc: c, sign: 1 } : straight(bottom),
  }
}

/** What lies under an edge between two x. */
function under({ y, arc, sign }: Edge, a: number, b: number): number {
  if (!arc) return y * (b - a)
  const { x, r } = arc
  const part = (t: number): number => {
    const u = Math.min(r, Math.max(-r, t - x))
    return (u * Math.sqrt(r * r - u * u) + r * r * Math.asin(u / r)) / 2
  }
  return y * (b - a) + sign * (part(b) - part(a))
}

/** Several circles in a rectangle, overlaps counted once: left, top, width, height, then x, y and radius of each. */
const unitedCircles = remembering(8, ([x, y, w, h, ...of]) => {
  const rectangle = { x: x!, y: y!, w: w!, h: h! }
  const circles = Array.from({ length: of.length / 3 }, (_, i): Circle => {
    const [cx, cy, r] = of.slice(3 * i) as [number, number, number]
    return { x: cx, y: cy, r }
  })
  const points = turningPoints(circles, rectangle)
  const [top, bottom] = [rectangle.y, rectangle.y + rectangle.h]
  let area = 0
  for (let i = 1; i < points.length; i++) {
    const [a, b] = [points[i - 1]!, points[i]!]
    if (b - a <= 0) continue
    const chords = circles
      .map((c) => chordAt(c, (a + b) / 2, top, bottom))
      .filter((c) => c !== null)
      .sort((c, d) => c.from - d.from)
    let open = null as Chord | null
    for (const chord of chords) {
      if (open && chord.from <= open.to) {
        if (chord.to > open.to) open = { ...open, to: chord.to, ends: chord.ends }
        continue
      }
      if (open) area += under(open.ends, a, b) - under(open.begins, a, b)
      open = chord
    }
    if (open) area += under(open.ends, a, b) - under(open.begins, a, b)
  }
  return area
})

/**
 * Area of several circles inside a rectangle, overlaps counted once: between the points where their order changes, each
 * strip has arcs or the rectangle's edges above and below, and is integrated in closed form.
 * @returns m²
 * @see engineering §7
 * @example circlesInRectangle([{ x: 0, y: 0, r: 1 }, { x: 0, y: 0, r: 0.5 }], { x: 0, y: 0, w: 5, h: 5 }) //=> 0.785
 */
export const circlesInRectangle = (circles: readonly Circle[], rectangle: Rectangle): number =>
  circles.length < 2
    ? circles.reduce((_, circle) => circleInRectangle(circle, rectangle), 0)
    : unitedCircles([
        rectangle.x,
        rectangle.y,
        rectangle.w,
        rectangle.h,
        ...circles.flatMap(({ x, y, r }) => [x, y, r]),
      ])
