import fc from 'fast-check'
import {
  allowedCurrent,
  ampacityAt30,
  bladeFuseOhm,
  breakevenRpm,
  bundleFactor,
  checkFuse,
  chooseConductor,
  chooseFuse,
  compareSizes,
  conductor,
  contactCarries,
  contactMakes,
  CUT_OUT_SHARE,
  type FanRating,
  formFor,
  fuseCarries,
  fuseFormNames,
  fuseForms,
  fuseRatings,
  jammedCurrent,
  largestShare,
  motorCurve,
  netCharge,
  runningFan,
  startTimeConstant,
  thermistorCelsius,
  thermistorOhm,
} from '.'

const double = (min: number, max: number) => fc.double({ min, max, noNaN: true })
const fan = fc
  .record({
    motor: fc.constantFrom('brushed', 'brushless'),
    ratedV: fc.constantFrom(12, 13.5, 24),
    ratedA: double(0.5, 20),
    lockedA: fc.option(double(1.2, 6)),
    diameterM: double(0.08, 0.4),
  })
  .map((f): FanRating => ({ ...f, lockedA: f.lockedA === null ? null : f.lockedA * f.ratedA }))

describe('a fan, told by its steady state and by its curve', () => {
  test('both are the same fan: at its terminals, either way round, above and below where it starts', () => {
    fc.assert(
      fc.property(fan, double(-30, 30), (rating, volts) => {
        const [steady, curve] = [runningFan(rating, volts), motorCurve(rating, volts)]
        expect(steady.currentA).toBeCloseTo(curve.currentA, 9)
        expect(steady.speed).toBeCloseTo(curve.speed, 9)
      }),
      { seed: 4, numRuns: 500 },
    )
  })

  test('behind a resistance its current is that of its curve at what is left for it', () => {
    fc.assert(
      fc.property(fan, double(0, 30), double(0, 0.5), (rating, volts, ohm) => {
        const { currentA, speed } = runningFan(rating, volts, ohm)
        const curve = motorCurve(rating, volts - ohm * currentA)
        // a brushless one that is kept from its volts takes nothing, and then has them: it starts and drops out
        if (rating.motor === 'brushless' && currentA === 0) return
        expect(curve.currentA).toBeCloseTo(currentA, 6)
        expect(curve.speed).toBeCloseTo(speed, 6)
      }),
      { seed: 4, numRuns: 500 },
    )
  })

  test('its slope is what its current rises by, and more volts never make it slower', () => {
    fc.assert(
      fc.property(fan, double(0.2, 28), (rating, volts) => {
        const [at, more] = [motorCurve(rating, volts), motorCurve(rating, volts + 1e-6)]
        const edge = rating.motor === 'brushless' && Math.abs(volts - CUT_OUT_SHARE * rating.ratedV) < 1e-5
        if (!edge && at.speed > 0) expect((more.currentA - at.currentA) / 1e-6).toBeCloseTo(at.slope, 2)
        expect(more.speed).toBeGreaterThanOrEqual(at.speed)
      }),
      { seed: 4, numRuns: 300 },
    )
  })

  test('held fast it takes its locked current, four times the rated where nobody says, 1.2 times without brushes', () => {
    const rating: FanRating = { motor: 'brushed', ratedV: 12, ratedA: 6, lockedA: null, diameterM: 0.2 }
    expect(jammedCurrent(rating, 12)).toBeCloseTo(24)
    expect(jammedCurrent({ ...rating, lockedA: 30 }, 12, 0.1)).toBeCloseTo(12 / (0.4 + 0.1))
    expect(jammedCurrent({ ...rating, motor: 'brushless' }, 12)).toBeCloseTo(7.2)
    expect([0.15, 0.16, 0.3, 0.31].map(startTimeConstant)).toEqual([0.15, 0.25, 0.25, 0.35])
  })
})

test('cold resistance of blade fuses, milliohm as data sheets have it, within 5 %', () => {
  for (const [rating, milliohm] of [
    [3, 31.1],
    [5, 17.85],
    [7.5, 10.9],
    [10, 7.7],
    [15, 4.8],
    [20, 3.38],
    [25, 2.52],
    [30, 1.97],
  ] as const)
    expect([rating, Math.abs((1000 * bladeFuseOhm(rating)) / milliohm - 1) < 0.05]).toEqual([rating, true])
})

test('what wire carries at 30 °C, by small-craft practice and ISO 10133, and a bundle of it', () => {
  const practice = { '18 AWG': 20, '16 AWG': 25, '14 AWG': 35, '12 AWG': 45, '10 AWG': 60, '8 AWG': 80 } as const
  const iso = { '0.75 mm²': 16, '1 mm²': 20, '1.5 mm²': 25, '2.5 mm²': 35, '4 mm²': 45, '6 mm²': 60 } as const
  for (const [size, amps] of Object.entries({ ...practice, ...iso }))
    expect([size, ampacityAt30(size as keyof typeof iso)]).toEqual([size, amps])
  expect([1, 2, 3, 4, 6, 7, 24, 25].map(bundleFactor)).toEqual([1, 1, 0.7, 0.6, 0.6, 0.5, 0.5, 0.4])
  fc.assert(
    fc.property(double(-20, 120), double(0, 40), fc.integer({ min: 1, max: 30 }), (ambientC, hotter, bundled) => {
      const at = (c: number, n: number) =>
        allowedCurrent('2.5 mm²', { insulationC: 105, ambientC: c, bundled: n }).value
      expect(at(ambientC + hotter, bundled)).toBeLessThanOrEqual(at(ambientC, bundled))
      expect(at(ambientC, bundled + 1)).toBeLessThanOrEqual(at(ambientC, bundled))
    }),
    { seed: 4 },
  )
})

test('a contact by hand: 0.8 of a motor rating, half of a resistive one, closes on three times of it', () => {
  const resistive = { ratedA: 30, rating: 'resistive', makeA: null } as const
  expect([contactCarries(resistive).value, contactMakes(resistive).value]).toEqual([12, 45])
  const motor = { ratedA: 20, rating: 'motor', makeA: 70 } as const
  expect([contactCarries(motor).value, contactMakes(motor).value]).toEqual([16, 70])
})

test('a fuse is made in the form that it is told in, and keeps its form where that has it', () => {
  const made = (form: keyof typeof fuseForms): readonly number[] => fuseForms[form].ratings
  for (const form of fuseFormNames)
    for (const rating of fuseRatings) {
      const told = formFor(rating, form)
      expect([form, rating, made(told).includes(rating)]).toEqual([form, rating, true])
      if (made(form).includes(rating)) expect(told).toBe(form)
    }
  // 0.15 % less for each kelvin above 25 °C
  expect(fuseCarries(10, 65).value).toBeCloseTo(7.5 * 0.94)
})

describe('what is chosen is the least that will do', () => {
  test('a fuse: it carries, survives and guards, and no smaller one does without a warning', () => {
    const needs = fc.record({
      runningA: double(0.5, 30),
      times: double(1.5, 6),
      timeConstantS: fc.constantFrom(0.15, 0.25, 0.35),
      ambientC: double(-10, 90),
      leastAllowedA: double(5, 90),
    })
    fc.assert(
      fc.property(needs, ({ times, ...n }) => {
        const asked = { ...n, startingA: times * n.runningA, jammedA: times * n.runningA }
        const able = fuseRatings.map((r) => checkFuse(r, asked)).filter((c) => c.carries && c.survives && c.guards)
        const chosen = chooseFuse(asked)
        expect(chosen === null).toBe(able.length === 0)
        if (!chosen) return
        expect(able.map((c) => c.ratingA)).toContain(chosen.ratingA)
        const quiet = (c: typeof chosen) => c.fastEdge && c.opensJammed
        for (const c of able.filter((o) => o.ratingA < chosen.ratingA)) expect(quiet(c)).toBe(false)
      }),
      { seed: 4, numRuns: 200 },
    )
  })

  test('a wire: every thinner one is too thin, and a thicker one never loses more', () => {
    fc.assert(
      fc.property(
        double(0.5, 30),
        double(0.3, 6),
        fc.option(fc.constantFrom(5, 10, 20)),
        fc.constantFrom('metric', 'imperial'),
        (runA, lengthM, fuseA, system) => {
          const needs = {
            runA,
            fuseA,
            dropLimitV: 0.36,
            otherWiresOhm: 0.002,
            leastAreaM2: 0.75e-6,
            terminalAreaM2: 6e-6,
          }
          const checks = compareSizes([conductor('1 mm²', lengthM), conductor('1 mm²', lengthM)], needs, system)
          checks.slice(1).forEach((c, i) => {
            expect(c.dropV).toBeLessThan(checks[i]!.dropV)
            expect(c.allowedA).toBeGreaterThanOrEqual(checks[i]!.allowedA)
          })
          const choice = chooseConductor(checks)
          if (choice.kind !== 'size') return expect(checks.every((c) => c.verdict !== 'will do')).toBe(true)
          const at = checks.findIndex((c) => c.size === choice.size)
          expect(checks[at]!.verdict).toBe('will do')
          expect(checks.slice(0, at).every((c) => c.verdict === 'too thin')).toBe(true)
        },
      ),
      { seed: 4, numRuns: 150 },
    )
  })
})

test('what is left over, the share of the time that comes to nothing, and the speed from which there is enough', () => {
  fc.assert(
    fc.property(double(0, 30), double(0, 15), double(0.1, 20), double(0, 0.5), (charge, loads, amps, own) => {
      const share = largestShare(charge, loads, amps, own)
      const left = (of: number) => netCharge(charge, loads, amps, of, own).value
      if (share > 0 && share < 1) expect(left(share)).toBeCloseTo(0, 9)
      if (share === 1) expect(left(1)).toBeGreaterThanOrEqual(-1e-9)
      if (share === 0) expect(left(0)).toBeLessThanOrEqual(1e-9)
      // 5 A for each 1000 rpm
      const rpm = breakevenRpm((n) => n / 200, loads + amps, 9000)
      if (rpm === null) expect(9000 / 200).toBeLessThan(loads + amps)
      else expect(Math.abs(rpm - 200 * (loads + amps))).toBeLessThanOrEqual(0.5)
    }),
    { seed: 4 },
  )
})

test('a thermistor back and forth: 10 kohm at 25 °C, and by hand e^(3950 (1/373.15 − 1/298.15)) of it at 100 °C', () => {
  expect(thermistorOhm(25)).toBeCloseTo(10_000, 6)
  expect(thermistorOhm(100)).toBeCloseTo(10_000 * Math.exp(3950 * (1 / 373.15 - 1 / 298.15)), 6)
  fc.assert(
    fc.property(double(-40, 200), (c) => expect(thermistorCelsius(thermistorOhm(c))).toBeCloseTo(c, 6)),
    { seed: 4 },
  )
})
