import { mountOf } from '../job'
import { holesOf, snapToGaps } from '../fit'
import type { Fan, Job, Seat } from '../job'

/** a pointer pulls in what is this near, m */
const PULL_M = 0.003

/** A seat moved over the face of its core; kept within reach of it. */
export function moved(job: Job, seat: Seat, dxM: number, dyM: number): Seat {
  const near = (v: number, size: number): number => Math.min(size * 1.2, Math.max(-size * 0.2, v))
  return {
    core: seat.core,
    xM: near(seat.xM + dxM, job.cooling!.coreWidthM.value),
    yM: near(seat.yM + dyM, job.cooling!.coreHeightM.value),
  }
}

/**
 * A seat pulled to what it lies near: the core's middle and edges, and with ties the gaps between tubes.
 * @see engineering §7
 */
export function snapped(job: Job, part: Fan['part'], seat: Seat): Seat {
  const { coreWidthM, coreHeightM, tubePitchM } = job.cooling!
  const half = part.housingM.value / 2
  const near = (v: number, size: number): number =>
    [size / 2, half, size - half].find((to) => Math.abs(v - to) < PULL_M) ?? v
  const xM = mountOf(job).throughFins
    ? snapToGaps(seat.xM, holesOf(part.fixings, part.boltCircleM.value), tubePitchM.value).xM
    : near(seat.xM, coreWidthM.value)
  return { ...seat, xM, yM: near(seat.yM, coreHeightM.value) }
}
