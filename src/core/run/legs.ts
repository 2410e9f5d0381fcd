import { airDensity, coolantBoils, heatToCarry } from '../air'
import { chargeAt, statesOf } from '../fan-circuit'
import type { Day, DutyLeg, Job } from '../job'
import type { Bench } from '../reading'
import { type Leg, rowsFor } from '../transient'
import type { Circumstances, Season } from './circumstances'
import { type WorkDefinition, workDefinitions } from './days'
import { brakePower, shareOfPower } from './road-load'

/** an engine without a load takes its revolutions from the track: this share of the rating (estimate) */
const TRACK_RPM = 0.4
export const seasonAddress: Readonly<Record<Season, string>> = {
  coldest: 'surroundings.coldestC',
  usual: 'surroundings.usualC',
  hottest: 'surroundings.hottestC',
}

/** Load share of a leg: its own, what its grade asks, or the reading of its work. @see engineering §2.8, §4 */
function shareOf(bench: Bench, job: Job, leg: DutyLeg, speedMs: number, rpm: number, density: number): number {
  if (leg.loadShare !== null) return leg.loadShare
  const { share } = workDefinitions[leg.work]
  if (leg.grade !== null && job.engine) {
    const ratedW = bench.value('engine.ratedPowerW')
    const onRoad = job.machine.kind === 'road-bike' || job.machine.kind === 'older-vehicle'
    const power = brakePower({
      massKg: bench.value('machine.massKg'),
      speedMs,
      grade: leg.grade,
      dragM2: job.machine.kind === 'side-by-side' || job.machine.kind === 'older-vehicle' ? 1.5 : 0.7,
      ground: onRoad ? 'road' : 'trail',
      density,
    })
    return shareOfPower(power.value, ratedW, rpm / bench.value('engine.ratedRpm'))
  }
  return typeof share === 'number' ? share : bench.value(share)
}

/** Where the coolant boils at a height, worked out once for each. @returns °C; endless where there is none */
function boilingAtHeight(bench: Bench, { cooling }: Job): (heightM: number) => number {
  if (!cooling) return () => Number.POSITIVE_INFINITY
  const glycol = cooling.coolant === 'water' ? 0 : bench.value('cooling.glycolShare')
  const cap = bench.value('cooling.capPa')
  const known = new Map<number, number>()
  return (heightM) => {
    const c = known.get(heightM) ?? coolantBoils(cooling.coolant, glycol, heightM, cap).at.c
    known.set(heightM, c)
    return c
  }
}

/** What charges a battery in one of a job's states, A; 0 where that is not known. */
const chargeIn = (bench: Bench, job: Job, state: string): number => {
  const found = statesOf(job).find((s) => s.id === state)
  return found && !found.needs ? found.charge(bench).value : 0
}

/** What charges while a leg is worked through, A. */
function chargeOf(bench: Bench, job: Job, leg: DutyLeg, rpm: number): number {
  if (!job.trailer) return workDefinitions[leg.work].running ? chargeAt(bench, job, rpm).value : 0
  if (leg.work === 'towed') return chargeIn(bench, job, 'towed')
  return leg.work === 'charger' ? chargeIn(bench, job, 'on its charger') : 0
}

/** Engine speed of a leg: its own, a track's, or the reading of its work; 0 without an engine. */
function rpmOf(bench: Bench, job: Job, leg: DutyLeg, work: WorkDefinition): number {
  if (leg.rpm !== null) return leg.rpm
  if (!job.engine) return 0
  if (leg.grade !== null && leg.loadShare === null) return TRACK_RPM * bench.value('engine.ratedRpm')
  return work.rpm ? bench.value(work.rpm) : 0
}

/** Heat that is to be carried away while a leg is worked through, W. @see engineering §2.8 */
function heatOf(bench: Bench, job: Job, leg: DutyLeg, at: { speedMs: number; rpm: number; density: number }): number {
  if (!workDefinitions[leg.work].running) return 0
  if (job.bay?.heatW) return bench.value('bay.heatW') * (leg.loadShare ?? 1)
  if (!job.engine) return 0
  const share = shareOf(bench, job, leg, at.speedMs, at.rpm, at.density)
  return heatToCarry(bench.value('engine.heatShare'), share, bench.value('engine.ratedPowerW')).value
}

/** The legs of a day with this pass's readings. */
export function legsOf(
  bench: Bench,
  job: Job,
  day: Day,
  { season, airC: otherAirC, heightM: otherHeightM }: Circumstances,
): { readonly legs: Leg[]; readonly rows: readonly number[] } {
  const boils = boilingAtHeight(bench, job)
  const rise =
    job.place.inletFrom === null || job.place.inletFrom === 'surroundings' ? 0 : bench.value('place.inletRiseK')
  const loadsA = bench.value('charging.otherLoadsA')
  const made = day.legs.map((leg) => {
    const work = workDefinitions[leg.work]
    const heightM = otherHeightM ?? leg.heightM ?? bench.value('surroundings.heightM')
    const speedMs = leg.speedMs ?? (work.speed && job.engine ? bench.value(work.speed) : 0)
    const airC = otherAirC ?? (season === 'usual' && leg.airC !== null ? leg.airC : bench.value(seasonAddress[season]))
    const density = airDensity(heightM, airC + rise)
    const rpm = rpmOf(bench, job, leg, work)
    return {
      row: job.cooling ? speedMs : rpm,
      leg: {
        name: leg.name,
        seconds: leg.seconds,
        running: work.running,
        heatW: heatOf(bench, job, leg, { speedMs, rpm, density }),
        pumpShare: rpm / (job.engine ? bench.value('engine.ratedRpm') : 1),
        travelMs: work.running ? speedMs : 0,
        airC,
        density,
        boilsC: boils(heightM),
        chargeA: chargeOf(bench, job, leg, rpm),
        loadsA: work.running || job.trailer ? loadsA : 0,
        live: work.running || job.trailer !== null,
        row: 0,
      } satisfies Leg,
    }
  })
  const { rows, rowOf } = rowsFor(made.map((m) => m.row))
  return { legs: made.map(({ leg, row }) => ({ ...leg, row: rowOf(row) })), rows }
}
