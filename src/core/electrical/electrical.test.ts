import fc from 'fast-check'
import {
  allowedCurrent,
  blowing,
  chargeFromPoints,
  chargeFromRating,
  chargeFromTow,
  chooseFuse,
  compareSizes,
  chooseConductor,
  conductor,
  conductorTemperature,
  crankingVoltage,
  fuseGate,
  fuseMiddle,
  leadError,
  resistancePerMetre,
  restVoltage,
  runningFan,
  solidResistance,
  standingTime,
  startWear,
  timeToFloor,
  voltageDrop,
  type FanRating,
} from '.'

test('copper at 20 °C, published, milliohm a metre', () => {
  expect(solidResistance('18 AWG') * 1000).toBeCloseTo(20.95, 1)
  expect(solidResistance('14 AWG') * 1000).toBeCloseTo(8.28, 1)
  expect(solidResistance('10 AWG') * 1000).toBeCloseTo(3.28, 1)
  expect(resistancePerMetre('2.5 mm²', 20) * 1000).toBeCloseTo(7.6)
})

test(
  'ampacity falls by the engine-space factor of small-craft tables, and to nothing at the ' + "insulation's rating",
  () => {
    const at = (ambientC: number) => allowedCurrent('14 AWG', { insulationC: 105, ambientC, bundled: 2 }).value
    expect(at(30)).toBeCloseTo(35)
    expect(at(50) / at(30)).toBeCloseTo(0.85, 1)
    expect(at(105)).toBe(0)
    expect(allowedCurrent('14 AWG', { insulationC: 105, ambientC: 30, bundled: 3 }).value).toBeCloseTo(24.5)
    expect(conductorTemperature(35, 35, { insulationC: 105, ambientC: 30, bundled: 2 })).toBeCloseTo(105)
  },
)

test('6 A through 4 m of 16 AWG loses a third of a volt; its working ends in the same number', () => {
  const drop = voltageDrop(6, [conductor('16 AWG', 4)])
  expect(drop.value).toBeGreaterThan(0.32)
  expect(drop.value).toBeLessThan(0.35)
  expect(drop.lines.at(-1)!.value).toBe(drop.value)
  expect(() => voltageDrop(6, [conductor('16 AWG', -1)])).toThrow(RangeError)
})

test('gate of a blade fuse, as published, and straight in log over log between', () => {
  expect(fuseGate(1.35)).toEqual({ shortestS: expect.closeTo(0.75) as number, longestS: expect.closeTo(600) as number })
  expect(fuseGate(2).longestS).toBeCloseTo(5)
  expect(fuseGate(6).shortestS).toBeCloseTo(0.02)
  expect(fuseGate(1.05).shortestS).toBe(Infinity)
  expect(fuseGate(9).longestS).toBeCloseTo(0.1)
  // halfway in log between 2 and 3.5 the time is the geometric mean of 5 s and 0.5 s
  expect(fuseGate(Math.sqrt(2 * 3.5)).longestS).toBeCloseTo(Math.sqrt(5 * 0.5))
  expect(fuseMiddle(2)).toBeCloseTo(Math.sqrt(0.15 * 5))
})

test('8 A fan, 32 A locked: 10 A wears out, 15 A is chosen', () => {
  const start = { runningA: 8, startingA: 32, timeConstantS: 0.25 }
  expect(startWear(start, 10, 'middle')).toBeCloseTo(0.53, 1)
  expect(startWear(start, 10, 'fast')).toBeCloseTo(2.8, 1)
  expect(startWear(start, 15, 'middle')).toBeCloseTo(0.09, 2)
  expect(startWear(start, 15, 'fast')).toBeCloseTo(0.74, 2)
  const chosen = chooseFuse({ ...start, jammedA: 32, ambientC: 25, leastAllowedA: 35 })!
  expect(chosen.ratingA).toBe(15)
  expect(chosen.jammedLongestS).toBeCloseTo(3.8, 1)
  expect(chooseFuse({ ...start, jammedA: 32, ambientC: 25, leastAllowedA: 9 })).toBeNull()
})

test('wear agrees with a plain fine sum of dt over time', () => {
  const start = { runningA: 3, startingA: 15, timeConstantS: 0.15 }
  let sum = 0
  const dt = 1e-5
  for (let t = dt / 2; t < 2; t += dt) sum += dt / fuseMiddle((3 + 12 * Math.exp(-t / 0.15)) / 5)
  expect(startWear(start, 5, 'middle')).toBeCloseTo(sum, 3)
})

const fan: FanRating = { motor: 'brushed', ratedV: 12, ratedA: 8, lockedA: 32, diameterM: 0.2 }

test('a fan runs as rated at its rating, stands under its idle current, and solves its own equations anywhere', () => {
  expect(runningFan(fan, 12)).toEqual({ currentA: expect.closeTo(8) as number, speed: expect.closeTo(1) as number })
  expect(runningFan(fan, 0.25).speed).toBe(0)
  expect(runningFan(fan, -12).speed).toBeCloseTo(-1)
  fc.assert(
    fc.property(
      fc.double({ min: 1, max: 16, noNaN: true }),
      fc.double({ min: 0, max: 2, noNaN: true }),
      (volts, ohm) => {
        const { currentA, speed } = runningFan(fan, volts, ohm)
        const r = 12 / 32
        const k = 12 - 8 * r
        if (speed > 0) expect(currentA * (r + ohm) + k * speed).toBeCloseTo(volts, 6)
      },
    ),
  )
})

test('swapped wires and a turned blade', () => {
  expect(blowing(true, false, 'brushed')).toEqual({ air: 'reversed', effectiveness: 0.6 })
  expect(blowing(true, true, 'brushed')).toEqual({ air: 'reversed', effectiveness: 1 })
  expect(blowing(false, true, 'brushed')).toEqual({ air: 'as marked', effectiveness: 0.6 })
  expect(blowing(true, false, 'brushless')).toBeNull()
})

test('charging passes through its rating and through measured points', () => {
  expect(chargeFromRating(5500, 14, 5500, 1700).value).toBeCloseTo(14)
  // rpm0 850, a third of the way 1550: 14 · (1 − e^(−850/1550)) / (1 − e^−3) = 6.22
  expect(chargeFromRating(1700, 14, 5500, 1700).value).toBeCloseTo(6.22, 2)
  const points = [
    { rpm: 3000, currentA: 12 },
    { rpm: 1500, currentA: 6 },
  ]
  expect([750, 1500, 2250, 9000].map((rpm) => chargeFromPoints(rpm, points).value)).toEqual([3, 6, 9, 12])
})

test('battery by hand: 7 Ah absorbed-glass at 0 °C, charged to 0.9', () => {
  const battery = {
    kind: 'agm' as const,
    systemV: 12 as const,
    capacityAh: 7,
    hourRateH: 10 as const,
    charge: 0.9,
    temperatureC: 0,
  }
  // 7 · 0.3 · 0.8 = 1.68 Ah; at 3 A Peukert (0.7/3)^0.1 = 0.8646: 0.4842 h
  expect(timeToFloor(battery, 3).value / 60).toBeCloseTo(29.05, 1)
  // 2 mA and 7 · 0.03/720 = 0.2917 mA: 1.68 / 0.0022917 = 733 h
  expect(standingTime(battery, 0.002).value / 86_400).toBeCloseTo(30.5, 1)
  // rest 12.77 V; 5.4/110 · e^−0.36 = 0.03425 ohm; 58 A take 1.986 V
  expect(crankingVoltage(battery, 110, 55, 3).value).toBeCloseTo(10.78, 2)
  expect(restVoltage('agm', 0.9, 24)).toBeCloseTo(25.54, 2)
  expect(crankingVoltage({ ...battery, systemV: 24 }, 110, 55, 3).value).toBeCloseTo(21.57, 2)
})

test('a longer probe lead reads colder, by less than a tenth of a kelvin', () => {
  const error = leadError(90, 0.4)
  expect(error).toBeLessThan(0)
  expect(error).toBeGreaterThan(-0.1)
})

test('when every size that meets the rest is too thick for the terminal, a joint and a tail', () => {
  // 9 A · 4 m: 1.5 mm² loses 0.46 V, 2.5 mm² 0.27 V
  const needs = { runA: 9, fuseA: 20, dropLimitV: 0.36, otherWiresOhm: 0, leastAreaM2: 0.75e-6, terminalAreaM2: 1e-6 }
  const choice = chooseConductor(compareSizes([conductor('1 mm²', 2), conductor('1 mm²', 2)], needs, 'metric'))
  expect(choice).toEqual({ kind: 'joint and tail', size: '2.5 mm²', tail: '1 mm²' })
})

test("a tow vehicle brings what the pin may carry, and no more than leaves the trailer's battery at rest", () => {
  // (14.2 − 12.8) V over 0.1 ohm
  expect(chargeFromTow(20, 14.2, 12.8, 0.1).value).toBeCloseTo(14)
  expect(chargeFromTow(10, 14.2, 12.8, 0.1).value).toBe(10)
  expect(chargeFromTow(10, 12.5, 12.8, 0.1).value).toBe(0)
  fc.assert(
    fc.property(
      fc.double({ min: 0.01, max: 2, noNaN: true }),
      fc.double({ min: 0.01, max: 2, noNaN: true }),
      (ohm, more) => {
        expect(chargeFromTow(15, 14.2, 12.8, ohm + more).value).toBeLessThanOrEqual(
          chargeFromTow(15, 14.2, 12.8, ohm).value,
        )
      },
    ),
  )
})
