import { mountOf } from '../job'
import {
  airDensity,
  bayResistance,
  bayRise,
  type Duct,
  type FanAir,
  heatToCarry,
  type InRow,
  besideEachOther,
  inSeries,
  ventsInSeries,
} from '../air'
import type { Job, Panel } from '../job'
import { type Bench, term, worked, type Worked } from '../reading'
import { inletAirC } from './cooler'
import { say } from '../words'

/**
 * Heat given into the air of the bay: of the engine at its heaviest work, or of what stands in it.
 * @see engineering §2.8
 */
export function heatIntoBay(bench: Bench, job: Job): Worked {
  if (job.bay?.heatW)
    return worked(
      say`heat given off inside`,
      '{0}',
      [bench.term('bay.heatW')],
      bench.value('bay.heatW'),
      'heat',
      '§2.8',
    )
  return heatToCarry(
    bench.value('engine.heatShare'),
    bench.value('engine.loadShare'),
    bench.value('engine.ratedPowerW'),
  )
}

/** The hose, where the fan blows through one. */
export const ductOf = (bench: Bench, job: Job): Duct | null =>
  mountOf(job).hosed
    ? {
        lengthM: bench.value('place.duct.lengthM'),
        diameterM: bench.value('place.duct.diameterM'),
        bends: job.place.duct.bends,
        splitter: job.place.duct.splitter,
      }
    : null

export type Side = Job['place']['side']

export interface BayFan {
  readonly air: FanAir
  readonly speed: number
  /** it blows the other way than its side has it: its wires are swapped */
  readonly against: boolean
}

/** The side that a fan's air takes at its panel: with its wires swapped the other one. @see engineering §1.7, §2.7 */
export const airSideOf = (side: Side, { against }: Pick<BayFan, 'against'>): Side => {
  if (!against) return side
  return side === 'puller' ? 'pusher' : 'puller'
}

export interface BayFlow {
  readonly density: number
  readonly ventM2: number
  /** through the fan, m³/s of the air that it moves; negative where the flywheel fan drives it back */
  readonly fanFlow: number
  readonly riseK: number
  /** outside air in all, m³/s */
  readonly flow: number
  readonly outsideC: number
  readonly bayC: number
}

/**
 * With it where the fan pulls where the flywheel blows, against it where the fan blows at its outlet; null: apart from
 * each other.
 * @see engineering §2.7
 */
export const flywheelHelps = (panel: Pick<Panel, 'flywheel'> | null, side: Side): boolean | null =>
  !panel || panel.flywheel === 'neither' ? null : (panel.flywheel === 'blows out') === (side === 'puller')

/** The engine's own fan at slow work; its figures are at the engine's rated speed. */
export const flywheelOf = (bench: Bench, job: Job): InRow | null =>
  job.bay?.flywheel
    ? {
        fan: {
          freeFlow: bench.value('bay.flywheel.freeFlowM3s'),
          maxPressure: bench.value('bay.flywheel.maxPressurePa'),
        },
        speed: job.engine ? Math.min(1, bench.value('engine.slowRpm') / bench.value('engine.ratedRpm')) : 1,
      }
    : null

/** a bay that nothing cools at all is told as this much too hot, K: endless is no figure */
const NO_END_K = 5000

/**
 * Air through a bay and how hot it gets on the hottest day, no breeze: fans that move the air together, the engine's
 * own flywheel fan with its sign, what rises by itself.
 * @param fans what moves the air at the panel; empty for none. The air goes the way of the first; one that blows the
 * other way is counted against it
 * @param mounted the side that the fans were put on
 * @throws TypeError where the job has no bay
 * @see engineering §2.7
 */
export function bayFlow(bench: Bench, job: Job, fans: readonly BayFan[], panel: Panel | null, mounted: Side): BayFlow {
  const { bay } = job
  if (!bay) throw new TypeError('this job has no bay')
  const [first] = fans
  const side = first ? airSideOf(mounted, first) : mounted
  const outsideC = fans.length && side === 'pusher' ? inletAirC(bench, job) : bench.value('surroundings.hottestC')
  const density = airDensity(bench.value('surroundings.heightM'), outsideC)
  const ventM2 = ventsInSeries(bench.value('bay.ventInM2'), bench.value('bay.ventOutM2'))
  const path = bayResistance(ventM2, density, fans.length ? ductOf(bench, job) : null)
  const ownPath = bayResistance(ventM2, density, null)
  const flywheel = flywheelOf(bench, job)
  const together = fans.length ? flywheelHelps(panel, side) : null
  let apartFlow = flywheel && together === null ? inSeries([flywheel], density, ownPath) : 0
  const beside = flywheel && together !== null ? [{ ...flywheel, against: !together }] : []
  const fanFlow = besideEachOther(
    fans.map(({ air, speed, against }) => [{ fan: air, speed, against: against !== first!.against }, ...beside]),
    density,
    path,
  )
  // driven back, it is still outside air that goes through
  if (fanFlow < 0) apartFlow = Math.hypot(apartFlow, fanFlow)
  const air = { ventM2, heightM: bench.value('bay.ventHeightM'), breezeMs: 0, panelM2: bench.value('bay.panelM2') }
  const heat = heatIntoBay(bench, job).value
  const { riseK, flow } = bayRise(
    heat,
    { ...air, fanFlow: Math.max(0, fanFlow), extracts: side === 'puller', besides: apartFlow },
    outsideC,
    density,
  )
  const rise = Math.min(riseK, NO_END_K)
  return { density, ventM2, fanFlow, riseK: rise, flow, outsideC, bayC: outsideC + rise }
}

/** The working of a bay's rise. */
export const riseWorked = (heat: Worked, { density, riseK, flow }: BayFlow): Worked =>
  worked(
    say`bay over the air outside`,
    '{0} / ({1} × 1006 × {2})',
    [
      term(say`heat`, heat.value, 'cooling'),
      term(say`density of the air, kg/m³`, density, 'count'),
      term(say`air in all, what rises by itself with it`, flow, 'flow'),
    ],
    riseK,
    'temperatureDifference',
    '§2.7',
  )
