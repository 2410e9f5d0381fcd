import fc from 'fast-check'
import { example, examplesOf } from '@/formats/test-support/examples'
import { changeObstacle, dropObstacle, type Job, withReading } from '../job'
import { evaluate } from '../margins'
import { addSecondFan, dropSecondFan } from '../wiring'
import { isPlaced, searchPlacements, takePlacement } from '.'
import { often } from '../../test-support/often'

const fans = examplesOf('fan').filter((f) => f.ratedV === 12)
const bike = example('fell-bike-short-at-idle')
const buggy = example('vineyard-buggy-unsure')
const measured = (value: number) => ({ value, source: 'measured' as const })
const set = (job: Job, address: string, value: number): Job => withReading(job, address, measured(value))

/** mm that the tightest of what is near the first fan has over what it needs, as the Fit margin has it */
function tightestOfFit(job: Job): number {
  const parts = evaluate(job).margins.find((m) => m.id === 'fit')!.parts
  const near = parts.filter(
    (p) => /^(depth|edge|near|other fan)/.test(p.id) && !/^(depth|edge|near).*, fan 2/.test(p.id),
  )
  return Math.min(...near.map((p) => p.value!))
}

/** A bike or a buggy with one fan or two, its room and what stands near it anywhere. */
const room = fc
  .record({
    from: fc.constantFrom(bike, buggy),
    two: fc.boolean(),
    behind: fc.double({ min: 0.02, max: 0.12, noNaN: true }),
    before: fc.double({ min: 0.02, max: 0.12, noNaN: true }),
    x: fc.double({ min: -0.1, max: 0.3, noNaN: true }),
    y: fc.double({ min: -0.1, max: 0.3, noNaN: true }),
    wide: fc.double({ min: 0.01, max: 0.2, noNaN: true }),
    kind: fc.constantFrom('fixed' as const, 'moves' as const, 'exhaust' as const),
    core: fc.nat({ max: 1 }),
  })
  .map(({ from, two, behind, before, x, y, wide, kind, core }) => {
    const [first, ...others] = from.place.obstacles
    const one = others.reduce((j, o) => dropObstacle(j, o.id), from)
    const free = set(set(one, 'place.freeDepthM', behind), 'place.freeFrontM', before)
    const near = first
      ? changeObstacle(free, first.id, {
          kind,
          core: Math.min(core, from.cooling!.cores - 1),
          side: 'behind',
          fromLeftM: measured(x),
          fromTopM: measured(y),
          wideM: measured(wide),
        })
      : free
    return two ? addSecondFan(near, fans[0]!) : near
  })

test('what a search says fits does so in the figures of Fit, beside another fan too; what it says does not, does not', () => {
  const told = { fits: 0, lacks: 0, beside: 0 }
  fc.assert(
    fc.property(room, fc.nat(), (job, pick) => {
      for (const p of searchPlacements(job, [fans[pick % fans.length]!])) {
        const taken = takePlacement(job, p)
        expect(isPlaced(taken, p)).toBe(true)
        const least = tightestOfFit(taken)
        if (p.lacking) expect(least).toBeLessThan(0.05)
        else expect(least).toBeGreaterThan(-0.2)
        if (!p.lacking && Math.abs(p.spareM) < 0.5) expect(least).toBeCloseTo(1000 * p.spareM, 0)
        told[p.lacking ? 'lacks' : 'fits']++
        if (job.fans.length > 1 && job.fans[1]!.seat?.core === p.core && !p.lacking) told.beside++
      }
    }),
    { seed: 71, numRuns: often(8) },
  )
  // neither answer is the only one, and some stand beside another
  expect(Math.min(told.fits, told.lacks)).toBeGreaterThan(3)
  expect(told.beside).toBeGreaterThan(0)
})

test('a second fan takes its place from the first: where it stands no other is offered', () => {
  const swift = bike.fans[0]!.part
  const two = addSecondFan(bike, swift)
  const { core } = two.fans[1]!.seat!
  const there = [...searchPlacements(two, [swift])].find((p) => p.core === core && p.side === two.place.side)!
  const alone = [...searchPlacements(bike, [swift])].find((p) => p.core === core && p.side === two.place.side)!
  expect(alone.lacking).toBeNull()
  // its frame of 116 about 72 mm from the top of a core of 240: 14 are left above it and 110 below
  expect(two.fans[1]!.seat!.yM).toBeCloseTo(0.072, 4)
  expect(there.lacking).toMatchObject({ what: 'distance', from: expect.stringContaining('other fan') as string })
  // taken off again, the place is free
  const again = [...searchPlacements(dropSecondFan(two), [swift])].find(
    (p) => p.core === core && p.side === alone.side,
  )!
  expect({ ...again, part: null }).toEqual({ ...alone, part: null })
})
