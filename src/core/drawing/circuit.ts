import { type Drawing } from './drawing-schema'
import { type Pen } from './drawing-schema'
import { type Shape } from './drawing-schema'
import { conducts, type Conditions, type Element, type Netlist, type Solution } from '../circuit'
import { PART, type CircuitGraph, type LaidOut } from './circuit-graph'
import { circle, framed, path, rect, text } from './shapes'

type XY = readonly [number, number]
/** state in which a circuit is drawn; none for a plain plan of it */
export interface Shown {
  readonly conditions: Conditions
  readonly solution: Solution
  readonly figures: boolean
  /** laid out for a narrow screen: larger words */ readonly narrow?: boolean
}

/** half as wide as a line is to touch, mm */
const HIT = 3.5
const MID = PART.w / 2
const Y = PART.symbol / 2

/** What a node's voltage looks like: live, part of it, ground, or in the air. */
function penOf(node: string, supplyV: number, shown: Shown | null): Pen {
  if (!shown) return 'wire'
  if (shown.solution.floating.includes(node)) return 'wire-floating'
  const v = Math.abs(shown.solution.volts.get(node) ?? 0)
  return v > 0.85 * supplyV ? 'wire-live' : v > 0.08 * supplyV ? 'wire-half' : 'wire-ground'
}

/** Thickness of a line by what flows through it, mm: 0.4 for nothing, then with the root of the current. */
export const weightOf = (amps: number): number => 0.4 + 0.85 * Math.sqrt(Math.min(60, Math.abs(amps)))

const line = (pen: Pen, of: string, ...points: readonly XY[]): Shape => path(pen, points, { of })

/**
 * Symbols by kind, in a box of {@link PART}, the way through at half the symbol's height. `closed`: lets current
 * through.
 */
function symbol(e: Element, x: number, y: number, closed: boolean): Shape[] {
  const at = (dx: number, dy: number): XY => [x + dx, y + dy]
  const of = e.name
  const through = (gap: number): Shape[] => [
    line('part', of, at(0, Y), at(MID - gap, Y)),
    line('part', of, at(MID + gap, Y), at(PART.w, Y)),
  ]
  switch (e.kind) {
    case 'source':
      return [
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
      return [
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
    case 'coil':
      return [
        ...through(7),
        rect('part', x + MID - 7, y + Y - 5, 14, 10, of),
        line('part', of, at(MID - 3, Y + 5), at(MID + 3, Y - 5)),
      ]
    case 'motor':
      return [
        ...through(7),
        circle('part', x + MID, y + Y, 7, of),
        ...[0, 120, 240].map((turn) => {
          const a = (turn * Math.PI) / 180
          const p = (r: number, d: number): XY => at(MID + r * Math.cos(a + d), Y + r * Math.sin(a + d))
          return path('part', [at(MID, Y), p(5.6, -0.35), p(5.6, 0.35)], { closed: true, of })
        }),
      ]
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

/** How large words are, and how many letters stand on a line of a label: a folded circuit is shown on little glass. */
interface Lettering {
  readonly label: number
  readonly figure: number
  readonly letters: number
  readonly lines: number
}
const usual: Lettering = { label: 3.9, figure: 3.7, letters: 17, lines: 3 }
const large: Lettering = { label: 5.2, figure: 4.6, letters: 15, lines: 3 }

/** The smallest letters of a circuit, mm: laid out wide, and for a narrow screen. */
export const circuitLettering = { usual: usual.figure, large: large.figure } as const

/** A label in as many lines as there may be, cut off where even that is too little. */
function labelled(e: Element, x: number, y: number, { label, letters, lines: most }: Lettering): Shape[] {
  const lines = ['']
  for (const w of e.label.split(' ')) {
    const last = lines[lines.length - 1]!
    if (last && (last + ' ' + w).length > letters && lines.length < most) lines.push(w)
    else lines[lines.length - 1] = last ? `${last} ${w}` : w
  }
  const cut = (l: string): string => (l.length > letters + 3 ? `${l.slice(0, letters + 2)}…` : l)
  return lines.map((l, i) =>
    text(x + MID, y + PART.symbol + 0.9 + 1.18 * label * (i + 1), cut(l), label, { anchor: 'middle', of: e.name }),
  )
}

const figure = (value: number): string => {
  const a = Math.abs(value)
  return a >= 99.5
    ? value.toFixed(0)
    : a >= 9.95
      ? value.toFixed(1)
      : a >= 0.0995 || a < 0.0005
        ? value.toFixed(2)
        : value.toFixed(3)
}

/** Middle of the longest level piece of a line. */
function middle(points: readonly XY[]): XY {
  let best: XY = points[0] ?? [0, 0]
  let long = -1
  for (let i = 1; i < points.length; i++) {
    const [[x1, y1], [x2, y2]] = [points[i - 1]!, points[i]!]
    const level = Math.abs(y1 - y2) < 0.1 ? Math.abs(x2 - x1) : 0
    if (level > long) {
      long = level
      best = [(x1 + x2) / 2, (y1 + y2) / 2]
    }
  }
  return best
}

/**
 * A circuit as a drawing: parts by their signs, wires by their voltage and current where a state is shown.
 * @param laid where a layout has put the parts of its graph
 * @param marks elements that have a fault or stand for a problem, drawn in the colour of what is short
 */
export function circuitDrawing(
  title: string,
  net: Netlist,
  graph: CircuitGraph,
  laid: LaidOut,
  shown: Shown | null,
  marks: readonly string[] = [],
): Drawing {
  const byName = new Map(net.elements.map((e) => [e.name, e]))
  const places = new Map(laid.nodes.map((n) => [n.id, n]))
  const lines = new Map(laid.edges.map((e) => [e.id, e.points]))
  const source = net.elements.find((e) => e.kind === 'source')
  const supplyV = source && source.kind === 'source' ? source.restV : 12
  const amps = (name: string): number => shown?.solution.amps.get(name) ?? 0
  const lettering = shown?.narrow ? large : usual
  const shapes: Shape[] = []
  const flows: Shape[] = []
  const figures: Shape[] = []
  for (const edge of graph.edges) {
    const points = lines.get(edge.id) ?? []
    if (points.length < 2) continue
    const gone = edge.wire !== null && !byName.has(edge.wire)
    const partEnd =
      edge.wire === null ? (/^(.*)\.[ab]$/.exec(edge.from)?.[1] ?? /^(.*)\.[ab]$/.exec(edge.to)?.[1]) : undefined
    const current = edge.wire ? amps(edge.wire) : partEnd ? amps(partEnd) : 0
    const of = edge.wire ?? undefined
    const pen = gone
      ? 'wire-floating'
      : edge.wire && marks.includes(edge.wire)
        ? 'touch'
        : penOf(byName.get(edge.wire ?? '')?.b ?? edge.node, supplyV, shown)
    if (of)
      shapes.push(
        ...points.slice(1).map(([x, y], i): Shape => {
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
        }),
      )
    shapes.push({ kind: 'path', pen, points, ...(of ? { of } : {}), ...(shown ? { weight: weightOf(current) } : {}) })
    if (shown && Math.abs(current) > 0.02)
      flows.push({
        kind: 'path',
        pen: 'flow',
        points: current > 0 ? points : [...points].reverse(),
        weight: Math.max(0.5, weightOf(current) * 0.4),
      })
    if (shown?.figures && edge.wire && byName.has(edge.wire)) {
      const [x, y] = middle(points)
      figures.push(
        text(x, y - 1.6, `${figure(Math.abs(current))} A`, lettering.figure, { anchor: 'middle', figure: true }),
        text(
          x,
          y + 0.8 + lettering.figure,
          `${figure(shown.solution.volts.get(byName.get(edge.wire)!.a) ?? 0)} V`,
          lettering.figure,
          { anchor: 'middle', figure: true, tone: 'soft' },
        ),
      )
    }
  }
  for (const node of graph.nodes) {
    const at = places.get(node.id)
    if (!at) continue
    if (node.kind === 'joint') {
      shapes.push(circle('joint', at.x + node.w / 2, at.y + node.h / 2, 1.1))
      continue
    }
    if (node.kind === 'ground') {
      const [x, y] = [at.x, at.y + node.h / 2]
      shapes.push(
        line('part', node.id, [x, y], [x + 2, y]),
        line('part-heavy', node.id, [x + 2, y - 4], [x + 2, y + 4]),
        line('part', node.id, [x + 4, y - 2.6], [x + 4, y + 2.6]),
        line('part', node.id, [x + 6, y - 1.2], [x + 6, y + 1.2]),
      )
      continue
    }
    const e = byName.get(node.element!)
    if (!e) {
      shapes.push(text(at.x + MID, at.y + Y + 2, 'broken', 4, { anchor: 'middle', tone: 'short', of: node.element! }))
      continue
    }
    const closed = shown
      ? conducts(e, shown.solution.states, shown.conditions)
      : e.kind === 'fuse' || e.kind === 'diode'
    const marked = marks.includes(e.name)
    shapes.push(
      rect('hit', at.x, at.y, PART.w, PART.h, e.name),
      ...symbol(e, at.x, at.y, closed).map((s): Shape => (marked && s.kind !== 'text' ? { ...s, pen: 'touch' } : s)),
      ...labelled(e, at.x, at.y, lettering),
    )
    if (shown && e.kind === 'motor') {
      const speed = shown.solution.speeds.get(e.name) ?? 0
      const words =
        Math.abs(speed) < 0.03 ? 'stands' : `${speed < 0 ? 'backwards, ' : ''}${Math.round(100 * Math.abs(speed))} %`
      figures.push(
        text(at.x + MID, at.y - 1.5, `${words}, ${figure(Math.abs(amps(e.name)))} A`, 1.12 * lettering.figure, {
          anchor: 'middle',
          figure: true,
          tone: Math.abs(speed) < 0.03 ? 'soft' : speed < 0 ? 'short' : 'holds',
          of: e.name,
        }),
      )
    } else if (shown?.figures && ['switch', 'contact', 'output', 'fuse', 'coil', 'source'].includes(e.kind))
      figures.push(
        text(at.x + MID, at.y - 1, `${figure(Math.abs(amps(e.name)))} A`, lettering.figure, {
          anchor: 'middle',
          figure: true,
          of: e.name,
        }),
      )
  }
  // coil and contact of one relay belong together
  for (const e of net.elements) {
    if (e.kind !== 'contact') continue
    const coil = net.elements.find((c) => c.kind === 'coil' && c.relay === e.relay)
    const [a, b] = [places.get(e.name), coil ? places.get(coil.name) : undefined]
    if (a && b)
      shapes.push(
        path('relay-link', [
          [a.x + MID, a.y + Y],
          [b.x + MID, b.y + Y],
        ]),
      )
  }
  const running = shown
    ? net.elements
        .filter((e) => e.kind === 'motor')
        .map((e) => {
          const speed = Math.abs(shown.solution.speeds.get(e.name) ?? 0)
          const turning = `runs at ${Math.round(100 * speed)} %, ${figure(Math.abs(amps(e.name)))} A`
          return `${e.label} ${speed < 0.03 ? 'stands' : turning}`
        })
        .join(', ')
    : ''
  return framed(
    title.slice(0, 120),
    `Circuit of ${graph.nodes.filter((n) => n.kind === 'part').length} parts${running ? `; ${running}` : ''}`.slice(
      0,
      400,
    ),
    [...shapes, ...flows, ...figures],
    4,
  )
}
