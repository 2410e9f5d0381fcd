import { GROUND, motorsOf, type Netlist } from '../circuit'
import { cautions } from '../job'
import { asWords, calledState, type CircuitMove, fanAnswers, fanName, HOT, look, STILL } from './act'
import { say } from '../words'

/** What is put in another's place: a relay, a bridge, a feed straight from the battery; a hand at the fan. */
export function tried(net: Netlist): CircuitMove[] {
  const state = calledState(net, false)
  const first = motorsOf(net)[0]
  if (!first) return []
  const swap = { tier: 'swap', figure: null, caution: cautions.surprise, answers: fanAnswers } as const
  const relays = net.elements.flatMap((e): CircuitMove[] => {
    if (e.kind !== 'contact') return []
    const motor = motorsOf(net).find((m) => m.run === e.run) ?? first
    return [
      {
        act: { see: 'other relay', state, relay: e.relay, motor: motor.name },
        move: {
          ...swap,
          id: `swap:${e.relay}`,
          title: say`Another relay in its place`,
          how: say`A relay of the same kind that is known to work, pins as they are; key on. ${HOT}`,
          minutes: 2,
          risk: 0.3,
        },
      },
      {
        act: { see: 'bridged', state, name: e.name, motor: motor.name },
        move: {
          ...swap,
          id: `bridge:${e.name}`,
          title: say`Bridge ${e.label}`,
          how: say`Relay out. A short lead with a fuse of the same rating between the sockets of 30 and 87, key on.`,
          minutes: 3,
          risk: 0.7,
        },
      },
    ]
  })
  const fans = motorsOf(net).flatMap((m): CircuitMove[] => [
    {
      act: { see: 'by hand', motor: m.name },
      move: {
        ...look,
        id: `hand:${m.name}`,
        title: say`Turn ${fanName(net, m)} by hand, its fuse out`,
        how: say`${STILL} A finger on the hub, once round.`,
        caution: say`A fan on a thermostat starts without warning: never by hand with its fuse in.`,
        minutes: 1,
        answers: asWords('turns freely', 'held fast'),
      },
    },
    {
      act: { see: 'fed straight', motor: m.name },
      move: {
        ...swap,
        id: `straight:${m.name}`,
        title: say`Feed ${fanName(net, m)} straight from the battery`,
        how: say`Its plug apart. Two leads with a fuse of its rating: battery positive to its supply wire, negative to
          its ground wire. Never a lead from positive to ground.`,
        minutes: 5,
        risk: 1,
      },
    },
  ])
  return [...relays, ...fans]
}

/** Wires taken off where they begin: a fuse that holds without one has its trouble there or beyond. */
export function apart(net: Netlist): CircuitMove[] {
  const fused = net.elements.some((e) => e.kind === 'fuse')
  return net.elements.flatMap((e): CircuitMove[] =>
    fused && e.kind === 'wire' && !e.loom && e.b !== GROUND
      ? [
          {
            act: { see: 'apart', name: e.name },
            move: {
              ...look,
              tier: 'swap',
              id: `apart:${e.name}`,
              title: say`Fuses with this off: ${e.label}`,
              how: say`Fuses out. Take it off where it begins and tape its end. New fuses of the same rating; key on.
                ${HOT}`,
              caution: cautions.surprise,
              minutes: 4,
              risk: 1,
              answers: asWords('all fuses hold', 'one blows'),
            },
          },
        ]
      : [],
  )
}
