import { remembering, term, worked, type Worked } from '../reading'
import { coolant, type CoolantTemperature } from '../units'
import { airPressure } from './atmosphere'
import { rootBetween } from './root'
import { say } from '../words'

export const coolants = ['water', 'ethylene-glycol', 'propylene-glycol'] as const
export type Coolant = (typeof coolants)[number]

const MMHG = 133.322
const WATER = { density: 0.998, molar: 18.02 }
const glycols: Readonly<Record<Coolant, { density: number; molar: number }>> = {
  water: WATER,
  'ethylene-glycol': { density: 1.113, molar: 62.07 },
  'propylene-glycol': { density: 1.036, molar: 76.09 },
}

/** quicker than a power, and this is the inside of a search */
const tenTo = (x: number): number => Math.exp(Math.LN10 * x)

/**
 * Vapour pressure of water, Pa (Antoine; the two pieces meet at 108.27 °C).
 * @see engineering §2.2
 * @example waterVapourPressure(100) / 101_325 //=> 1.000
 */
export function waterVapourPressure(celsius: number): number {
  const log = celsius > 108.27 ? 8.14019 - 1810.94 / (244.485 + celsius) : 8.07131 - 1730.63 / (233.426 + celsius)
  return MMHG * tenTo(log)
}

/** propylene glycol's own vapour is taken as nothing */
const glycolVapourPressure = (kind: Coolant, celsius: number): number =>
  kind === 'ethylene-glycol' ? MMHG * tenTo(8.09083 - 2088.936 / (203.454 + celsius)) : 0

/**
 * Mole fraction of water.
 * @param glycolShare by volume, 0…1
 * @see engineering §2.2
 * @example waterMoleFraction('water', 0.5) //=> 1
 */
export function waterMoleFraction(kind: Coolant, glycolShare: number): number {
  if (kind === 'water') return 1
  const glycol = (glycolShare * glycols[kind].density) / glycols[kind].molar
  const water = ((1 - glycolShare) * WATER.density) / WATER.molar
  return water / (water + glycol)
}

/** Which coolant, glycol's share, pressure in Pa; °C. */
const boilingC = remembering(8, ([which, glycolShare, pressurePa]) => {
  const kind = coolants[which!]!
  const x = waterMoleFraction(kind, glycolShare!)
  return rootBetween(
    (t) => x * waterVapourPressure(t) + (x < 1 ? (1 - x) * glycolVapourPressure(kind, t) : 0) - pressurePa!,
    -20,
    300,
    1e-7,
  )
})

/**
 * Temperature at which a coolant boils under an absolute pressure, by bisection.
 * @param pressurePa absolute
 * @throws RangeError if the pressure is not positive
 * @see engineering §2.2
 * @example boilingAt('water', 0, 101325).c //=> 100.0
 */
export function boilingAt(kind: Coolant, glycolShare: number, pressurePa: number): CoolantTemperature {
  if (!(pressurePa > 0)) throw new RangeError('pressure must be more than 0')
  return coolant(boilingC([coolants.indexOf(kind), glycolShare, pressurePa]))
}

/**
 * Where the coolant of a machine boils: height and cap make the pressure, the mixture the rest.
 * @returns °C of coolant
 * @see engineering §2.2
 * @example coolantBoils('ethylene-glycol', 0.5, 0, 0).value //=> 108
 */
export function coolantBoils(
  kind: Coolant,
  glycolShare: number,
  heightM: number,
  capPa: number,
): Worked & { readonly at: CoolantTemperature } {
  const outside = airPressure(heightM)
  const at = boilingAt(kind, glycolShare, outside + capPa)
  return {
    at,
    ...worked(
      say`coolant boils at`,
      say`boiling of {0} under {1} + {2}`,
      [
        term(say`glycol`, kind === 'water' ? 0 : glycolShare, 'share'),
        term(say`air at this height`, outside, 'pressure'),
        term(say`cap`, capPa, 'pressure'),
      ],
      at.c,
      'temperature',
      '§2.2',
    ),
  }
}
