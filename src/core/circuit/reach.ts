import { conducts, type Conditions, type Element, type Netlist } from './netlist'
import type { Solution } from './solve'
import { say } from '../words'

/** a node that is at more than this is live, V */
export const LIVE_V = 1

/** A terminal that is live, and by which road. */
export interface LiveNode {
  readonly name: string
  readonly label: string
  readonly volts: number
  /** elements from the battery to it, in order */
  readonly road: readonly Element[]
}

/** The other end of an element, where current can go there from one: a diode leads one way only. */
function leadsTo(e: Element, at: string): string | null {
  if (e.a === at) return e.b
  return e.b === at && e.kind !== 'diode' ? e.a : null
}

/**
 * The road by which a node is held up in a state: from the source through what conducts, fewest elements first.
 * @returns elements in order from the source; empty where none leads there
 */
export function roadTo(net: Netlist, c: Conditions, s: Solution, node: string): readonly Element[] {
  const source = net.elements.find((e) => e.kind === 'source')
  if (!source) return []
  const roads = new Map<string, readonly Element[]>([[source.a, []]])
  for (const [at, road] of roads) {
    if (at === node) return road
    for (const e of net.elements) {
      if (e.kind === 'source' || !conducts(e, s.states, c)) continue
      const next = leadsTo(e, at)
      if (next !== null && next !== source.b && !roads.has(next)) roads.set(next, [...road, e])
    }
  }
  return []
}

const tells = (e: Element): boolean => e.kind !== 'wire' && e.kind !== 'fuse'

/** "through the override switch and the thermostat's contact": what a road leads through that a hand can find. */
export function roadInWords(road: readonly Element[]): string {
  const words = road.filter(tells).map((e) => e.label)
  const last = words.pop()
  if (last === undefined) return say`by plain wire`
  return say`through ${words.length ? say`${words.join(', ')} and ` : ''}${last}`
}

/** Nodes that are live in a state, the battery's own post left out. */
export const liveNodes = (net: Netlist, c: Conditions, s: Solution, nameOf: (node: string) => string): LiveNode[] => {
  const own = new Set(net.elements.flatMap((e) => (e.kind === 'source' ? [e.a] : [])))
  return [...s.volts]
    .filter(([name, v]) => v > LIVE_V && !own.has(name) && !s.floating.includes(name))
    .map(([name, volts]) => ({
      name,
      label: nameOf(name),
      volts,
      get road() {
        return roadTo(net, c, s, name)
      },
    }))
}
