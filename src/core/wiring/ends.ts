import { controlKindOf } from '../control'
import type { DiodePlace, Job } from '../job'
import { joints } from './joints'
import type { NodeIs, Nodes } from './nodes'
import { say, spokenWord } from '../words'

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

/** Where a diode stands, after "the diode". */
export const diodeAt = {
  control: say`in the control's feed`,
  override: say`behind the override`,
  call: say`behind the other system's call`,
} as const satisfies Readonly<Record<DiodePlace, string>>

const switchNames = {
  override: say`override switch`,
  call: say`other system's contact`,
  timer: say`after-run timer`,
} as const

type Made = readonly [TerminalKind, at: string]

/**
 * Terminals of a controller: screws where it has them, else the ends of its leads; told apart where there are several.
 */
function atController(job: Job, id: string | null, at: string): Made {
  const n = job.controllers.findIndex((c) => c.id === id)
  const part = job.controllers[n]?.part
  const which = job.controllers.length > 1 && n >= 0 ? say`controller ${n + 1}` : say`controller`
  return [
    part && part.terminalAreaM2 !== null && part.leadM === null ? 'screw' : 'splice',
    `${which}, ${spokenWord(at)}`,
  ]
}

type Contact = Extract<NodeIs, { is: 'contact, in' | 'contact, out' }>

/** A fan's contact: the controller's own, pins of a relay, or only a joint where a plain wire feeds it. */
function atContact(job: Job, { is, fan, by }: Contact): Made {
  const comesIn = is === 'contact, in'
  if (by === 'relay') return ['blade', say`relay ${fan}, ${comesIn ? '30' : '87'}`]
  const id = job.runs[fan - 1]?.controller ?? null
  const part = job.controllers.find((c) => c.id === id)?.part
  if (part && controlKindOf(part).decidedBy === 'nothing') return ['splice', say`joint in the feed of fan ${fan}`]
  return atController(job, id, comesIn ? 'supply' : 'fan')
}

/** Nodes that there is one of, by what they are. */
const single = {
  'battery +': ['ring', say`battery +`],
  ground: ['ring', say`battery − or ground point`],
  frame: ['ring', say`frame, clean metal`],
  ignition: ['tap', say`switched wire`],
  'key, feed': ['blade', say`key switch, feed`],
  'loom fuse, behind': ['blade', say`machine's own fuse, before the key`],
  'tap fuse, behind': ['splice', say`fuse holder at the switched wire`],
  lamp: ['blade', say`lamp`],
  'lamp, ground': ['blade', say`lamp, ground`],
  lights: ['splice', say`lights`],
} as const satisfies Readonly<Record<string, Made>>

type Single = Extract<NodeIs, { is: keyof typeof single }>
const isSingle = (node: NodeIs): node is Single => Object.hasOwn(single, node.is)

function made(job: Job, node: NodeIs): Made {
  if (isSingle(node)) return single[node.is]
  switch (node.is) {
    case 'feed of others':
      return ['blade', say`${spokenWord(node.of)}, its own feed`]
    case 'feed of others, behind':
      return ['blade', spokenWord(node.of)]
    case 'isolator, in':
    case 'isolator, out':
      return [
        'blade',
        say`isolator${node.fan > 1 ? ` ${node.fan}` : ''}, ${node.is === 'isolator, in' ? say`in` : say`out`}`,
      ]
    case 'diode':
      return ['splice', say`diode ${diodeAt[node.of]}`]
    case 'switch, in':
    case 'switch, out':
      return ['blade', `${switchNames[node.of]}, ${node.is === 'switch, in' ? say`in` : say`out`}`]
    case 'fuse':
    case 'fuse, behind':
      return ['splice', say`fuse holder ${node.fan}`]
    case 'fan +':
    case 'fan −':
      return ['splice', say`fan ${node.fan}, ${node.is.slice(-1)}`]
    case 'relay 86':
    case 'relay 85':
      return ['blade', say`relay ${node.fan}, ${node.is.slice(-2)}`]
    case 'contact, in':
    case 'contact, out':
      return atContact(job, node)
    case 'controller, input':
      return atController(job, node.controller, say`input for the ${spokenWord(node.of)}`)
    case 'controller, supply':
      return atController(job, node.controller, say`its own supply`)
    case 'controller, ground':
      return atController(job, node.controller, say`ground`)
    case 'controller, output':
      return atController(job, node.controller, say`output`)
  }
}

/** What goes onto an end of this kind, by the way in which the job joins wires. */
export const terminalName = (job: Job, kind: TerminalKind) =>
  kind === 'splice' ? joints[job.wiring.joints].splice : terminals[kind].name

/** What a node of the circuit is at the bench, and what a wire's end gets there. */
export function endAt(job: Job, nodes: Nodes, node: string): WireEnd {
  const is = nodes.get(node)
  // what a fault has put in is no place at the bench
  const [kind, at] = is ? made(job, is) : (['splice', node.replaceAll('_', ' ')] as const)
  return { at, kind, terminal: spokenWord(terminalName(job, kind)), stripM: terminals[kind].stripM }
}

/** A node of the circuit in words, for what is live there. */
export function nodeInWords(job: Job, nodes: Nodes, node: string): string {
  const is = nodes.get(node)?.is
  if (is === 'ignition') return say`the ignition`
  const { at } = endAt(job, nodes, node)
  return is === 'fuse, behind' ? say`${at}, behind the fuse` : at
}
