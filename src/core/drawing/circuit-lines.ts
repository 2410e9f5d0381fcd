import type { GraphEdge } from './circuit-graph'
import { currentIn, figure, type Layers, type Plate, type Shown, weightOf, type XY } from './circuit-plate'
import type { Pen, Shape } from './drawing-schema'
import { rect, text } from './shapes'

/** half as wide as a line is to touch, mm */
const HIT = 3.5

/** What a node's voltage looks like: live, part of it, ground, or in the air. */
function penOf(node: string, supplyV: number, shown: Shown | null): Pen {
  if (!shown) return 'wire'
  if (shown.solution.floating.includes(node)) return 'wire-floating'
  const v = Math.abs(shown.solution.volts.get(node) ?? 0)
  if (v > 0.85 * supplyV) return 'wire-live'
  return v > 0.08 * supplyV ? 'wire-half' : 'wire-ground'
}

/** Where the words of a line stand: over its longest level piece, or beside an upright one where that is too short. */
interface WordsAt {
  readonly at: XY
  readonly beside: boolean
}

/** how wide a letter is, and how far words reach over and under their line, in sizes of a letter */
const [LETTER, OVER, UNDER] = [0.6, 2.8, 1.3]
/** where along a piece words may stand, the best first */
const ALONG = [0.5, 0.65, 0.8, 0.35, 0.2]

type Upright = readonly [x: number, from: number, to: number]

/** Upright pieces of every line, which no words may stand across. */
export const uprightsOf = (lines: Iterable<readonly XY[]>): Upright[] =>
  [...lines].flatMap((points) =>
    points.slice(1).flatMap(([x, y], i): Upright[] => {
      const [x0, y0] = points[i]!
      return Math.abs(x - x0) < 0.1 && Math.abs(y - y0) > 0.1 ? [[x, Math.min(y, y0), Math.max(y, y0)]] : []
    }),
  )

/** Room that something takes, mm. */
type Room = readonly [left: number, top: number, right: number, foot: number]

const meet = (a: Room, b: Room): boolean => a[0] < b[2] && b[0] < a[2] && a[1] < b[3] && b[1] < a[3]

/** The room that words take over and under a level line, or to the left of an upright one. */
function roomOf({ at: [x, y], beside }: WordsAt, half: number, size: number): Room {
  return beside
    ? [x - 2 * half - 2, y - size, x - 1, y + OVER * size]
    : [x - half, y - OVER * size, x + half, y + UNDER * size]
}

/** Every place at which a line's words may stand, the best first. */
function placesFor(points: readonly XY[], half: number, size: number): WordsAt[] {
  const pieces = points
    .slice(1)
    .map((end, i) => ({ from: points[i]!, end }))
    .map((q) => ({ ...q, long: Math.hypot(q.from[0] - q.end[0], q.from[1] - q.end[1]) }))
    .sort((q, r) => r.long - q.long)
  const along = ({ from, end }: (typeof pieces)[number], t: number): XY => [
    from[0] + t * (end[0] - from[0]),
    from[1] + t * (end[1] - from[1]),
  ]
  const level = pieces.filter((q) => Math.abs(q.from[1] - q.end[1]) < 0.1)
  const upright = pieces.filter((q) => Math.abs(q.from[0] - q.end[0]) < 0.1 && q.long >= 2 * size)
  const over = (q: (typeof pieces)[number]) => ALONG.map((t): WordsAt => ({ at: along(q, t), beside: false }))
  return [
    ...level.filter((q) => q.long >= 2 * half).flatMap(over),
    // beside an upright one on either side of it
    ...upright.flatMap((q) =>
      ALONG.flatMap((t): WordsAt[] => {
        const [x, y] = along(q, t)
        return [
          { at: [x, y], beside: true },
          { at: [x + 2 * half + 3, y], beside: true },
        ]
      }),
    ),
    ...level.flatMap(over),
  ]
}

/** The first place that no upright line crosses and where nothing else stands, or least; taken from then on. */
function wordsAt(p: Plate, points: readonly XY[], letters: number): WordsAt {
  const { figure: size } = p.lettering
  const half = (LETTER * size * letters) / 2
  const places = placesFor(points, half, size)
  // words over words cannot be read; a line through them is the lesser evil
  const inTheWay = (w: WordsAt): number => {
    const room = roomOf(w, half, size)
    const crossed = p.uprights.filter(([x, top, foot]) => meet(room, [x - 0.1, top, x + 0.1, foot])).length
    return crossed + 3 * p.taken.filter((other) => meet(room, other)).length
  }
  const least = Math.min(...places.map(inTheWay))
  const found = places.find((w) => inTheWay(w) === least) ?? { at: points[0] ?? [0, 0], beside: false }
  p.taken.push(roomOf(found, half, size))
  return found
}

/** Where a line can be chosen: broader than it is drawn. */
const touchable = (points: readonly XY[], of: string): Shape[] =>
  points.slice(1).map(([x, y], i): Shape => {
    const [x0, y0] = points[i]!
    const level = Math.abs(y - y0) < 0.1
    return rect(
      'hit',
      Math.min(x, x0) - (level ? 0 : HIT),
      Math.min(y, y0) - (level ? HIT : 0),
      Math.abs(x - x0) + (level ? 0 : 2 * HIT),
      Math.abs(y - y0) + (level ? 2 * HIT : 0),
      of,
    )
  })

function penOfEdge(p: Plate, edge: GraphEdge): Pen {
  if (edge.wire === null) return penOf(edge.node, p.supplyV, p.shown)
  const wire = p.byName.get(edge.wire)
  if (!wire || wire.a !== edge.ends[0] || wire.b !== edge.ends[1]) return 'wire-floating'
  return p.marks.includes(edge.wire) ? 'touch' : penOf(wire.b, p.supplyV, p.shown)
}

/** Number, colour and, where they are wanted, figures of a wire, above and below its longest level piece. */
function wireWords(p: Plate, edge: GraphEdge, points: readonly XY[]): Shape[] {
  const own = p.byName.get(edge.wire ?? '')
  if (!own || !edge.wire) return []
  const { figure: size } = p.lettering
  const told = p.shown?.figures ? p.shown.solution : null
  const amps = told ? `${figure(Math.abs(currentIn(p, edge)))} A` : ''
  const volts = told ? `${figure(told.volts.get(own.a) ?? 0)} V` : ''
  const lines = [p.wires.get(edge.wire) ?? '', amps, volts]
  const { at, beside } = wordsAt(p, points, Math.max(...lines.map((l) => l.length)))
  // name and current over the line, volts under it; beside an upright one all of them below each other
  const step = 1.15 * size
  // clear of the line, however thick what flows makes it
  const half = p.shown ? weightOf(currentIn(p, edge)) / 2 : 0.3
  const over = at[1] - half - 1
  const heights = beside
    ? [at[1] + 1, at[1] + 1 + step, at[1] + 1 + 2 * step]
    : [amps ? over - step : over, over, at[1] + half + 0.5 + size]
  return lines.flatMap((l, i): Shape[] =>
    l
      ? [
          text(beside ? at[0] - 1.5 : at[0], heights[i]!, l, size, {
            anchor: beside ? 'end' : 'middle',
            figure: true,
            tone: i === 2 ? 'soft' : 'ink',
          }),
        ]
      : [],
  )
}

/** A line of the circuit with what flows in it and what it is called. */
export function drawEdge(p: Plate, edge: GraphEdge, to: Layers): void {
  const points = p.lines.get(edge.id) ?? []
  if (points.length < 2) return
  const current = currentIn(p, edge)
  const of = edge.wire ?? undefined
  if (of) to.shapes.push(...touchable(points, of))
  to.shapes.push({
    kind: 'path',
    pen: penOfEdge(p, edge),
    points,
    ...(of ? { of } : {}),
    ...(p.shown ? { weight: weightOf(current) } : {}),
  })
  if (p.shown && Math.abs(current) > 0.02)
    to.flows.push({
      kind: 'path',
      pen: 'flow',
      points: current > 0 ? points : [...points].reverse(),
      weight: Math.max(0.5, weightOf(current) * 0.4),
    })
  to.figures.push(...wireWords(p, edge, points))
}
