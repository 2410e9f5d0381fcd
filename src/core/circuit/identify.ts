import { CONDUCTOR_DERATING, allowedAmps } from '../electrical'
import type { WireSize } from '../units'
import { say } from '../words'

/** What an unknown wire of a machine can be. */
export const wireIdentities = {
  ground: { name: say`ground`, tell: say`may be the way back of what it is thick enough for` },
  permanent: {
    name: say`permanent feed`,
    tell: say`live with the key off: fuse it, and let a relay or the key come between`,
  },
  switched: { name: say`switched accessory feed`, tell: say`live with the key` },
  lights: { name: say`lighting feed`, tell: say`leave it: road lighting is never tapped` },
  engine: {
    name: say`engine's own feed`,
    tell: say`ignition coil or fuel solenoid: leave it alone, a drop there stops the engine`,
  },
  fan: { name: say`loom's own fan feed`, tell: say`comes alive when the machine wants its fan` },
  fanLow: {
    name: say`loom's fan feed, low speed`,
    tell: say`comes through a resistor that was chosen for another fan: take the high one`,
  },
  trigger: { name: say`trigger of a relay`, tell: say`goes to a coil: it switches, it never carries a fan` },
  sensor: { name: say`sensor or data wire`, tell: say`leave it alone: no load, no lamp, no tap` },
  dead: { name: say`not connected`, tell: say`ends somewhere: good for nothing until traced` },
} as const
export type WireIdentity = keyof typeof wireIdentities
const identities = Object.keys(wireIdentities) as WireIdentity[]

/** lowest and highest reading; Infinity is an open meter. Null: says nothing */
export type MeterRange = readonly [low: number, high: number]
type Range = MeterRange
export interface MeterTest {
  readonly id: string
  readonly title: string
  readonly how: string
  readonly unit: 'V' | 'ohm'
  readonly caution: string
  /** what each candidate would show, on a 12 V machine */
  readonly expects: Readonly<Partial<Record<WireIdentity, Range>>>
}

const LIVE: Range = [11, 15]
const NONE: Range = [-0.2, 0.5]

/** In the safest order: nothing powered and nothing loaded first, the lamp as a load last. */
export const wireTests: readonly MeterTest[] = [
  {
    id: 'off',
    title: say`Volts, key off`,
    how: say`Black lead on the battery’s negative post, red lead on the wire. Key off, lights off.`,
    unit: 'V',
    caution: say`A meter on volts harms nothing. Let no bare end touch the frame.`,
    expects: {
      ground: [-0.1, 0.2],
      permanent: LIVE,
      switched: NONE,
      lights: NONE,
      engine: NONE,
      fan: NONE,
      fanLow: NONE,
      trigger: [-0.2, 15],
      sensor: NONE,
      dead: NONE,
    },
  },
  {
    id: 'on',
    title: say`Volts, key on, engine off, cold`,
    how: say`The same with the key on and the lights off.`,
    unit: 'V',
    caution: say`A fan on a thermostat starts without warning: fingers and sleeves away.`,
    expects: {
      ground: [-0.1, 0.3],
      permanent: LIVE,
      switched: LIVE,
      lights: NONE,
      engine: LIVE,
      fan: NONE,
      fanLow: NONE,
      trigger: LIVE,
      sensor: [0.3, 5.6],
      dead: NONE,
    },
  },
  {
    id: 'lights',
    title: say`Volts, key on, lights on`,
    how: say`The same with all lights on, dipped and full.`,
    unit: 'V',
    caution: '',
    expects: {
      ground: [-0.1, 0.3],
      permanent: LIVE,
      switched: LIVE,
      lights: LIVE,
      engine: LIVE,
      fan: NONE,
      fanLow: NONE,
      trigger: LIVE,
      sensor: [0.3, 5.6],
      dead: NONE,
    },
  },
  {
    id: 'ohms',
    title: say`Ohms to battery negative, battery off`,
    how: say`Battery’s negative lead off and away. Meter on ohms between that lead and the wire.`,
    unit: 'ohm',
    caution: say`Ohms only with the battery off: else the reading lies and the meter suffers.`,
    expects: {
      ground: [0, 1.5],
      permanent: [2, Infinity],
      switched: [2, Infinity],
      lights: [0.2, 30],
      engine: [0.3, 25],
      fan: [0.2, Infinity],
      fanLow: [0.2, Infinity],
      trigger: [30, Infinity],
      sensor: [100, Infinity],
      dead: [1e6, Infinity],
    },
  },
  {
    id: 'lamp',
    title: say`Volts with a 5 W lamp as load`,
    how: say`Battery on, key on. A 5 W test lamp between the wire and negative; read the volts across the lamp.`,
    unit: 'V',
    caution: say`Not on a wire that showed about 5 V or less: that may be a sensor. A fan may start.`,
    expects: {
      permanent: [10.8, 15],
      switched: [10.8, 15],
      lights: NONE,
      engine: [10.8, 15],
      fan: NONE,
      fanLow: NONE,
      trigger: [0, 6],
      dead: NONE,
      ground: [-0.2, 0.4],
    },
  },
  {
    id: 'hot',
    title: say`Volts, engine hot or its sensor bridged as the maker says`,
    how: say`Engine warm until the machine wants its fan, or its sensor bridged as its maker’s book says. Red lead on
      the wire.`,
    unit: 'V',
    caution: say`Running engine: outdoors, sleeves and hair away, nothing near the fan.`,
    expects: {
      ground: [-0.1, 0.3],
      permanent: LIVE,
      switched: LIVE,
      lights: NONE,
      engine: LIVE,
      fan: LIVE,
      fanLow: LIVE,
      trigger: [-0.2, 3],
      sensor: [0, 5.6],
      dead: NONE,
    },
  },
  {
    id: 'crank',
    title: say`Volts while the starter turns`,
    how: say`Red lead on the wire; a second person turns the engine over on the starter for two seconds.`,
    unit: 'V',
    caution: say`Out of gear, nobody astride, nothing near belt, chain or fan: it may start.`,
    expects: { permanent: [7, 15], engine: [7, 15] },
  },
  {
    id: 'heavy',
    title: say`Volts with a 55 W lamp as load, engine hot or its sensor bridged`,
    how: say`As before, and a 55 W headlamp bulb between the wire and negative; read the volts across the bulb.`,
    unit: 'V',
    caution: say`The bulb gets hot enough to burn. Running engine: outdoors, sleeves and hair away.`,
    expects: { fan: [11.2, 15], fanLow: [2, 11.2] },
  },
]

export interface WireReading {
  readonly test: string
  readonly wire: string
  /** null: open */ readonly value: number | null
}
export interface KnownWire {
  readonly id: string
  readonly size: WireSize | null
  readonly fuseA: number | null
}

export const shown = (value: number | null): number => value ?? Infinity
/** a 24 V machine shows twice the volts, but sensors keep their five */
const fits = (range: Range | undefined, value: number, test: MeterTest, systemV: 12 | 24): boolean => {
  if (!range) return true
  const times = test.unit === 'V' && range[1] > 6 ? systemV / 12 : 1
  return value >= range[0] * times - 1e-9 && value <= range[1] * times + 1e-9
}

/** A candidate's range as it is told for this machine. */
export const expected = (test: MeterTest, identity: WireIdentity, systemV: 12 | 24): Range | null => {
  const range = test.expects[identity]
  if (!range) return null
  const times = test.unit === 'V' && range[1] > 6 ? systemV / 12 : 1
  return [range[0] * times, range[1] * times]
}

export interface WireFound {
  readonly id: string
  readonly candidates: readonly WireIdentity[]
  readonly known: WireIdentity | null
  /** no candidate shows all that was read */ readonly contradiction: boolean
  readonly mayCarryA: number | null
}

/**
 * What each wire can still be after the readings so far.
 * @returns per wire its candidates, and once only one is left what it may be loaded with: the least of 0.75 of its fuse
 *   and 0.8 of what its size carries at 60 °C
 * @see engineering §1.3, §1.4
 */
export function identifyWires(
  wires: readonly KnownWire[],
  readings: readonly WireReading[],
  systemV: 12 | 24,
): WireFound[] {
  return wires.map(({ id, size, fuseA }) => {
    const own = readings.filter((r) => r.wire === id)
    const candidates = identities.filter((identity) =>
      own.every((r) => {
        const test = wireTests.find((t) => t.id === r.test)
        return !test || fits(test.expects[identity], shown(r.value), test, systemV)
      }),
    )
    const known = candidates.length === 1 ? candidates[0]! : null
    const bySize = size ? CONDUCTOR_DERATING * allowedAmps(size, { insulationC: 105, ambientC: 60, bundled: 2 }) : null
    const byFuse = fuseA === null ? null : 0.75 * fuseA
    const loadable = known !== null && ['ground', 'permanent', 'switched', 'fan', 'fanLow'].includes(known)
    const limits = [...(bySize === null ? [] : [bySize]), ...(byFuse === null || known === 'ground' ? [] : [byFuse])]
    const most = limits.length ? Math.min(...limits) : null
    const mayCarryA = known !== null && !loadable ? 0 : most
    return {
      id,
      candidates,
      known,
      contradiction: candidates.length === 0,
      mayCarryA: known === null ? null : mayCarryA,
    }
  })
}

/** How good a wire is to take a fan's or its control's current from, the best first. */
const worthAs: Readonly<Partial<Record<WireIdentity, readonly [worth: number, why: string]>>> = {
  fan: [3, say`the maker laid it for a fan, fused and switched`],
  switched: [2, say`live with the key only; it is shared with what hangs there already`],
  permanent: [1, say`live for ever: a relay or the key must come between, and a fuse of its own`],
  fanLow: [0, say`its resistor takes volts from the fan`],
}

export interface RankedSource {
  readonly id: string
  readonly identity: WireIdentity
  readonly mayCarryA: number | null
  readonly why: string
}

/**
 * Wires that a fan or its control may be fed from, the best first, and those that must be left alone with the reason.
 * A wire that may still be the engine's own feed is left alone.
 */
export function rankSources(found: readonly WireFound[]): {
  readonly take: readonly RankedSource[]
  readonly leave: readonly { readonly id: string; readonly why: string }[]
} {
  const take = found
    .flatMap((f) => {
      const worth = f.known && worthAs[f.known]
      return f.known && worth
        ? [{ id: f.id, identity: f.known, mayCarryA: f.mayCarryA, why: worth[1], worth: worth[0] }]
        : []
    })
    .sort((a, b) => b.worth - a.worth || (b.mayCarryA ?? 0) - (a.mayCarryA ?? 0))
  const leave = found.flatMap((f) => {
    const { known } = f
    if (known !== null)
      return worthAs[known] || known === 'ground' ? [] : [{ id: f.id, why: wireIdentities[known].tell }]
    return f.candidates.includes('engine') ? [{ id: f.id, why: say`it may be the engine’s own feed still` }] : []
  })
  return { take: take.map(({ id, identity, mayCarryA, why }) => ({ id, identity, mayCarryA, why })), leave }
}

/** The next test in the safest order that still tells some wire's candidates apart; null when there is none. */
export function nextWireTest(
  wires: readonly KnownWire[],
  readings: readonly WireReading[],
  systemV: 12 | 24,
): { readonly test: MeterTest; readonly wire: string } | null {
  const found = identifyWires(wires, readings, systemV)
  for (const test of wireTests) {
    for (const { id, candidates } of found) {
      if (candidates.length < 2 || readings.some((r) => r.test === test.id && r.wire === id)) continue
      // a big lamp is for what is known to be a fan's feed
      if (test.id === 'heavy' && candidates.some((c) => c !== 'fan' && c !== 'fanLow')) continue
      // the lamp loads the wire: never one that may be a sensor
      if (
        test.id === 'lamp' &&
        candidates.includes('sensor') &&
        readings.some((r) => r.test === 'on' && r.wire === id && shown(r.value) < 6 && shown(r.value) > 0.3)
      )
        continue
      const ranges = new Set(candidates.map((c) => JSON.stringify(test.expects[c] ?? null)))
      if (ranges.size > 1) return { test, wire: id }
    }
  }
  return null
}
