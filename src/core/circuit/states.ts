import { allOff, heats, switchings, type Conditions, type Heat, type Netlist, type Switching } from './netlist'
import type { Circuit, Solution } from './solve'

/** What of a circuit can be switched from outside; the engine always can. */
export function switchingsOf(net: Netlist): Switching[] {
  const there = new Set(net.elements.flatMap((e) => (e.kind === 'switch' ? [e.by] : [])))
  return switchings.filter((s) => s === 'engine' || there.has(s))
}

/** Heats that make a difference: all four where a thermostat decides, else one. */
export const heatsOf = (net: Netlist): readonly Heat[] =>
  net.controls.some((c) => c.duty.cold !== c.duty.hot) ? heats : ['cold']

export type SwitchState = Readonly<Record<Switching, boolean>>

const off: SwitchState = allOff

/**
 * Every combination of switches that can be: an engine runs only with its key, an after-run only begins once the key is
 * off. Off first.
 */
export function switchStates(net: Netlist): SwitchState[] {
  const there = switchingsOf(net)
  const vary = (states: SwitchState[], s: Switching): SwitchState[] => states.flatMap((x) => [x, { ...x, [s]: true }])
  const keyed = there.includes('key')
  return there.reduce(vary, [off]).filter((x) => (!keyed || x.key || !x.engine) && !(x.timer && x.key))
}

export interface SolvedState {
  readonly conditions: Conditions
  readonly solution: Solution
}

/**
 * One combination of switches through the heats, each from the state before: a thermostat remembers which way it came.
 */
export function throughHeats(circuit: Circuit, switches: SwitchState): SolvedState[] {
  const found = new Map<Heat, SolvedState>()
  let before: Solution | undefined
  const all = heatsOf(circuit.net)
  // up through the band, then down through it
  for (const heat of ['cold', 'rising', 'hot', 'falling'] as const) {
    if (!all.includes(heat)) continue
    const conditions = { ...switches, heat }
    const solution: Solution = circuit.solve(conditions, before?.states)
    before = solution
    found.set(heat, { conditions, solution })
  }
  return all.map((h) => found.get(h)!)
}

/** Every state of a circuit, solved. @see engineering §5 */
export const allStates = (circuit: Circuit): SolvedState[] =>
  switchStates(circuit.net).flatMap((s) => throughHeats(circuit, s))

/** the way through the band to each heat: a thermostat remembers it */
const wayTo: Readonly<Record<Heat, readonly Heat[]>> = {
  cold: ['cold'],
  rising: ['cold', 'rising'],
  hot: ['cold', 'rising', 'hot'],
  falling: ['cold', 'rising', 'hot', 'falling'],
}

/** One state, reached through the heats that come before it. */
export function solveState(circuit: Circuit, conditions: Conditions): Solution {
  const [first, ...later] = wayTo[conditions.heat]
  return later.reduce(
    (before, heat) => circuit.solve({ ...conditions, heat }, before.states),
    circuit.solve({ ...conditions, heat: first! }),
  )
}
