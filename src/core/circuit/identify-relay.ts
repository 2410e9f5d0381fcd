import { shown } from './identify'
import type { MeterRange } from './wire-tests'
import { say } from '../words'

export const pinRoles = ['30', '87', '87a', '85', '86'] as const
export type PinRole = (typeof pinRoles)[number]
export interface PinReading {
  readonly test: string
  readonly wire: string
  readonly to: string | null
  readonly value: number | null
}
type Assignment = Readonly<Record<string, PinRole>>

export const relayTests = [
  {
    id: 'rest',
    title: say`Ohms between two pins, relay on the bench`,
    how: say`Relay out of its base. Meter on ohms between the two pins, then the other way round if a diode may be
        inside.`,
    unit: 'ohm' as const,
  },
  {
    id: 'pulled',
    title: say`Ohms between two pins, coil fed`,
    how: say`Battery of the right voltage through a 3 A fuse on the two coil pins: it clicks. Meter on ohms between the
        two pins.`,
    unit: 'ohm' as const,
  },
] as const

const COIL: MeterRange = [25, 600]
const CLOSED: MeterRange = [0, 1.5]
const OPEN: MeterRange = [2000, Infinity]
const pairOf = (a: PinRole, b: PinRole): string => [a, b].sort().join(' ')

/** What a meter shows between two pins of a relay. */
export function pinExpects(test: string, a: PinRole, b: PinRole): MeterRange {
  const pair = pairOf(a, b)
  if (pair === pairOf('85', '86')) return COIL
  if (pair === pairOf('30', '87a')) return test === 'rest' ? CLOSED : OPEN
  if (pair === pairOf('30', '87')) return test === 'rest' ? OPEN : CLOSED
  return OPEN
}

function permutations<T>(list: readonly T[]): T[][] {
  return list.length < 2
    ? [[...list]]
    : list.flatMap((x, i) => permutations([...list.slice(0, i), ...list.slice(i + 1)]).map((rest) => [x, ...rest]))
}

export interface RelayFound {
  /** every way in which the pins can still be named */
  readonly ways: readonly Assignment[]
  /** per pin the roles that it can still have */
  readonly roles: Readonly<Record<string, readonly PinRole[]>>
  readonly contradiction: boolean
  /** what is left does not matter: contact and coil can be used either way round */
  readonly settled: boolean
}

/** Which pin of a four- or five-pin relay is which. @param pins ids of its pins, four or five */
export function identifyRelay(pins: readonly string[], readings: readonly PinReading[]): RelayFound {
  const roles = pins.length === 5 ? pinRoles : (['30', '87', '85', '86'] as const)
  const ways = permutations<PinRole>(roles)
    .map((p): Assignment => Object.fromEntries(pins.map((pin, i) => [pin, p[i]!])))
    .filter((way) =>
      readings.every((r) => {
        if (r.to === null || way[r.wire] === undefined || way[r.to] === undefined) return true
        const [low, high] = pinExpects(r.test, way[r.wire]!, way[r.to]!)
        return shown(r.value) >= low && shown(r.value) <= high
      }),
    )
  // 85 and 86, and with no 87a also 30 and 87, may be taken either way round
  const alike = (role: PinRole): string => {
    if (role === '85' || role === '86') return 'coil'
    return role === '87' && roles.length === 4 ? '30' : role
  }
  const settled = ways.length > 0 && pins.every((pin) => new Set(ways.map((w) => alike(w[pin]!))).size === 1)
  return {
    ways,
    roles: Object.fromEntries(pins.map((pin) => [pin, roles.filter((role) => ways.some((w) => w[pin] === role))])),
    contradiction: ways.length === 0,
    settled,
  }
}

/** The next pair of pins to measure: the one that parts what is left most evenly, with the relay at rest first. */
export function nextPinTest(
  pins: readonly string[],
  readings: readonly PinReading[],
): { readonly test: (typeof relayTests)[number]; readonly wire: string; readonly to: string } | null {
  const { ways, settled } = identifyRelay(pins, readings)
  if (settled || ways.length < 2) return null
  const coilKnown = pins.filter((p) => ways.every((w) => w[p] === '85' || w[p] === '86')).length === 2
  for (const test of relayTests) {
    if (test.id === 'pulled' && !coilKnown) continue
    let best: { wire: string; to: string; most: number } | null = null
    for (const [i, wire] of pins.entries()) {
      for (const to of pins.slice(i + 1)) {
        if (
          readings.some(
            (r) => r.test === test.id && ((r.wire === wire && r.to === to) || (r.wire === to && r.to === wire)),
          )
        )
          continue
        const groups = new Map<string, number>()
        for (const w of ways) {
          const key = JSON.stringify(pinExpects(test.id, w[wire]!, w[to]!))
          groups.set(key, (groups.get(key) ?? 0) + 1)
        }
        const most = Math.max(...groups.values())
        if (groups.size > 1 && (best === null || most < best.most)) best = { wire, to, most }
      }
    }
    if (best) return { test, wire: best.wire, to: best.to }
  }
  return null
}
