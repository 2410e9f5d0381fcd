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

/** How far a rectangle stays inside another at its tightest edge; negative where it stands over. @returns m */
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

/**
 * Area of a circle that lies inside a rectangle.
 * @returns m²
 * @see engineering §7
 * @example circleInRectangle({ x: 0, y: 0, r: 1 }, { x: 0, y: 0, w: 5, h: 5 }) //=> a quarter of the circle, 0.785
 */
export function circleInRectangle({ x, y, r }: Circle, rectangle: Rectangle): number {
  if (r <= 0 || rectangle.w <= 0 || rectangle.h <= 0) return 0
  const [l, t] = [rectangle.x - x, rectangle.y - y]
  const [right, bottom] = [l + rectangle.w, t + rectangle.h]
  const area =
    wedge(r, l, t, right, t) +
    wedge(r, right, t, right, bottom) +
    wedge(r, right, bottom, l, bottom) +
    wedge(r, l, bottom, l, t)
  return Math.min(Math.max(0, area), Math.PI * r * r, rectangle.w * rectangle.h)
}

const COLUMNS = 720

/**
 * Area of several circles inside a rectangle, overlaps counted once.
 * @returns m², exact for one circle, else by columns to about a thousandth
 * @see engineering §7
 */
export function circlesInRectangle(circles: readonly Circle[], rectangle: Rectangle): number {
  if (circles.length < 2) return circles[0] ? circleInRectangle(circles[0], rectangle) : 0
  const step = rectangle.w / COLUMNS
  let area = 0
  for (let i = 0; i < COLUMNS; i++) {
    const at = rectangle.x + (i + 0.5) * step
    const chords = circles
      .flatMap(({ x, y, r }): [number, number][] => {
        const half = Math.sqrt(Math.max(0, r * r - (at - x) ** 2))
        const [from, to] = [Math.max(rectangle.y, y - half), Math.min(rectangle.y + rectangle.h, y + half)]
        return half > 0 && to > from ? [[from, to]] : []
      })
      .sort((a, b) => a[0] - b[0])
    let reached = Number.NEGATIVE_INFINITY
    for (const [from, to] of chords) {
      area += Math.max(0, to - Math.max(from, reached)) * step
      reached = Math.max(reached, to)
    }
  }
  return area
}
