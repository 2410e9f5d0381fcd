import { airDensity, bayResistance, circleInRectangle, fanThrough, ventsInSeries, zoneFlows, type FanAir } from '../air'
import { Bench } from '../reading'
import type { FanPart } from '../parts'
import { lookupOf } from './address'
import { chooseFan } from './choose'
import type { Job } from './document'
import { circuitsOf, fanSpeed } from './margins'

/** Air that a fan really moves in its place, the machine standing still. */
export interface MovedAir {
  /** through fins or vents, m³/s */
  readonly flowM3s: number
  /** of the free air-flow on its box */
  readonly ofBox: number
}

function throughCore(job: Job, part: FanPart, fan: FanAir, speed: number, density: number): number {
  const { coreWidthM: { value: width }, coreHeightM: { value: height }, coreThicknessM, finsPerInch } = job.cooling!
  const core = { thickness: (job.newCore?.thicknessM ?? coreThicknessM).value, finsPerInch: (job.newCore?.finsPerInch ?? finsPerInch).value }
  const coveredArea = job.place.mount === 'shroud' ? width * height : circleInRectangle(part.diameterM.value / 2, width, height)
  return zoneFlows({ core, coveredArea, openArea: width * height - coveredArea, gapArea: 0 }, { fan, speed, against: false, ramPa: 0, density }).covered
}

/**
 * What a fan of the shelf would move on this machine: clean core or open vents, no breeze, hottest day, the fan in the middle.
 * The core's resistance and a fan's greatest pressure are estimates (± 30 %).
 * @returns null where neither core nor vents are known
 * @see engineering §2.3, §2.4, §2.6, §2.7
 */
export function movedAir(job: Job, part: FanPart): MovedAir | null {
  if (!job.cooling && !job.bay) return null
  const with_ = chooseFan(job, part)
  const density = airDensity(job.surroundings.heightM.value, job.surroundings.hottestC.value)
  const fan: FanAir = { freeFlow: part.freeFlowM3s.value, maxPressure: part.maxPressurePa.value }
  const speed = fanSpeed(new Bench(lookupOf(with_)), circuitsOf(with_)[0]!)
  const flowM3s = job.bay
    ? fanThrough(fan, speed, density, bayResistance(ventsInSeries(job.bay.ventInM2.value, job.bay.ventOutM2.value), density, null))
    : throughCore(job, part, fan, speed, density)
  return { flowM3s, ofBox: flowM3s / fan.freeFlow }
}
