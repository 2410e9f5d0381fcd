import {
  allStates,
  Circuit,
  type Conditions,
  fanStates,
  motorsOf,
  type Netlist,
  type SolvedState,
  turns,
} from '../circuit'
import type { Job } from '../job'
import { netlistOf } from './netlist'
import { provedCircuit } from './proof'

/** When the fans run by themselves or by hand, and what keeps them still: as it is wired, whatever was wanted. */
export interface WhenItRuns {
  /** what of these stands in the circuit */
  readonly key: boolean
  readonly isolator: boolean
  /** with the key off and nothing else on: never, only while it is hot, or cold too */
  readonly keyOff: 'never' | 'hot' | 'always'
  /** once the key is off, while the after-run lasts */
  readonly afterRun: boolean
  /** with the key off, called by a hand or by another system, where it would not run without */
  readonly calledKeyOff: boolean
  /** with its isolator off */
  readonly pastIsolator: boolean
  /** cold, by its override; by another system's call */
  readonly coldByOverride: boolean
  readonly coldByCall: boolean
  /** with the fuses of all fans out */
  readonly pastFuses: boolean
}

const runs = (net: Netlist, { solution }: SolvedState): boolean => fanStates(net, solution).some(turns)

function byHeat(running: readonly Conditions[]): WhenItRuns['keyOff'] {
  if (!running.length) return 'never'
  return running.some((c) => c.heat === 'cold') ? 'always' : 'hot'
}

/** Whether one of the fans runs in some state though the fuses of all of them are out. */
function runsWithoutFuses(net: Netlist): boolean {
  const open = { ...net, elements: net.elements.filter((e) => e.kind !== 'fuse' || e.run === undefined) }
  return allStates(new Circuit(open)).some((s) => runs(open, s))
}

/**
 * Every state of the circuit, and what holds itself, asked when a fan turns.
 * @returns null where no fan is in it yet
 * @see engineering §5
 */
export function whenItRuns(job: Job): WhenItRuns | null {
  const net = netlistOf(job)
  if (!motorsOf(net).length) return null
  const proof = provedCircuit(job)
  const running = [...proof.rows.flatMap((r) => r.states), ...proof.latches]
    .filter((s) => runs(net, s))
    .map((s) => s.conditions)
  const switched = (by: string): boolean => net.elements.some((e) => e.kind === 'switch' && e.by === by)
  const [key, isolator] = [switched('key'), switched('isolator')]
  // a machine without a key is asked for its isolator alone
  const keyOff = key ? running.filter((c) => !c.key && (c.isolator || !isolator)) : []
  const called = (c: Conditions): boolean => c.override || c.call || c.hand
  const left = keyOff.filter((c) => !c.timer && !called(c))
  const cold = running.filter((c) => c.heat === 'cold')
  return {
    key,
    isolator,
    keyOff: byHeat(left),
    afterRun: keyOff.some((c) => c.timer && !called(c)),
    calledKeyOff: keyOff.some((c) => called(c) && !c.timer) && !left.length,
    pastIsolator: isolator && running.some((c) => !c.isolator),
    coldByOverride: cold.some((c) => c.override && !c.call && !c.hand),
    coldByCall: cold.some((c) => c.call && !c.override && !c.hand),
    pastFuses: runsWithoutFuses(net),
  }
}
