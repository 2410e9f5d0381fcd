/** ISA sea level, Pa */
export const SEA_LEVEL_PA = 101_325
const GAS_CONSTANT = 287.05
/** J/(kg·K) */
export const AIR_HEAT = 1006

/**
 * Air pressure at a height above sea level.
 * @param heightM m
 * @returns Pa
 * @see engineering §2.1
 * @example airPressure(0) //=> 101325
 */
export const airPressure = (heightM: number): number => SEA_LEVEL_PA * (1 - 2.25577e-5 * heightM) ** 5.25588

/**
 * @returns kg/m³
 * @see engineering §2.1
 * @example airDensity(0, 15) //=> 1.225
 */
export const airDensity = (heightM: number, temperatureC: number): number =>
  airPressure(heightM) / (GAS_CONSTANT * (temperatureC + 273.15))
