import fc from 'fast-check'
import {
  definitionOf,
  format,
  parse,
  parseWireSize,
  plainNumber,
  quantities,
  sizeAreaM2,
  wireSizes,
  worded,
  type Quantity,
  type UnitSystem,
} from '.'

const value = (text: string, quantity: Quantity, system: UnitSystem = 'metric'): number => {
  const read = parse(text, quantity, system)
  if (!read.ok) throw new Error(read.message)
  return read.value
}

test.each<[string, Quantity, number]>([
  ['3 5/8 in', 'length', 0.092075],
  ['132mm', 'length', 0.132],
  ['1/4"', 'length', 0.00635],
  ['6 ft 3 in', 'run', 1.905],
  ['41 C', 'temperature', 41],
  ['106 F', 'temperature', 41.1111],
  ['12 in-lb', 'torque', 1.35582],
  ['90 cfm', 'flow', 0.0424753],
  ['2,5 L', 'volume', 0.0025],
  ['16 psi', 'pressure', 110316],
  ['9 F', 'temperatureDifference', 5],
  ['−4 °C', 'temperature', -4],
  ['1 150 m', 'height', 1150],
  ['0,500 m', 'run', 0.5],
  ['45 %', 'share', 0.45],
  ['1.4 qt', 'volume', 0.00132489],
  ['30 mA', 'current', 0.03],
  ['80 W at 12 V', 'current', 6.7],
  ['80W @ 13.8', 'current', 5.8],
  ['0.06 kW at 12.0 V', 'current', 5],
  ['4.7k', 'resistance', 4700],
  ['3 kΩ', 'resistance', 3000],
  ['20 mΩ', 'resistance', 0.02],
  ['2 MΩ', 'resistance', 2e6],
  ['12 oz', 'mass', 0.340194],
  ['5.3 ft3', 'space', 0.150079],
  ['1 cu.ft', 'volume', 0.0283168],
  ['180 W', 'heat', 180],
  ['600 BTU/h', 'heat', 175.843],
  ['1:30', 'minutes', 90],
  ['1:30', 'hours', 5400],
  ['1:02:30', 'seconds', 3750],
])('reads %s as %s', (text, quantity, si) => expect(value(text, quantity) / si).toBeCloseTo(1, 4))

test('a bare number takes the unit of the field in the present system', () => {
  expect(value('5', 'length', 'metric')).toBeCloseTo(0.005)
  expect(value('5', 'length', 'imperial')).toBeCloseTo(0.127)
  expect(value('50', 'temperature', 'imperial')).toBeCloseTo(10)
})

test("a spread is typed after the value, a temperature's as a difference", () => {
  expect(parse('4.2 A ±0.3', 'current', 'metric')).toEqual({ ok: true, value: 4.2, spread: 0.3 })
  expect(parse('104 F +/- 9', 'temperature', 'metric')).toMatchObject({ ok: true, spread: 5 })
  expect(parse('50 mm ±10 %', 'length', 'metric')).toMatchObject({ ok: true, spread: expect.closeTo(0.005) as number })
})

test.each<[string, Quantity, RegExp]>([
  ['', 'length', /Nothing is written/],
  ['abc', 'length', /not a length.*132mm/],
  ['5 A', 'length', /"A" is not a unit of length/],
  ['1,500', 'engineSpeed', /write 1500 or 1\.5/],
  ['1e999', 'current', /too large/],
  ['1/0', 'length', /too large/],
  ['-300 C', 'temperature', /colder/],
  ['5 ±', 'current', /spread/],
  ['80 W', 'current', /At what voltage/],
  ['80 W at 0 V', 'current', /some volts/],
  ['80 W at noon', 'current', /not a voltage/],
  ['1:75', 'minutes', /Write it like/],
  ['3 4', 'length', /unit/],
  ['x'.repeat(5000), 'mass', /too long/],
  ['\u0000\ud83d\ude00', 'power', /not a power/],
  ['NaN', 'current', /not a current/],
  ['40 C ±5 %', 'temperature', /per cent/],
])('refuses %j with what is accepted', (text, quantity, message) => {
  const read = parse(text, quantity, 'metric')
  expect(read.ok ? '' : read.message).toMatch(message)
})

test('what is shown parses back to itself, in either system', () => {
  const quantity = fc.constantFrom(...(Object.keys(quantities) as Quantity[]))
  fc.assert(
    fc.property(
      quantity,
      fc.constantFrom<UnitSystem>('metric', 'imperial'),
      fc.double({ min: -5000, max: 5000, noNaN: true }),
      (q, system, number) => {
        const si = Math.max((definitionOf(q).floor ?? -Infinity) + 1, number)
        const shown = format(si, q, system)
        const again = parse(shown, q, system)
        expect(again.ok && format(again.value, q, system)).toBe(shown)
      },
    ),
    { numRuns: 500 },
  )
})

test('what is no reading is called by its name, with the article that it takes', () => {
  const told = (typed: string, quantity: Quantity): string => {
    const read = parse(typed, quantity, 'metric')
    return read.ok ? '' : read.message
  }
  expect(told('fast, very', 'engineSpeed')).toMatch(/^This is not an engine speed\. Write it like 1700/)
  expect(told('wide', 'length')).toMatch(/^This is not a length\. Write it like/)
  for (const quantity of Object.keys(quantities) as Quantity[])
    expect(told('x', quantity)).not.toMatch(/\ba [aeiou]|\ban [^aeiou]/)
})
test('nothing typed makes the reader throw', () => {
  fc.assert(
    fc.property(
      fc.string({ unit: 'binary', maxLength: 90 }),
      fc.constantFrom(...(Object.keys(quantities) as Quantity[])),
      (text, q) => {
        const read = parse(text, q, 'imperial')
        expect(read.ok ? Number.isFinite(read.value) : read.message.length > 0).toBe(true)
      },
    ),
    { numRuns: 400 },
  )
})

test('a sentence in metric figures reads in the other units as a sentence does; names of sizes stay', () => {
  expect(worded('Open no cap above 50 °C.', 'imperial')).toBe('Open no cap above 122 °F.')
  expect(worded('6 to 20 mm from it, ties every 150 mm, 2.5 N·m.', 'imperial')).toBe(
    '0.25 to 0.8 in from it, ties every 5.9 in, 22 in-lb.',
  )
  for (const kept of ['1.5 mm² of copper', 'female blade, 6.3 mm', 'M6 × 20', 'heat sleeve, 150 °C', '12 V, 3 A'])
    expect(worded(kept, 'imperial')).toBe(kept)
  expect(worded('Open no cap above 50 °C.', 'metric')).toBe('Open no cap above 50 °C.')
})

test('sizes are names; ASTM B258 gives their copper', () => {
  expect(parseWireSize('2.5 mm2', 'imperial')).toEqual({ ok: true, size: '2.5 mm²' })
  expect(parseWireSize('16 awg', 'metric')).toEqual({ ok: true, size: '16 AWG' })
  expect(parseWireSize('14', 'imperial')).toEqual({ ok: true, size: '14 AWG' })
  expect(parseWireSize('3 mm2', 'metric')).toMatchObject({
    ok: false,
    message: expect.stringContaining('2.5') as string,
  })
  expect(sizeAreaM2('10 AWG') * 1e6).toBeCloseTo(5.261, 2)
  for (const size of wireSizes) expect(parseWireSize(size, 'metric')).toEqual({ ok: true, size })
})

test('numbers keep four figures and a true minus', () => {
  expect([plainNumber(92.075), plainNumber(-1.4), plainNumber(1700), plainNumber(0), plainNumber(-0.00000001)]).toEqual(
    ['92.08', '−1.4', '1700', '0', '0'],
  )
})
