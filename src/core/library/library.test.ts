import { example } from '../../formats/test-support/examples'
import { stepsOf } from '../build'
import { answers, questions, questionsAtMargin, questionsAtStep } from '.'

const names = ['fell-bike-signed', 'vineyard-buggy-ready', 'churchyard-digger-bay', 'market-cold-trailer'] as const
const tell = (id: string, name: (typeof names)[number]) => answers.find((p) => p.id === id)!.tell(example(name))[0]!
const table = (id: string, name: (typeof names)[number], n = 0) =>
  answers.find((p) => p.id === id)!.tell(example(name))[n]!.table!.rows

test(
  'every question has its answer, with figures wherever it is worked, and comes up at a margin or step ' +
    'that there is',
  () => {
    expect(answers.map((a) => a.id).sort()).toEqual(questions.map((q) => q.id).sort())
    for (const page of answers) {
      const where = names.filter((n) => page.when(example(n)))
      expect([page.id, where.length > 0]).toEqual([page.id, true])
      for (const name of where) expect(JSON.stringify(page.tell(example(name)))).not.toMatch(/NaN|undefined|Infinity/)
    }
    const steps = new Set(names.flatMap((n) => stepsOf(example(n)).map((s) => s.id)))
    for (const { id, margins, steps: at } of questions) {
      expect([id, margins.length + at.length > 0]).toEqual([id, true])
      for (const step of at) if (step !== 'core-off') expect([id, steps.has(step)]).toEqual([id, true])
    }
    expect(questionsAtMargin('fuse').map((p) => p.id)).toContain('fuse-and-wire')
    expect(questionsAtStep('fuse-in').map((p) => p.id)).toContain('fuse-and-wire')
  },
)

test('a fuse over what the thinnest wire may carry does not guard it; the wire as its size has it, by hand', () => {
  // 1 mm² in a sleeve at 60 °C is less than the 20 A it carries alone at 30 °C
  const rows = table('fuse-and-wire', 'fell-bike-signed', 1)
  expect(rows.map((r) => r[1])).toEqual(['yes', 'yes', 'yes', 'no'])
  // 13 A through 7.5 A is 1.8 times: between 1.35 times in half an hour and twice in five seconds
  expect(rows[1]![3]).toMatch(/^0\.\d+ s to 1\d s$/)
})

test('wires turn the air, the blade alone never does', () => {
  expect(table('turned-blade', 'fell-bike-signed').map((r) => r.slice(2))).toEqual([
    ['as marked', '100 %'],
    ['as marked', '60 %'],
    ['reversed', '60 %'],
    ['reversed', '100 %'],
  ])
})

test('what is said of twice as thick is what stands in its table', () => {
  const rows = table('twice-as-thick', 'fell-bike-signed')
  const kw = (r: number, c: number): number => Number.parseFloat(rows[r]![c]!)
  const speed = kw(2, 4) / kw(0, 4) - 1
  expect(speed).toBeLessThan(0)
  expect(tell('twice-as-thick', 'fell-bike-signed').lines[1]).toContain(`${Math.round(-100 * speed)} % less at speed`)
})

test('the smaller the band, the more starts', () => {
  const starts = table('band', 'fell-bike-signed').map((r) => Number(r[1]))
  expect(starts).toEqual([...starts].sort((a, b) => b - a))
  expect(starts[0]).toBeGreaterThan(2 * starts[2]!)
})
