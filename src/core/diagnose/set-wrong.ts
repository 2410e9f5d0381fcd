import type { Control, Netlist } from '../circuit'

export const SET_HIGH = 'set_high'
export const SET_LOW = 'set_low'

const never = { cold: 0, rising: 0, falling: 0, hot: 0 }
const always = { cold: 1, rising: 1, falling: 1, hot: 1 }

/**
 * A controller that is sound and set wrongly, as an edit of the netlist.
 * @param id "set_high:output1"
 * @returns null where the id is no such fault
 */
export function setFault(net: Netlist, id: string): Netlist | null {
  const [kind, name] = id.split(':')
  if (kind !== SET_HIGH && kind !== SET_LOW) return null
  const e = net.elements.find((x) => x.name === name)
  const of = e && (e.kind === 'output' || e.kind === 'chopper') ? e.controller : null
  const duty: Control['duty'] = kind === SET_HIGH ? never : always
  return { ...net, controls: net.controls.map((c) => (c.id === of ? { ...c, duty } : c)) }
}
