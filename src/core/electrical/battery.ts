import { following, term, worked, type Worked } from '../reading'
import { say } from '../words'

export const batteryKinds = ['flooded', 'agm', 'lithium'] as const
export type BatteryKind = (typeof batteryKinds)[number]

interface Chemistry {
  readonly name: string
  /** [share of charge, rest volts of a 12 V battery], rising */
  readonly rest: readonly (readonly [number, number])[]
  readonly floor: number
  readonly coldLossPerK: number
  readonly peukert: number
  /** share of the capacity lost in 30 days on the shelf */
  readonly selfDischarge30d: number
}

/** @see engineering §1.9 */
const chemistries: Readonly<Record<BatteryKind, Chemistry>> = {
  flooded: {
    name: say`flooded lead-acid`,
    rest: [
      [0, 11.89],
      [0.25, 12.06],
      [0.5, 12.24],
      [0.75, 12.45],
      [1, 12.65],
    ],
    floor: 0.6,
    coldLossPerK: 0.008,
    peukert: 1.2,
    selfDischarge30d: 0.03,
  },
  agm: {
    name: say`absorbed-glass`,
    rest: [
      [0, 11.8],
      [0.25, 12],
      [0.5, 12.35],
      [0.75, 12.65],
      [1, 12.85],
    ],
    floor: 0.6,
    coldLossPerK: 0.008,
    peukert: 1.1,
    selfDischarge30d: 0.03,
  },
  lithium: {
    name: say`lithium iron phosphate`,
    rest: [
      [0, 10],
      [0.1, 12],
      [0.2, 12.8],
      [0.3, 13],
      [0.4, 13.1],
      [0.7, 13.2],
      [0.9, 13.3],
      [1, 13.4],
    ],
    floor: 0.3,
    coldLossPerK: 0.003,
    peukert: 1.03,
    selfDischarge30d: 0.02,
  },
}

/** @example batteryKindName('agm') //=> 'absorbed-glass' */
export const batteryKindName = (kind: BatteryKind): string => chemistries[kind].name

/** A battery at a temperature. `systemV` 24 is two 12 V batteries in series. */
export interface Battery {
  readonly kind: BatteryKind
  readonly systemV: 12 | 24
  readonly capacityAh: number
  readonly hourRateH: 10 | 20
  /** share of charge, 0…1 */
  readonly charge: number
  readonly temperatureC: number
}

/**
 * Rest voltage at a share of charge.
 * @returns V
 * @see engineering §1.9
 * @example restVoltage('flooded', 0.5, 12) //=> 12.24
 */
export function restVoltage(kind: BatteryKind, charge: number, systemV: 12 | 24): number {
  const points = chemistries[kind].rest
  const x = Math.min(1, Math.max(0, charge))
  const i = Math.max(
    1,
    points.findIndex(([s]) => s >= x),
  )
  const [s0, v0] = points[i - 1]!
  const [s1, v1] = points[i]!
  return (v0 + ((v1 - v0) * (x - s0)) / (s1 - s0)) * (systemV / 12)
}

/**
 * Charge that may be taken until the battery only just still cranks.
 * @returns Ah
 * @see engineering §1.9
 * @example usableCapacity({ kind: 'flooded', systemV: 12, capacityAh: 10, hourRateH: 20, charge: 1,
 *   temperatureC: 25 }).value //=> 4
 */
export function usableCapacity(battery: Battery): Worked {
  const { floor, coldLossPerK } = chemistries[battery.kind]
  const cold = 1 - coldLossPerK * Math.max(0, 25 - battery.temperatureC)
  return worked(
    say`usable until it only just still cranks`,
    '{0} × ({1} − {2}) × {3}',
    [
      term(say`capacity`, battery.capacityAh, 'batteryCapacity'),
      term(say`charged to`, battery.charge, 'share'),
      term(say`floor`, floor, 'share'),
      term(say`cold factor`, cold, 'share'),
    ],
    battery.capacityAh * Math.max(0, battery.charge - floor) * Math.max(0, cold),
    'batteryCapacity',
    '§1.9',
  )
}

/**
 * How long a constant current may be taken before the floor is reached, with Peukert.
 * @returns s
 * @see engineering §1.9
 * @example timeToFloor({ kind: 'flooded', systemV: 12, capacityAh: 10, hourRateH: 20, charge: 1,
 *   temperatureC: 25 }, 0.5).value //=> 28800
 */
export function timeToFloor(battery: Battery, currentA: number): Worked {
  const usable = usableCapacity(battery)
  const nominalA = battery.capacityAh / battery.hourRateH
  const factor = Math.min(1, (nominalA / currentA) ** (chemistries[battery.kind].peukert - 1))
  return following(
    [usable],
    worked(
      say`time to the floor`,
      '{0} / {1} × {2}',
      [
        term(say`usable`, usable.value, 'batteryCapacity'),
        term(say`current taken`, currentA, 'current'),
        term(say`Peukert`, factor, 'share'),
      ],
      (usable.value / currentA) * factor * 3600,
      'minutes',
      '§1.9',
    ),
  )
}

/**
 * How long the machine may stand with the controller connected: standby current and self-discharge, without Peukert.
 * @returns s
 * @see engineering §1.9
 * @example standingTime({ kind: 'flooded', systemV: 12, capacityAh: 10, hourRateH: 20, charge: 1,
 *   temperatureC: 25 }, 0.01).value //=> 1382400
 */
export function standingTime(battery: Battery, standbyA: number): Worked {
  const usable = usableCapacity(battery)
  const own = (battery.capacityAh * chemistries[battery.kind].selfDischarge30d) / (30 * 24)
  return following(
    [usable],
    worked(
      say`time standing`,
      '{0} / ({1} + {2})',
      [
        term(say`usable`, usable.value, 'batteryCapacity'),
        term(say`standby`, standbyA, 'current'),
        term(say`its own loss`, own, 'current'),
      ],
      (usable.value / (standbyA + own)) * 3600,
      'days',
      '§1.9',
    ),
  )
}

/**
 * Internal resistance of a battery while cranking (estimate ± 30 %; the rating is at −18 °C).
 * @returns ohm, of the whole battery of the system
 * @see engineering §1.9
 * @example internalResistance(180, -18, 12) //=> 0.03
 */
export const internalResistance = (coldCrankingA: number, temperatureC: number, systemV: 12 | 24): number =>
  ((12.6 - 7.2) / coldCrankingA) * Math.exp(-0.02 * (temperatureC + 18)) * (systemV / 12)

/**
 * Volts left while cranking.
 * @returns V
 * @see engineering §1.9
 * @example crankingVoltage({ kind: 'flooded', systemV: 12, capacityAh: 10, hourRateH: 20, charge: 1,
 *   temperatureC: -18 }, 180, 100, 0).value //=> 9.65
 */
export function crankingVoltage(battery: Battery, coldCrankingA: number, crankingA: number, fanA: number): Worked {
  const rest = restVoltage(battery.kind, battery.charge, battery.systemV)
  const ohm = internalResistance(coldCrankingA, battery.temperatureC, battery.systemV)
  return worked(
    say`volts while cranking`,
    '{0} − ({1} + {2}) × {3}',
    [
      term(say`at rest`, rest, 'voltage'),
      term(say`starter`, crankingA, 'current'),
      term(say`fan`, fanA, 'current'),
      term(say`inside the battery`, ohm, 'resistance'),
    ],
    rest - (crankingA + fanA) * ohm,
    'voltage',
    '§1.9',
  )
}
