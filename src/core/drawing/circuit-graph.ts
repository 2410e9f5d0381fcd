import { GROUND, type Element, type Netlist } from '../circuit'

/** Where a line may end at a part: `y` from its top, mm. */
export interface Port {
  readonly id: string
  readonly side: 'WEST' | 'EAST'
  readonly y: number
  /** the electrical node */
  readonly node: string
}
/** One row of a controller's box: what is at its left and right edge, and what stands between. */
export interface UnitRow {
  readonly west: string | null
  readonly east: string | null
  readonly element: string | null
}
/** A part, joint or ground of a circuit with the room it needs, mm. */
export interface GraphNode {
  readonly id: string
  readonly kind: 'part' | 'unit' | 'joint' | 'ground'
  /** the element it stands for; null for joints and grounds, and for a unit of several */
  readonly element: string | null
  readonly w: number
  readonly h: number
  readonly ports: readonly Port[]
  /** what stands in a unit, row by row */
  readonly rows?: readonly UnitRow[]
}
/** A line between two of them: a wire of the circuit, or only a lead between a part and a joint. */
export interface GraphEdge {
  readonly id: string
  readonly wire: string | null
  /** the electrical node it lies on, where it is no wire */
  readonly node: string
  /** where a wire begins and ends; a fault can move it */
  readonly ends: readonly [string, string]
  /** what flows through it, from its beginning to its end: the sum of these, against it where the sign is −1 */
  readonly carries: readonly { readonly element: string; readonly sign: 1 | -1 }[]
  readonly from: string
  readonly to: string
}
export interface CircuitGraph {
  readonly nodes: readonly GraphNode[]
  readonly edges: readonly GraphEdge[]
}

/** Where a layout has put them, mm, y downwards. */
export interface LaidOut {
  readonly w: number
  readonly h: number
  readonly nodes: readonly { readonly id: string; readonly x: number; readonly y: number }[]
  readonly edges: readonly { readonly id: string; readonly points: readonly (readonly [number, number])[] }[]
}

export const PART = { w: 26, h: 32, symbol: 16 } as const
const GROUND_SIZE = { w: 8, h: 8 } as const
const JOINT = 1.6
/** of a controller's box, mm; its terminals, in the middle of their rows, stand at whole millimetres, as lines do */
export const UNIT = { w: 46, row: 13, top: 9.5, foot: 11.5 } as const

/** Without what leads nowhere: a key wire that nothing of the fan hangs on is not drawn. */
export function withoutDeadEnds(net: Netlist): Netlist {
  let elements = net.elements
  for (;;) {
    const degree = new Map<string, number>()
    for (const e of elements) for (const n of [e.a, e.b]) degree.set(n, (degree.get(n) ?? 0) + 1)
    const kept = elements.filter((e) => [e.a, e.b].every((n) => n === GROUND || (degree.get(n) ?? 0) > 1))
    if (kept.length === elements.length) return { elements: kept, controls: net.controls }
    elements = kept
  }
}

/** What of a netlist belongs to one controller: its outputs, its own draw and its inputs. */
const controllerOf = (e: Element): string | null =>
  e.kind === 'output' || e.kind === 'chopper' || (e.kind === 'load' && e.what === 'standby') ? e.controller : null

/** A part's end where a line can be: one terminal each, also where two elements of a controller share it. */
interface Terminal {
  readonly port: string
  readonly node: string
  readonly side: 'WEST' | 'EAST'
  readonly of: readonly { readonly element: Element; readonly end: 'a' | 'b' }[]
}

/**
 * Rows of a controller's box: each output with what it switches, then supply, ground and inputs where there is room.
 */
function unitRows(elements: readonly Element[]): UnitRow[] {
  const outputs = elements.filter((e) => e.kind === 'output' || e.kind === 'chopper')
  const loads = elements.filter((e) => e.kind === 'load')
  const rows: { west: string | null; east: string | null; element: string | null }[] = outputs.map((e) => ({
    west: e.a,
    east: e.b,
    element: e.name,
  }))
  const put = (side: 'west' | 'east', node: string): void => {
    if (rows.some((r) => r.west === node || r.east === node)) return
    const free = rows.find((r) => r[side] === null)
    if (free) free[side] = node
    else rows.push({ west: null, east: null, element: null, [side]: node })
  }
  for (const e of loads) {
    put('west', e.a)
    put('east', e.b)
  }
  // the same terminal stands once: several outputs of one supply begin at the first
  const seen = new Set<string>()
  return rows.map((r) => {
    const west = r.west !== null && seen.has(r.west) ? null : r.west
    if (west !== null) seen.add(west)
    return { ...r, west }
  })
}

/** What a controller's box is called in the graph. */
export const unitName = (controller: string): string => `unit_${controller.replace(/[^a-z0-9]/gi, '_')}`

/** A controller as one box with its terminals. */
function unitOf(
  id: string,
  elements: readonly Element[],
): { readonly node: GraphNode; readonly terminals: Terminal[] } {
  const rows = unitRows(elements)
  const name = unitName(id)
  const ends = elements.flatMap((element) => (['a', 'b'] as const).map((end) => ({ element, end })))
  const terminals = rows.flatMap((row, i) =>
    (['west', 'east'] as const).flatMap((side): (Terminal & { readonly y: number })[] => {
      const node = row[side]
      if (node === null) return []
      return [
        {
          port: `${name}.${side}${i}`,
          node,
          side: side === 'west' ? 'WEST' : 'EAST',
          of: ends.filter((x) => x.element[x.end] === node),
          y: UNIT.top + UNIT.row * (i + 0.5),
        },
      ]
    }),
  )
  return {
    node: {
      id: name,
      kind: 'unit',
      element: null,
      w: UNIT.w,
      h: UNIT.top + UNIT.row * rows.length + UNIT.foot,
      ports: terminals.map((t) => ({ id: t.port, side: t.side, y: t.y, node: t.node })),
      rows,
    },
    terminals,
  }
}

/** An element that stands by itself. */
function partOf(e: Element): { readonly node: GraphNode; readonly terminals: Terminal[] } {
  const ends: readonly ('a' | 'b')[] = e.kind === 'source' ? ['a'] : ['a', 'b']
  const terminals = ends.map((end): Terminal => ({
    port: `${e.name}.${end}`,
    node: e[end],
    side: end === 'b' || e.kind === 'source' ? 'EAST' : 'WEST',
    of: [{ element: e, end }],
  }))
  return {
    node: {
      id: e.name,
      kind: 'part',
      element: e.name,
      w: PART.w,
      h: PART.h,
      ports: terminals.map((t) => ({ id: t.port, side: t.side, y: PART.symbol / 2, node: t.node })),
    },
    terminals,
  }
}

/** Parts and controllers' boxes of a circuit; a plain switch that decides by itself stays a part. */
function boxesOf(net: Netlist): ReturnType<typeof partOf>[] {
  const units = new Map<string, Element[]>()
  for (const e of net.elements) {
    const id = controllerOf(e)
    if (id !== null) units.set(id, [...(units.get(id) ?? []), e])
  }
  const boxed = (e: Element): Element[] | undefined => {
    const own = units.get(controllerOf(e) ?? '')
    return own && own.length > 1 ? own : undefined
  }
  return net.elements.flatMap((e) => {
    if (e.kind === 'wire') return []
    const own = boxed(e)
    if (!own) return [partOf(e)]
    return own[0] === e ? [unitOf(controllerOf(e)!, own)] : []
  })
}

/**
 * A circuit as a graph to be laid out: parts as boxes with two ends, each controller as one box with all of its
 * terminals, wires as lines, a ground sign at every end that is at negative.
 */
export function circuitGraph(whole: Netlist): CircuitGraph {
  const net = withoutDeadEnds(whole)
  const boxes = boxesOf(net)
  const nodes: GraphNode[] = boxes.map((b) => b.node)
  const edges: GraphEdge[] = []
  const wires = net.elements.filter((e) => e.kind === 'wire')
  const terminals = boxes.flatMap((b) => b.terminals)
  /** what ends at an electrical node, by the key of each end */
  const at = new Map<string, { readonly key: string; readonly terminal: Terminal | null }[]>()
  const noted = (node: string, key: string, terminal: Terminal | null): void =>
    void at.set(node, [...(at.get(node) ?? []), { key, terminal }])
  for (const t of terminals) noted(t.node, t.port, t)
  for (const e of wires) for (const end of ['a', 'b'] as const) noted(e[end], `${e.name}.${end}`, null)
  const joints = new Set<string>()
  const grounds = { n: 0 }
  /** where a line ends at an electrical node: a part's own end where only these two meet, else the node's joint */
  const endOf = (node: string, from: string): string => {
    if (node === GROUND) {
      const id = `ground_${grounds.n++}`
      nodes.push({ id, kind: 'ground', element: null, w: GROUND_SIZE.w, h: GROUND_SIZE.h, ports: [] })
      return id
    }
    const others = at.get(node)!.filter((x) => x.key !== from)
    const [only] = others
    if (others.length === 1 && only!.terminal) return only!.key
    if (!joints.has(node)) {
      joints.add(node)
      nodes.push({ id: `joint_${node}`, kind: 'joint', element: null, w: JOINT, h: JOINT, ports: [] })
    }
    return `joint_${node}`
  }
  for (const e of wires)
    edges.push({
      id: e.name,
      wire: e.name,
      node: e.a,
      ends: [e.a, e.b],
      carries: [{ element: e.name, sign: 1 }],
      from: endOf(e.a, `${e.name}.a`),
      to: endOf(e.b, `${e.name}.b`),
    })
  for (const t of terminals) {
    const others = at.get(t.node)!.filter((x) => x.key !== t.port)
    const [only] = others
    if (t.node !== GROUND && others.length === 1 && !only!.terminal) continue
    // two parts that meet with nothing between: one line does
    if (t.node !== GROUND && others.length === 1 && only!.key < t.port) continue
    const there = endOf(t.node, t.port)
    const outwards = t.side === 'EAST'
    edges.push({
      id: `${t.port}_lead`,
      wire: null,
      node: t.node,
      ends: [t.node, t.node],
      // a part's current counts from its a to its b
      carries: t.of.map(({ element, end }) => ({
        element: element.name,
        sign: (end === 'b' || element.kind === 'source') === outwards ? 1 : -1,
      })),
      from: outwards ? t.port : there,
      to: outwards ? there : t.port,
    })
  }
  return { nodes, edges }
}
