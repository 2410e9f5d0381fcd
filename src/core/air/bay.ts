import { AIR_HEAT } from './atmosphere'
import { fanPressure, type FanAir } from './fan'
import { rootBetween } from './root'

const GRAVITY = 9.81
const DISCHARGE = 0.6
/** share of the vents' area that a breeze's speed goes through */
export const BREEZE_SHARE = 0.3
const KELVIN = 273.15
/** of the flow looked for */
const TOLERANCE = 1e-10
/** beyond this a rise is told as endless, K */
const HOTTEST_K = 5000

/** Vents in and out in series as one opening. @returns m² @see engineering §2.7 */
export const ventsInSeries = (inM2: number, outM2: number): number =>
  inM2 <= 0 || outM2 <= 0 ? 0 : 1 / Math.sqrt(1 / inM2 ** 2 + 1 / outM2 ** 2)

/** A hose between fan and bay. */
export interface Duct {
  readonly lengthM: number
  readonly diameterM: number
  readonly bends: number
  readonly splitter: boolean
}

const FRICTION = 0.06
const LOSS = { entry: 0.5, exit: 1, bend: 0.8, splitter: 1 } as const

/** Pressure that vents and a hose take at a flow, over flow². @see engineering §2.7 */
export function bayResistance(ventM2: number, density: number, duct: Duct | null): number {
  const vents = ventM2 <= 0 ? Number.POSITIVE_INFINITY : (0.5 * density) / (DISCHARGE * ventM2) ** 2
  if (!duct) return vents
  const area = (Math.PI / 4) * duct.diameterM ** 2
  const k =
    (FRICTION * duct.lengthM) / duct.diameterM +
    LOSS.entry +
    LOSS.exit +
    LOSS.bend * duct.bends +
    (duct.splitter ? LOSS.splitter : 0)
  return vents + (k * 0.5 * density) / area ** 2
}

/** A fan in a row of fans; against: it blows the other way. */
export interface InRow {
  readonly fan: FanAir
  readonly speed: number
  readonly against?: boolean
}

/**
 * Flow of fans one behind the other, each adding its pressure with its sign, against a resistance in proportion to the
 * flow's square.
 * @returns m³/s, counted the way of the first; negative where the others are stronger
 * @see engineering §2.7
 */
export function inSeries(row: readonly InRow[], density: number, perSquare: number): number {
  if (!Number.isFinite(perSquare)) return 0
  const pressure = (q: number): number =>
    row.reduce(
      (sum, { fan, speed, against }) =>
        sum + (against ? -fanPressure(fan, -q, speed, density) : fanPressure(fan, q, speed, density)),
      -perSquare * q * Math.abs(q),
    )
  // all of them together move no more than the strongest alone in free air
  const high = Math.max(...row.map((r) => r.fan.freeFlow * Math.max(r.speed, 0)))
  const low = row.some((r) => r.against) ? -high : 0
  return rootBetween(pressure, low, high, TOLERANCE * high)
}

/** What one row of fans moves against a pressure behind it, m³/s; negative where that drives it back. */
function flowAt(row: readonly InRow[], density: number, back: number): number {
  const pressure = (q: number): number =>
    row.reduce(
      (sum, { fan, speed, against }) =>
        sum + (against ? -fanPressure(fan, -q, speed, density) : fanPressure(fan, q, speed, density)),
      -back,
    )
  const most = Math.max(...row.map((r) => r.fan.freeFlow * Math.max(r.speed, 0)))
  return rootBetween(pressure, -most, most, TOLERANCE * most)
}

/**
 * Air through one path by rows of fans beside each other: they share its pressure, so that two move less than twice
 * what one moves.
 * @param rows fans beside each other, each with what stands one behind the other in its own row
 * @param perSquare pressure that the shared path takes, over the square of all the air, Pa·s²/m⁶
 * @returns m³/s of all of them together
 * @see engineering §2.7
 * @example besideEachOther([[{ fan: { freeFlow: 0.1, maxPressure: 100 }, speed: 1 }]], 1.2, 10000) //=> 0.0707
 */
export function besideEachOther(rows: readonly (readonly InRow[])[], density: number, perSquare: number): number {
  const [only] = rows
  if (!only) return 0
  if (rows.length === 1) return inSeries(only, density, perSquare)
  if (!Number.isFinite(perSquare)) return 0
  const most = rows.reduce((sum, row) => sum + Math.max(...row.map((r) => r.fan.freeFlow * Math.max(r.speed, 0))), 0)
  if (most <= 0) return 0
  const left = (q: number): number => {
    const back = perSquare * q * Math.abs(q)
    return rows.reduce((sum, row) => sum + flowAt(row, density, back), 0) - q
  }
  return rootBetween(left, -most, most, TOLERANCE * most)
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
  /** air that something else moves through, m³/s; joined with the rest as the root of the sum of squares */
  readonly besides?: number
  /** sheet that sheds heat by itself, m²; 0 where unknown */
  readonly panelM2?: number
}

/**
 * Air that rises by itself through vents.
 * @param outsideK kelvin
 * @returns m³/s of outside air
 * @see engineering §2.7
 */
export const buoyantFlow = (ventM2: number, heightM: number, riseK: number, outsideK: number): number =>
  DISCHARGE * ventM2 * Math.sqrt((2 * GRAVITY * Math.max(0, heightM) * riseK) / (outsideK + riseK / 2))

/** what a bay's sheet sheds, W/(m²·K) (estimate) */
export const PANEL_SHEDS = 5

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
export function bayRise(
  heatW: number,
  { ventM2, heightM, breezeMs, fanFlow, extracts, panelM2 = 0, besides = 0 }: BayAir,
  outsideC: number,
  density: number,
): BayResult {
  const outsideK = outsideC + KELVIN
  const flowAt = (rise: number): number => {
    const buoyancy = buoyantFlow(ventM2, heightM, rise, outsideK)
    const fan = extracts ? (fanFlow * outsideK) / (outsideK + rise) : fanFlow
    return Math.hypot(fan, buoyancy, BREEZE_SHARE * ventM2 * breezeMs, besides)
  }
  const carried = (rise: number): number => (density * AIR_HEAT * flowAt(rise) + PANEL_SHEDS * panelM2) * rise
  // the heat that a rise would carry grows with it, though a fan that extracts moves less of hotter air
  if (carried(HOTTEST_K) < heatW) return { riseK: Number.POSITIVE_INFINITY, flow: 0 }
  const riseK = rootBetween((rise) => carried(rise) - heatW, 0, HOTTEST_K, 1e-9)
  return { riseK, flow: flowAt(riseK) }
}
