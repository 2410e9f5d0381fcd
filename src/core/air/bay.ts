import { AIR_HEAT } from './atmosphere'
import { flowAtPressure, type FanAir } from './fan'

const GRAVITY = 9.81
const DISCHARGE = 0.6
const BREEZE = 0.3
const KELVIN = 273.15
const STEPS = 60

/** Vents in and out in series as one opening. @returns m² @see engineering §2.7 */
export const ventsInSeries = (inM2: number, outM2: number): number => (inM2 <= 0 || outM2 <= 0 ? 0 : 1 / Math.sqrt(1 / inM2 ** 2 + 1 / outM2 ** 2))

/** A hose between fan and bay. */
export interface Duct { readonly lengthM: number; readonly diameterM: number; readonly bends: number; readonly splitter: boolean }

const FRICTION = 0.06
const LOSS = { entry: 0.5, exit: 1, bend: 0.8, splitter: 1 } as const

/** Pressure that vents and a hose take at a flow, over flow². @see engineering §2.7 */
export function bayResistance(ventM2: number, density: number, duct: Duct | null): number {
  const vents = ventM2 <= 0 ? Number.POSITIVE_INFINITY : 0.5 * density / (DISCHARGE * ventM2) ** 2
  if (!duct) return vents
  const area = (Math.PI / 4) * duct.diameterM ** 2
  const k = (FRICTION * duct.lengthM) / duct.diameterM + LOSS.entry + LOSS.exit + LOSS.bend * duct.bends + (duct.splitter ? LOSS.splitter : 0)
  return vents + (k * 0.5 * density) / area ** 2
}

/**
 * Flow of a fan against a resistance in proportion to the flow's square.
 * @returns m³/s; 0 where nothing is open
 * @see engineering §2.7
 */
export function fanThrough(fan: FanAir, speed: number, density: number, perSquare: number): number {
  if (!Number.isFinite(perSquare)) return 0
  let low = 0
  let high = fan.freeFlow * Math.max(speed, 0)
  for (let n = 0; n < STEPS; n++) {
    const q = (low + high) / 2
    if (flowAtPressure(fan, perSquare * q * q, speed, density) > q) low = q
    else high = q
  }
  return (low + high) / 2
}

export interface BayAir {
  readonly ventM2: number
  /** middle of the outlet over middle of the inlet, m */
  readonly heightM: number
  readonly breezeMs: number
  /** what the fan moves, m³/s; 0 without one */
  readonly fanFlow: number
  /** the fan draws the hot air out; otherwise it pushes cool air in */
  readonly extracts: boolean
}

export interface BayResult {
  /** over the air outside, K */
  readonly riseK: number
  /** outside air that goes through, m³/s */
  readonly flow: number
}

/**
 * How hot a bay gets: fan, buoyancy and breeze together as the root of the sum of their squares, solved with the rise.
 * @param heatW given into the air
 * @returns rise Infinity where nothing carries the heat away
 * @see engineering §2.7
 */
export function bayRise(heatW: number, { ventM2, heightM, breezeMs, fanFlow, extracts }: BayAir, outsideC: number, density: number): BayResult {
  const outsideK = outsideC + KELVIN
  const flowAt = (rise: number): number => {
    const buoyancy = DISCHARGE * ventM2 * Math.sqrt((2 * GRAVITY * Math.max(0, heightM) * rise) / (outsideK + rise / 2))
    const fan = extracts ? (fanFlow * outsideK) / (outsideK + rise) : fanFlow
    return Math.hypot(fan, buoyancy, BREEZE * ventM2 * breezeMs)
  }
  // the heat that a rise would carry grows with it, though a fan that extracts moves less of hotter air
  let low = 0
  let high = 5000
  if (density * AIR_HEAT * flowAt(high) * high < heatW) return { riseK: Number.POSITIVE_INFINITY, flow: 0 }
  for (let n = 0; n < STEPS; n++) {
    const rise = (low + high) / 2
    if (density * AIR_HEAT * flowAt(rise) * rise < heatW) low = rise
    else high = rise
  }
  const riseK = (low + high) / 2
  return { riseK, flow: flowAt(riseK) }
}
