import { CONDUCTOR_DERATING, allowedAmps } from '../electrical'
import type { WireSize } from '../units'
import { say } from '../words'
import { type MeterRange, type MeterTest, wireIdentities, type WireIdentity, wireTests } from './wire-tests'

const identities = Object.keys(wireIdentities) as WireIdentity[]

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
const fits = (range: MeterRange | undefined, value: number, test: MeterTest, systemV: 12 | 24): boolean => {
  if (!range) return true
  const times = test.unit === 'V' && range[1] > 6 ? systemV / 12 : 1
  return value >= range[0] * times - 1e-9 && value <= range[1] * times + 1e-9
}

/** A candidate's range as it is told for this machine. */
export const expected = (test: MeterTest, identity: WireIdentity, systemV: 12 | 24): MeterRange | null => {
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
