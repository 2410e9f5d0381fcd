import type { Job } from '../job'
import type { NodeIs, Nodes } from './nodes'

/** What goes onto a wire's end, and how much insulation comes off, m (estimates). */
export const terminals = {
  ring: { name: 'ring', stripM: 0.007 },
  blade: { name: 'female blade, 6.3 mm', stripM: 0.006 },
  splice: { name: 'sealed crimp splice', stripM: 0.008 },
  screw: { name: 'ferrule, screw terminal', stripM: 0.01 },
  tap: { name: 'sealed splice into the wire there', stripM: 0.008 },
} as const

export type TerminalKind = keyof typeof terminals

export interface WireEnd {
  readonly at: string
  readonly kind: TerminalKind
  readonly terminal: string
  readonly stripM: number
}

type Made = readonly [TerminalKind, at: string]

/** Terminals of a controller: screws where it has them, else the ends of its leads. */
function atController(job: Job, id: string | null, at: string): Made {
  const part = job.controllers.find((c) => c.id === id)?.part
  return [part && part.terminalAreaM2 !== null && part.leadM === null ? 'screw' : 'splice', at]
}

/** A fan's contact: the controller's own, or pins of a relay. */
function atContact(job: Job, { is, fan, by }: Extract<NodeIs, { is: 'contact, in' | 'contact, out' }>): Made {
  const comesIn = is === 'contact, in'
  if (by === 'relay') return ['blade', `relay ${fan}, ${comesIn ? '30' : '87'}`]
  return atController(job, job.runs[fan - 1]?.controller ?? null, `controller, ${comesIn ? 'supply' : 'fan'}`)
}

function made(job: Job, node: NodeIs): Made {
  switch (node.is) {
    case 'battery +':
      return ['ring', 'battery +']
    case 'ground':
      return ['ring', 'battery − or ground point']
    case 'frame':
      return ['ring', 'frame, clean metal']
    case 'ignition':
      return ['tap', 'switched wire']
    case 'key, feed':
      return ['blade', 'key switch, feed']
    case 'feed of others':
      return ['blade', `${node.of}, its own feed`]
    case 'feed of others, behind':
      return ['blade', node.of]
    case 'isolator':
    case 'lamp':
      return ['blade', node.is]
    case 'lights':
      return ['splice', node.is]
    case 'switch':
      return ['blade', `${node.of} switch`]
    case 'fuse':
    case 'fuse, behind':
      return ['splice', `fuse holder ${node.fan}`]
    case 'fan +':
    case 'fan −':
      return ['splice', `fan ${node.fan}, ${node.is.slice(-1)}`]
    case 'relay 86':
    case 'relay 85':
      return ['blade', `relay ${node.fan}, ${node.is.slice(-2)}`]
    case 'contact, in':
    case 'contact, out':
      return atContact(job, node)
    case 'controller, supply':
      return atController(job, node.controller, 'controller, its own supply')
    case 'diode of the timer':
    case 'controller, ground':
    case 'controller, output':
      return atController(job, node.controller, node.is)
  }
}

/** What a node of the circuit is at the bench, and what a wire's end gets there. */
export function endAt(job: Job, nodes: Nodes, node: string): WireEnd {
  const is = nodes.get(node)
  // what a fault has put in is no place at the bench
  const [kind, at] = is ? made(job, is) : (['splice', node.replaceAll('_', ' ')] as const)
  return { at, kind, terminal: terminals[kind].name, stripM: terminals[kind].stripM }
}

/** A node of the circuit in words, for what is live there. */
export function nodeInWords(job: Job, nodes: Nodes, node: string): string {
  const is = nodes.get(node)?.is
  if (is === 'ignition') return is
  const { at } = endAt(job, nodes, node)
  return is === 'fuse, behind' ? `${at}, behind the fuse` : at
}
