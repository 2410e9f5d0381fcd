import type { Netlist } from './netlist'
import type { Solution } from './solve'
import { fixed } from '../units'
import { say } from '../words'

/** more than this share of what a battery can give at all is a short across it */
const SHORT_SHARE = 0.15

/**
 * What carries more than it may and goes on doing so, in words: a battery that nothing but its own resistance limits,
 * and every conductor above what it may carry for good with no fuse that opens.
 * @see engineering §1.1, §1.4
 */
export function overloads(net: Netlist, s: Solution): string[] {
  return net.elements.flatMap((e) => {
    const amps = Math.abs(s.amps.get(e.name) ?? 0)
    if (e.kind === 'source' && amps > SHORT_SHARE * (e.restV / e.ohm))
      return [say`a short across the battery, ${fixed(amps, 0)} A: no fuse stands before it`]
    if (e.kind === 'wire' && e.allowedA !== undefined && amps > e.allowedA)
      return [
        say`${fixed(amps, amps < 10 ? 1 : 0)} A through the ${e.label}, which may carry ${fixed(e.allowedA, 0)} A,
          and no fuse opens`,
      ]
    return []
  })
}
