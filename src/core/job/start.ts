import { measured, typical } from '../reading'
import type { UnitSystem } from '../units'
import { probePlaces } from '../control'
import { JOB_VERSION, type Job, type MachineKind } from './document'
import { typicalMachines } from './typical'

export interface Beginning {
  readonly title: string
  readonly kind: MachineKind
  readonly machineName: string
  readonly owner: string
  readonly units: UnitSystem
  readonly startedOn: string
  readonly promisedOn: string | null
  /** where the machine works, m; sea level is guessed where nobody says */
  readonly heightM?: number | undefined
}

/** What is rung, checked or looked at once the machine is back at work. */
export const afterCare = [
  { id: 'level', what: 'Coolant level again, cold, after the first outing', days: 1 },
  { id: 'ring', what: 'Ring the owner: how did it run, should the set temperature move', days: 7 },
  { id: 'again', what: 'Fasteners, ties, leads and joints looked over', days: 30 },
] as const

/**
 * A new job: everything that can be guessed for this kind of machine stands as typical, nothing is chosen yet.
 * @see typical.md
 */
export function startJob({ title, kind, machineName, owner, units, startedOn, promisedOn, heightM }: Beginning): Job {
  const t = typicalMachines[kind]
  const mm = (n: number) => typical(n / 1000)
  return {
    format: 'pyraxis-job', version: JOB_VERSION, title, units, startedOn, promisedOn,
    complaint: { what: 'boils', on: 'slow climbs', breeze: 'no breeze', after: null, aboveC: null },
    machine: { kind, name: machineName, owner, systemV: 12, hasBattery: true, outputDc: true },
    surroundings: { heightM: heightM === undefined ? typical(0, 300) : measured(heightM, 30), coldestC: typical(t.coldestC), hottestC: typical(t.hottestC) },
    engine: {
      ratedPowerW: typical(t.powerKw * 1000), ratedRpm: typical(t.rpm.rated), idleRpm: typical(t.rpm.idle), slowRpm: typical(t.rpm.slow), cruiseRpm: typical(t.rpm.cruise),
      heatShare: typical(0.9), loadShare: typical(0.45), thermostatOpensC: typical(t.coolant.opensC),
    },
    cooling: {
      coolant: 'ethylene-glycol', glycolShare: typical(0.5), volumeM3: typical(t.coolant.litres / 1000), capPa: typical(t.coolant.capBar * 1e5),
      cores: t.core.count, coresJoined: true, coreWidthM: mm(t.core.wideMm), coreHeightM: mm(t.core.highMm), coreThicknessM: mm(t.core.thickMm), finsPerInch: typical(t.core.finsPerInch),
    },
    charging: { known: 'rating', ratedA: typical(t.charging.currentA), ratedRpm: typical(t.charging.rpm), points: [], regulatorV: typical(14.2, 0.3), otherLoadsA: typical(t.loadsA) },
    batteries: [{ id: 'battery1', kind: t.battery.kind, capacityAh: typical(t.battery.ah), hourRateH: 10, coldCrankingA: typical(t.battery.coldCrankingA), crankingA: typical(t.battery.crankingA), charge: typical(0.9, 0.1) }],
    fans: [], controllers: [],
    probes: [{ id: 'probe1', part: null, place: 'fin-paste', atOutlet: true, kappa: typical(probePlaces['fin-paste'].kappa, 0.1), overshootK: typical(probePlaces['fin-paste'].overshootK) }],
    relays: [], switches: [], fuses: [],
    conductors: [
      { id: 'feed1', role: 'feed', size: null, lengthM: typical(t.routes.feedM), insulationC: 105, ambientC: typical(60), bundled: 2 },
      { id: 'return1', role: 'return', size: null, lengthM: typical(t.routes.returnM), insulationC: 105, ambientC: typical(60), bundled: 2 },
    ],
    runs: [{ id: 'run1', fan: null, controller: null, probe: 'probe1', fuse: null, source: 'battery', switchedBy: 'relay', relay: null, keySwitch: null, conductors: ['feed1', 'return1'], frame: false, crimps: 6, rings: 2 }],
    place: {
      mount: 'ties', side: 'puller', neighbour: 'fixed', freeDepthM: mm(t.freeBehindMm), standOffM: typical(0.005),
      fanRouteM: mm(t.routes.fanMm), probeRouteM: mm(t.routes.probeMm), sweepM: mm(t.routes.sweepMm),
    },
    limits: { dropShare: 0.03, leastAreaM2: 0.75e-6, boilKeepK: 10 },
    use: { live: 'key only', afterRunS: typical(180), standsS: typical(14 * 86_400), fanWhileCranking: true },
    setting: { state: 'test' },
    build: { done: [] }, proofs: [], after: afterCare.map(({ id, what }) => ({ id, what, dueOn: null, doneOn: null })), acceptances: [], signature: null,
  }
}
