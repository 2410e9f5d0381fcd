/** A radiator's core as its air and heat are worked out. */
export interface Core {
  /** m */
  readonly thickness: number
  readonly finsPerInch: number
}

const EXPONENT = 1.6

/** Δp = this × v|v|^0.6. */
const resistance = ({ thickness, finsPerInch }: Core, density: number): number => 9.5 * (thickness / 0.025) * (finsPerInch / 14) ** 1.3 * (density / 1.2)

/**
 * Pressure lost through a core (estimate ± 30 %).
 * @param faceVelocity m/s, negative backwards
 * @returns Pa, with the sign of the velocity
 * @see engineering §2.4
 */
export const corePressure = (core: Core, faceVelocity: number, density: number): number => resistance(core, density) * faceVelocity * Math.abs(faceVelocity) ** (EXPONENT - 1)

/** Velocity that a pressure drives through a core: {@link corePressure} turned round. @returns m/s @see engineering §2.4 */
export const faceVelocity = (core: Core, pressurePa: number, density: number): number =>
  Math.sign(pressurePa) * (Math.abs(pressurePa) / resistance(core, density)) ** (1 / EXPONENT)

/**
 * Heat transfer for each square metre of face and kelvin (estimate ± 30 %).
 * @returns W/(m²·K)
 * @see engineering §2.5
 */
export const heatTransfer = ({ thickness, finsPerInch }: Core, faceVelocityMs: number): number =>
  3500 * (Math.abs(faceVelocityMs) / 3) ** 0.55 * (thickness / 0.025) ** 0.85 * (finsPerInch / 14) ** 0.6

/**
 * Effectiveness of a cross-flow exchanger, both fluids unmixed.
 * @param ntu UA / C_min
 * @param capacityRatio C_min / C_max, 0…1
 * @see engineering §2.5
 */
export function effectiveness(ntu: number, capacityRatio: number): number {
  if (ntu <= 0) return 0
  if (capacityRatio < 1e-6) return 1 - Math.exp(-ntu)
  return 1 - Math.exp((ntu ** 0.22 / capacityRatio) * (Math.exp(-capacityRatio * ntu ** 0.78) - 1))
}

/** what a core gives off with no air-flow at all, W/(m²·K) of its face (estimate) */
export const STILL_AIR = 25

/**
 * Area of a circle that lies inside a rectangle with the same middle.
 * @returns m²
 * @see engineering §7
 */
export function circleInRectangle(radius: number, width: number, height: number): number {
  const [a, b] = [width / 2, height / 2]
  if (radius <= 0) return 0
  if (radius >= Math.hypot(a, b)) return width * height
  // what sticks out beyond a side: a segment; where two sides cut the same corner nothing is counted twice, as the corner lies outside
  const segment = (half: number): number => (half >= radius ? 0 : radius ** 2 * Math.acos(half / radius) - half * Math.sqrt(radius ** 2 - half ** 2))
  return Math.PI * radius ** 2 - 2 * segment(a) - 2 * segment(b)
}
