const KELVIN = 273.15

/** A thermistor: ohm at 25 °C and its B value in kelvin. */
export interface Thermistor {
  readonly r25Ohm: number
  readonly betaK: number
}
export const usualThermistor: Thermistor = { r25Ohm: 10_000, betaK: 3950 }

/**
 * @returns ohm
 * @see engineering §1.10
 * @example thermistorOhm(25) //=> 10000
 */
export const thermistorOhm = (celsius: number, { r25Ohm, betaK }: Thermistor = usualThermistor): number =>
  r25Ohm * Math.exp(betaK * (1 / (celsius + KELVIN) - 1 / 298.15))

/**
 * Temperature at which a thermistor has a resistance.
 * @returns °C
 * @see engineering §1.10
 * @example thermistorCelsius(10_000) //=> 25
 */
export const thermistorCelsius = (ohm: number, { r25Ohm, betaK }: Thermistor = usualThermistor): number =>
  1 / (Math.log(ohm / r25Ohm) / betaK + 1 / 298.15) - KELVIN

/**
 * How much colder a probe reads with a longer lead.
 * @param leadOhm both wires together
 * @returns kelvin, 0 or negative
 * @see engineering §1.10
 * @example leadError(25, 0) //=> 0
 */
export const leadError = (celsius: number, leadOhm: number, probe: Thermistor = usualThermistor): number =>
  thermistorCelsius(thermistorOhm(celsius, probe) + leadOhm, probe) - celsius
