import { term, worked, type Worked } from '../reading'
import { say } from '../words'

const GRAVITY = 9.81
/** of the engine's power, what reaches the wheels */
const DRIVE = 0.8
const ROLLING = { trail: 0.03, road: 0.015 } as const

export interface RoadLoad {
  readonly massKg: number
  readonly speedMs: number
  readonly grade: number
  readonly dragM2: number
  readonly ground: keyof typeof ROLLING
  readonly density: number
}

/**
 * Brake power that a machine needs at a speed and a grade.
 * @param grade rise over run
 * @param dragM2 C_d A
 * @returns W, never less than 0
 * @see engineering §4
 */
export function brakePower({ massKg, speedMs, grade, dragM2, ground, density }: RoadLoad): Worked {
  const angle = Math.atan(grade)
  const force =
    massKg * GRAVITY * (ROLLING[ground] * Math.cos(angle) + Math.sin(angle)) + 0.5 * density * dragM2 * speedMs ** 2
  return worked(
    say`brake power on the road`,
    say`({0} rolling and climbing at {1}, air at {2}) / 0.8`,
    [term(say`weight`, massKg, 'mass'), term(say`grade`, grade, 'share'), term(say`travel`, speedMs, 'speed')],
    Math.max(0, (force * speedMs) / DRIVE),
    'power',
    '§4',
  )
}

/** Load share of a known brake power: an engine that hardly pulls still heats itself. @see engineering §2.8 */
export const shareOfPower = (powerW: number, ratedW: number, rpmShare: number): number =>
  0.25 * rpmShare + (0.75 * powerW) / ratedW
