import { type Conditions, type Netlist, runningHot, type States, type Switching } from '../circuit'
import { say } from '../words'

export interface WayToRun {
  readonly by: string
  readonly conditions: Conditions
  readonly states: States
}

/**
 * Ways in which the fans can be made to run, each by itself: by their thermostats, by a hand switch, by the override,
 * by another system's call.
 */
export function waysToRun(net: Netlist): WayToRun[] {
  const pulled = new Set(net.elements.flatMap((e) => (e.kind === 'coil' ? [e.relay] : [])))
  const powered = new Set(net.controls.map((c) => c.id))
  const joining = (...places: readonly string[]): ReadonlySet<string> =>
    new Set(net.elements.flatMap((e) => (e.kind === 'diode' && e.joins && places.includes(e.joins) ? [e.name] : [])))
  const way = (by: string, more: Partial<Conditions>, share: number, conducting: ReadonlySet<string>) => ({
    by,
    conditions: { ...runningHot, ...more },
    states: {
      pulled,
      powered,
      asked: new Set<string>(),
      // a controller with inputs of its own is told by them, and closes
      duty: new Map(net.controls.map((c) => [c.id, c.inputs?.length ? 1 : share])),
      conducting,
      blocked: new Set<string>(),
      opened: new Set<string>(),
    },
  })
  const switched = (by: Switching): boolean => net.elements.some((e) => e.kind === 'switch' && e.by === by)
  return [
    way(say`the thermostat`, {}, 1, joining('control')),
    ...(switched('hand') ? [way(say`the hand switch`, { hand: true }, 0, joining('control'))] : []),
    ...(switched('override') ? [way(say`the override`, { override: true }, 0, joining('control', 'override'))] : []),
    ...(switched('call') ? [way(say`the other system's call`, { call: true }, 0, joining('control', 'call'))] : []),
  ]
}
