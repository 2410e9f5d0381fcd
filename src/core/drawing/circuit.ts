import { percent } from '../units'
import { type Element, GROUND, type Netlist } from '../circuit'
import { type CircuitGraph, type LaidOut, PART } from './circuit-graph'
import { drawEdge, piecesOf, wordsOfLines } from './circuit-lines'
import {
  ampsOf,
  figure,
  inMarked,
  isBroken,
  isClosed,
  labelled,
  large,
  type Layers,
  line,
  MID,
  type Plate,
  type Room,
  type Shown,
  usual,
  type XY,
  Y,
} from './circuit-plate'
import { symbol } from './circuit-symbols'
import { drawUnit } from './circuit-unit'
import type { Drawing, Pen, Shape } from './drawing-schema'
import { circle, framed, path, rect, text } from './shapes'
import { say } from '../words'

/** half of the widest sign but the battery's, mm */
const WIDEST = 9.5

const groundSign = (id: string, [x, y]: XY, pen: Pen = 'part-heavy'): Shape[] => [
  line(pen === 'touch' ? pen : 'part', id, [x, y], [x + 2, y]),
  line(pen, id, [x + 2, y - 4], [x + 2, y + 4]),
  line(pen === 'touch' ? pen : 'part', id, [x + 4, y - 2.6], [x + 4, y + 2.6]),
  line(pen === 'touch' ? pen : 'part', id, [x + 6, y - 1.2], [x + 6, y + 1.2]),
]

/** How a fan turns, or what flows through a part. */
function partFigure(p: Plate, e: Element, [x, y]: XY): Shape[] {
  if (!p.shown) return []
  const amps = `${figure(Math.abs(ampsOf(p, e.name)))} A`
  const { figure: size } = p.lettering
  if (e.kind === 'motor') {
    const speed = p.shown.solution.speeds.get(e.name) ?? 0
    const turns = Math.abs(speed) >= 0.03
    const words = turns ? `${speed < 0 ? say`backwards, ` : ''}${percent(Math.abs(speed))}` : say`stands`
    const running = speed < 0 ? 'short' : 'holds'
    return [
      text(x + MID, y - 1.5, `${words}, ${amps}`, 1.12 * size, {
        anchor: 'middle',
        figure: true,
        tone: turns ? running : 'soft',
        of: e.name,
      }),
    ]
  }
  return p.shown.figures && ['switch', 'contact', 'output', 'fuse', 'coil', 'source'].includes(e.kind)
    ? [text(x + MID, y - 1, amps, size, { anchor: 'middle', figure: true, of: e.name })]
    : []
}

/** What a part is called, below its sign: it may be wider than its box. */
const labelOf = (p: Plate, e: Element, [x, y]: XY): Shape[] =>
  labelled(e.label, e.name, [x + MID, y + PART.symbol + 0.9], p.lettering)

function drawPart(p: Plate, name: string, at: { readonly x: number; readonly y: number }, to: Layers): void {
  const e = p.byName.get(name)
  if (!e) {
    to.shapes.push(isBroken(name, [at.x + MID, at.y + Y + 2]))
    return
  }
  to.shapes.push(
    rect('hit', at.x, at.y, PART.w, PART.h, e.name),
    ...inMarked(symbol(e, at.x, at.y, isClosed(p, e)), p.marks.includes(e.name)),
    ...labelOf(p, e, [at.x, at.y]),
  )
  to.figures.push(...partFigure(p, e, [at.x, at.y]))
}

/** Where an electrical node is drawn: at a joint, or at the end of a part. */
function nodePlaces(p: Plate, graph: CircuitGraph): ReadonlyMap<string, XY> {
  const found = new Map<string, XY>()
  for (const n of graph.nodes) {
    const at = p.places.get(n.id)
    if (!at) continue
    if (n.kind === 'joint') found.set(n.id.slice('joint_'.length), [at.x + n.w / 2, at.y + n.h / 2])
    for (const port of n.ports)
      if (!found.has(port.node)) found.set(port.node, [at.x + (port.side === 'WEST' ? 0 : n.w), at.y + port.y])
  }
  return found
}

/** Wires that a fault has put in or moved: over the circuit, so that nothing else of it moves. */
function drawFaulty(p: Plate, graph: CircuitGraph, to: Layers): void {
  const at = nodePlaces(p, graph)
  const drawn = new Map(graph.edges.flatMap((e) => (e.wire ? [[e.wire, e.ends] as const] : [])))
  const parts = new Set(graph.nodes.flatMap((n) => [n.element, ...(n.rows?.map((r) => r.element) ?? [])]))
  for (const e of p.net.elements) {
    if (e.kind !== 'wire' || parts.has(e.name)) continue
    const ends = drawn.get(e.name)
    if (ends && ends[0] === e.a && ends[1] === e.b) continue
    const [a, b] = [at.get(e.a), at.get(e.b)]
    if (a && e.b === GROUND)
      to.figures.push(path('touch', [a, [a[0], a[1] + 6]]), ...groundSign(e.name, [a[0], a[1] + 6], 'touch'))
    else if (a && b) to.figures.push(path('touch', [a, b], { of: e.name }))
  }
}

/** Coil and contact of one relay belong together. */
const relayLinks = ({ net, places }: Plate): Shape[] =>
  net.elements.flatMap((e) => {
    if (e.kind !== 'contact') return []
    const coil = net.elements.find((c) => c.kind === 'coil' && c.relay === e.relay)
    const [a, b] = [places.get(e.name), coil ? places.get(coil.name) : undefined]
    const middles = a && b ? ([a, b].map((q) => [q.x + MID, q.y + Y] as const) satisfies XY[]) : null
    return middles ? [path('relay-link', middles)] : []
  })

const turning = (p: Plate): string =>
  p.shown
    ? p.net.elements
        .filter((e) => e.kind === 'motor')
        .map((e) => {
          const speed = Math.abs(p.shown!.solution.speeds.get(e.name) ?? 0)
          const runs = say`runs at ${percent(speed)}, ${figure(Math.abs(ampsOf(p, e.name)))} A`
          return `${e.label} ${speed < 0.03 ? say`stands` : runs}`
        })
        .join(', ')
    : ''

/** Rooms of the parts: a sign, and beside it its two leads, over which there is room for the words of a line. */
function roomsOf(graph: CircuitGraph, laid: LaidOut): Room[] {
  const places = new Map(laid.nodes.map((n) => [n.id, n]))
  return graph.nodes.flatMap((n): Room[] => {
    const at = places.get(n.id)
    if (!at || n.kind === 'joint') return []
    const right = at.x + n.w - 0.5
    if (n.kind !== 'part' || n.id === 'battery') return [[at.x + 0.5, at.y + 0.5, right, at.y + n.h - 0.5]]
    return [
      [at.x + MID - WIDEST, at.y + 0.5, at.x + MID + WIDEST, at.y + PART.symbol],
      [at.x + 0.5, at.y + PART.symbol, right, at.y + n.h - 0.5],
    ]
  })
}

/** Room of words in the middle of which they are anchored. */
const roomOfWords = (s: Shape): Room[] =>
  s.kind === 'text' ? [[s.x - 0.3 * s.size * s.text.length, s.y - s.size, s.x + 0.3 * s.size * s.text.length, s.y]] : []

/**
 * A circuit as a drawing: parts by their signs, wires by their voltage and current where a state is shown. A fault's
 * netlist is drawn on the layout of the one without it.
 * @param laid where a layout has put the parts of its graph
 * @param marks elements that have a fault or stand for a problem, drawn in the colour of what is short
 * @param wires number and colour of each wire, as on the cut list
 */
export function circuitDrawing(
  title: string,
  net: Netlist,
  graph: CircuitGraph,
  laid: LaidOut,
  shown: Shown | null,
  marks: readonly string[] = [],
  wires: ReadonlyMap<string, string> = new Map(),
): Drawing {
  const source = net.elements.find((e) => e.kind === 'source')
  const plate: Plate = {
    net,
    byName: new Map(net.elements.map((e) => [e.name, e])),
    places: new Map(laid.nodes.map((n) => [n.id, n])),
    lines: new Map(laid.edges.map((e) => [e.id, e.points])),
    shown,
    marks,
    wires,
    lettering: shown?.narrow ? large : usual,
    pieces: piecesOf(laid.edges.map((e) => [e.id, e.points])),
    taken: roomsOf(graph, laid),
    supplyV: source?.kind === 'source' ? source.restV : 12,
  }
  for (const n of graph.nodes) {
    const [e, at] = [plate.byName.get(n.element ?? ''), plate.places.get(n.id)]
    if (!e || !at) continue
    const told = [...partFigure(plate, e, [at.x, at.y]), ...(n.kind === 'part' ? labelOf(plate, e, [at.x, at.y]) : [])]
    plate.taken.push(...told.flatMap(roomOfWords))
  }
  const to: Layers = { shapes: [], flows: [], figures: [] }
  for (const edge of graph.edges) drawEdge(plate, edge, to)
  to.figures.push(...wordsOfLines(plate, graph.edges))
  for (const node of graph.nodes) {
    const at = plate.places.get(node.id)
    if (!at) continue
    if (node.kind === 'joint') to.shapes.push(circle('joint', at.x + node.w / 2, at.y + node.h / 2, 1.1))
    else if (node.kind === 'ground') to.shapes.push(...groundSign(node.id, [at.x, at.y + node.h / 2]))
    else if (node.kind === 'unit') drawUnit(plate, node, at, to)
    else drawPart(plate, node.element!, at, to)
  }
  drawFaulty(plate, graph, to)
  const running = turning(plate)
  return framed(
    title.slice(0, 120),
    say`Circuit of ${graph.nodes.filter((n) => n.kind === 'part' || n.kind === 'unit').length}
      parts${running ? `; ${running}` : ''}`.slice(0, 400),
    [...to.shapes, ...relayLinks(plate), ...to.flows, ...to.figures],
    4,
  )
}
