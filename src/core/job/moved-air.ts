import { airDensity, bayResistance, circleInRectangle, fanThrough, typicalMaxPressure, ventsInSeries, zoneFlows, type FanAir } from '../air'
import { contactsResistance, runningFan, wiresResistance } from '../electrical'
import { Bench } from '../reading'
import type { FanPart } from '../parts'
import { lookupOf } from './address'
import { chooseFan } from './choose'
import type { Job } from './document'
import { circuitsOf, ratingOf, runCurrent, wiresOf, wiresWaitFor } from './margins'

/** Air that a fan really moves in its place, the machine standing still. */
export interface MovedAir {
  /** through fins or vents, m³/s */
  readonly flowM3s: number
  /** of the free air-flow on its box */
  readonly ofBox: number
}

/** Speed at the regulator's voltage, behind the wires where their sizes are chosen: the wire costs air. */
function speedOf(job: Job, bench: Bench): number {
  const circuit = circuitsOf(job)[0]!
  const rating = ratingOf(bench, circuit.fan!)
  const run = wiresWaitFor(circuit) ? null : wiresOf(bench, circuit)
  const ohm = run ? wiresResistance(runCurrent(bench, circuit.fan!).value, run).value + contactsResistance(run).value : 0
  return runningFan(rating, bench.value('charging.regulatorV'), ohm).speed
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
  const fan: FanAir = { freeFlow: part.freeFlowM3s.value, maxPressure: typicalMaxPressure(part.diameterM.value, job.place.mount === 'duct') }
  const speed = speedOf(with_, new Bench(lookupOf(with_)))
  const flowM3s = job.bay
    ? fanThrough(fan, speed, density, bayResistance(ventsInSeries(job.bay.ventInM2.value, job.bay.ventOutM2.value), density, null))
    : throughCore(job, part, fan, speed, density)
  return { flowM3s, ofBox: flowM3s / fan.freeFlow }
}
