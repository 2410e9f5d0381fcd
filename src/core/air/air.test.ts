import {
  airDensity,
  airPressure,
  boilingAt,
  coolantBoils,
  heatToCarry,
  outletDrop,
  waterMoleFraction,
  waterVapourPressure,
} from '.'

test('water boils where the tables say', () => {
  expect(boilingAt('water', 0, 70_100).c).toBeCloseTo(90, 0)
  expect(boilingAt('water', 0, 101_325).c).toBeCloseTo(100, 1)
  expect(boilingAt('water', 0, 198_500).c).toBeCloseTo(120, 0)
  expect(() => boilingAt('water', 0, 0)).toThrow(RangeError)
})

test('the two pieces of the vapour pressure meet', () => {
  expect(waterVapourPressure(108.2699) / waterVapourPressure(108.2701)).toBeCloseTo(1, 3)
})

test('half ethylene glycol: 108 °C open at sea level, 130 °C under a 1.03 bar cap, lower at height', () => {
  expect(coolantBoils('ethylene-glycol', 0.5, 0, 0).value).toBeCloseTo(108, 0)
  expect(Math.abs(coolantBoils('ethylene-glycol', 0.5, 0, 1.03e5).value - 130)).toBeLessThan(1)
  expect(coolantBoils('ethylene-glycol', 0.5, 1150, 1.1e5).value).toBeLessThan(
    coolantBoils('ethylene-glycol', 0.5, 0, 1.1e5).value,
  )
  // by hand: 0.5 · 0.998/18.02 against 0.5 · 1.113/62.07
  expect(waterMoleFraction('ethylene-glycol', 0.5)).toBeCloseTo(0.02769 / (0.02769 + 0.008966), 3)
})

test('standard atmosphere', () => {
  expect(airPressure(1000)).toBeCloseTo(89_875, -2)
})

test('a 26 kW engine on a climb: heat, and the outlet colder by 8 K · 0.45 · 8500/3200', () => {
  const heat = heatToCarry(0.9, 0.45, 26_000).value
  expect(heat).toBeCloseTo(10_530)
  expect(outletDrop(heat, 0.9 * 26_000, 3200, 8500).value).toBeCloseTo(9.5625)
})

test('air is thinner high up and in the heat: 1.225 kg/m³ at sea level and 15 °C, 1.112 at 1000 m and 8.5 °C', () => {
  expect(airDensity(0, 15)).toBeCloseTo(1.225, 3)
  expect(airDensity(1000, 8.5)).toBeCloseTo(1.112, 2)
})
