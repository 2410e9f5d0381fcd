/** A radiator's core as its air and heat are worked out. */
export interface Core {
  /** m */
  readonly thickness: number
  readonly finsPerInch: number
  /** measured against the estimates of resistance and heat transfer; 1 where nobody has */
  readonly resistanceFactor?: number
  readonly transferFactor?: number
  /** how often the coolant crosses the air; 1 where unsaid */
  readonly passes?: number
}

/** heat transfer gains with the passes, of one, two and three */
const PASSES = [1, 1, 1.03, 1.06]

const EXPONENT = 1.6

/** Δp = this × v|v|^0.6. */
const resistance = ({ thickness, finsPerInch, resistanceFactor = 1 }: Core, density: number): number =>
  resistanceFactor * 9.5 * (thickness / 0.025) * (finsPerInch / 14) ** 1.3 * (density / 1.2)

/**
 * Pressure lost through a core (estimate ± 30 %).
 * @param faceVelocity m/s, negative backwards
 * @returns Pa, with the sign of the velocity
 * @see engineering §2.4
 * @example corePressure({ thickness: 0.025, finsPerInch: 14 }, 1, 1.2) //=> 9.5
 */
export const corePressure = (core: Core, faceVelocity: number, density: number): number =>
  resistance(core, density) * faceVelocity * Math.abs(faceVelocity) ** (EXPONENT - 1)

/**
 * Velocity that a pressure drives through a core: {@link corePressure} turned round.
 * @returns m/s
 * @see engineering §2.4
 * @example faceVelocity({ thickness: 0.025, finsPerInch: 14 }, 9.5, 1.2) //=> 1
 */
export const faceVelocity = (core: Core, pressurePa: number, density: number): number =>
  velocityThrough(core, density)(pressurePa)

/**
 * {@link faceVelocity} of one core in one air, for the inside of a search.
 * @example velocityThrough({ thickness: 0.025, finsPerInch: 14 }, 1.2)(9.5) //=> 1
 */
export function velocityThrough(core: Core, density: number): (pressurePa: number) => number {
  const against = resistance(core, density)
  return (pressurePa) => Math.sign(pressurePa) * (Math.abs(pressurePa) / against) ** (1 / EXPONENT)
}

/**
 * Heat transfer for each square metre of face and kelvin (estimate ± 30 %).
 * @returns W/(m²·K)
 * @see engineering §2.5
 * @example heatTransfer({ thickness: 0.025, finsPerInch: 14 }, 3) //=> 3500
 */
export const heatTransfer = (
  { thickness, finsPerInch, transferFactor = 1, passes = 1 }: Core,
  faceVelocityMs: number,
): number =>
  transferFactor *
  (PASSES[passes] ?? 1) *
  3500 *
  (Math.abs(faceVelocityMs) / 3) ** 0.55 *
  (thickness / 0.025) ** 0.85 *
  (finsPerInch / 14) ** 0.6

/**
 * Effectiveness of a cross-flow exchanger, both fluids unmixed.
 * @param ntu UA / C_min
 * @param capacityRatio C_min / C_max, 0…1
 * @see engineering §2.5
 * @example effectiveness(1, 0) //=> 0.6321
 */
export function effectiveness(ntu: number, capacityRatio: number): number {
  if (ntu <= 0) return 0
  if (capacityRatio < 1e-6) return 1 - Math.exp(-ntu)
  return 1 - Math.exp((ntu ** 0.22 / capacityRatio) * (Math.exp(-capacityRatio * ntu ** 0.78) - 1))
}

/** what a core gives off with no air-flow at all, W/(m²·K) of its face (estimate) */
export const STILL_AIR = 25

/**
 * Share of a face that a kind of ground blocks: more between finer fins, at most 0.8.
 * @param at14 share at 14 fins per inch
 * @see typical.md
 * @example blockedShare(0.1, 14) //=> 0.1
 */
export const blockedShare = (at14: number, finsPerInch: number): number =>
  Math.min(0.8, at14 * (finsPerInch / 14) ** 1.5)
