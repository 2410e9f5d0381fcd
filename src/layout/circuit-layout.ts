import ELK, { type ElkNode } from 'elkjs/lib/elk.bundled.js'
import type { CircuitGraph, LaidOut } from '../core/drawing'

const options = {
  'elk.algorithm': 'layered',
  'elk.direction': 'RIGHT',
  'elk.edgeRouting': 'ORTHOGONAL',
  'elk.layered.spacing.nodeNodeBetweenLayers': '10',
  'elk.spacing.nodeNode': '10',
  'elk.spacing.edgeNode': '5',
  'elk.spacing.edgeEdge': '5',
  'elk.layered.spacing.edgeNodeBetweenLayers': '7',
  'elk.layered.nodePlacement.strategy': 'NETWORK_SIMPLEX',
  'elk.layered.thoroughness': '20',
  'elk.padding': '[top=4,left=4,bottom=4,right=4]',
  'elk.aspectRatio': '1.9',
  'elk.layered.considerModelOrder.strategy': 'PREFER_EDGES',
}

/** figures stand beside the lines: more room between parts and where lines bend; words of a narrow screen are larger */
const roomFor = (narrow: boolean) => ({
  'elk.layered.spacing.nodeNodeBetweenLayers': narrow ? '24' : '18',
  'elk.layered.spacing.edgeNodeBetweenLayers': narrow ? '22' : '17',
})

/** a narrow screen: the same rows, folded */
const narrowOptions = {
  ...options,
  'elk.aspectRatio': '0.9',
  'elk.layered.wrapping.strategy': 'MULTI_EDGE',
  'elk.layered.wrapping.correctionFactor': '1.1',
}

let elk: InstanceType<typeof ELK> | undefined

/**
 * Makes the layout ready. In a worker it must come before the worker listens: the library takes `onmessage` for itself
 * while it starts.
 */
export function makeReady(): InstanceType<typeof ELK> {
  elk ??= new ELK()
  return elk
}

/**
 * Lays a circuit out: source left, ground right, lines square and with as few crossings as there can be; folded where
 * there is little room.
 */
export async function layOut(graph: CircuitGraph, narrow = false, figures = false): Promise<LaidOut> {
  const root: ElkNode = {
    id: 'circuit',
    layoutOptions: { ...(narrow ? narrowOptions : options), ...(figures ? roomFor(narrow) : {}) },
    children: graph.nodes.map((n) => ({
      id: n.id,
      width: n.w,
      height: n.h,
      layoutOptions: {
        ...(n.ports.length ? { 'elk.portConstraints': 'FIXED_POS' } : {}),
        ...(n.id === 'battery' ? { 'elk.layered.layering.layerConstraint': 'FIRST' } : {}),
      },
      ports: n.ports.map((p) => ({
        id: p.id,
        width: 0,
        height: 0,
        x: p.side === 'WEST' ? 0 : n.w,
        y: p.y,
        layoutOptions: { 'elk.port.side': p.side },
      })),
    })),
    edges: graph.edges.map((e) => ({ id: e.id, sources: [e.from], targets: [e.to] })),
  }
  const laid = await makeReady().layout(root)
  return {
    w: laid.width ?? 0,
    h: laid.height ?? 0,
    nodes: (laid.children ?? []).map((n) => ({ id: n.id, x: n.x ?? 0, y: n.y ?? 0 })),
    edges: (laid.edges ?? []).map((e) => {
      const [section] = e.sections ?? []
      return {
        id: e.id,
        points: section
          ? [section.startPoint, ...(section.bendPoints ?? []), section.endPoint].map((p) => [p.x, p.y] as const)
          : [],
      }
    }),
  }
}
