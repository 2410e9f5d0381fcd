import { say } from '../words'

/** Which family of units a mechanic reads and types in. */
export type UnitSystem = 'metric' | 'imperial'

/** One way of writing a quantity. `si = (typed + shift) × factor`. */
export interface Unit {
  /** as written on the screen */
  readonly symbol: string
  /** other spellings accepted when typed, lower case, without spaces */
  readonly spellings: readonly string[]
  readonly factor: number
  /** added before the factor; only temperatures need it */
  readonly shift?: number
}

interface QuantityDefinition {
  /** as it stands in a sentence: "is not a …" */
  readonly noun: string
  /** the first one is the SI unit that the core computes in */
  readonly units: readonly Unit[]
  /** symbol of the unit shown, and taken for a bare number, in each system */
  readonly shown: Readonly<Record<UnitSystem, string>>
  readonly examples: string
  /** lowest value that can exist at all, SI */
  readonly floor?: number
  /** what a ± after the value is measured in, where that is another quantity */
  readonly spreadAs?: 'temperatureDifference'
}

const unit = (symbol: string, factor: number, ...spellings: string[]): Unit => ({ symbol, factor, spellings })
const length = [
  unit('m', 1, 'metre', 'metres', 'meter', 'meters'),
  unit('mm', 1e-3, 'millimetre', 'millimetres'),
  unit('cm', 1e-2, 'centimetre', 'centimetres'),
  unit('km', 1e3),
  unit('in', 0.0254, '"', '”', '″', 'inch', 'inches', "''"),
  unit('ft', 0.3048, "'", '’', '′', 'foot', 'feet'),
]
const duration = [
  unit('s', 1, 'sec', 'second', 'seconds'),
  unit('min', 60, 'minute', 'minutes', 'mins'),
  unit('h', 3600, 'hr', 'hour', 'hours'),
  unit('d', 86400, 'day', 'days'),
]
const heat = [
  unit('W', 1, 'watt', 'watts'),
  unit('kW', 1e3, 'kilowatt', 'kilowatts'),
  unit('BTU/h', 0.29307107, 'btu/h', 'btuh'),
]
const temperature: readonly Unit[] = [
  unit('°C', 1, 'c', 'degc', 'celsius'),
  { symbol: '°F', factor: 5 / 9, shift: -32, spellings: ['f', 'degf', 'fahrenheit'] },
  { symbol: 'K', factor: 1, shift: -273.15, spellings: ['k', 'kelvin'] },
]

/**
 * Every physical quantity that the tool reads or writes. The core computes in the first unit of each list;
 * a battery's ampere-hours and an engine's revolutions per minute keep the unit that their formulas are written in.
 */
export const quantities = {
  length: {
    noun: say`length`,
    units: length,
    shown: { metric: 'mm', imperial: 'in' },
    examples: say`132mm, 3 5/8 in or 6 ft 3 in`,
  },
  run: {
    noun: say`length`,
    units: length,
    shown: { metric: 'm', imperial: 'ft' },
    examples: say`1.2 m, 850 mm or 4 ft 2 in`,
  },
  height: {
    noun: say`height`,
    units: length,
    shown: { metric: 'm', imperial: 'ft' },
    examples: say`1150 m or 3770 ft`,
  },
  area: {
    noun: say`cross-section`,
    units: [unit('m²', 1, 'm2'), unit('mm²', 1e-6, 'mm2', 'sqmm')],
    shown: { metric: 'mm²', imperial: 'mm²' },
    examples: '0.75 mm2',
  },
  opening: {
    noun: say`opening`,
    units: [
      unit('m²', 1, 'm2'),
      unit('cm²', 1e-4, 'cm2', 'sqcm'),
      unit('mm²', 1e-6, 'mm2'),
      unit('in²', 0.0254 ** 2, 'in2', 'sqin'),
    ],
    shown: { metric: 'cm²', imperial: 'in²' },
    examples: say`300 cm2, 0.03 m2 or 46 in2`,
  },
  temperature: {
    noun: say`temperature`,
    units: temperature,
    shown: { metric: '°C', imperial: '°F' },
    examples: say`41 C or 106 F`,
    floor: -273.15,
    spreadAs: 'temperatureDifference',
  },
  temperatureDifference: {
    noun: say`temperature difference`,
    units: [unit('K', 1, 'k', 'c', '°c', 'degc', 'kelvin'), unit('°F', 5 / 9, 'f', 'degf')],
    shown: { metric: 'K', imperial: '°F' },
    examples: say`5 K or 9 F`,
  },
  current: {
    noun: say`current`,
    units: [unit('A', 1, 'amp', 'amps', 'ampere'), unit('mA', 1e-3, 'milliamp', 'milliamps')],
    shown: { metric: 'A', imperial: 'A' },
    examples: say`4.2 A, 4.2 A ±0.3, 30 mA or 80 W at 13.8 V`,
  },
  voltage: {
    noun: say`voltage`,
    units: [unit('V', 1, 'volt', 'volts'), unit('mV', 1e-3, 'millivolt')],
    shown: { metric: 'V', imperial: 'V' },
    examples: '12.6 V',
  },
  resistance: {
    noun: say`resistance`,
    units: [
      unit('ohm', 1, 'ohms', 'Ω', 'ω'),
      unit('kohm', 1e3, 'kilohm', 'kω', 'k'),
      unit('mohm', 1e-3, 'milliohm', 'mω'),
      unit('MΩ', 1e6, 'megohm'),
    ],
    shown: { metric: 'ohm', imperial: 'ohm' },
    examples: say`90 ohm or 12 mohm`,
  },
  power: {
    noun: say`power`,
    units: [unit('W', 1, 'watt', 'watts'), unit('kW', 1e3, 'kilowatt'), unit('hp', 745.7, 'bhp')],
    shown: { metric: 'kW', imperial: 'hp' },
    examples: say`26 kW or 35 hp`,
  },
  // horsepower of heat tells nobody anything
  cooling: {
    noun: say`heat`,
    units: heat,
    shown: { metric: 'kW', imperial: 'kW' },
    examples: say`4.5 kW or 4500 W`,
  },
  heat: {
    noun: say`heat`,
    units: heat,
    shown: { metric: 'W', imperial: 'W' },
    examples: say`180 W or 0.18 kW`,
  },
  flow: {
    noun: say`air-flow`,
    units: [
      unit('m³/s', 1, 'm3/s'),
      unit('m³/h', 1 / 3600, 'm3/h', 'cmh'),
      unit('CFM', 0.3048 ** 3 / 60, 'ft3/min', 'ft³/min'),
      unit('L/s', 1e-3),
    ],
    shown: { metric: 'm³/h', imperial: 'CFM' },
    examples: say`153 m3/h or 90 cfm`,
  },
  volume: {
    noun: say`volume`,
    units: [
      unit('m³', 1, 'm3'),
      unit('L', 1e-3, 'litre', 'litres', 'liter', 'liters'),
      unit('mL', 1e-6),
      unit('qt', 0.946352946e-3, 'quart', 'quarts'),
      unit('gal', 3.785411784e-3, 'gallon', 'gallons'),
      unit('ft³', 0.3048 ** 3, 'ft3', 'cuft', 'cu.ft'),
      unit('in³', 0.0254 ** 3, 'in3', 'cuin', 'cu.in'),
    ],
    shown: { metric: 'L', imperial: 'qt' },
    examples: say`1.3 L or 1.4 qt`,
  },
  space: {
    noun: say`space`,
    units: [
      unit('m³', 1, 'm3'),
      unit('L', 1e-3, 'litre', 'litres', 'liter', 'liters'),
      unit('ft³', 0.3048 ** 3, 'ft3', 'cuft', 'cu.ft'),
      unit('in³', 0.0254 ** 3, 'in3', 'cuin', 'cu.in'),
    ],
    shown: { metric: 'L', imperial: 'ft³' },
    examples: say`150 L, 0.15 m3 or 5.3 ft3`,
  },
  pressure: {
    noun: say`pressure`,
    units: [unit(say`Pa`, 1), unit('bar', 1e5), unit('kPa', 1e3), unit('psi', 6894.757)],
    shown: { metric: 'bar', imperial: 'psi' },
    examples: say`1.1 bar or 16 psi`,
  },
  airPressure: {
    noun: say`air pressure`,
    units: [unit(say`Pa`, 1), unit('kPa', 1e3), unit('inWC', 249.089, 'inwg'), unit('mbar', 100)],
    shown: { metric: say`Pa`, imperial: 'inWC' },
    examples: say`110 Pa or 0.44 inWC`,
  },
  torque: {
    noun: say`torque`,
    units: [
      unit('N·m', 1, 'nm', 'n.m', 'n-m'),
      unit('in-lb', 0.1129848, 'in·lb', 'inlb', 'in.lb', 'lb-in'),
      unit('ft-lb', 1.355818, 'ft·lb', 'ftlb', 'lb-ft'),
    ],
    shown: { metric: 'N·m', imperial: 'in-lb' },
    examples: say`1.4 Nm or 12 in-lb`,
  },
  mass: {
    noun: say`mass`,
    units: [
      unit('kg', 1, 'kilo', 'kilos'),
      unit('g', 1e-3, 'gram', 'grams'),
      unit('lb', 0.45359237, 'lbs', 'pound', 'pounds'),
      unit('oz', 0.0283495231, 'ounce', 'ounces'),
    ],
    shown: { metric: 'kg', imperial: 'lb' },
    examples: say`0.62 kg or 1.4 lb`,
  },
  batteryCapacity: {
    noun: say`battery capacity`,
    units: [unit(say`Ah`, 1, 'a·h', 'amphours')],
    shown: { metric: say`Ah`, imperial: say`Ah` },
    examples: '7 Ah',
  },
  engineSpeed: {
    noun: say`engine speed`,
    units: [unit('rpm', 1, '1/min', 'r/min')],
    shown: { metric: 'rpm', imperial: 'rpm' },
    examples: say`1700 or 1700 rpm`,
  },
  speed: {
    noun: say`speed`,
    units: [unit('m/s', 1), unit('km/h', 1 / 3.6, 'kmh', 'kph'), unit('mph', 0.44704)],
    shown: { metric: 'km/h', imperial: 'mph' },
    examples: say`8 km/h or 5 mph`,
  },
  minutes: {
    noun: say`time`,
    units: duration,
    shown: { metric: 'min', imperial: 'min' },
    examples: say`12 min, 1.5 h or 1:30 for a minute and a half`,
  },
  hours: { noun: say`time`, units: duration, shown: { metric: 'h', imperial: 'h' }, examples: say`8 h or 90 min` },
  seconds: {
    noun: say`time`,
    units: duration,
    shown: { metric: 's', imperial: 's' },
    examples: say`4 s or 1:30 for a minute and a half`,
  },
  days: { noun: say`time`, units: duration, shown: { metric: 'd', imperial: 'd' }, examples: say`14 days` },
  share: {
    noun: say`share`,
    units: [unit('', 1), unit('%', 0.01, 'percent')],
    shown: { metric: '', imperial: '' },
    examples: say`0.45 or 45 %`,
  },
  perHour: {
    noun: say`rate`,
    units: [unit('/h', 1, 'perhour', 'anhour')],
    shown: { metric: '/h', imperial: '/h' },
    examples: '12 /h',
  },
  count: { noun: say`number`, units: [unit('', 1)], shown: { metric: '', imperial: '' }, examples: '14' },
} as const satisfies Record<string, QuantityDefinition>

export type Quantity = keyof typeof quantities

/**
 * The definition of a quantity, with its optional parts readable whatever the quantity.
 * @example definitionOf('length').units[0].symbol //=> 'm'
 */
export const definitionOf = (quantity: Quantity): QuantityDefinition => quantities[quantity]

/**
 * The unit in which a quantity is shown and a bare number is taken.
 * @example shownUnit('length', 'imperial').symbol //=> 'in'
 */
export function shownUnit(quantity: Quantity, system: UnitSystem): Unit {
  const definition = definitionOf(quantity)
  return definition.units.find((u) => u.symbol === definition.shown[system])!
}

/** @example toSi(1, shownUnit('length', 'imperial')) //=> 0.0254 */
export const toSi = (value: number, u: Unit): number => (value + (u.shift ?? 0)) * u.factor
/** @example fromSi(0.0254, shownUnit('length', 'imperial')) //=> 1 */
export const fromSi = (si: number, u: Unit): number => si / u.factor - (u.shift ?? 0)
