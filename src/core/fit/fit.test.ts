import fc from 'fast-check'
import {
  apart,
  circleInRectangle,
  circlesInRectangle,
  clocking,
  engagement,
  holesOf,
  inside,
  longestScrew,
  offTheGaps,
  snapToGaps,
  tieLength,
} from '.'
import { often } from '../../test-support/often'

const size = (min: number, max: number) => fc.double({ min, max, noNaN: true })

describe('a circle on a rectangle', () => {
  test('closed forms: all of it, half, a quarter, all of the rectangle, one segment off, nothing', () => {
    const face = { x: 0, y: 0, w: 4, h: 6 }
    expect(circleInRectangle({ x: 2, y: 3, r: 1 }, face)).toBeCloseTo(Math.PI, 12)
    expect(circleInRectangle({ x: 0, y: 3, r: 1 }, face)).toBeCloseTo(Math.PI / 2, 12)
    expect(circleInRectangle({ x: 4, y: 6, r: 1 }, face)).toBeCloseTo(Math.PI / 4, 12)
    expect(circleInRectangle({ x: 2, y: 3, r: 9 }, face)).toBeCloseTo(24, 12)
    // half a radius stands over the left edge: the segment of 120 degrees is missing
    expect(circleInRectangle({ x: 0.5, y: 3, r: 1 }, face)).toBeCloseTo(Math.PI - (Math.PI / 3 - Math.sqrt(3) / 4), 12)
    expect(circleInRectangle({ x: -1.5, y: 3, r: 1 }, face)).toBeCloseTo(0, 12)
    expect(circleInRectangle({ x: 2, y: 3, r: 0 }, face)).toBe(0)
  })
  test('two unit circles a radius apart cover 2π less their lens of 2π/3 − √3/2', () => {
    const [one, two] = [
      { x: 5, y: 5, r: 1 },
      { x: 6, y: 5, r: 1 },
    ]
    const lens = (2 * Math.PI) / 3 - Math.sqrt(3) / 2
    expect(circlesInRectangle([one, two], { x: 0, y: 0, w: 20, h: 20 })).toBeCloseTo(2 * Math.PI - lens, 12)
    // cut through the middle of both, half is left
    expect(circlesInRectangle([one, two], { x: 0, y: 5, w: 20, h: 20 })).toBeCloseTo(Math.PI - lens / 2, 12)
  })
  test('against a fine grid anywhere, and what lies within another counts once', () => {
    const face = { x: 0, y: 0, w: 0.2, h: 0.3 }
    const circle = fc.record({ x: size(-0.1, 0.3), y: size(-0.1, 0.4), r: size(0.01, 0.3) })
    const GRID = 300
    const counted = (circles: readonly { x: number; y: number; r: number }[]): number => {
      let hits = 0
      for (let i = 0; i < GRID; i++)
        for (let j = 0; j < GRID; j++) {
          const [px, py] = [((i + 0.5) / GRID) * face.w, ((j + 0.5) / GRID) * face.h]
          if (circles.some((c) => Math.hypot(px - c.x, py - c.y) < c.r)) hits++
        }
      return (hits / GRID ** 2) * face.w * face.h
    }
    fc.assert(
      fc.property(circle, circle, circle, (a, b, c) => {
        expect(circlesInRectangle([a, b, c], face)).toBeCloseTo(counted([a, b, c]), 3)
        // where a circle only touches an edge, half the digits of a root are left
        expect(circlesInRectangle([a, { ...a, r: a.r / 2 }], face)).toBeCloseTo(circleInRectangle(a, face), 8)
      }),
      { numRuns: often(6), endOnFailure: true },
    )
  })
})

test('boxes: apart by their gap, across a corner by both, and how far to move where they overlap', () => {
  const box = { x: 0, y: 0, w: 2, h: 2, from: 0, to: 3 }
  expect(apart(box, { ...box, x: 5 })).toBe(3)
  expect(apart(box, { ...box, x: 5, y: 6 })).toBe(5)
  expect(apart(box, { ...box, from: 4, to: 9 })).toBe(1)
  expect(apart(box, { ...box, x: 1.5, from: 2.9 })).toBeCloseTo(-0.1)
  expect(inside({ x: 1, y: 1, w: 2, h: 2 }, { x: 0, y: 0, w: 4, h: 3.5 })).toBe(0.5)
  expect(inside({ x: 3, y: 1, w: 2, h: 2 }, { x: 0, y: 0, w: 4, h: 9 })).toBe(-1)
})

test('ties: snapping never puts a hole further off, and finds the gaps where the holes are whole pitches apart', () => {
  fc.assert(
    fc.property(size(0.03, 0.2), size(0.005, 0.015), size(0.05, 0.2), (x, pitch, circle) => {
      const holes = holesOf(4, circle)
      const snapped = snapToGaps(x, holes, pitch)
      expect(snapped.offM).toBeLessThanOrEqual(offTheGaps(x, holes, pitch) + 1e-12)
      expect(Math.abs(snapped.xM - x)).toBeLessThanOrEqual(pitch / 2 + 1e-12)
    }),
    { numRuns: 60 },
  )
  // four holes 90 mm apart, tubes every 7.5 mm: twelve gaps, so both columns can lie in the middle of one
  expect(snapToGaps(0.06, holesOf(4, 0.09 * Math.SQRT2), 0.0075).offM).toBeLessThan(0.00007)
  expect(tieLength(0.03, 0.005, 0.004)).toBeCloseTo(0.108)
  expect(longestScrew(0.002, 0.001, 0.008)).toBeCloseTo(0.01)
})

test('fixing points: how many meet the old housing, and which way to turn it', () => {
  expect(engagement({ count: 4, circleM: 0.14 }, { count: 4, circleM: 0.14 })).toEqual({
    engaged: 4,
    of: 4,
    turns: [0, 90, 180, 270],
  })
  expect(engagement({ count: 3, circleM: 0.16 }, { count: 6, circleM: 0.16 })).toMatchObject({
    engaged: 3,
    turns: [0, 60, 120, 180, 240, 300],
  })
  expect(engagement({ count: 3, circleM: 0.16 }, { count: 4, circleM: 0.16 }).engaged).toBe(1)
  expect(engagement({ count: 4, circleM: 0.16 }, { count: 4, circleM: 0.15 })).toEqual({ engaged: 0, of: 4, turns: [] })
})

test(
  'a foreign motor stands where it keeps furthest from all, at its best as a search over every tenth of ' +
    'a degree finds',
  () => {
    const circle = { radiusM: 0.045, lugM: 0.012, postM: 0.005 }
    // three lugs against four posts: they meet every 30°, so 15° is all there is; 15° of 45 mm are 11.8 mm, less 8.5
    const even = clocking([0, 120, 240], [0, 90, 180, 270], circle)
    expect(even.apartDeg).toBeCloseTo(15)
    expect(even.leftM * 1000).toBeCloseTo(11.78 - 8.5, 2)
    const apart = (a: number, b: number): number => {
      const d = Math.abs(a - b) % 360
      return Math.min(d, 360 - d)
    }
    fc.assert(
      fc.property(
        fc.array(fc.integer({ min: 0, max: 359 }), { minLength: 1, maxLength: 4 }),
        fc.array(fc.integer({ min: 0, max: 359 }), { minLength: 1, maxLength: 5 }),
        (lugs, posts) => {
          const least = (turn: number): number => Math.min(...lugs.flatMap((l) => posts.map((p) => apart(l + turn, p))))
          const best = clocking(lugs, posts, circle)
          expect(least(best.turnDeg)).toBeCloseTo(best.apartDeg, 6)
          for (let t = 0; t < 360; t += 0.5) expect(least(t)).toBeLessThanOrEqual(best.apartDeg + 1e-9)
        },
      ),
      { numRuns: 40 },
    )
    expect(() => clocking([], [1], circle)).toThrow(RangeError)
  },
)
