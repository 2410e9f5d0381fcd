import fc from 'fast-check'
import { example } from '@/formats/test-support/examples'
import { changeFuse, changeSetting, changeSizes, fieldsOf, type Job, withReading } from '../job'
import { firstCircuit, proposedSetting } from '../fan-circuit'
import { evaluate, type MarginResult } from '../margins'
import { wireSizes } from '../units'
import { holdingSetting, remediesFor, settingShortOf } from '.'
import { often } from '../../test-support/often'

const jobs = (
  [
    'fell-bike-short-at-idle',
    'vineyard-buggy-ready',
    'vineyard-buggy-unsure',
    'churchyard-digger-bay',
    'market-cold-trailer',
  ] as const
).map((name) => ({ name, job: example(name) }))

/** A demo job with other sizes, another fuse and setting, longer wires and a thirstier fan. */
const spoiled = fc
  .record({
    from: fc.constantFrom(...jobs),
    size: fc.constantFrom(...wireSizes, null),
    fuse: fc.constantFrom(null, 2, 3, 5, 7.5, 10, 15, 20, 30),
    setC: fc.integer({ min: 30, max: 115 }),
    bandK: fc.integer({ min: 2, max: 15 }),
    longer: fc.double({ min: 0.5, max: 6, noNaN: true }),
    thirst: fc.double({ min: 0.5, max: 3, noNaN: true }),
  })
  .map(({ from: { name, job }, size, fuse, setC, bandK, longer, thirst }) => {
    const [first] = job.runs
    const sized = size === null ? job : changeSizes(job, size, first!.conductors)
    const fused = changeFuse(sized, fuse)
    const set = job.controllers[0]!.part.range ? changeSetting(fused, job.controllers[0]!.id, setC, bandK) : fused
    const times = (j: Job, address: string, by: number): Job => {
      const { reading, limits } = fieldsOf(j).get(address)!
      return withReading(j, address, { value: Math.min(limits.max, reading.value * by), source: 'measured' })
    }
    return {
      name,
      job: times(
        times(set, `conductors.${first!.conductors[0]}.lengthM`, longer),
        `fans.${job.fans[0]!.id}.part.ratedA`,
        thirst,
      ),
    }
  })

const rank = { short: 0, open: 1, unsure: 2, holds: 3 } as const
const decidingValue = (m: MarginResult, of: MarginResult): number | null =>
  m.parts.find((p) => p.id === of.part)?.value ?? null

test('what is offered at one press helps the margin that it is offered for, and takes no other below its line', () => {
  let pressed = 0
  fc.assert(
    fc.property(spoiled, ({ name, job }) => {
      const { margins } = evaluate(job)
      for (const before of margins)
        for (const { text, change } of remediesFor(job, before)) {
          if (!change) continue
          pressed++
          const then = new Map(evaluate(change(job)).margins.map((m) => [m.id, m]))
          const after = then.get(before.id)!
          const [was, is] = [decidingValue(before, before), decidingValue(after, before)]
          const helped = rank[after.verdict] > rank[before.verdict] || was === null || is === null || is > was
          expect({ name, text, helped }).toEqual({ name, text, helped: true })
          const broken = margins.filter((m) => m.verdict === 'holds' && then.get(m.id)!.verdict === 'short')
          expect({ name, text, broken: broken.map((m) => m.id) }).toEqual({ name, text, broken: [] })
        }
    }),
    { seed: 9, numRuns: often(16) },
  )
  expect(pressed).toBeGreaterThan(20)
})

test('a band so wide that the fan would come on near the boil is narrowed in what is proposed', () => {
  const job = changeSetting(example('vineyard-buggy-unsure'), 'controller1', 95, 15)
  const proposed = holdingSetting(job)!
  expect(proposed.bandK).toBeLessThan(15)
  expect(settingShortOf(job, proposed)).toEqual([])
  // the widest that will do: one step more, worked out the same way, comes short
  const { stepK } = job.controllers[0]!.part.range!
  const wider = proposedSetting(job, firstCircuit(job), proposed.bandK + stepK)!
  expect(settingShortOf(job, wider)).not.toEqual([])
})
