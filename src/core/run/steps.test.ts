import { example } from '../../formats/test-support/examples'
import { circuitsOf } from '../fan-circuit'
import type { Run } from '../transient'
import { COARSE } from './compared'
import { runFans, seasons } from './circumstances'
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

/** Leg by leg, how far a run lies from one in steps a fifth of a second long: K and s. */
function apart(run: Run, fifth: Run) {
  const most = (of: (leg: Run['legs'][number]) => number): number =>
    Math.max(...run.legs.map((leg, i) => Math.abs(of(leg) - of(fifth.legs[i]!))))
  return { last: most((l) => l.lastC), fan: most((l) => l.fanS), duty: most((l) => l.dutyS) }
}

test(
  'steps of a second move no temperature by 0.02 K and no time by half a second against steps a fifth as ' +
    'long; rough ones a few hundredths of a peak',
  () => {
    for (const job of [...jobs, ramped(6), ramped(12)])
      for (const season of seasons)
        for (const fan of job === jobs[0] ? runFans : (['proposed'] as const)) {
          const at = { season, fan, whatIf: 'as it is' } as const
          const [whole, rough, fifth] = [{}, COARSE, { stepS: 0.2 }].map((steps) => simulate(job, at, steps)!)
          expect(Math.abs(whole!.peakC - fifth!.peakC)).toBeLessThan(0.02)
          expect(Math.abs(rough!.peakC - fifth!.peakC)).toBeLessThan(0.05)
          expect([whole!.starts, rough!.starts]).toEqual([fifth!.starts, fifth!.starts])
          const [near, far] = [apart(whole!, fifth!), apart(rough!, fifth!)]
          expect(near.last).toBeLessThan(0.02)
          expect(Math.max(near.fan, near.duty)).toBeLessThan(0.5)
          expect(far.last).toBeLessThan(0.25)
          expect(Math.max(far.fan, far.duty)).toBeLessThan(2)
          // what it says went out through core or vents did so in short steps too
          expect(Math.abs(rough!.energy.carried / fifth!.energy.carried - 1)).toBeLessThan(0.005)
        }
  },
)
