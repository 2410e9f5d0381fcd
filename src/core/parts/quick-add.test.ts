import { contradictions, type FanPart, notedFrom, partSchema, quickPart, sameAs, starterShelf, typicalFan } from '.'
import { copiedFacts } from './sources'

test('the generic shelf: every part valid, no figure of a fan claimed to be known', () => {
  const shelf = starterShelf()
  expect(new Set(shelf.map((p) => p.id)).size).toBe(shelf.length)
  for (const part of shelf) expect(partSchema.safeParse(part).success).toBe(true)
  for (const fan of shelf.filter((p) => p.kind === 'fan'))
    expect([fan.ratedA.source, fan.depthM.source, fan.freeFlowM3s.source]).toEqual(['typical', 'typical', 'typical'])
  // larger moves more for more, at either voltage the same power
  const [small, large] = [
    typicalFan({ diameterM: 0.13, motor: 'brushed', ratedV: 12 }),
    typicalFan({ diameterM: 0.27, motor: 'brushed', ratedV: 12 }),
  ]
  expect(small.freeFlowM3s.value).toBeLessThan(large.freeFlowM3s.value)
  expect(small.ratedA.value).toBeLessThan(large.ratedA.value)
  expect(2 * typicalFan({ diameterM: 0.27, motor: 'brushed', ratedV: 24 }).ratedA.value).toBeCloseTo(
    large.ratedA.value,
    1,
  )
})

test('from what is on a box: what it says is of the label, watts as amperes, the rest typical of its size', () => {
  const read = quickPart(
    'fan',
    'fan-1',
    { name: 'Box fan', ratedV: '12 V', ratedA: '80 W at 12 V', diameterM: '225 mm', depthM: '', leadM: '' },
    'metric',
  )
  if (!read.ok) throw new Error(JSON.stringify(read.problems))
  const fan = read.part as FanPart
  expect(fan.ratedA).toMatchObject({ value: 6.7, source: 'label' })
  expect(fan.diameterM).toMatchObject({ value: 0.225, source: 'label' })
  expect(fan.depthM).toMatchObject({ value: 0.06, source: 'typical' })
  expect(quickPart('fan', 'fan-2', { name: '', diameterM: 'wide' }, 'metric')).toMatchObject({
    ok: false,
    problems: { name: expect.any(String) as string, diameterM: expect.any(String) as string },
  })
  expect(quickPart('fan', 'fan-3', { name: 'x', ratedA: '-5 A', depthM: '30 ft' }, 'imperial')).toMatchObject({
    problems: { ratedA: 'This is at least 0.05 A.', depthM: 'This is at most 15.75 in.' },
  })
  for (const kind of ['fan', 'controller', 'probe', 'relay', 'switch', 'battery'] as const)
    expect(quickPart(kind, 'p-1', { name: 'Nothing known' }, 'imperial').ok).toBe(true)
  // of 24 V it takes half of what the same fan takes at 12, and its relay's coil is another
  const lorry = quickPart('fan', 'fan-4', { name: 'y', ratedV: '24', diameterM: '190 mm' }, 'metric')
  expect(lorry).toMatchObject({ ok: true, part: { ratedV: 24, ratedA: { value: 2.75, source: 'typical' } } })
  expect(quickPart('relay', 'r-1', { name: 'z', coilV: '24' }, 'metric')).toMatchObject({ part: { coilOhm: 320 } })
  // a larger battery cranks more than the smallest of the shelf: 13 A for each Ah
  const big = quickPart('battery', 'b-1', { name: 'b', capacityAh: '60 Ah' }, 'metric')
  expect(big).toMatchObject({ ok: true, part: { coldCrankingA: { value: 780, source: 'typical' } } })
  const coin = quickPart('controller', 'c-1', { name: 'Coin', band: 'fixed', 'fixed.closesC': '90 C' }, 'metric')
  expect(coin).toMatchObject({ ok: true, part: { range: null, fixed: { closesC: { value: 90 } } } })
})

test('a second source of a part is noted beside it, marked where it contradicts, and once only', () => {
  const fan: FanPart = {
    ...typicalFan({ diameterM: 0.19, motor: 'brushed', ratedV: 12 }),
    id: 'f',
    name: 'Swift 190',
    maker: 'Hestfold',
    ratedA: { value: 5, source: 'label' },
  }
  const told: FanPart = {
    ...fan,
    id: 'other',
    name: 'SWIFT-190',
    ratedA: { value: 7.5, source: 'label' },
    note: 'axial, ring frame, draws seven and a half at twelve',
  }
  expect(sameAs([fan], told)).toBe(fan)
  expect(sameAs([fan], { ...told, name: 'Swift 191' })).toBeNull()
  const noted = notedFrom(fan, told, 'in the sheet', 'list.csv') as FanPart
  expect(noted.ratedA.value).toBe(5)
  expect(contradictions(noted).map((c) => c.line.path)).toEqual(['ratedA'])
  expect(notedFrom(noted, told, 'in the sheet', 'list.csv').facts).toHaveLength(noted.facts.length)
  // the same text from another place is one source that was copied
  const copied = notedFrom(noted, told, 'the seller said', 'list.csv')
  expect(copiedFacts(copied).size).toBeGreaterThan(0)
})
