import { firstCircuit, powerFlows, suitsVoltage, runningAmps } from '../fan-circuit'
import { movedAir, type MovedAir } from '../cooling'
import { chooseFan, type Job, lookupOf } from '../job'
import type { FanPart } from '../parts'
import { depthStack } from '../placing'
import { Bench } from '../reading'

/** A fan of the shelf held against this machine. */
export interface FanComparison {
  readonly part: FanPart
  /** free behind it over what must stay free, m */
  readonly depthOverM: number
  readonly runA: number
  /** standing still; null where no fan is mounted here */
  readonly moved: MovedAir | null
  /** left over with it running in the leanest state that something charges in, A */
  readonly leanestNetA: number
  /** made for another voltage than this machine's */
  readonly otherVoltage: boolean
  readonly chosen: boolean
}

/** so that a sum of millimetres that comes to nothing is nothing */
const toMicrometre = (m: number): number => Math.round(m * 1e6) / 1e6 + 0

/**
 * Every fan in this machine's own place and charging system: what fits and what it takes, not its diameter.
 * @see engineering §1.6, §1.8, §7
 */
export function comparedFans(job: Job, parts: readonly FanPart[]): FanComparison[] {
  return parts.map((part) => {
    const with_ = chooseFan(job, part)
    const bench = new Bench(lookupOf(with_))
    return {
      part,
      moved: movedAir(job, part),
      chosen: firstCircuit(job).fan?.part.id === part.id,
      otherVoltage: !suitsVoltage(part, job.machine.systemV),
      depthOverM: toMicrometre(depthStack(with_).leftM - depthStack(with_).requiredM),
      runA: runningAmps(bench, firstCircuit(with_).fan!),
      leanestNetA: Math.min(
        ...powerFlows(with_, bench)
          .flows.filter((f) => f.chargeA > 0 || f.rpm !== null)
          .map((f) => f.netA),
      ),
    }
  })
}
