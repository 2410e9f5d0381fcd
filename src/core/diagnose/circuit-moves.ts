import type { Netlist } from '../circuit'
import type { CircuitMove } from './act'
import { across, atPlugs, metered } from './moves-metered'
import { fuses, listened, seen } from './moves-seen'
import { apart, tried } from './moves-tried'

/**
 * What can be looked at, tried and measured of a circuit.
 * @param nodes terminals a meter can reach, with `nameOf` what each is at the bench
 */
export const circuitMoves = (
  net: Netlist,
  nodes: readonly string[],
  nameOf: (node: string) => string,
): CircuitMove[] => [
  ...seen(net),
  ...listened(net),
  ...fuses(net),
  ...tried(net),
  ...metered(net, nameOf, nodes),
  ...atPlugs(net),
  ...across(net),
  ...apart(net),
]
