import {
  allOff,
  type Conditions,
  heatsOf,
  type Motor,
  motorsOf,
  type Netlist,
  runningHot,
  stateInWords,
} from '../circuit'
import type { Move } from './table'
import { say, spokenWord } from '../words'

/** What is done at a move, for the circuit to tell what it would show. */
export type Act =
  | { readonly see: 'fan'; readonly state: Conditions; readonly motor: string }
  | { readonly see: 'coil'; readonly state: Conditions; readonly relay: string }
  | { readonly see: 'display'; readonly state: Conditions; readonly control: string }
  | { readonly see: 'setting'; readonly control: string }
  | { readonly see: 'probe'; readonly control: string }
  | { readonly see: 'fuse'; readonly name: string }
  | { readonly see: 'blows'; readonly name: string }
  | { readonly see: 'by hand'; readonly motor: string }
  | { readonly see: 'volts'; readonly state: Conditions; readonly node: string }
  | { readonly see: 'across'; readonly state: Conditions; readonly name: string }
  | { readonly see: 'apart'; readonly name: string }
  | { readonly see: 'amps'; readonly state: Conditions; readonly motor: string }
  | { readonly see: 'bridged'; readonly state: Conditions; readonly name: string; readonly motor: string }
  | { readonly see: 'fed straight'; readonly motor: string }
  | { readonly see: 'other relay'; readonly state: Conditions; readonly relay: string; readonly motor: string }

export interface CircuitMove {
  readonly move: Move
  readonly act: Act
}

export const fanAnswers = [
  { id: 'runs', words: say`runs` },
  { id: 'slow', words: say`runs slow` },
  { id: 'backwards', words: say`runs backwards` },
  { id: 'stands', words: say`stands` },
  { id: 'on and off', words: say`starts and drops out` },
] as const

export const blowAnswers = [
  { id: 'holds', words: say`it holds` },
  { id: 'at once', words: say`as soon as it is put in` },
  { id: 'with the key', words: say`when the key is turned on` },
  { id: 'at the start', words: say`when the fan should start` },
  { id: 'later', words: say`after some running` },
] as const

export const asWords = (...ids: string[]) => ids.map((id) => ({ id, words: spokenWord(id) }))
export const look = { tier: 'look', figure: null, risk: 0 } as const
/** before a hand goes near blades: a switch may lead past the fan's own fuse */
export const STILL = say`Fuse out first, and the battery’s negative lead off where a switch leads past it.`
export const HOT = say`Hot: just after a run, or with the controller on its test setting (put back afterwards), or the
  probe in hot water.`

/** A state that is asked about, with what it costs to bring it about. */
interface Asked {
  readonly id: string
  readonly state: Conditions
  readonly minutes: number
}

/** Whether a circuit has a switch of a kind. */
export const has = (net: Netlist, by: string): boolean => net.elements.some((e) => e.kind === 'switch' && e.by === by)

/** The state in which the fan is called, engine stopped or running. */
export function calledState(net: Netlist, engine: boolean): Conditions {
  return { ...runningHot, engine, hand: has(net, 'hand') }
}

/** The states of a circuit that are looked at. */
export function statesAsked(net: Netlist): Asked[] {
  const keyed = has(net, 'key')
  const byHeat = heatsOf(net).length > 1
  const idle = { ...allOff, key: true, isolator: true }
  return [
    { id: 'called', state: calledState(net, true), minutes: 1.5 },
    ...(byHeat || has(net, 'hand') ? [{ id: 'not_called', state: { ...idle, engine: true }, minutes: 0.5 }] : []),
    ...(keyed ? [{ id: 'parked', state: { ...calledState(net, false), key: false, hand: false }, minutes: 1 }] : []),
    ...(keyed && has(net, 'hand')
      ? [{ id: 'parked_hand', state: { ...calledState(net, false), key: false }, minutes: 1 }]
      : []),
    ...(has(net, 'override') ? [{ id: 'override', state: { ...idle, override: true }, minutes: 0.5 }] : []),
  ]
}

/** A state as a sentence begins. */
export const capital = (said: string): string => said.charAt(0).toUpperCase() + said.slice(1)
export const words = (net: Netlist, state: Conditions): string => capital(stateInWords(state, net))

/** The fan as it is called where there is one, by its name where there are several. */
export const fanName = (net: Netlist, m: Motor): string => (motorsOf(net).length > 1 ? m.label : say`the fan`)
