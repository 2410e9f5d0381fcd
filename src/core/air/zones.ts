import { AIR_HEAT } from './atmosphere'
import { effectiveness, faceVelocity, heatTransfer, STILL_AIR, type Core, velocityThrough } from './core'
import { type FanAir, flowOf } from './fan'
import { rootBetween } from './root'

/** A core with a fan over part of it. Areas in m², what mud and fluff block already taken off. */
export interface CoveredCore {
  readonly core: Core
  readonly coveredArea: number
  readonly openArea: number
  /** free area round the shroud; 0 where it is closed or there is no shroud */
  readonly gapArea: number
}

export interface Blowing {
  /** null: no fan fitted, the whole core is open */
  readonly fan: FanAir | null
  /** relative to the rating; 0 is a stopped fan, which is in the way */
  readonly speed: number
  /** the fan pushes against the ram, m/s of travel not asked */
  readonly against: boolean
  /** pressure of the travel on the face, Pa */
  readonly ramPa: number
  readonly density: number
}

/** Air through both zones, m³/s, counted with the ram. */
export interface ZoneFlows {
  readonly covered: number
  readonly open: number
  /** through the gap, drawn from behind the fan where positive */
  readonly gap: number
  readonly fanPressurePa: number
  /** less than 0.1 m/s through the covered zone, or backwards */
  readonly stalled: boolean
}

const DISCHARGE = 0.6
const STALL = 0.1
const TOLERANCE_PA = 1e-11

const throughGap = (area: number, pressurePa: number, density: number): number =>
  DISCHARGE * area * Math.sign(pressurePa) * Math.sqrt((2 * Math.abs(pressurePa)) / density)

/**
 * Air through the zone that the fan covers and the open one, sought by the fan's pressure: the flows through core and
 * gap rise with it, the fan's own falls, so there is one answer.
 * @see engineering §2.6
 * @example zoneFlows({ core: { thickness: 0.025, finsPerInch: 14 }, coveredArea: 0.02, openArea: 0.01,
 *   gapArea: 0 }, { fan: null, speed: 0, against: false, ramPa: 9.5, density: 1.2 }).open //=> 0.01
 */
export function zoneFlows(
  { core, coveredArea, openArea, gapArea }: CoveredCore,
  { fan, speed, against, ramPa, density }: Blowing,
): ZoneFlows {
  const openVelocity = ramPa > 0 ? faceVelocity(core, ramPa, density) : 0
  if (!fan || coveredArea <= 0)
    return {
      covered: fan ? 0 : openVelocity * coveredArea,
      open: openVelocity * openArea,
      gap: 0,
      fanPressurePa: 0,
      stalled: false,
    }
  const velocity = velocityThrough(core, density)
  const covered = (p: number): number => coveredArea * velocity(p + ramPa)
  // a fan against the ram adds −p_fan(−Q)
  const flow = flowOf(fan, speed, density)
  const byFan = (p: number): number => (against ? -flow(-p) : flow(p))
  // the fan's own law bounds its pressure: at no flow from above; below, no more is against it than the ram can drive
  // through
  const most = fan.maxPressure * (density / 1.2) * speed * speed + 1
  const least = -(Math.abs(ramPa) + most)
  const p = rootBetween((at) => byFan(at) - covered(at) - throughGap(gapArea, at, density), least, most, TOLERANCE_PA)
  const through = covered(p)
  return {
    covered: through,
    open: openVelocity * openArea,
    gap: throughGap(gapArea, p, density),
    fanPressurePa: p,
    stalled: through / coveredArea < STALL,
  }
}

/**
 * Heat that coolant gives to the air of one zone.
 * @param coolantCapacity ṁ c_p of the coolant in this zone, W/K
 * @returns W
 * @see engineering §2.5
 * @example zoneHeat({ thickness: 0.025, finsPerInch: 14 }, 0.1, 0, 100, 40, 1.2) //=> 0
 */
export function zoneHeat(
  core: Core,
  area: number,
  flow: number,
  coolantCapacity: number,
  overAirK: number,
  density: number,
): number {
  if (area <= 0 || flow === 0 || coolantCapacity <= 0) return 0
  const air = density * AIR_HEAT * Math.abs(flow)
  const [least, most] = [Math.min(air, coolantCapacity), Math.max(air, coolantCapacity)]
  return effectiveness((heatTransfer(core, flow / area) * area) / least, least / most) * least * overAirK
}

/** A part of a core's face and the air that goes through it, m² and m³/s. */
export interface Zone {
  readonly area: number
  readonly flow: number
}

/**
 * Heat carried off by all of a core: zone by zone, the coolant divided by frontal area, and what it gives off in still
 * air.
 * @param coolantCapacity ṁ c_p of all coolant, W/K
 * @param overAirK coolant at the inlet over the air that comes in
 * @returns W
 * @see engineering §2.5, §2.6
 * @example zonesHeat({ thickness: 0.025, finsPerInch: 14 }, [{ area: 0.1, flow: 0 }], 100, 40, 1.2) //=> 100
 */
export function zonesHeat(
  core: Core,
  zones: readonly Zone[],
  coolantCapacity: number,
  overAirK: number,
  density: number,
): number {
  const area = zones.reduce((sum, z) => sum + z.area, 0)
  if (area <= 0) return 0
  return zones.reduce(
    (sum, z) => sum + zoneHeat(core, z.area, z.flow, (coolantCapacity * z.area) / area, overAirK, density),
    STILL_AIR * area * overAirK,
  )
}

/**
 * Pressure of travel on a face.
 * @param share C_ram
 * @returns Pa
 * @see engineering §2.6
 * @example ramPressure(0.4, 10, 1.2) //=> 24
 */
export const ramPressure = (share: number, speedMs: number, density: number): number =>
  share * 0.5 * density * speedMs ** 2
