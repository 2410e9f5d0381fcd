import './words-first'
import { expose } from 'comlink'
import { fanFirst } from '../core/fan-circuit'
import type { Job } from '../core/job'
import type { FanPart } from '../core/parts'
import { type Placement, placementCount, ranked, searchPlacements } from '../core/placing'

const SAY_MS = 60

const placing = {
  /**
   * Searches the best places; progress now and then. To give a search up, end the worker.
   * @param fan whose place is sought, 0 the first: which it is does not come along with a job that is seen from it
   */
  search(
    whole: Job,
    fan: number,
    fans: readonly FanPart[],
    tell: (done: number, of: number) => void,
  ): readonly Placement[] {
    const job = fanFirst(whole, fan)
    const of = placementCount(job, fans.length)
    const found: Placement[] = []
    let said = performance.now()
    for (const placement of searchPlacements(job, fans)) {
      found.push(placement)
      if (performance.now() - said > SAY_MS) {
        said = performance.now()
        tell(found.length, of)
      }
    }
    return ranked(found)
  },
}
export type Placing = typeof placing

expose(placing)
