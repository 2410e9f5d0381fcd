import { example } from '../../formats/test-support/examples'
import type { Job } from '../job'
import { holdingSetting, settingShortOf } from './holding-setting'

/** The trailer where the outside air gets so hot, with so hot a compartment allowed, °C. */
const trailer = (hottestC: number, allowedC: number): Job => {
  const job = example('market-cold-trailer')
  const { surroundings, bay } = job
  return {
    ...job,
    surroundings: { ...surroundings, hottestC: { ...surroundings.hottestC, value: hottestC } },
    bay: { ...bay!, allowedC: { ...bay!.allowedC, value: allowedC } },
  } as Job
}

test('where what is proposed for a compartment comes short, every setting of the controller does', () => {
  const found = [
    [30, 60],
    [38, 40],
    [30, 34],
  ].map(([hottest, allowed]) => {
    const job = trailer(hottest!, allowed!)
    const { minC, maxC, stepK, bandMinK } = job.controllers[0]!.part.range!
    const short = settingShortOf(job, holdingSetting(job)!)
    for (let setC = minC; short.length && setC <= maxC; setC += stepK)
      for (const bandK of [bandMinK, 2 * bandMinK])
        expect({ setC, short: settingShortOf(job, { setC, bandK }) }).not.toEqual({ setC, short: [] })
    return short
  })
  // 60 °C allowed, 30 outside: there is room. 40 allowed, 38 outside: off stands 2 K over the air at least, on 2 K
  // higher, and what is seen late comes on top
  expect(found[0]).toEqual([])
  expect(found[1]).toEqual(['for the fan to stop on the hottest day'])
  expect(found[2]).toContain('for the fan to stop on the hottest day')
})
