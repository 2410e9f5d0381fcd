import fc from 'fast-check'
import { format, parse, plainNumber, type Quantity } from '../units'
import { numeral, say, speak, spokenWord } from './say'

const dutch = {
  tag: 'nl',
  decimal: ',',
  phrases: {
    'Set {0} with a band of {1}': 'Met een band van {1} op {0}',
    open: 'open staand',
    'fan of {0} at {1}': 'ventilator van {0} bij {1}',
    days: 'dagen',
  },
}
afterEach(() => speak(null))

test('in English a phrase is what stands in the code, whatever its values hold', () => {
  expect(say`Set ${'{1}'} with a band of ${4.5}`).toBe('Set {1} with a band of 4.5')
  expect(say`Set one
    below the other`).toBe('Set one below the other')
})

test('in another language values take its places, and nothing that somebody wrote is taken for a place', () => {
  speak(dutch)
  expect(say`Set ${'{1}'} with a band of ${4.5}`).toBe('Met een band van 4,5 op {1}')
  // what stands in braces of a phrase without values is filled in later, by its own names
  expect(say`fan of {0} at {1}`).toBe('ventilator van {0} bij {1}')
})

test('outer spaces stay outside, and what the catalogue lacks stays English', () => {
  speak(dutch)
  expect(say` open `).toBe(' open staand ')
  expect(say`not ${spokenWord('open')}, ${1}`).toBe('not open staand, 1')
  expect(numeral('13.8')).toBe('13,8')
})

test('a figure reads back as itself where a comma parts the decimals, thousandths too', () => {
  const quantities: Quantity[] = ['length', 'temperature', 'current', 'voltage', 'mass', 'days']
  speak(dutch)
  fc.assert(
    fc.property(fc.constantFrom(...quantities), fc.double({ min: 0.001, max: 9, noNaN: true }), (quantity, x) => {
      const si = quantity === 'days' ? x * 86_400 : x
      const shown = format(si, quantity, 'metric')
      const read = parse(shown, quantity, 'metric')
      expect({ shown, value: read.ok && format(read.value, quantity, 'metric') }).toEqual({ shown, value: shown })
    }),
    { seed: 18, numRuns: 300 },
  )
  expect(plainNumber(1.234)).toBe('1,234')
  expect(parse('1,234', 'length', 'metric')).toMatchObject({ ok: true, value: 0.001234 })
  // three digits behind a point may be thousands there
  expect(parse('1.500', 'engineSpeed', 'metric')).toMatchObject({ ok: false })
})

test('a sentence reads in the other units in that language too: 2.5 N·m are 22 in-lb, 2 to 5 mm are 0.1 to 0.2 in', async () => {
  await jest.isolateModulesAsync(async () => {
    const own = await import('./say')
    own.speak({ ...dutch, phrases: { to: 'tot', 'to {0}': 'tot {0}', 'female blade': 'vlakstekerhuls' } })
    const { worded } = await import('../units')
    expect(worded('Haal 2,5 N·m aan, 2 tot 5 mm vrij.', 'imperial')).toBe('Haal 22 in-lb aan, 0,1 tot 0,2 in vrij.')
    expect(worded('vlakstekerhuls, 6,3 mm, 1,5 mm²', 'imperial')).toBe('vlakstekerhuls, 6,3 mm, 1,5 mm²')
    own.speak(null)
  })
})
