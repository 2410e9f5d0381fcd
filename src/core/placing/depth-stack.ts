import { firstCircuit } from '../fan-circuit'
import { type Job, panelOf } from '../job'
import { neighbours } from './surroundings-of-fan'

/** What stands one behind the other, for the section drawing; metres. `coreM` is the panel's for a bay. */
export interface DepthStack {
  readonly coreM: number
  readonly standOffM: number
  readonly fanM: number | null
  readonly freeM: number
  readonly leftM: number
  readonly requiredM: number
}

const PANEL_M = 0.003

/** @param fan the fan that stands there; the first where nobody says */
export function depthStack(job: Job, fan = firstCircuit(job).fan): DepthStack {
  const coreM = (job.newCore?.thicknessM ?? job.cooling?.coreThicknessM)?.value ?? PANEL_M
  const behind = job.place.side === 'puller'
  const standing = job.bay ? panelOf(job)!.freeM.value : (behind ? job.place.freeDepthM : job.place.freeFrontM).value
  const freeM =
    standing -
    (job.newCore && job.cooling && behind ? job.newCore.thicknessM.value - job.cooling.coreThicknessM.value : 0)
  const standOffM = job.place.standOffM.value
  const fanM = fan?.part.depthM.value ?? null
  return {
    coreM,
    standOffM,
    fanM,
    freeM,
    leftM: freeM - standOffM - (fanM ?? 0),
    requiredM: neighbours[job.place.neighbour].requiredMm / 1000,
  }
}

/**
 * Where the mounting pins and their holes come with the new core: moved back by the difference.
 * @returns m, null without a new core
 * @see engineering §7
 */
export const holeMove = (job: Job): number | null =>
  job.newCore ? job.newCore.pinNewM.value - job.newCore.pinOldM.value : null
