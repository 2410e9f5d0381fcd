import { type Element, motorsOf, type Netlist } from '../circuit'
import { cautions } from '../job'
import { calledState, type CircuitMove, fanName, has, HOT, words } from './act'
import { say } from '../words'

/** The range of a common meter that takes the battery's volts while it is charged. */
const rangeOf = (net: Netlist): string =>
  net.elements.some((e) => e.kind === 'source' && e.runningV > 19) ? '200 V' : '20 V'

/** What is minded beside a fan that runs; of fumes only where there is an engine. */
const whileRunning = (net: Netlist): string =>
  has(net, 'key') ? `${cautions.surprise} ${cautions.fumes}` : cautions.surprise

/** Terminals that a meter is held to: what a wire ends at, none that is the battery's own. */
export function metered(net: Netlist, nameOf: (node: string) => string, nodes: readonly string[]): CircuitMove[] {
  const states = [
    { id: 'called', state: calledState(net, false), more: 0 },
    ...(has(net, 'key')
      ? [{ id: 'parked', state: { ...calledState(net, false), key: false, hand: false }, more: 0.5 }]
      : []),
  ]
  const volts = nodes.flatMap((node) =>
    states.map(({ id, state, more }) => ({
      act: { see: 'volts', state, node } as const,
      move: {
        id: `volts:${id}:${node}`,
        title: say`Volts at ${nameOf(node)}`,
        how: say`Meter on ${rangeOf(net)} DC. Black lead on the battery’s negative post, red on ${nameOf(node)},
          everything plugged in. ${words(net, state)}.${state.heat === 'hot' ? ` ${HOT}` : ''}`,
        caution: cautions.surprise,
        minutes: 2.5 + more,
        risk: 0.3,
        tier: 'meter' as const,
        answers: null,
        figure: { quantity: 'voltage' as const, sd: 0.15, share: 0.03, ends: [-20, 40] as const },
      },
    })),
  )
  return [...volts, ...clamped(net)]
}

function clamped(net: Netlist): CircuitMove[] {
  const state = calledState(net, true)
  return motorsOf(net).map((m) => ({
    act: { see: 'amps', state, motor: m.name },
    move: {
      id: `amps:${m.name}`,
      title: say`Current of ${fanName(net, m)}`,
      how: say`Clamp round one wire of it, set to nought first. ${words(net, state)}. ${HOT}`,
      caution: whileRunning(net),
      minutes: 3,
      risk: 0.5,
      tier: 'meter' as const,
      answers: null,
      figure: { quantity: 'current' as const, sd: 0.2, share: 0.05, ends: [0, 200] as const },
    },
  }))
}

/** Volts that reach a fan, across its own plug. */
export function atPlugs(net: Netlist): CircuitMove[] {
  const state = calledState(net, true)
  return motorsOf(net).map((m) => ({
    act: { see: 'across', state, name: m.name },
    move: {
      id: `plug:${m.name}`,
      title: say`Volts across the plug of ${fanName(net, m)}`,
      how: say`Meter on ${rangeOf(net)} DC, red on its supply wire, black on its ground wire, plugged in.
        ${words(net, state)}. ${HOT}`,
      caution: whileRunning(net),
      minutes: 3,
      risk: 0.5,
      tier: 'meter',
      answers: null,
      figure: { quantity: 'voltage', sd: 0.15, share: 0.03, ends: [-20, 40] },
    },
  }))
}

/** Loss over a fuse or a switch, whose two ends lie side by side. */
export function across(net: Netlist): CircuitMove[] {
  const state = calledState(net, false)
  const two = (e: Element): boolean =>
    (e.kind === 'fuse' && e.run !== undefined) || e.kind === 'contact' || e.kind === 'output'
  return net.elements.filter(two).map((e) => ({
    act: { see: 'across', state, name: e.name },
    move: {
      id: `across:${e.name}`,
      title: say`Volts across ${e.label}`,
      how: say`Meter on volts, a lead on each of its two ends. ${words(net, state)}. ${HOT}`,
      caution: cautions.surprise,
      minutes: 2.5,
      risk: 0.3,
      tier: 'meter',
      answers: null,
      figure: { quantity: 'voltage', sd: 0.15, share: 0.03, ends: [-20, 40] },
    },
  }))
}
