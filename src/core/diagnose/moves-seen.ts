import { type Control, motorsOf, type Netlist } from '../circuit'
import { cautions } from '../job'
import {
  asWords,
  blowAnswers,
  calledState,
  capital,
  type CircuitMove,
  fanAnswers,
  fanName,
  has,
  HOT,
  look,
  statesAsked,
  words,
} from './act'
import { say } from '../words'

/** What the fans do, watched in each state. */
export function seen(net: Netlist): CircuitMove[] {
  return statesAsked(net).flatMap(({ id, state, minutes }) =>
    motorsOf(net).map((m) => ({
      act: { see: 'fan', state, motor: m.name } as const,
      move: {
        ...look,
        id: `fan:${id}:${m.name}`,
        title: `${words(net, state)}, ${fanName(net, m)}`,
        how: say`Watch ${fanName(net, m)}, from a step away.${state.heat === 'hot' ? ` ${HOT}` : ''}`,
        caution: state.engine && has(net, 'key') ? `${cautions.surprise} ${cautions.fumes}` : cautions.surprise,
        minutes,
        answers: fanAnswers,
      },
    })),
  )
}

const bySupply = (c: Control): boolean => c.supply !== null
const byHeat = (c: Control): boolean => c.duty.cold !== c.duty.hot

/** What relays and controllers tell by ear and eye. */
export function listened(net: Netlist): CircuitMove[] {
  const state = calledState(net, false)
  const coils = net.elements.flatMap((e) =>
    e.kind === 'coil'
      ? [
          {
            act: { see: 'coil', state, relay: e.relay } as const,
            move: {
              ...look,
              id: `coil:${e.relay}`,
              title: say`${words(net, state)}, the relay`,
              how: say`A finger on the relay, an ear at it, while the key is turned on. ${HOT}`,
              caution: cautions.surprise,
              minutes: 0.7,
              answers: asWords('clicks', 'silent', 'chatters'),
            },
          },
        ]
      : [],
  )
  const shown = net.controls.filter(bySupply).map((c) => ({
    act: { see: 'display', state, control: c.id } as const,
    move: {
      ...look,
      id: `display:${c.id}`,
      title: say`Key on: ${c.label}`,
      how: say`Look at its display or lamp with the key on.`,
      caution: '',
      minutes: 0.3,
      answers: asWords('lit', 'dark'),
    },
  }))
  return [...coils, ...shown, ...read(net)]
}

/** What a controller's display says of itself, where it decides by heat. */
function read(net: Netlist): CircuitMove[] {
  return net.controls
    .filter((c) => bySupply(c) && byHeat(c))
    .flatMap((c) => [
      {
        act: { see: 'setting', control: c.id } as const,
        move: {
          ...look,
          id: `setting:${c.id}`,
          title: say`${c.label}: its setting`,
          how: say`Read it off the display or the dial, and hold it against the sheet, unit and all.`,
          caution: '',
          minutes: 0.7,
          answers: asWords('as planned', 'too high', 'too low'),
        },
      },
      {
        act: { see: 'probe', control: c.id } as const,
        move: {
          ...look,
          id: `probe:${c.id}`,
          title: say`${c.label}: the temperature that it shows`,
          how: say`Hold it against a thermometer or against the air, cold.`,
          caution: '',
          minutes: 0.7,
          answers: asWords('likely', 'none, or nonsense'),
        },
      },
    ])
}

/** Fuses pulled and looked at, and new ones put in. */
export function fuses(net: Netlist): CircuitMove[] {
  return net.elements.flatMap((e): CircuitMove[] =>
    e.kind === 'fuse'
      ? [
          {
            act: { see: 'fuse', name: e.name },
            move: {
              ...look,
              id: `fuse:${e.name}`,
              title: say`Look at ${e.label}`,
              how: say`Pull it and hold it against the light; both its legs, and the holder.`,
              caution: '',
              minutes: 0.5,
              answers: asWords('whole', 'blown', 'bridged'),
            },
          },
          {
            act: { see: 'blows', name: e.name },
            move: {
              ...look,
              tier: 'swap',
              id: `blows:${e.name}`,
              title: say`${capital(e.label)}, a new one put in`,
              how: say`One new fuse of the same rating, never a bigger one: see whether it goes, and when.`,
              caution: cautions.surprise,
              minutes: 3,
              risk: 1,
              answers: blowAnswers,
            },
          },
        ]
      : [],
  )
}
