import type { GraphEdge } from './circuit-graph'
import {
  currentIn,
  figure,
  type Layers,
  type Piece,
  type Plate,
  type Room,
  type Shown,
  weightOf,
  type XY,
} from './circuit-plate'
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

/**
 * Where the words of a line stand: over or under a level piece, below each other or in a row, its number over and its
 * colour under it, or to the left of a point of an upright one.
 */
interface WordsAt {
  readonly at: XY
  readonly form: 'over' | 'under' | 'row over' | 'row under' | 'parted' | 'beside'
}
/** How much room a line's words want. */
interface Words {
  /** the most letters that stand beside each other: below each other, in a row, and with number and colour parted */
  readonly letters: number
  readonly row: number
  readonly parted: number
  readonly size: number
  /** figures stand on both sides of the line */
  readonly told: boolean
}

/** how wide a letter is, in sizes of one; how far names alone, and names with figures, reach over and under a line */
const LETTER = 0.6
const REACH = { name: { over: 1.6, under: 0 }, figures: { over: 2.8, under: 1.3 } } as const
/** where along a piece words may stand, the best first */
const ALONG = [0.5, 0.65, 0.8, 0.35, 0.2]

/** The straight pieces of every line, as rooms without width: words do not stand across them. */
export const piecesOf = (lines: Iterable<readonly [string, readonly XY[]]>): Piece[] =>
  [...lines].flatMap(([edge, points]) =>
    points.slice(1).flatMap(([x, y], i): Piece[] => {
      const [x0, y0] = points[i]!
      const long = Math.abs(x - x0) + Math.abs(y - y0)
      return long > 0.1 ? [{ edge, room: [Math.min(x, x0), Math.min(y, y0), Math.max(x, x0), Math.max(y, y0)] }] : []
    }),
  )

const meet = (a: Room, b: Room): boolean => a[0] < b[2] && b[0] < a[2] && a[1] < b[3] && b[1] < a[3]
const wider = ([left, top, right, foot]: Room, by: number): Room => [left - by, top - by, right + by, foot + by]

function roomOf({ at: [x, y], form }: WordsAt, { letters, row, parted, size, told }: Words): Room {
  const inRow = form === 'row over' || form === 'row under'
  const { over, under } = told && !inRow ? REACH.figures : REACH.name
  const half =
    (LETTER *
      size *
      { parted, 'row over': row, 'row under': row, over: letters, under: letters, beside: letters }[form]) /
    2
  if (form === 'parted') return [x - half, y - over * size, x + half, y + over * size]
  if (form === 'beside') return [x - 2 * half - 2, y - size, x - 1, y + (told ? over : 0.6) * size]
  return form === 'over' || form === 'row over'
    ? [x - half, y - over * size, x + half, y + under * size]
    : [x - half, y - under * size, x + half, y + over * size]
}

/** Every place at which a line's words may stand, the best first. */
function placesFor(points: readonly XY[], { letters, row, size, told }: Words): WordsAt[] {
  const half = (LETTER * size * letters) / 2
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
  const on = (forms: readonly WordsAt['form'][]) => (q: (typeof pieces)[number]) =>
    forms.flatMap((form) => ALONG.map((t): WordsAt => ({ at: along(q, t), form })))
  const whole = on(told ? ['over'] : ['over', 'under'])
  return [
    ...level.filter((q) => q.long >= 2 * half).flatMap(whole),
    // beside an upright one on either side of it
    ...upright.flatMap((q) =>
      ALONG.flatMap((t): WordsAt[] => {
        const [x, y] = along(q, t)
        return [
          { at: [x, y], form: 'beside' },
          { at: [x + 2 * half + 3, y], form: 'beside' },
        ]
      }),
    ),
    ...(told ? level.filter((q) => q.long >= LETTER * size * row).flatMap(on(['row over', 'row under'])) : []),
    ...level.flatMap(whole),
    ...(told ? [] : level.flatMap(on(['parted']))),
  ]
}

/** The first place that no line crosses and where nothing else stands, or least; taken from then on. */
function wordsAt(p: Plate, edge: GraphEdge, points: readonly XY[], words: Words): WordsAt {
  const places = placesFor(points, words)
  // words over words cannot be read; a line through them is the lesser evil; their own runs between name and figures
  const inTheWay = (w: WordsAt): number => {
    const room = roomOf(w, words)
    const own = w.form === 'parted' || (w.form === 'over' && words.told)
    const crossed = p.pieces.filter((q) => !(own && q.edge === edge.id) && meet(wider(room, -0.1), wider(q.room, 0.05)))
    return crossed.length + 3 * p.taken.filter((other) => meet(room, other)).length
  }
  const least = Math.min(...places.map(inTheWay))
  const found = places.find((w) => inTheWay(w) === least) ?? { at: points[0] ?? [0, 0], form: 'over' }
  p.taken.push(roomOf(found, words))
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
  const name = p.wires.get(edge.wire) ?? ''
  const words = [name, amps, volts]
  const [number = '', colour = ''] = name.split(' ')
  const row = words.join('  ')
  const { at, form } = wordsAt(p, edge, points, {
    letters: Math.max(...words.map((l) => l.length)),
    row: row.length,
    parted: Math.max(number.length, colour.length),
    size,
    told: told !== null,
  })
  // name and current over the line, volts under it; beside an upright one all of them below each other
  const step = 1.15 * size
  const beside = form === 'beside'
  // clear of the line, however thick what flows makes it
  const half = p.shown ? weightOf(currentIn(p, edge)) / 2 : 0.3
  const over = at[1] - half - 1
  const under = at[1] + half + 0.5 + size
  const below = [at[1] + 1, at[1] + 1 + step, at[1] + 1 + 2 * step] as const
  const lines: readonly (readonly [words: string, y: number])[] = {
    over: [[name, amps ? over - step : over] as const, [amps, over] as const, [volts, under] as const],
    under: [[name, under] as const],
    'row over': [[row, over] as const],
    'row under': [[row, under] as const],
    parted: [[number, over] as const, [colour, under] as const],
    beside: words.map((w, i) => [w, below[i]!] as const),
  }[form]
  return lines
    .filter(([l]) => l !== '')
    .map(([l, y]) =>
      text(beside ? at[0] - 1.5 : at[0], y, l, size, {
        anchor: beside ? 'end' : 'middle',
        figure: true,
        tone: l === volts && told ? 'soft' : 'ink',
      }),
    )
}

/** Words of all lines; those with the least room choose first where they stand. */
export function wordsOfLines(p: Plate, edges: readonly GraphEdge[]): Shape[] {
  const long = (edge: GraphEdge): number =>
    (p.lines.get(edge.id) ?? []).reduce(
      (sum, [x, y], i, all) => sum + (i ? Math.abs(x - all[i - 1]![0]) + Math.abs(y - all[i - 1]![1]) : 0),
      0,
    )
  return edges
    .map((edge) => ({ edge, points: p.lines.get(edge.id) ?? [], long: long(edge) }))
    .filter(({ points }) => points.length > 1)
    .sort((a, b) => a.long - b.long)
    .flatMap(({ edge, points }) => wireWords(p, edge, points))
}

/** A line of the circuit with what flows in it. */
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
}
