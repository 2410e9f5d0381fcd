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

function wordsAt(points: readonly XY[], letters: number, size: number, uprights: readonly Upright[]): WordsAt {
  const half = (LETTER * size * letters) / 2
  const pieces = points.slice(1).map((end, i) => ({ from: points[i]!, end }))
  const isLevel = ({ from, end }: (typeof pieces)[number]): boolean => Math.abs(from[1] - end[1]) < 0.1
  const long = ({ from, end }: (typeof pieces)[number]): number => Math.hypot(from[0] - end[0], from[1] - end[1])
  const clear = ([x, y]: XY): boolean =>
    uprights.every(
      ([ux, top, foot]) => ux < x - half || ux > x + half || foot < y - OVER * size || top > y + UNDER * size,
    )
  const sorted = [...pieces].sort((q, r) => long(r) - long(q))
  const places = sorted
    .filter((q) => isLevel(q) && long(q) >= 2 * half)
    .flatMap(({ from, end }) => ALONG.map((t): XY => [from[0] + t * (end[0] - from[0]), from[1]]))
  const found = places.find(clear)
  if (found) return { at: found, beside: false }
  const upright = sorted.find((q) => !isLevel(q) && long(q) >= 2 * size)
  if (upright) return { at: [upright.from[0], (upright.from[1] + upright.end[1]) / 2], beside: true }
  const [any] = sorted
  return { at: any ? [(any.from[0] + any.end[0]) / 2, any.from[1]] : [0, 0], beside: false }
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
  const { at, beside } = wordsAt(points, Math.max(...lines.map((l) => l.length)), size, p.uprights)
  // name and current over the line, volts under it; beside an upright one all of them below each other
  const step = 1.15 * size
  const over = at[1] - 1.6
  const heights = beside
    ? [at[1] + 1, at[1] + 1 + step, at[1] + 1 + 2 * step]
    : [amps ? over - step : over, over, at[1] + 0.8 + size]
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
