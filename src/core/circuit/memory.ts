import { heatsOf, switchStates, type SolvedState, type SwitchState } from './states'
import { type Conditions, type Heat, type States, switchings } from './netlist'
import type { Circuit } from './solve'

/** A state that is reached another way than from everything off, and ends elsewhere. */
export interface Latched extends SolvedState {
  /** the conditions that it was in before the last thing was switched */
  readonly from: Conditions
}

/** What a circuit remembers of the state before: relays that are in, electronics that have their supply. */
const memoryOf = ({ pulled, powered }: States): string => `${[...pulled].sort().join()}|${[...powered].sort().join()}`

const keyOf = (c: Conditions): string => switchings.map((s) => (c[s] ? s : '')).join() + c.heat

/** Whether one hand can bring the first combination into the second: a key that goes off takes the engine with it. */
export function oneSwitchApart(from: SwitchState, to: SwitchState): boolean {
  const flipped = switchings.filter((s) => from[s] !== to[s])
  // an after-run begins with the key's going off, and ends by itself or with the key
  if (from.key !== to.key)
    return flipped.every((s) => s === 'key' || s === 'engine' || s === 'timer') && !(to.key && to.engine)
  return flipped.length === 1 && !(flipped[0] === 'timer' && to.timer)
}

const heatAfter: Readonly<Record<Heat, readonly Heat[]>> = {
  cold: ['rising'],
  rising: ['hot', 'cold'],
  hot: ['falling'],
  falling: ['cold', 'hot'],
}

/**
 * Every state that some way of switching ends in and that is not the one it comes to from everything off: relays and
 * electronics that hold themselves.
 * @param base the table of states, each reached with its switches as they are, through the heats
 * @returns by the conditions they stand under; the shortest way first, key off before all
 * @see engineering §5
 */
export function latchedStates(circuit: Circuit, base: readonly SolvedState[]): Latched[] {
  const switches = switchStates(circuit.net)
  const heats = heatsOf(circuit.net)
  const to = switches.map((s) =>
    switches.filter((t) => oneSwitchApart(s, t)).sort((a, b) => Number(a.key) - Number(b.key)),
  )
  const known = new Map<string, Set<string>>(
    base.map((s) => [keyOf(s.conditions), new Set([memoryOf(s.solution.states)])]),
  )
  const tried = new Set<string>()
  const found: Latched[] = []
  // from the machine at work backwards: what runs is what can hold itself
  const queue: SolvedState[] = [...base].reverse()
  for (const { conditions, solution } of queue) {
    const { heat, ...at } = conditions
    const memory = memoryOf(solution.states)
    const row = switches.findIndex((s) => switchings.every((x) => s[x] === at[x]))
    const next: Conditions[] = [
      ...to[row]!.map((s) => ({ ...s, heat })),
      ...heatAfter[heat].filter((h) => heats.includes(h)).map((h) => ({ ...at, heat: h })),
    ]
    for (const c of next) {
      const key = keyOf(c)
      const held = known.get(key)!
      if (held.has(memory) || tried.has(`${key}#${memory}`)) continue
      tried.add(`${key}#${memory}`)
      const ends = circuit.solve(c, solution.states)
      const kept = memoryOf(ends.states)
      if (held.has(kept)) continue
      held.add(kept)
      const latched = { conditions: c, solution: ends, from: conditions }
      found.push(latched)
      queue.push(latched)
    }
  }
  return found
}
