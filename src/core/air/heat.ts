import { term, worked, type Worked } from '../reading'
import { say } from '../words'

/**
 * Heat that must be carried away.
 * @param heatShare h, heat over brake power at the rating
 * @param loadShare s, share of the rated heat at this duty
 * @param ratedPowerW brake power at the rating
 * @returns W
 * @see engineering §2.8
 * @example heatToCarry(0.9, 0.5, 10_000).value //=> 4500
 */
export const heatToCarry = (heatShare: number, loadShare: number, ratedPowerW: number): Worked =>
  worked(
    say`heat to be carried away`,
    '{0} × {1} × {2}',
    [
      term(say`heat over brake power`, heatShare, 'share'),
      term(say`load share`, loadShare, 'share'),
      term(say`rated power`, ratedPowerW, 'power'),
    ],
    heatShare * loadShare * ratedPowerW,
    'cooling',
    '§2.8',
  )

/** the coolant of the rated flow warms by this much at the rated heat (estimate) */
const RATED_RISE_K = 8

/** ṁ c_p of the coolant, in proportion to engine speed. @returns W/K @see engineering §4 */
export const coolantCapacity = (ratedHeatW: number, rpm: number, ratedRpm: number): number =>
  ((ratedHeatW / RATED_RISE_K) * rpm) / ratedRpm

/**
 * How much colder coolant leaves the radiator than it entered: Q/(ṁ c_p), with ṁ c_p ≈ rated heat / 8 K at rated speed,
 * in proportion to speed.
 * @returns kelvin
 * @see engineering §3.2, §4
 */
export function outletDrop(heatW: number, ratedHeatW: number, rpm: number, ratedRpm: number): Worked {
  return worked(
    say`radiator outlet colder than inlet by`,
    '{0} / ({1} / 8 K × {2} / {3})',
    [
      term(say`heat`, heatW, 'cooling'),
      term(say`rated heat`, ratedHeatW, 'cooling'),
      term(say`engine speed`, rpm, 'engineSpeed'),
      term(say`rated speed`, ratedRpm, 'engineSpeed'),
    ],
    heatW / coolantCapacity(ratedHeatW, rpm, ratedRpm),
    'temperatureDifference',
    '§4',
  )
}
