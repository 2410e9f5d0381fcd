import type { Leg } from './leg'

/** Where each quantity stands in the state of a run. Temperatures in °C, energies in J. */
export const METAL = 0
/** coolant in the engine, or the air of a bay */
export const HOT = 1
/** coolant leaving the radiator */
export const OUTLET = 2
/** opening of the engine's thermostat, 0…1 */
export const OPENING = 3
export const PROBE = 4
/** heat that went off as vapour, through core or vents, and from the engine's outside; heat that came in */
export const VENTED = 5
export const CARRIED = 6
export const SHED = 7
export const BROUGHT = 8
export const STATES = 9

/** Where the n-th probe stands: the first among the others, later ones behind them. */
export const probeAt = (n: number): number => (n === 0 ? PROBE : STATES + n - 1)

/** How long the state of a machine with so many probes is. */
export const statesWith = (probes: number): number => STATES + Math.max(0, probes - 1)

/** Everything at one temperature, as after a night. @param opening of the engine's thermostat */
export function settled(y: Float64Array, c: number, opening: number): void {
  y.fill(0)
  for (const at of [METAL, HOT, OUTLET, PROBE]) y[at] = c
  for (let i = STATES; i < y.length; i++) y[i] = c
  y[OPENING] = opening
}

/** What is integrated: a machine with its heat, told leg by leg and fan by fan what goes on. */
export interface Plant {
  /** how many fans it has */
  readonly fans: number
  /** how many probes it has: what its state is longer by, see {@link probeAt} */
  readonly probes: number
  /** sets what a leg brings */
  begin(leg: Leg): void
  /** sets the fans' relative speeds; called before every step */
  blow(speeds: Float64Array): void
  /** rates of change of `y` into `dy`; allocates nothing */
  rates(y: Float64Array, dy: Float64Array): void
  /** a step of a rough run, s */
  readonly roughS: number
  /**
   * One rough step of `h` seconds from `y` into `next`, of any length that its quickest part allows; null where the
   * usual way is quick enough
   */
  readonly advance: ((y: Float64Array, next: Float64Array, h: number) => void) | null
  /** upper bound of its fastest rate in this leg, 1/s */
  fastest(): number
  /** everything at one temperature, as after a night */
  settle(y: Float64Array, c: number): void
  /** heat stored above 0 °C, J */
  stored(y: Float64Array): number
  /** temperature at which HOT is held while heat still comes in */
  boilsC(): number
}
