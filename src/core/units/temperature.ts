/**
 * Temperatures typed by where they are taken. They are objects, not numbers, so that no code can subtract
 * what the probe shows from what the coolant is: the only bridge is `control/probe-offset`.
 */
export type Place = 'coolant' | 'probe' | 'air' | 'metal' | 'bay'
export interface Temperature<P extends Place> {
  readonly at: P
  readonly c: number
}

export type CoolantTemperature = Temperature<'coolant'>
export type ProbeTemperature = Temperature<'probe'>
export type AirTemperature = Temperature<'air'>
export type BayTemperature = Temperature<'bay'>

const taken =
  <P extends Place>(at: P) =>
  (c: number): Temperature<P> => ({ at, c })
/** coolant, °C */
export const coolant = taken('coolant')
/** what the probe shows, °C */
export const probe = taken('probe')
/** surroundings, °C */
export const air = taken('air')

/**
 * air inside a bay, °C
 * @example bay(40).c //=> 40
 */
export const bay = taken('bay')

/**
 * How far `a` is above `b`, both taken at the same place.
 * @returns kelvin
 * @example kelvinAbove(coolant(104), coolant(78)) //=> 26
 */
export const kelvinAbove = <P extends Place>(a: Temperature<P>, b: Temperature<NoInfer<P>>): number => a.c - b.c

/**
 * The temperature `kelvin` above `t`, at the same place.
 * @example warmer(coolant(90), 5).c //=> 95
 */
export const warmer = <P extends Place>(t: Temperature<P>, kelvin: number): Temperature<P> => ({
  at: t.at,
  c: t.c + kelvin,
})
