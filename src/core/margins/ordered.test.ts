import fc from 'fast-check'
import { example } from '@/formats/test-support/examples'
import { fieldsOf, type Job, withReading } from '../job'
import { evaluate } from '.'
import { often } from '../../test-support/often'

const jobs = (
  [
    'fell-bike-short-at-idle',
    'fell-bike-signed',
    'vineyard-buggy-ready',
    'vineyard-buggy-unsure',
    'churchyard-digger-bay',
    'market-cold-trailer',
  ] as const
).map((name) => ({ name, job: example(name) }))

/**
 * A reading of which more never helps these margins, whatever else the machine is. Rated power is none of Air's: a
 * bigger engine's pump brings more coolant. The hottest day is none of Boil's: a warmer core tells the probe sooner.
 */
const hinders: readonly (readonly [address: RegExp, margins: readonly string[]])[] = [
  [/^surroundings\.hottestC$/, ['air']],
  [/^surroundings\.heightM$/, ['air', 'boil']],
  [/^conductors\.(feed|return)1\.lengthM$/, ['supply']],
  [/^conductors\.(feed|return)1\.ambientC$/, ['wire']],
  [/^fans\.fan1\.part\.ratedA$/, ['supply', 'wire', 'contacts', 'charge', 'battery']],
  [/^charging\.otherLoadsA$/, ['charge', 'battery']],
  [/^fans\.fan1\.part\.(depthM|housingM)$/, ['fit']],
  [/^place\.leads\.fan\.\w+\.lengthM$/, ['fit']],
  [/^place\.sweepM$/, ['fit']],
  [/^cooling\.resistanceFactor$/, ['air']],
  [/^surroundings\.blockedShare$/, ['air']],
  [/^engine\.idleShare$/, ['air']],
]
/** A reading of which more never hurts these. */
const helps: typeof hinders = [
  [/^fans\.fan1\.part\.(freeFlowM3s|maxPressurePa)$/, ['air']],
  [/^fans\.fan1\.part\.leadM$/, ['fit']],
  [/^place\.free(Depth|Front)M$/, ['fit']],
  [/^charging\.points\.\w+\.currentA$/, ['charge']],
  [/^batteries\.battery1\.(capacityAh|charge)$/, ['battery']],
  [/^surroundings\.coldestC$/, ['battery']],
  [/^cooling\.(capPa|glycolShare)$/, ['boil']],
  [/^cooling\.transferFactor$/, ['air']],
]

/** The value of every part of some margins, by name. */
const valuesOf = (job: Job, margins: readonly string[]): ReadonlyMap<string, number> =>
  new Map(
    evaluate(job)
      .margins.filter((m) => margins.includes(m.id))
      .flatMap((m) => m.parts.flatMap((p) => (p.value === null ? [] : [[`${m.id} ${p.id}`, p.value] as const]))),
  )

test('more of what hinders never helps a margin, more of what helps never hurts one', () => {
  const rules = [...hinders.map((r) => [...r, -1] as const), ...helps.map((r) => [...r, 1] as const)]
  let compared = 0
  fc.assert(
    fc.property(
      fc.constantFrom(...jobs),
      fc.constantFrom(...rules),
      fc.double({ min: 0.5, max: 1.5, noNaN: true }),
      fc.double({ min: 1.01, max: 1.6, noNaN: true }),
      ({ name, job }, [pattern, margins, sign], first, more) => {
        for (const { address, limits } of [...fieldsOf(job).values()].filter((f) => pattern.test(f.address))) {
          const now = fieldsOf(job).get(address)!.reading.value
          const within = (v: number): number => Math.min(limits.max, Math.max(limits.min, v))
          const [less, much] = [within(now * first), within(now * first * more)]
          if (much <= less) continue
          const set = (value: number): Job => withReading(job, address, { value, source: 'measured' })
          const before = valuesOf(set(less), margins)
          for (const [part, after] of valuesOf(set(much), margins)) {
            const was = before.get(part)
            if (was === undefined) continue
            compared++
            const change = sign * (after - was)
            if (change < -1e-6 * Math.max(1, Math.abs(was)))
              throw new Error(`${name}: ${address} ${less} to ${much} takes ${part} from ${was} to ${after}`)
          }
        }
      },
    ),
    { seed: 5, numRuns: often(30) },
  )
  expect(compared).toBeGreaterThan(60)
})
