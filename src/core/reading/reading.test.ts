import fc from 'fast-check'
import { air, coolant, kelvinAbove, probe } from '../units'
import {
  type Bench,
  corners,
  DRAWS,
  drawSample,
  endsOf,
  gravest,
  label,
  type Lookup,
  measured,
  NotingBench,
  overSamples,
  type Reading,
  retyped,
  shareShort,
  sobolIndex,
  spreadOf,
  triangularQuantile,
  typical,
  verdictOf,
  withSource,
} from '.'

const lookupIn =
  (readings: Readonly<Record<string, Reading>>): Lookup =>
  (address) => ({ reading: readings[address]!, label: address, quantity: 'current', limits: { min: -1e9, max: 1e9 } })

test("spreads by source: per cent, but kelvin for a temperature, and a seller's air-flow is doubted more", () => {
  expect([measured(10), label(10), typical(10)].map((r) => spreadOf(r, 'current'))).toEqual(
    [0.3, 1, 3].map((n) => expect.closeTo(n) as number),
  )
  expect([measured(90), label(90), typical(90)].map((r) => spreadOf(r, 'temperature'))).toEqual([1.5, 3, 6])
  // a tape along an edge, a calliper across a thin thing, a way along a frame, what is printed
  expect([0.12, 0.009, 0.003, 1.2].map((m) => spreadOf(measured(m), 'length'))).toEqual(
    [0.001, 0.00027, 0.0002, 0.024].map((m) => expect.closeTo(m, 8) as number),
  )
  expect(spreadOf(label(0.12), 'length')).toBe(0.003)
  // a regulator that is measured is surer than one that is guessed at ± 0.3 V
  expect(spreadOf(measured(14.2), 'voltage')).toBeCloseTo(0.142)
  expect(spreadOf(label(100), 'flow')).toBe(20)
  expect(spreadOf(label(10, 0.2), 'current')).toBe(0.2)
})

test('a spread is cut where the quantity stops being possible', () => {
  expect(endsOf(typical(0.9), 'share', { min: 0, max: 1 })).toEqual({ low: expect.closeTo(0.63) as number, high: 1 })
})

test('corners by hand: 10 a − b, a 2 ± 0.2, b 5 ± 1.5', () => {
  const lookup = lookupIn({ a: label(2), b: typical(5) })
  const compute = (bench: Bench): number => 10 * bench.value('a') - bench.value('b')
  const bench = new NotingBench(lookup)
  expect(compute(bench)).toBe(15)
  expect(corners(compute, lookup, bench.touched, 15)).toEqual({
    worst: expect.closeTo(11.5) as number,
    best: expect.closeTo(18.5) as number,
    hurtsMost: 'a',
  })
})

test('worst ≤ nominal ≤ best for any shape, also where both ends hurt', () => {
  const shapes: readonly ((x: number, y: number) => number)[] = [
    (x, y) => x * y,
    (x, y) => -((x - 3) ** 2) + y,
    (x, y) => Math.sin(5 * x) - y,
    (x, y) => Math.abs(x - 3) - Math.abs(y - 4),
  ]
  fc.assert(
    fc.property(
      fc.constantFrom(...shapes),
      fc.double({ min: 0, max: 3, noNaN: true }),
      fc.double({ min: 0, max: 3, noNaN: true }),
      (shape, dx, dy) => {
        const lookup = lookupIn({ x: measured(3, dx), y: measured(4, dy) })
        const compute = (b: Bench): number => shape(b.value('x'), b.value('y'))
        const nominal = shape(3, 4)
        const { worst, best } = corners(compute, lookup, ['x', 'y'], nominal)
        expect(worst).toBeLessThanOrEqual(nominal)
        expect(best).toBeGreaterThanOrEqual(nominal)
      },
    ),
  )
})

test('the hypercube is triangular: its mean and variance, and each stratum once', () => {
  const lookup = lookupIn({ a: measured(10, 3) })
  const { drawn, stratum } = drawSample(lookup, ['a'])
  const values = [...drawn.get('a')!]
  const mean = values.reduce((s, v) => s + v, 0) / DRAWS
  expect(mean).toBeCloseTo(10, 1)
  // variance of a symmetric triangle of half-width 3: 9/6
  expect(values.reduce((s, v) => s + (v - mean) ** 2, 0) / DRAWS).toBeCloseTo(1.5, 1)
  expect(new Set(stratum.get('a')).size).toBe(DRAWS)
  expect([
    triangularQuantile(0, 7, 10, 13),
    triangularQuantile(0.5, 7, 10, 13),
    triangularQuantile(1, 7, 10, 13),
  ]).toEqual([7, 10, 13])
})

test('Sobol indices of 3 a + b are 0.9 and 0.1; the chance below nothing of a symmetric sum is a half', () => {
  const lookup = lookupIn({ a: measured(0, 1), b: measured(0, 1) })
  const sample = drawSample(lookup, ['a', 'b'])
  const results = overSamples((b) => 3 * b.value('a') + b.value('b'), lookup, sample)
  expect(Math.abs(sobolIndex(results, sample.stratum.get('a')!) - 0.9)).toBeLessThan(0.05)
  expect(Math.abs(sobolIndex(results, sample.stratum.get('b')!) - 0.1)).toBeLessThan(0.06)
  expect(Math.abs(shareShort(results, []) - 0.5)).toBeLessThan(0.04)
  expect(sobolIndex(new Float64Array(DRAWS).fill(4), sample.stratum.get('a')!)).toBe(0)
})

test('verdicts', () => {
  expect([verdictOf(1, 0), verdictOf(0, -0.1), verdictOf(-0.1, -1)]).toEqual(['holds', 'unsure', 'short'])
  expect(gravest(['holds', 'open', 'unsure'])).toBe('open')
  expect(gravest(['open', 'short', 'unsure'])).toBe('short')
})

test(
  "typing over a guess measures it; a spread typed by hand outlives a change of source, the tool's " + 'own does not',
  () => {
    expect(retyped('4.2 A', 4.2, undefined)).toEqual({ value: 4.2, source: 'measured', typed: '4.2 A' })
    expect(withSource(retyped('4.2 A ±0.3', 4.2, 0.3), 'label')).toMatchObject({ source: 'label', spread: 0.3 })
    expect(withSource(typical(0.9, 0.1), 'measured')).toEqual({ value: 0.9, source: 'measured' })
  },
)

test('what the probe shows and what the coolant is cannot be subtracted', () => {
  expect(kelvinAbove(coolant(104), coolant(78))).toBe(26)
  // @ts-expect-error two places
  kelvinAbove(coolant(104), probe(87))
  // @ts-expect-error two places
  kelvinAbove(probe(87), air(32))
})

test('what is no figure holds nothing: not at the nominal readings, not at one end of one, not in a draw', () => {
  expect([verdictOf(Number.NaN, 1), verdictOf(1, Number.NaN), verdictOf(Number.POSITIVE_INFINITY, 1)]).toEqual([
    'open',
    'open',
    'open',
  ])
  const lookup = () => ({
    label: 'x',
    reading: { value: 1, source: 'measured' as const, spread: 2 },
    quantity: 'length' as const,
    limits: { min: -10, max: 10 },
    station: 'measure' as const,
    tell: '',
    wish: false,
  })
  // the root of what goes below nothing at one end of its spread
  expect(corners((b) => Math.sqrt(b.value('x')), lookup, ['x'], 1).worst).toBeNaN()
  expect(shareShort([1, Number.NaN, 1, 1], [])).toBe(0.25)
})
