import { sizeAreaM2, type WireSize } from '../units'
import { term, worked, type Worked } from '../reading'
import { say } from '../words'

/** resistivity of annealed copper at 20 °C, ohm·m, and its temperature coefficient, 1/K (IEC 60028) */
const RHO_20 = 1.7241e-8
export const COPPER_ALPHA = 0.00393
const STRANDING = 1.02

/** ISO 6722-1's largest resistance at 20 °C, ohm/m; stranding is in it */
const metricResistance: Readonly<Partial<Record<WireSize, number>>> = {
  '0.35 mm²': 54.4e-3,
  '0.5 mm²': 37.1e-3,
  '0.75 mm²': 24.7e-3,
  '1 mm²': 18.5e-3,
  '1.5 mm²': 12.7e-3,
  '2.5 mm²': 7.6e-3,
  '4 mm²': 4.71e-3,
  '6 mm²': 3.14e-3,
  '10 mm²': 1.82e-3,
}

/** A: one conductor in free air at 30 °C with 105 °C insulation */
const ampacity30: Readonly<Record<WireSize, number>> = {
  '22 AWG': 9,
  '20 AWG': 14,
  '18 AWG': 20,
  '16 AWG': 25,
  '14 AWG': 35,
  '12 AWG': 45,
  '10 AWG': 60,
  '8 AWG': 80,
  '6 AWG': 120,
  '0.35 mm²': 9,
  '0.5 mm²': 12,
  '0.75 mm²': 16,
  '1 mm²': 20,
  '1.5 mm²': 25,
  '2.5 mm²': 35,
  '4 mm²': 45,
  '6 mm²': 60,
  '10 mm²': 90,
}

/**
 * Resistance of a solid conductor at 20 °C, ohm/m.
 * @see engineering §1.1
 * @example solidResistance('1 mm²') //=> 0.017241
 */
export const solidResistance = (size: WireSize): number => RHO_20 / sizeAreaM2(size)

/**
 * Resistance of a stranded conductor.
 * @param temperatureC of the copper
 * @returns ohm/m
 * @see engineering §1.1
 * @example resistancePerMetre('2.5 mm²', 20) //=> 0.0076
 */
export function resistancePerMetre(size: WireSize, temperatureC: number): number {
  const at20 = metricResistance[size] ?? STRANDING * solidResistance(size)
  return at20 * (1 + COPPER_ALPHA * (temperatureC - 20))
}

/**
 * Current that one conductor may carry in free air at 30 °C with 105 °C insulation, A.
 * @see engineering §1.1
 * @example ampacityAt30('2.5 mm²') //=> 35
 */
export const ampacityAt30 = (size: WireSize): number => ampacity30[size]

/**
 * Share of the ampacity left when conductors run together; a feed with its own return counts as two.
 * @see engineering §1.1
 * @example bundleFactor(3) //=> 0.7
 */
export function bundleFactor(conductors: number): number {
  if (conductors <= 2) return 1
  if (conductors <= 3) return 0.7
  if (conductors <= 6) return 0.6
  return conductors <= 24 ? 0.5 : 0.4
}

export interface Surroundings {
  readonly insulationC: number
  readonly ambientC: number
  readonly bundled: number
}

/**
 * Current that a conductor may carry where it runs; 0 where the surroundings are as hot as the insulation may get.
 * @returns A
 * @see engineering §1.1
 * @example allowedAmps('2.5 mm²', { insulationC: 105, ambientC: 30, bundled: 1 }) //=> 35
 */
export const allowedAmps = (size: WireSize, { insulationC, ambientC, bundled }: Surroundings): number =>
  ambientC >= insulationC ? 0 : ampacityAt30(size) * Math.sqrt((insulationC - ambientC) / 75) * bundleFactor(bundled)

/**
 * {@link allowedAmps} with its working.
 * @see engineering §1.1
 * @example allowedCurrent('2.5 mm²', { insulationC: 105, ambientC: 30, bundled: 1 }).value //=> 35
 */
export const allowedCurrent = (size: WireSize, around: Surroundings, name: string = size): Worked =>
  worked(
    say`${name} may carry`,
    say`{0} × root of (({1} − {2}) / 75 K) × {3}`,
    [
      term(say`ampacity at 30 °C`, ampacityAt30(size), 'current'),
      term(say`insulation`, around.insulationC, 'temperature'),
      term(say`surroundings of the wire`, around.ambientC, 'temperature'),
      term(say`bundle factor`, bundleFactor(around.bundled), 'share'),
    ],
    allowedAmps(size, around),
    'current',
    '§1.1',
  )

/**
 * Steady temperature of a conductor that carries a current.
 * @returns °C; the insulation's rating is reached exactly at the allowed current
 * @see engineering §1.1
 * @example conductorTemperature(35, 35, { insulationC: 105, ambientC: 30, bundled: 1 }) //=> 105
 */
export function conductorTemperature(
  currentA: number,
  allowedA: number,
  { insulationC, ambientC }: Surroundings,
): number {
  if (allowedA <= 0) return ambientC
  return ambientC + (insulationC - ambientC) * (currentA / allowedA) ** 2
}
