import { example } from '@/formats/test-support/examples'
import fc from 'fast-check'
import { askedFields, fieldsOf, type Job, lookupOf, withReading } from '../job'
import { Bench } from '../reading'
import { evaluate } from './evaluate'
import { marginsOf } from './margins-of'
import { often } from '../../test-support/often'

/** The same job, as if it had come out of a file: nothing is remembered of it. */
const unknown = (job: Job): Job => structuredClone(job)

test.each([
  ['fell-bike-short-at-idle', /^(fans|place|cooling|batteries|conductors)/],
  ['churchyard-digger-bay', /^(bay|fans|engine|charging)/],
] as const)(
  '%s: while a reading is typed, what is kept of the margins before is what they come to anew',
  (name, which) => {
    const job = example(name)
    evaluate(job)
    const fields = askedFields(job).filter((f) => which.test(f.address))
    expect(fields.length).toBeGreaterThan(12)
    for (const { address, limits } of fields) {
      const { value } = fieldsOf(job).get(address)!.reading
      const to = Math.min(limits.max, value === 0 ? limits.max / 7 : value * 1.13)
      const changed = withReading(job, address, { value: to, source: 'measured' })
      const again = evaluate(changed, null, { quickly: true })
      expect([address, again]).toEqual([address, evaluate(unknown(changed))])
    }
  },
  60_000,
)

test.each(['fell-bike-short-at-idle', 'vineyard-buggy-unsure'])(
  '%s: a figure without its working is the figure with it, to the last digit, wherever the readings lie',
  (name) => {
    const job = example(name)
    const lookup = lookupOf(job)
    const fields = askedFields(job)
    const parts = marginsOf(job, new Bench(lookup)).flatMap((m) => m.parts)
    fc.assert(
      fc.property(
        fc.array(fc.double({ min: 0.5, max: 1.5, noNaN: true }), { minLength: 200, maxLength: 200 }),
        (by) => {
          const moved = new Map(fields.map((f, i) => [f.address, f.reading.value * by[i % by.length]!]))
          const bench = new Bench(lookup, moved)
          for (const p of parts)
            if ('figure' in p) expect([p.id, p.figure(bench)]).toEqual([p.id, p.compute(bench).value])
        },
      ),
      { numRuns: often(16), seed: 7 },
    )
  },
)
