import fc from 'fast-check'
import { example } from '@/formats/test-support/examples'
import { addBought, clockIn, type Job, setMoney, tickStep, waitFor } from '../job'
import { plannedSteps } from '../build'
import { costOf, layOut, paceOf, pinKey, plannedMinutes, stintsOf, usualPace, type Work, workLeft } from '.'

const taken = <J>(next: J | { readonly full: string }): J => {
  if ('full' in (next as object)) throw new Error('full')
  return next as J
}
const blockArb = fc.record({ minutes: fc.integer({ min: 1, max: 90 }), waitMinutes: fc.integer({ min: 0, max: 120 }) })
const worksArb = fc
  .array(fc.record({ blocks: fc.array(blockArb, { maxLength: 12 }), readyAt: fc.integer({ min: 0, max: 900 }) }), {
    maxLength: 6,
  })
  .map((list): Work[] =>
    list.map(({ blocks, readyAt }, j) => ({
      job: `job${j}`,
      readyAt,
      blocks: blocks.map((b, i) => ({ id: `b${i}`, title: '', ...b })),
    })),
  )

test('no person does two things at once, a job keeps its order and its waits, and nothing is lost', () => {
  fc.assert(
    fc.property(
      worksArb,
      fc.constantFrom(1 as const, 2 as const),
      fc.nat(600),
      fc.boolean(),
      (works, people, pin, eats) => {
        const pause = eats ? { from: 720, until: 750 } : null
        const pins = new Map([[pinKey('job0', 'b1'), pin]])
        const { placed, leftOver } = layOut(works, { from: 480, until: 1020, people, pause }, pins)
        expect(placed.length + leftOver.length).toBe(works.reduce((n, w) => n + w.blocks.length, 0))
        for (const p of placed) {
          expect(p.from).toBeGreaterThanOrEqual(480)
          expect(p.to).toBeLessThanOrEqual(1020)
          if (pause) expect(p.to <= pause.from || p.from >= pause.until).toBe(true)
          const others = placed.filter((o) => o !== p && o.person === p.person)
          expect(others.every((o) => o.to <= p.from || o.from >= p.to)).toBe(true)
        }
        for (const work of works) {
          const own = placed.filter((p) => p.job === work.job)
          expect(own.map((p) => p.block.id)).toEqual(work.blocks.slice(0, own.length).map((b) => b.id))
          own.forEach((p, i) => expect(p.from).toBeGreaterThanOrEqual(own[i - 1]?.waitTo ?? work.readyAt))
        }
        const pinned = placed.find((p) => p.job === 'job0' && p.block.id === 'b1')
        if (pinned) expect(pinned.from).toBeGreaterThanOrEqual(pin)
        expect(stintsOf(placed).flatMap((s) => s.placed)).toHaveLength(placed.length)
      },
    ),
  )
})

test('while one job cools, the next is worked at; the first goes on when it is cold', () => {
  const block = (id: string, minutes: number, waitMinutes = 0) => ({ id, title: id, minutes, waitMinutes })
  const works = [
    { job: 'hot', readyAt: 0, blocks: [block('stop', 5, 60), block('drain', 20)] },
    { job: 'other', readyAt: 0, blocks: [block('cut', 40), block('crimp', 30), block('tie', 10)] },
  ]
  const { placed } = layOut(works, { from: 480, until: 1020, people: 1, pause: null }, new Map())
  expect(placed.map((p) => [p.block.id, p.from])).toEqual([
    ['stop', 480],
    ['cut', 485],
    ['crimp', 525],
    ['drain', 555],
    ['tie', 575],
  ])
  // what is held to its minute begins there: nothing less urgent is begun that would be in the way
  const held = layOut(
    works,
    { from: 480, until: 1020, people: 1, pause: null },
    new Map([[pinKey('hot', 'stop'), 495]]),
  )
  expect(held.placed.map((p) => [p.block.id, p.from]).slice(0, 2)).toEqual([
    ['stop', 495],
    ['cut', 500],
  ])
  const both = layOut(works, { from: 480, until: 1020, people: 2, pause: null }, new Map()).placed
  expect(both.find((p) => p.block.id === 'drain')!.from).toBe(545)
})

const AT = '2026-03-02T08:00:00Z'
const at = (minutes: number): string => new Date(Date.parse(AT) + minutes * 60_000).toISOString()

test('what is left of a job: ticked steps are gone, a wait that runs is not waited for twice, the pace stretches it', () => {
  const job: Job = {
    ...example('fell-bike-mid-build'),
    build: { ...example('fell-bike-mid-build').build, done: [], waits: [] },
  }
  const steps = plannedSteps(job)
  const left = workLeft(job, 'j', 1, '2026-03-02T00:00:00Z')
  expect(left.blocks.map((b) => b.id)).toEqual(steps.map((s) => s.id))
  const cool = steps.findIndex((s) => s.waitMinutes !== undefined)
  const before = steps.slice(0, cool).reduce((j, s) => tickStep(j, s.id, AT), job)
  const waiting = workLeft(waitFor(before, steps[cool]!.id, AT), 'j', 2, '2026-03-02T00:00:00Z')
  expect(waiting.readyAt).toBe(480 + steps[cool]!.waitMinutes!)
  expect(waiting.blocks[0]).toMatchObject({ id: steps[cool + 1]!.id, minutes: 2 * steps[cool + 1]!.minutes })
})

test('hours by the clock against planned ones give a pace; money follows hours and what was bought', () => {
  const job = { ...example('fell-bike-signed'), signature: null }
  const { all, done } = plannedMinutes(job)
  expect(done).toBe(all)
  expect(paceOf(job, AT)).toBeNull()
  const clocked = taken(clockIn(taken(clockIn(job, 'me', AT)), 'me', at(1.5 * all)))
  expect(paceOf(clocked, AT)).toBeCloseTo(1.5)
  // a clock left running over the weekend tells nothing; the middle of three is not moved by it
  const forgotten = taken(clockIn(taken(clockIn(job, 'me', AT)), 'me', at(60 * 100)))
  expect(usualPace([clocked, forgotten], AT)).toEqual({ pace: expect.closeTo(1.5), jobs: 1 })
  expect(usualPace([], AT)).toEqual({ pace: 1, jobs: 0 })
  // a clock that was set back takes nothing away
  expect(taken(clockIn(taken(clockIn(job, 'me', AT)), 'me', at(-60))).hours[0]).toMatchObject({ from: AT, to: AT })

  const entry = { number: 'TY-9', from: 'Beck Motor', warrantyUntil: null, at: AT }
  const priced = taken(
    addBought(setMoney(clocked, { currency: 'cr', perHour: 48 }), { what: 'fan', count: 2, price: 39.95, ...entry }),
  )
  const open = taken(addBought(priced, { what: 'ties', count: 10, price: null, ...entry }))
  const hours = Math.round((1.5 * all * 100) / 60) / 100
  expect(costOf(open, AT)).toMatchObject({
    total: Math.round(100 * (hours * 48 + 79.9)) / 100,
    unpriced: 1,
    currency: 'cr',
  })
  expect(costOf(job, AT).lines[0]).toMatchObject({ what: 'work, as planned', total: null })
})
