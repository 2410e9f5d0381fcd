import type { Element, Motor, Netlist } from './netlist'
import type { Solution } from './solve'

/** What one fan does in one state. */
export interface FanState {
  readonly name: string
  readonly label: string
  readonly speed: number
  readonly amps: number
  readonly volts: number
}

const TURNS = 0.03
/** below this share of its rated speed a fan is slow. @see engineering §6 */
export const SLOW = 0.7

/** Whether a fan turns at all. */
export const turns = ({ speed }: Pick<FanState, 'speed'>): boolean => Math.abs(speed) > TURNS

const isMotor = (e: Element): e is Motor => e.kind === 'motor'
export const motorsOf = (net: Netlist): Motor[] => net.elements.filter(isMotor)

export const across = (s: Solution, e: Pick<Element, 'a' | 'b'>): number =>
  (s.volts.get(e.a) ?? 0) - (s.volts.get(e.b) ?? 0)

export const fanStates = (net: Netlist, s: Solution): FanState[] =>
  motorsOf(net).map((m) => ({
    name: m.name,
    label: m.label,
    speed: s.speeds.get(m.name) ?? 0,
    amps: s.amps.get(m.name) ?? 0,
    volts: across(s, m),
  }))
