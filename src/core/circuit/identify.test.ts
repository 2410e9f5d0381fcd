import fc from 'fast-check'
import {
  expected,
  identifyRelay,
  identifyWires,
  nextPinTest,
  nextWireTest,
  pinExpects,
  pinRoles,
  wireIdentities,
  wireTests,
  type KnownWire,
  type PinReading,
  type PinRole,
  type WireIdentity,
  type WireReading,
} from '.'
import { often } from '../../test-support/often'

const wires = (n: number): KnownWire[] =>
  Array.from({ length: n }, (_, i) => ({ id: `w${i}`, size: '1 mm²', fuseA: 10 }))
const middle = ([low, high]: readonly [number, number]): number | null => (high === Infinity ? null : (low + high) / 2)

test('following the tests never loses what a wire really is, never loads a sensor, and comes to an end', () => {
  const identity = fc.constantFrom(...(Object.keys(wireIdentities) as WireIdentity[]))
  fc.assert(
    fc.property(
      fc.array(identity, { minLength: 2, maxLength: 5 }),
      fc.constantFrom(12 as const, 24 as const),
      (truth, systemV) => {
        const list = wires(truth.length)
        const readings: WireReading[] = []
        for (let n = 0; n <= list.length * wireTests.length; n++) {
          const next = nextWireTest(list, readings, systemV)
          if (!next) break
          const is = truth[list.findIndex((w) => w.id === next.wire)]!
          if (is === 'sensor') expect(next.test.id).not.toBe('lamp')
          const range = expected(next.test, is, systemV)
          readings.push({ test: next.test.id, wire: next.wire, value: range ? middle(range) : 1 })
          for (const [i, found] of identifyWires(list, readings, systemV).entries())
            expect(found.candidates).toContain(truth[i])
        }
        expect(nextWireTest(list, readings, systemV)).toBeNull()
        // what is alike to a meter stays unnamed rather than guessed
        for (const [i, found] of identifyWires(list, readings, systemV).entries())
          if (found.known) expect(found.known).toBe(truth[i])
      },
    ),
    { numRuns: often(50) },
  )
})

test('a usual pigtail by hand: permanent, switched, lights and ground, each with what it may be loaded with', () => {
  const list = wires(4)
  const noted = (test: string, ...values: readonly (number | null)[]): WireReading[] =>
    values.map((value, i) => ({ test, wire: `w${i}`, value }))
  const readings = [
    ...noted('off', 12.6, 0, 0, 0),
    ...noted('on', 12.4, 12.3, 0, 0),
    ...noted('lights', 12.2, 12.1, 12, 0),
    ...noted('ohms', 900, 40, 3, 0.1),
  ]
  const found = identifyWires(
    list,
    [...readings, { test: 'lamp', wire: 'w0', value: 12.2 }, { test: 'lamp', wire: 'w1', value: 12 }],
    12,
  )
  expect(found.map((f) => f.known)).toEqual(['permanent', 'switched', 'lights', 'ground'])
  // 0.75 · 10 A of fuse; lights nothing; ground 0.8 · 20 · √(45/75) = 12.4 A
  expect(found[0]!.mayCarryA).toBe(7.5)
  expect(found[2]!.mayCarryA).toBe(0)
  expect(found[3]!.mayCarryA).toBeCloseTo(0.8 * 20 * Math.sqrt(0.6), 6)
  // a voltage that nothing known shows is a contradiction, not a guess
  expect(identifyWires(list, [{ test: 'off', wire: 'w0', value: 48 }], 12)[0]).toMatchObject({
    contradiction: true,
    known: null,
  })
  expect(nextWireTest(list, [], 12)).toMatchObject({ test: { id: 'off' }, wire: 'w0' })
})

test('a relay without a diagram: any order of its pins is found, coil and contact ends as far as a meter can tell', () => {
  const order = (n: 4 | 5) =>
    fc.shuffledSubarray([...(n === 5 ? pinRoles : pinRoles.filter((r) => r !== '87a'))], {
      minLength: n,
      maxLength: n,
    })
  fc.assert(
    fc.property(fc.oneof(order(4), order(5)), (truth: PinRole[]) => {
      const pins = truth.map((_, i) => `p${i}`)
      const readings: PinReading[] = []
      for (let n = 0; n < 20; n++) {
        const next = nextPinTest(pins, readings)
        if (!next) break
        // a coil is only ever fed once both of its pins are known
        if (next.test.id === 'pulled')
          expect(
            pins.filter((p) => identifyRelay(pins, readings).roles[p]!.every((r) => r === '85' || r === '86')),
          ).toHaveLength(2)
        const range = pinExpects(next.test.id, truth[pins.indexOf(next.wire)]!, truth[pins.indexOf(next.to)]!)
        readings.push({ test: next.test.id, wire: next.wire, to: next.to, value: middle(range) })
      }
      const found = identifyRelay(pins, readings)
      expect(found.settled).toBe(true)
      for (const [i, pin] of pins.entries()) expect(found.roles[pin]).toContain(truth[i])
    }),
  )
  expect(
    identifyRelay(
      ['a', 'b', 'c', 'd'],
      [
        { test: 'rest', wire: 'a', to: 'b', value: 80 },
        { test: 'rest', wire: 'c', to: 'd', value: 80 },
      ],
    ).contradiction,
  ).toBe(true)
})
