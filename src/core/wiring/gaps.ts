import { type Element } from '../circuit'
import type { Job } from '../job'
import type { JobNetlist } from './builder'
import { nodeInWords } from './ends'

/** A terminal that nothing of the cut list leads to. */
export interface Gap {
  readonly element: string
  readonly label: string
  readonly at: string
}

/** What one thing at the bench is: the elements that stand for it share its terminals. */
function thingOf(e: Element): string {
  switch (e.kind) {
    case 'coil':
    case 'contact':
      return `relay ${e.relay}`
    case 'output':
    case 'chopper':
      return `controller ${e.controller}`
    case 'load':
      return e.what === 'standby' ? `controller ${e.controller}` : e.name
    default:
      return e.name
  }
}

/** Nodes that the machine's own loom makes: what meets there is not the job's to join. */
const looms = new Set(['battery +', 'ignition', 'key, feed', 'loom fuse, behind', 'feed of others', 'lights'])

/** What ends in a lead of its own, that goes into another thing's terminal. */
const ownLeads = (e: Element): boolean => (e.kind === 'diode' && e.joins !== undefined) || e.name === 'tap_fuse'

const laid = (e: Element): boolean => e.kind === 'wire' && (e.conductor !== null || e.loom === true)

/**
 * Terminals of a circuit that end neither in a wire of the list, nor in a wire or plug that the machine has, nor take
 * the lead of a diode. A wire of no length, contact and fan side by side, counts: they plug together.
 */
export function gapsOf(job: Job, net: JobNetlist): Gap[] {
  const at = new Map<string, Element[]>()
  for (const e of net.elements) for (const n of [e.a, e.b]) at.set(n, [...(at.get(n) ?? []), e])
  return net.elements.flatMap((e): Gap[] => {
    if (e.kind === 'wire' || e.kind === 'source') return []
    if (e.kind === 'diode' && e.joins === undefined) return []
    return [e.a, e.b].flatMap((node): Gap[] => {
      const is = net.nodes.get(node)?.is
      if (is !== undefined && looms.has(is)) return []
      const others = at.get(node)!.filter((o) => o !== e && thingOf(o) !== thingOf(e))
      const joined = others.some((o) => laid(o) || ownLeads(o) || (ownLeads(e) && o.kind !== 'wire'))
      return joined ? [] : [{ element: e.name, label: e.label, at: nodeInWords(job, net.nodes, node) }]
    })
  })
}
