import fc from 'fast-check'
import { air, bay, coolant, probe } from '../units'
import {
  bandRule,
  bayAt,
  bayLimitRule,
  bayStopsRule,
  boilRule,
  calls,
  coolantAt,
  controllerRule,
  onOffPoints,
  proposeBaySetting,
  proposeSetting,
  readingOf,
  secondFanRule,
  shareSeen,
  stopsRule,
  warmUpRule,
} from '.'

const range = { minC: 30, maxC: 115, stepK: 1, bandMinK: 2, bandMaxK: 15 }

test('each kind keeps its band its own way', () => {
  const setting = { setC: 90, bandK: 5 }
  expect(onOffPoints('below', setting)).toEqual({ on: probe(90), off: probe(85) })
  expect(onOffPoints('above', setting)).toEqual({ on: probe(95), off: probe(90) })
  expect(onOffPoints('ramp', setting)).toEqual({ on: probe(90), off: probe(85) })
  expect(onOffPoints('fixed', setting, { closesC: 92, opensC: 87 })).toEqual({ on: probe(92), off: probe(87) })
  expect(onOffPoints('hand', setting)).toBeNull()
})

test('on at the on point, off at the off point, as before between', () => {
  const points = { on: probe(90), off: probe(85) }
  expect([90, 87, 85].map((c) => calls(probe(c), points, true))).toEqual([true, true, false])
  expect(calls(probe(87), points, false)).toBe(false)
})

test('a probe at 80 while the gauge shows 90 in air of 20 sees 0.857, ± what the three may be off by', () => {
  // 60/70; √(1² + (0.857 · 4)² + (0.143 · 1.5)²) / 70
  const found = shareSeen(probe(80), coolant(90), air(20))
  expect(found).toEqual({ ok: true, value: expect.closeTo(0.8571, 4), spread: expect.closeTo(3.578 / 70, 4) })
  expect(shareSeen(probe(38), coolant(40), air(20))).toMatchObject({ ok: false })
  expect(shareSeen(probe(95), coolant(80), air(20))).toMatchObject({ ok: false })
})

test('probe and coolant turn into each other and back, whatever the surroundings', () => {
  expect(readingOf(coolant(90), air(32), 0.9)).toEqual(probe(84.2))
  fc.assert(
    fc.property(
      fc.integer({ min: 20, max: 130 }),
      fc.integer({ min: -30, max: 50 }),
      fc.double({ min: 0.3, max: 1, noNaN: true }),
      (c, a, kappa) => {
        expect(coolantAt(readingOf(coolant(c), air(a), kappa), air(a), kappa).c).toBeCloseTo(c, 6)
      },
    ),
  )
})

test('the rules by hand: on 87, off 82, thermostat opens at 78, probe sees 0.9', () => {
  const points = { on: probe(87), off: probe(82) }
  expect(bandRule(points).value).toBeCloseTo(3)
  // 32 + 0.9 · 46 = 73.4; 82 − 73.4 − 2
  expect(stopsRule(points, coolant(78), air(32), 0.9).value).toBeCloseTo(6.6)
  // 32 + 0.9 · 49 = 76.1; 87 − 76.1
  expect(warmUpRule(points, coolant(78), air(32), 0.9).value).toBeCloseTo(10.9)
  // 0 + 87/0.9 = 96.667; 129 − 10 − (96.667 + 9.5625 + 6)
  expect(
    boilRule({
      points,
      surroundings: air(0),
      kappa: 0.9,
      outletDropK: 9.5625,
      overshootK: 6,
      boils: coolant(129),
      keepFreeK: 10,
    }).value,
  ).toBeCloseTo(6.771, 2)
  const second = secondFanRule(points, { on: probe(92), off: probe(81) })
  expect([second.on.value, second.off.value]).toEqual([1, -1])
})

test('a controller is held to its range, its step and its band', () => {
  expect(controllerRule(87, 5, range).value).toBe(28)
  expect(controllerRule(87.5, 5, range).value).toBeCloseTo(-0.5)
  expect(controllerRule(120, 5, range).value).toBe(-5)
  expect(controllerRule(87, 20, range).value).toBe(-5)
})

test('the proposed setting: 2 K over what the probe shows at full opening on the hottest day, up to a step', () => {
  // 32 + 0.9 · (90 − 32) + 2 = 86.2
  const needs = { opens: coolant(78), hottest: air(32), kappa: 0.9, bandK: 5, range }
  expect(proposeSetting({ ...needs, kind: 'below' })).toEqual({ setC: 87, bandK: 5 })
  expect(proposeSetting({ ...needs, kind: 'above' })).toEqual({ setC: 82, bandK: 5 })
  // a band of 15 would bring off to 72, under 73.4 + 2: raised
  expect(proposeSetting({ ...needs, kind: 'below', bandK: 15 }).setC).toBe(91)
})

describe('in a bay, where there is no engine thermostat', () => {
  test('by hand: allowed 85 °C, probe on the panel with κ 0.8 and 10 K of overshoot, 0 °C outside', () => {
    const points = { on: probe(60), off: probe(55) }
    // 0 + 0.8 · 85 − 0.8 · 10 − 60
    expect(bayLimitRule(points, bay(85), air(0), 0.8, 10).value).toBeCloseTo(0)
    expect(bayStopsRule(points, air(32)).value).toBeCloseTo(21)
    expect(bayAt(probe(60), air(0), 0.8).c).toBeCloseTo(75)
  })
  test('a proposed setting starts in time and can stop, wherever there is room for its band', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 50, max: 110, noNaN: true }),
        fc.integer({ min: -10, max: 35 }),
        fc.constantFrom('below' as const, 'above' as const),
        (allowedAtProbeC, hottestC, kind) => {
          const { setC, bandK } = proposeBaySetting({ allowedAtProbeC, hottest: air(hottestC), bandK: 5, kind, range })
          const { on, off } = onOffPoints(kind, { setC, bandK })!
          expect(on.c).toBeLessThanOrEqual(allowedAtProbeC + 1e-9)
          expect(controllerRule(setC, bandK, range).value).toBeGreaterThanOrEqual(0)
          if (allowedAtProbeC - hottestC >= 10)
            expect(bayStopsRule({ on, off }, air(hottestC)).value).toBeGreaterThanOrEqual(0)
        },
      ),
    )
  })
})
