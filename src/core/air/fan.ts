/**
 * A fan as its air is worked out: free air-flow and the most pressure it can hold, at its rated speed in standard air.
 */
export interface FanAir {
  /** m³/s */
  readonly freeFlow: number
  /** Pa */
  readonly maxPressure: number
}

/** air that fans are rated in, kg/m³ */
const RATED_DENSITY = 1.2

/**
 * Most pressure of a fan whose sheet does not tell (estimate).
 * @param ducted an in-line blower for a hose
 * @returns Pa
 * @see engineering §2.3
 * @example typicalMaxPressure(0.14) //=> 110
 */
export function typicalMaxPressure(diameterM: number, ducted = false): number {
  if (ducted) return 250
  if (diameterM <= 0.15) return 110
  if (diameterM <= 0.23) return 140
  return diameterM <= 0.3 ? 170 : 200
}

/**
 * Pressure that a fan adds at a flow, one law for every flow: above its free flow it is in the way, stopped it is a
 * resistance, and it falls with the flow everywhere.
 * @param flow  m³/s, counted the way the fan blows
 * @param speed relative to the rating
 * @returns Pa
 * @see engineering §2.3
 * @example fanPressure({ freeFlow: 0.2, maxPressure: 100 }, 0, 1, 1.2) //=> 100
 */
export const fanPressure = ({ freeFlow, maxPressure }: FanAir, flow: number, speed: number, density: number): number =>
  maxPressure * (density / RATED_DENSITY) * (speed ** 2 - (flow * Math.abs(flow)) / freeFlow ** 2)

/**
 * Flow at which a fan adds a pressure: {@link fanPressure} turned round.
 * @returns m³/s, the way the fan blows
 * @see engineering §2.3
 * @example flowAtPressure({ freeFlow: 0.2, maxPressure: 100 }, 0, 1, 1.2) //=> 0.2
 */
export function flowAtPressure(
  { freeFlow, maxPressure }: FanAir,
  pressurePa: number,
  speed: number,
  density: number,
): number {
  return flowOf({ freeFlow, maxPressure }, speed, density)(pressurePa)
}

/**
 * {@link flowAtPressure} of one fan in one air, for the inside of a search.
 * @example flowOf({ freeFlow: 0.2, maxPressure: 100 }, 1, 1.2)(75) //=> 0.1
 */
export function flowOf(
  { freeFlow, maxPressure }: FanAir,
  speed: number,
  density: number,
): (pressurePa: number) => number {
  const [driven, most] = [speed ** 2, maxPressure * (density / RATED_DENSITY)]
  return (pressurePa) => {
    const square = driven - pressurePa / most
    return freeFlow * Math.sign(square) * Math.sqrt(Math.abs(square))
  }
}

/** Hub over blades, in diameter (estimate). @see engineering §2.7 */
export const HUB_SHARE = 0.4

/**
 * The most power that a fan's own figures have it put into air, anywhere between shut and free: pressure times flow,
 * and what the moving air carries away.
 * @param annulusM2 what its blades sweep, hub taken off
 * @returns W, in air of the density that fans are rated in
 * @see engineering §2.3
 * @example airPower({ freeFlow: 0.1, maxPressure: 0 }, 0.02) //=> 1.5
 */
export function airPower({ freeFlow, maxPressure }: FanAir, annulusM2: number): number {
  const at = (x: number): number =>
    maxPressure * freeFlow * x * (1 - x * x) + (0.5 * RATED_DENSITY * (x * freeFlow) ** 3) / annulusM2 ** 2
  return Math.max(...Array.from({ length: 41 }, (_, i) => at(i / 40)))
}
