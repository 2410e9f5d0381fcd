import { contactCarries, contactMakes, jammedCurrent, type ContactRating } from '../electrical'
import { across, motorsOf } from './fans'
import type { Element } from './netlist'
import type { Circuit } from './solve'
import type { SolvedState } from './states'

export interface SwitchLoad {
  readonly name: string
  readonly label: string
  readonly amps: number
  readonly startA: number
  readonly mayCarryA: number | null
  readonly mayMakeA: number | null
  readonly verdict: 'holds' | 'short' | 'rating unknown'
}
const contactOf = (e: Element): { rating: ContactRating | null } | null =>
  e.kind === 'switch' || e.kind === 'contact' || e.kind === 'output' || e.kind === 'chopper' ? e : null

function verdictOf(
  amps: number,
  startA: number,
  mayCarryA: number | null,
  mayMakeA: number | null,
): SwitchLoad['verdict'] {
  if (mayCarryA === null) return 'rating unknown'
  return amps > mayCarryA || (mayMakeA !== null && startA > mayMakeA) ? 'short' : 'holds'
}

/** What every switch and contact carries at most, over all states, against its rating. @see engineering §1.5 */
export function switchLoads(circuit: Circuit, states: readonly SolvedState[]): SwitchLoad[] {
  const { net } = circuit
  const most = new Map<string, { amps: number; at: SolvedState }>()
  for (const at of states) {
    for (const e of net.elements) {
      const amps = Math.abs(at.solution.amps.get(e.name) ?? 0)
      if (contactOf(e) && amps > (most.get(e.name)?.amps ?? -1)) most.set(e.name, { amps, at })
    }
  }
  return net.elements.flatMap((e): SwitchLoad[] => {
    const contact = contactOf(e)
    const found = most.get(e.name)
    if (!contact || !found) return []
    const shares = circuit.shares(found.at.conditions, found.at.solution)
    const startA = motorsOf(net).reduce((sum, m) => {
      const share = shares.get(m.name)?.get(e.name) ?? 0
      return (
        sum +
        share *
          (jammedCurrent(m.rating, Math.max(0, across(found.at.solution, m))) -
            Math.abs(found.at.solution.amps.get(m.name) ?? 0))
      )
    }, found.amps)
    const mayCarryA = contact.rating ? contactCarries(contact.rating).value : null
    const mayMakeA = contact.rating ? contactMakes(contact.rating).value : null
    const verdict = verdictOf(found.amps, startA, mayCarryA, mayMakeA)
    return [{ name: e.name, label: e.label, amps: found.amps, startA, mayCarryA, mayMakeA, verdict }]
  })
}
