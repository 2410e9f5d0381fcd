import { example } from '../../formats/test-support/examples'
import { circuitsOf } from '../fan-circuit'
import { runFans, seasons } from './run-spec'
import { simulate } from './simulate'

const jobs = [
  'fell-bike-short-at-idle',
  'fell-bike-signed',
  'vineyard-buggy-unsure',
  'churchyard-digger-bay',
  'market-cold-trailer',
].map(example)

/** The same job with a fan that is ramped up over some kelvins. */
const ramped = (spanK: number) => {
  const job = jobs[1]!
  const { controller } = circuitsOf(job)[0]!
  return {
    ...job,
    controllers: job.controllers.map((c) =>
      c.id === controller!.id ? { ...c, spanK, part: { ...c.part, control: 'ramp' as const, leastDuty: 0.15 } } : c,
    ),
  }
}

test('steps of a second move no temperature by 0.02 K and no time by half a second against steps a fifth as long', () => {
  for (const job of [...jobs, ramped(6), ramped(12)])
    for (const season of seasons)
      for (const fan of runFans) {
        const at = { season, fan, whatIf: 'as it is' } as const
        const [whole, fifth] = [simulate(job, at)!, simulate(job, at, { stepS: 0.2 })!]
        expect(Math.abs(whole.peakC - fifth.peakC)).toBeLessThan(0.02)
        expect(whole.starts).toEqual(fifth.starts)
        whole.legs.forEach((leg, i) => {
          expect(Math.abs(leg.lastC - fifth.legs[i]!.lastC)).toBeLessThan(0.02)
          expect(Math.abs(leg.fanS - fifth.legs[i]!.fanS)).toBeLessThan(0.5)
          expect(Math.abs(leg.dutyS - fifth.legs[i]!.dutyS)).toBeLessThan(0.5)
        })
      }
})
