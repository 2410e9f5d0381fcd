import { term, worked, type Worked } from '../reading'
import { say } from '../words'

/** What a roof does with the sun: the share that it takes. @see engineering §2.8 */
export const roofShares = { bright: 0.4, dark: 0.7 } as const
export type Roof = keyof typeof roofShares

/** so much of the sun, of what falls on a square metre seen from above, is to be reckoned with, W/m² (estimate) */
const SUN = 400
/** it may be out by so much of itself: clouds, wind over the roof, lining below it (estimate) */
export const SUN_SPREAD = 0.4

/**
 * Heat that comes into a closed space standing in the sun, with what is given off inside.
 * @param roofM2 roof seen from above
 * @param insideW given off inside
 * @returns W
 * @see engineering §2.8
 * @example sunHeat(2, 'dark', 100).value //=> 660
 */
export const sunHeat = (roofM2: number, roof: Roof, insideW: number): Worked =>
  worked(
    say`heat of a closed space in the sun`,
    '400 W/m² × {0} × {1} + {2}',
    [
      term(say`roof seen from above`, roofM2, 'opening'),
      term(say`share that it takes`, roofShares[roof], 'share'),
      term(say`given off inside`, insideW, 'heat'),
    ],
    SUN * roofM2 * roofShares[roof] + insideW,
    'heat',
    '§2.8',
  )
