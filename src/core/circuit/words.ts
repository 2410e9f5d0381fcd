import type { Conditions, Heat, Netlist } from './netlist'
import { heatsOf } from './states'
import { say } from '../words'

/** A mismatch once, with every state that has it. */
export interface Mismatch {
  readonly text: string
  readonly states: readonly Conditions[]
}

/** A heat in a word or two. */
export const heatWords: Readonly<Record<Heat, string>> = {
  cold: say`cold`,
  rising: say`warming up`,
  falling: say`cooling down`,
  hot: say`hot`,
}

function keyedInWords(c: Conditions): string {
  if (c.engine) return say`engine running`
  if (c.key) return say`key on`
  return c.timer ? say`key off, timer running` : say`parked`
}

/** A state in a few words: "parked and hot". */
export function stateInWords(c: Conditions, net: Netlist): string {
  const has = (by: string): boolean => net.elements.some((e) => e.kind === 'switch' && e.by === by)
  const keyless = c.engine ? say`being charged` : say`standing`
  const base = has('key') ? keyedInWords(c) : keyless
  const more = [
    ...(has('isolator') ? [c.isolator ? say`isolator on` : say`isolator off`] : []),
    ...(c.override ? [say`override on`] : []),
    ...(c.hand ? [say`hand switch on`] : []),
    ...(c.call ? [say`other system's call`] : []),
    ...(heatsOf(net).length > 1 ? [heatWords[c.heat]] : []),
  ]
  const last = more.pop()
  return [base, ...more].join(', ') + (last ? say` and ${last}` : '')
}

/** Mismatches as sentences: "parked and hot: the fan runs, …". */
export function mismatchInWords(net: Netlist, { text, states }: Mismatch): string {
  const first = states.find((s) => s.heat === 'hot') ?? states[0]!
  return (
    `${stateInWords(first, net)}: ` +
    `${text}${
      states.length > 1
        ? say` (and in ${states.length - 1} more
      ${states.length > 2 ? say`states` : say`state`})`
        : ''
    }`
  )
}
