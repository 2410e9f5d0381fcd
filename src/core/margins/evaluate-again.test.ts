import { example } from '@/formats/test-support/examples'
import { askedFields, fieldsOf, type Job, withReading } from '../job'
import { evaluate } from './evaluate'

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
