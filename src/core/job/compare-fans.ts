import { Bench } from '../reading'
import { lookupOf } from './address'
import { chooseFan } from './choose'
import type { Job } from './document'
import { circuitsOf, neighbours, powerFlows, runCurrent } from './margins'
import type { FanPart } from './parts'

/** A fan of the shelf held against this machine. */
export interface FanComparison {
  readonly part: FanPart
  /** free behind it over what must stay free, m */
  readonly depthOverM: number
  readonly runA: number
  /** left over at idle with it running, A */
  readonly idleNetA: number
  readonly chosen: boolean
}

/** Every fan in this machine's own place and charging system: what fits and what it takes, not its diameter. @see engineering §1.6, §1.8, §7 */
export function comparedFans(job: Job, parts: readonly FanPart[]): FanComparison[] {
  return parts.map((part) => {
    const with_ = chooseFan(job, part)
    const bench = new Bench(lookupOf(with_))
    return {
      part, chosen: job.fans[0]?.part.id === part.id,
      depthOverM: job.place.freeDepthM.value - part.depthM.value - job.place.standOffM.value - neighbours[job.place.neighbour].requiredMm / 1000,
      runA: runCurrent(bench, circuitsOf(with_)[0]!.fan!).value, idleNetA: powerFlows(with_, bench).flows[0]!.netA,
    }
  })
}
