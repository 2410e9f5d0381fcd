import fc from 'fast-check'
import { anyCircuit } from '../../formats/test-support/any-circuit'
import { example, exampleShelf, examplesOf } from '../../formats/test-support/examples'
import { changeFuse, changePlace, chooseFan, type Job, type Obstacle } from '../job'
import { evaluateSome } from '../margins'
import { measured } from '../reading'
import { addSecondFan } from '../wiring'
import { bayWays, comparedFans, comparedFuses, judgeSchemes, sideAdvice, wiredAs } from '.'
import { often } from '../../test-support/often'

const bike = example('fell-bike-short-at-idle')
const digger = example('churchyard-digger-bay')
const trailer = example('market-cold-trailer')
const shelf = exampleShelf()
const fans = examplesOf('fan')
const parts = (job: Job, ...ids: Parameters<typeof evaluateSome>[1]) => evaluateSome(job, ids).flatMap((m) => m.parts)

test('a fuse that is said to carry, survive and guard holds by every part of Fuse once it is in, and no other does', () => {
  fc.assert(
    fc.property(anyCircuit, (job) => {
      job.runs.forEach((run, n) => {
        for (const c of comparedFuses(job, n).filter((_, i) => i % 4 === n)) {
          const own = parts(changeFuse(job, c.ratingA, undefined, n), 'fuse').filter(
            (p) => p.run === run.id && !p.warns,
          )
          const holds = own.every((p) => p.value === null || p.value >= 0)
          expect([c.ratingA, c.carries && c.survives && c.guards]).toEqual([c.ratingA, holds])
        }
      })
    }),
    { numRuns: often(4), seed: 3012 },
  )
})

test('a way through a bay has, once it is taken, the air and the room that were told', () => {
  for (const job of [digger, trailer])
    for (const part of fans)
      for (const w of bayWays(job, part)) {
        if (!w.panel) continue
        const taken = changePlace(chooseFan(job, part), { panel: w.panel.id, side: w.side! })
        const air = evaluateSome(taken, ['air'])[0]!
        expect(air.value!).toBeCloseTo(job.bay!.allowedC.value - w.bayC, 3)
        const room = parts(taken, 'fit').filter((p) => /^(?:depth|panel)/.test(p.id))
        expect(room.every((p) => p.value! >= -1e-9)).toBe(w.lacksM === null)
        if (w.lacksM) expect(Math.min(...room.map((p) => p.value!))).toBeCloseTo(-1000 * w.lacksM.byM, 6)
      }
})

test('a fan of the table has, once it is chosen, the depth and the amps that were told', () => {
  for (const job of [bike, digger])
    for (const row of comparedFans(job, fans)) {
      const chosen = chooseFan(job, row.part)
      const depth = parts(chosen, 'fit').find((p) => p.id.startsWith('depth'))!
      expect(depth.value!).toBeCloseTo(1000 * row.depthOverM, 2)
      const charge = parts(chosen, 'charge').flatMap((p) => p.value ?? [])
      expect(Math.min(...charge)).toBeCloseTo(row.leanestNetA, 9)
    }
})

test('every way of wiring that is said to fit holds in all that it decides, once it is taken', () => {
  for (const job of [bike, digger, trailer, example('vineyard-buggy-ready')])
    for (const s of judgeSchemes(job, shelf).filter((x) => x.verdict === 'fits')) {
      const taken = s.inUse ? job : wiredAs(job, s.id, shelf)
      const short = evaluateSome(taken, ['supply', 'wire', 'fuse', 'contacts']).filter((m) => m.verdict !== 'holds')
      expect([s.name, short.map((m) => m.name)]).toEqual([s.name, []])
    }
})

/** Room between two boxes that stand over each other seen from the front, by hand: what is free less what is deep. */
const REQUIRED = { fixed: 0.006, moves: 0.015, exhaust: 0.05 } as const
const obstacle = fc.record({
  kind: fc.constantFrom('fixed', 'moves', 'exhaust'),
  side: fc.constantFrom('behind', 'front'),
  freeM: fc.integer({ min: 5, max: 200 }),
  travelM: fc.integer({ min: 0, max: 40 }),
  dealt: fc.constantFrom('stays', 'comes off'),
})

test('a face of the core is said to have room only where every fan has it, from all that stands on that side', () => {
  fc.assert(
    fc.property(
      fc.array(obstacle, { maxLength: 3 }),
      fc.integer({ min: 30, max: 160 }),
      fc.integer({ min: 30, max: 160 }),
      fc.constantFrom(...fans.slice(0, 4)),
      fc.boolean(),
      (near, behindMm, frontMm, second, two) => {
        const first = bike.fans[0]!
        const fan = bike.fans[0]!.part
        const { xM, yM } = first.seat!
        // each of them right over the first fan, as wide as half of it
        const obstacles = near.map((o, i): Obstacle => ({
          id: `near${i + 1}`,
          name: `thing ${i + 1}`,
          core: first.seat!.core,
          ...o,
          fromLeftM: measured(xM - 0.02),
          fromTopM: measured(yM - 0.02),
          wideM: measured(0.04),
          highM: measured(0.04),
          freeM: measured(o.freeM / 1000),
          travelM: measured(o.kind === 'moves' ? o.travelM / 1000 : 0),
        }))
        const placed = changePlace(bike, {
          obstacles,
          freeDepthM: measured(behindMm / 1000),
          freeFrontM: measured(frontMm / 1000),
          standOffM: measured(0.005),
        })
        const job = two ? addSecondFan(placed, second) : placed
        const advice = sideAdvice(job)!
        const byHand = (['puller', 'pusher'] as const).map((side) => {
          const behind = side === 'puller'
          const free = (behind ? behindMm : frontMm) / 1000
          const depths = job.fans.map((f) => f.part.depthM.value + 0.005)
          const open = free - Math.max(...depths) - REQUIRED[job.place.neighbour]
          const things = obstacles
            .filter((o) => o.dealt === 'stays' && (o.side === 'behind') === behind)
            .map((o) => o.freeM.value - o.travelM.value - (fan.depthM.value + 0.005) - REQUIRED[o.kind])
          return Math.min(open, ...things)
        })
        const [behind, front] = byHand as [number, number]
        // a second fan can be nearer to one of them than the first: never further in what is said
        advice.sides.forEach((s, i) => expect(s.spareM).toBeLessThanOrEqual(byHand[i]! + 1e-6))
        if (!two) advice.sides.forEach((s, i) => expect(s.spareM).toBeCloseTo(byHand[i]!, 6))
        if (advice.better === 'puller') expect(behind).toBeGreaterThanOrEqual(-1e-6)
        if (advice.better === 'pusher') expect(front).toBeGreaterThanOrEqual(-1e-6)
      },
    ),
    { numRuns: often(16), seed: 3013 },
  )
})
