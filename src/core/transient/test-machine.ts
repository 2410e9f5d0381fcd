import { faceVelocity, heatTransfer, zoneFlows, type Core } from '../air'
import {
  Bus,
  CoolantPlant,
  FanMotor,
  Governor,
  rowsFor,
  SpeedTable,
  type BatterySpec,
  type CoolantSpec,
  type FedSpec,
  type GovernorSpec,
  type Leg,
  type RunSpec,
} from '.'

/** A small engine with one core and one fan, in round figures, for tests and benchmarks. */
export const core: Core = { thickness: 0.03, finsPerInch: 14 }
export const wholeM2 = 0.0576
export const coveredM2 = 0.0106
export const fan = { freeFlow: 0.0722, maxPressure: 110 }
export const rating = { motor: 'brushed' as const, ratedV: 12, ratedA: 6, lockedA: null, diameterM: 0.116 }
export const battery: BatterySpec = {
  kind: 'agm',
  systemV: 12,
  capacityAh: 7,
  charge: 0.9,
  coldCrankingA: 110,
  temperatureC: 18,
  regulatorV: 14.2,
}
export const ratedHeatW = 16_200

export const leg = (name: string, minutes: number, heatW: number, more: Partial<Leg> = {}): Leg => ({
  name,
  seconds: 60 * minutes,
  running: true,
  heatW,
  pumpShare: 0.4,
  travelMs: 0,
  airC: 30,
  density: 1.05,
  boilsC: 129,
  chargeA: 9,
  loadsA: 6,
  live: true,
  row: 0,
  ...more,
})

export const coolantSpec = (travels: readonly number[], more: Partial<CoolantSpec> = {}): CoolantSpec => {
  const covered = new SpeedTable(
    travels.length,
    (row, speed) =>
      zoneFlows(
        { core, coveredArea: coveredM2, openArea: 0, gapArea: 0 },
        { fan, speed, against: false, ramPa: 0.4 * 0.5 * 1.2 * travels[row]! ** 2, density: 1.2 },
      ).covered / coveredM2,
  )
  const open = new SpeedTable(travels.length, (row) => faceVelocity(core, 0.4 * 0.5 * 1.2 * travels[row]! ** 2, 1.2))
  return {
    metal: 450 * 27 * 0.6,
    inEngine: 1.3 * 1.03 * 3600 * 0.55,
    inCore: 1.3 * 1.03 * 3600 * 0.45,
    metalToCoolant: ratedHeatW / 25,
    outsideM2: 0.055 * 27 ** (2 / 3),
    ratedFlow: ratedHeatW / 8,
    thermostat: { opensC: 78, fullC: 90 },
    zones: [
      { areaM2: coveredM2, fan: 0, velocity: covered },
      { areaM2: wholeM2 - coveredM2, fan: null, velocity: open },
    ],
    transfer: heatTransfer(core, 1),
    inletRiseK: 0,
    fans: 1,
    probes: [{ kappa: 0.9, lagS: 20, atOutlet: true }],
    ...more,
  }
}

export const thermostat = (onC: number, offC: number): GovernorSpec => ({
  kind: 'thermostat',
  onC,
  offC,
  spanK: null,
  leastDuty: 0.15,
})

/** The whole of a run of that engine. */
export function runSpec(
  legs: readonly Leg[],
  governor: GovernorSpec = thermostat(87, 82),
  more: {
    readonly coolant?: Partial<CoolantSpec>
    readonly fed?: FedSpec
    readonly battery?: Partial<BatterySpec>
  } = {},
): RunSpec {
  const { rows, rowOf } = rowsFor(legs.map((l) => l.travelMs))
  return {
    plant: new CoolantPlant(coolantSpec(rows, more.coolant)),
    legs: legs.map((l) => ({ ...l, row: rowOf(l.travelMs) })),
    motors: [new FanMotor(rating, 0.05)],
    governors: [new Governor(governor, more.fed ?? { afterS: 0 })],
    bus: new Bus({ ...battery, ...more.battery }),
    controllerA: 0.01,
    coolantKg: 1.3 * 1.03,
  }
}
