import { firstCircuit } from '../fan-circuit'
import { chooseFan, type Job, lookupOf, panelOf } from '../job'
import type { FanPart } from '../parts'
import { Bench } from '../reading'
import { bayFlow } from './bay-air'
import { airThroughCores, runningAir } from './cooler'

/** Air that a fan really moves in its place, the machine standing still. */
export interface MovedAir {
  /** through fins or vents, m³/s */
  readonly flowM3s: number
  /** of the free air-flow on its box */
  readonly ofBox: number
}

/**
 * Air that a fan of a job moves with this pass's readings, m³/s; 0 where it cannot run.
 * @see engineering §2.6, §2.7
 */
export function movedBy(bench: Bench, job: Job, circuit = firstCircuit(job)): number {
  const running = circuit.fan ? runningAir(bench, { ...circuit, fan: circuit.fan }) : null
  if (!running) return 0
  if (job.bay) return bayFlow(bench, job, [running], panelOf(job), job.place.side).fanFlow
  return airThroughCores(bench, job, null).fans.find((f) => f.circuit.fan.id === circuit.fan!.id)?.flows.covered ?? 0
}

/**
 * What a fan of the shelf would move on this machine in the chosen place: standing, no breeze, hottest day, ground as
 * it is.
 * @returns null where neither core nor vents are known
 * @see engineering §2.3, §2.4, §2.6, §2.7
 */
export function movedAir(job: Job, part: FanPart): MovedAir | null {
  if (!job.cooling && !job.bay) return null
  const with_ = chooseFan(job, part)
  const bench = new Bench(lookupOf(with_))
  const flowM3s = movedBy(bench, with_)
  return { flowM3s, ofBox: flowM3s / part.freeFlowM3s.value }
}

/**
 * Share of its core's face that a fan covers as it sits; null in a bay or without a fan.
 * @see engineering §7
 */
export function coverage(job: Job, { fan } = firstCircuit(job)): number | null {
  if (!job.cooling || !fan) return null
  const { fans } = airThroughCores(new Bench(lookupOf(job)), job, null)
  const own = fans.find((f) => f.circuit.fan.id === fan.id)
  return own ? own.areaM2 / (job.cooling.coreWidthM.value * job.cooling.coreHeightM.value) : null
}
