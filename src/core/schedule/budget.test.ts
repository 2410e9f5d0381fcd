import { example, exampleShelf } from '../../formats/test-support/examples'
import { addBought, type Job, setBudget } from '../job'
import type { Part } from '../parts'
import { budgetOf, estimateOf, soldSeparately } from '.'

const AT = '2026-02-01T08:00:00.000Z'
const job = example('fell-bike-short-at-idle')
const buy = (to: Job, of: 'fan' | 'wiring' | 'other', count: number, price: number | null): Job => {
  const entry = { what: 'x', of, number: '', from: '', count, price, warrantyUntil: null, at: AT }
  return addBought(to, entry) as Job
}

test('a budget by what money goes to: spent, over, and what nobody noted a price of', () => {
  const spent = buy(
    buy(buy(setBudget(setBudget(job, 'fan', 60), 'wiring', 20), 'fan', 1, 74.9), 'wiring', 3, 4.5),
    'other',
    1,
    null,
  )
  expect(budgetOf(spent)).toEqual([
    { of: 'fan', budget: 60, spent: 74.9, over: 14.9, unpriced: 0 },
    { of: 'wiring', budget: 20, spent: 13.5, over: null, unpriced: 0 },
    { of: 'other', budget: null, spent: 0, over: null, unpriced: 1 },
  ])
  expect(budgetOf(job)).toEqual([])
})

test('an estimate has the shelf’s prices, the hours of the plan, and names what is sold separately without one', () => {
  const fan = { ...job.fans[0]!.part, price: 50, separately: ['mounting kit'] }
  const priced: Job = { ...job, fans: job.fans.map((f) => ({ ...f, part: fan })), money: { ...job.money, perHour: 40 } }
  const shelf: Part[] = [{ ...fan, price: 62 }]
  expect(soldSeparately(priced)).toEqual([{ part: fan.name, needs: 'mounting kit' }])
  const { lines, total, unpriced } = estimateOf(priced, shelf)
  const [work] = lines
  expect(work!.total).toBeCloseTo(work!.count * 40, 1)
  expect(lines.find((l) => l.what === fan.name)).toMatchObject({ count: 1, each: 62, total: 62 })
  expect(lines.find((l) => l.what === 'mounting kit')).toMatchObject({ each: null })
  expect(total).toBeCloseTo(work!.total! + 62, 2)
  expect(unpriced).toBe(lines.filter((l) => l.total === null).length)
  // wire by the metre, a fuse with its spare and its holder: each once
  const reel = {
    ...exampleShelf().find((p) => p.kind === 'conductor' && p.size === '1 mm²')!,
    price: 0.8,
    stockM: null,
  }
  const bench = exampleShelf().filter((p) => p.kind !== 'conductor')
  const fused = (p: Part): Part =>
    p.kind !== 'fuse' || p.ratingA === priced.fuses[0]!.ratingA
      ? ({ ...p, price: 0.5, holderA: null } as Part)
      : { ...p, price: 3, holderA: 30 }
  const stocked = [...bench.map(fused), reel] as Part[]
  const cut = estimateOf(priced, stocked).lines
  const metres = cut.filter((l) => l.unit === 'm' && l.what.startsWith('1 mm² '))
  expect(metres.filter((l) => l.total !== null).length).toBeGreaterThan(0)
  for (const l of metres.filter((m) => m.total !== null)) expect(l.total).toBeCloseTo(0.8 * l.count, 2)
  // the same wire by the foot: more of them at less each, and the same sum
  const feet = estimateOf({ ...priced, units: 'imperial' }, stocked).lines.filter((l) => l.unit === 'ft')
  expect(feet.map((l) => l.total)).toEqual(cut.filter((l) => l.unit === 'm').map((l) => l.total))
  for (const [i, l] of feet.entries())
    expect(l.count).toBeCloseTo(cut.filter((x) => x.unit === 'm')[i]!.count / 0.3048, 0)
  expect(cut.find((l) => / A .*one spare, with its holder/.test(l.what))).toMatchObject({
    count: 2,
    each: null,
    total: 4,
  })
  // a part that the shelf has no more has the price that it was chosen with
  expect(estimateOf(priced, []).lines.find((l) => l.what === fan.name)).toMatchObject({ total: 50 })
})
