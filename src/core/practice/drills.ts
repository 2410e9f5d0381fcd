import { onOffPoints, proposeSetting, readingOf } from '../control'
import { type Held, pinAsked, relayPins } from '../drawing'
import {
  blowing,
  bladeFuseOhm,
  bladeRatings,
  chooseFuse,
  CONDUCTOR_DERATING,
  allowedAmps,
  conductorOhm,
} from '../electrical'
import type { Job } from '../job'
import { generator } from '../reading'
import { air, coolant, fixed, format, sizesOf } from '../units'
import type { Drill } from './drill'
import { traceDrill } from './trace-drill'
import { say, spokenWord } from '../words'

/** Drills of a minute each. */
export const drillKinds = {
  pins: say`Relay pins, from either side`,
  settings: say`On and off for a thermostat and a probe`,
  direction: say`Wires and blade against direction`,
  sizes: say`Conductor and fuse at a glance`,
  trace: say`What turns up when`,
  millivolts: say`Millivolts over a fuse to amps`,
} as const
export type DrillKind = keyof typeof drillKinds

type Random = () => number
const pick = <T>(random: Random, list: readonly T[]): T =>
  list[Math.min(list.length - 1, Math.floor(random() * list.length))]!
/** Some of a list in another order. */
function mixed<T>(random: Random, list: readonly T[]): T[] {
  return list
    .map((entry) => ({ entry, at: random() }))
    .sort((a, b) => a.at - b.at)
    .map(({ entry }) => entry)
}

const pinTells: Readonly<Record<string, string>> = {
  '30': say`the feed of the contact`,
  '85': say`one end of the coil`,
  '86': say`the other end of the coil`,
  '87': say`what closes when it clicks: the fan`,
  '87a': say`what is closed at rest`,
}

function pins(random: Random): Drill {
  const held: Held = { seen: pick(random, ['pin side', 'wire side'] as const), quarters: Math.floor(random() * 4) }
  const pin = pick(random, relayPins)
  return {
    ask: say`Seen onto its ${
      held.seen === 'pin side' ? say`pins` : say`wires, the base in the hand`
    }: which pin is marked? As the numbers usually stand; the corner that is cut is where its name is.`,
    picture: pinAsked(held, pin),
    answers: relayPins,
    figure: null,
    right: pin,
    working: say`${pin}: ${pinTells[pin]}. From the wires left and right change places; turning it turns all of them.`,
  }
}

function settings(random: Random): Drill {
  const opens = pick(random, [71, 76, 82, 88])
  const kappa = pick(random, [0.8, 0.85, 0.9, 0.95])
  const outside = pick(random, [25, 30, 35])
  const range = { minC: 30, maxC: 120, stepK: 1, bandMinK: 2, bandMaxK: 15 }
  const bandK = 5
  const setting = proposeSetting({ opens: coolant(opens), hottest: air(outside), kappa, bandK, kind: 'below', range })
  const points = onOffPoints('below', setting)!
  const pair = (on: number, off: number): string => say`${Math.round(on)} °C on, ${Math.round(off)} °C off`
  const [on, off] = [points.on.c, points.off.c]
  const shows = readingOf(coolant(opens), air(outside), kappa).c
  return {
    ask: say`The engine’s thermostat opens at ${opens} °C. The probe shows ${Math.round(kappa * 100)} % of what the
      coolant has over its air, which is ${outside} °C at most. Which pair stops, is in time, and does not run all
      day?`,
    picture: null,
    answers: mixed(random, [
      pair(on, off),
      pair(shows - 1, shows - 6),
      pair(opens + 30, opens + 25),
      pair(shows + 3, shows - 8),
    ]),
    figure: null,
    right: pair(on, off),
    working: say`Held at ${opens} °C the probe shows ${outside} + ${kappa} × (${opens} − ${outside}) =
      ${fixed(shows, 1)} °C: off must lie above that, on a band higher, and not so high that the coolant runs away.`,
  }
}

function direction(random: Random): Drill {
  const swapped = random() < 0.5
  const turned = random() < 0.5
  const motor = random() < 0.75 ? ('brushed' as const) : ('brushless' as const)
  const way = blowing(swapped, turned, motor)
  const blows = {
    'as marked': [say`as marked, at its best`, say`as marked, weakly`],
    reversed: [say`reversed, at its best`, say`reversed, weakly`],
  } as const
  const not = say`not at all`
  const right = way === null ? not : blows[way.air][way.effectiveness < 1 ? 1 : 0]
  return {
    ask: say`A ${spokenWord(motor)} fan, its wires ${
      swapped ? say`swapped` : say`as marked`
    }, its blade ${turned ? say`turned over on the shaft` : say`as it came`}. Which way does it blow?`,
    picture: null,
    answers: [...blows['as marked'], ...blows.reversed, not],
    figure: null,
    right,
    working:
      way === null
        ? say`A brushless fan has electronics behind its wires: swapped it does nothing, or dies.`
        : say`Wires decide which way it turns, and with that which way the air goes. A blade turned over still pushes
          the same way when it turns the same way, only with its back: weakly. Both together: reversed, and its face
          is right for it again.`,
  }
}

function sizes(random: Random): Drill {
  const runA = pick(random, [4, 6, 8, 11, 14, 18])
  const lengthM = pick(random, [2, 3, 4, 6])
  const limitV = 0.03 * 13.8
  const around = { insulationC: 105, ambientC: 60, bundled: 2 } as const
  const fuse = chooseFuse({
    runningA: runA,
    startingA: 3 * runA,
    timeConstantS: 0.15,
    jammedA: 4 * runA,
    ambientC: 40,
    leastAllowedA: Number.POSITIVE_INFINITY,
  })
  const fuseA = fuse?.ratingA ?? 30
  const good = (size: (typeof all)[number]): boolean =>
    allowedAmps(size, around) * CONDUCTOR_DERATING >= runA &&
    allowedAmps(size, around) >= fuseA &&
    runA * conductorOhm(runA, { name: 'wire', size, lengthM, ...around }) <= limitV
  const all = sizesOf('metric')
  const right = all.find(good) ?? all.at(-1)!
  const at = all.indexOf(right)
  const offered = all.slice(Math.max(0, at - 2), at + 3)
  const drop = runA * conductorOhm(runA, { name: 'wire', size: right, lengthM, ...around })
  return {
    ask: say`${runA} A, ${lengthM} m of wire there and back, two in a sleeve at 60 °C, 3 % of 13.8 V to lose, behind a
      fuse of ${fuseA} A. The thinnest wire that does it all?`,
    picture: null,
    answers: offered,
    figure: null,
    right,
    working: say`${spokenWord(right)} may carry ${format(allowedAmps(right, around), 'current', 'metric', 2)}
      there: more than the fuse, and ${runA} A is within 0.8 of it. It loses ${format(drop, 'voltage', 'metric', 2)}
      of the ${format(limitV, 'voltage', 'metric', 2)}.`,
  }
}

function millivolts(random: Random): Drill {
  const ratingA = pick(
    random,
    bladeRatings.filter((r) => r >= 3 && r <= 30),
  )
  const amps = Math.round(ratingA * (0.3 + 0.6 * random()) * 10) / 10
  const mv = Math.round(amps * bladeFuseOhm(ratingA) * 1e4) / 10
  return {
    ask: say`A blade fuse of ${ratingA} A shows ${mv} mV across it, on a circuit at rest. How much goes through it?`,
    picture: null,
    answers: null,
    figure: { quantity: 'current', value: mv / 1000 / bladeFuseOhm(ratingA), share: 0.15 },
    right: '',
    working: say`Cold, such a fuse has about 0.12 ÷ ${ratingA}^1.2 =
      ${format(bladeFuseOhm(ratingA), 'resistance', 'metric', 2)}: ${mv} mV over that are
      ${format(mv / 1000 / bladeFuseOhm(ratingA), 'current', 'metric', 2)}. Warm it has a little more: the truth is
      somewhat less.`,
  }
}

/**
 * A question of a drill by its seed.
 * @param job whose runs a trace is drawn from
 * @returns null where this job has nothing that such a question could be made of
 * @see engineering §1.2, §1.3, §1.4, §1.7, §3.2, §4
 */
export function drillOf(kind: DrillKind, seed: number, job: Job): Drill | null {
  const random = generator(seed)
  switch (kind) {
    case 'pins':
      return pins(random)
    case 'settings':
      return settings(random)
    case 'direction':
      return direction(random)
    case 'sizes':
      return sizes(random)
    case 'trace':
      return traceDrill(random, job)
    case 'millivolts':
      return millivolts(random)
  }
}
