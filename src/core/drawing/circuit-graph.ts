import { GROUND, type Element, type Netlist } from '../circuit'

/** A part, joint or ground of a circuit with the room it needs, mm. */
export interface GraphNode {
  readonly id: string
  readonly kind: 'part' | 'joint' | 'ground'
  /** the element it stands for; null for joints and grounds */
  readonly element: string | null
  readonly w: number
  readonly h: number
  readonly ports: readonly { readonly id: string; readonly side: 'WEST' | 'EAST' }[]
}
/** A line between two of them: a wire of the circuit, or only a lead between a part and a joint. */
export interface GraphEdge {
  readonly id: string
  readonly wire: string | null
  /** the electrical node it lies on, where it is no wire */ readonly node: string
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

/**
 * A circuit as a graph to be laid out: parts as boxes with two ends, wires as lines, a ground sign at every end that is
 * at negative.
 */
export function circuitGraph(whole: Netlist): CircuitGraph {
  const net = withoutDeadEnds(whole)
  const nodes: GraphNode[] = []
  const edges: GraphEdge[] = []
  const isWire = (e: Element): boolean => e.kind === 'wire'
  const attached = new Map<string, { element: Element; end: 'a' | 'b' }[]>()
  for (const e of net.elements)
    for (const end of ['a', 'b'] as const) attached.set(e[end], [...(attached.get(e[end]) ?? []), { element: e, end }])
  for (const e of net.elements) {
    if (isWire(e)) continue
    const sides =
      e.kind === 'source'
        ? [{ id: `${e.name}.a`, side: 'EAST' as const }]
        : [
            { id: `${e.name}.a`, side: 'WEST' as const },
            { id: `${e.name}.b`, side: 'EAST' as const },
          ]
    nodes.push({ id: e.name, kind: 'part', element: e.name, w: PART.w, h: PART.h, ports: sides })
  }
  /** where a line ends at an electrical node: a part's own end where only these two meet, else the node's joint */
  const joints = new Set<string>()
  const grounds = { n: 0 }
  const endOf = (node: string, from: Element): string => {
    if (node === GROUND) {
      const id = `ground_${grounds.n++}`
      nodes.push({ id, kind: 'ground', element: null, w: GROUND_SIZE.w, h: GROUND_SIZE.h, ports: [] })
      return id
    }
    const others = attached.get(node)!.filter((x) => x.element !== from)
    const [only] = others
    if (others.length === 1 && !isWire(only!.element)) return `${only!.element.name}.${only!.end}`
    if (!joints.has(node)) {
      joints.add(node)
      nodes.push({ id: `joint_${node}`, kind: 'joint', element: null, w: JOINT, h: JOINT, ports: [] })
    }
    return `joint_${node}`
  }
  for (const e of net.elements)
    if (isWire(e)) edges.push({ id: e.name, wire: e.name, node: e.a, from: endOf(e.a, e), to: endOf(e.b, e) })
  for (const e of net.elements) {
    if (isWire(e)) continue
    for (const end of e.kind === 'source' ? (['a'] as const) : (['a', 'b'] as const)) {
      const node = e[end]
      const others = (attached.get(node) ?? []).filter((x) => !(x.element === e && x.end === end))
      if (node !== GROUND && others.length === 1 && isWire(others[0]!.element)) continue
      // two parts that meet with nothing between: one line does
      if (node !== GROUND && others.length === 1 && others[0]!.element.name < e.name) continue
      const there = endOf(node, e)
      const own = `${e.name}.${end}`
      edges.push({
        id: `${own}_lead`,
        wire: null,
        node,
        from: end === 'b' || e.kind === 'source' ? own : there,
        to: end === 'b' || e.kind === 'source' ? there : own,
      })
    }
  }
  return { nodes, edges }
}
