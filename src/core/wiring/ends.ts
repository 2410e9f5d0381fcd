import { circuitsOf, firstCircuit } from '../fan-circuit'
import { GROUND } from '../circuit'
import type { Job } from '../job'

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

/** What a node of the circuit is at the bench, and what a wire's end gets there. */
export function endAt(job: Job, node: string): WireEnd {
  const made = (kind: TerminalKind, at: string): WireEnd => ({
    at,
    kind,
    terminal: terminals[kind].name,
    stripM: terminals[kind].stripM,
  })
  const tag = /(\d+)/.exec(node)?.[1] ?? '1'
  const { run, controller } = circuitsOf(job)[Number(tag) - 1] ?? firstCircuit(job)
  const direct = run.switchedBy === 'controller'
  const screwed = controller?.part.terminalAreaM2 != null && controller.part.leadM === null
  if (node === 'key_in') return made('blade', 'key switch, feed')
  if (/^(block|plug)_(in|fused)/.test(node))
    return made('blade', node.startsWith('block') ? 'accessory block, its own feed' : 'existing plug, its own feed')
  if (node === 'bat_plus') return made('ring', 'battery +')
  if (node === GROUND) return made('ring', 'battery − or ground point')
  if (/^frame/.test(node)) return made('ring', 'frame, clean metal')
  if (/^fuse\d+_/.test(node)) return made('splice', `fuse holder ${tag}`)
  if (/^isolated/.test(node)) return made('blade', 'isolator')
  if (node === 'ign') return made('tap', 'switched wire')
  if (/^(block|plug)_out/.test(node))
    return made('blade', node.startsWith('block') ? 'accessory block' : 'existing plug')
  if (/^switch\d+_in/.test(node))
    return direct ? made(screwed ? 'screw' : 'splice', 'controller, supply') : made('blade', `relay ${tag}, 30`)
  if (/^switch\d+_out/.test(node))
    return direct ? made(screwed ? 'screw' : 'splice', 'controller, fan') : made('blade', `relay ${tag}, 87`)
  if (/^relay\d+_86/.test(node)) return made('blade', `relay ${tag}, 86`)
  if (/^relay\d+_85/.test(node)) return made('blade', `relay ${tag}, 85`)
  if (/^fan\d+_plus/.test(node)) return made('splice', `fan ${tag}, +`)
  if (/^fan\d+_minus/.test(node)) return made('splice', `fan ${tag}, −`)
  if (/^(control|control_fed)$/.test(node))
    return made(screwed ? 'screw' : 'splice', node === 'control' ? 'controller, its own supply' : 'diode of the timer')
  if (/_gnd$|_low$/.test(node)) return made(screwed ? 'screw' : 'splice', 'controller, ground')
  if (/^trigger\d+_in/.test(node)) return made(screwed ? 'screw' : 'splice', 'controller, output')
  if (/^override|^call|^timer/.test(node)) return made('blade', `${node.replace(/_.*/, '')} switch`)
  if (/^lamp/.test(node)) return made('blade', 'lamp')
  return made('splice', node.replaceAll('_', ' '))
}

/** A node of the circuit in words, for what is live there. */
export const nodeInWords = (job: Job, node: string): string =>
  /^fuse\d+_out/.test(node)
    ? `${endAt(job, node).at}, behind the fuse`
    : node === 'ign'
      ? 'ignition'
      : endAt(job, node).at
