import { firstCircuit } from '../fan-circuit'
import { airDensity, bayResistance, corePressure, fanPressure, ventsInSeries } from '../air'
import { type Job, lookupOf, panelOf } from '../job'
import { Bench, corners, endsOf, NotingBench } from '../reading'
import { airSideOf, ductOf, flywheelHelps, flywheelOf } from './bay-air'
import { airThroughCores, coreOf, fittedCore, inletAirC, runningAir } from './cooler'
import { movedBy } from './moved-air'

/** A pressure at one flow, with the ends of its band; Pa. */
export interface CurvePoint {
  readonly flow: number
  readonly fan: number
  readonly fanBand: readonly [number, number]
  readonly core: number
  readonly coreBand: readonly [number, number]
}

export interface Curves {
  readonly points: readonly CurvePoint[]
  /** where the two meet, standing: m³/s with its band, Pa */
  readonly at: { readonly flow: number; readonly low: number; readonly high: number; readonly pressure: number }
  /** on the box, m³/s */
  readonly free: number
  /** what the fan works against */
  readonly against: 'core' | 'vents' | 'hose and vents'
}

const POINTS = 33
/** what nothing gets through is told as this much, Pa */
const ENDLESS_PA = 1e6

/**
 * The fan's own curve at the voltage that reaches it, and that of what it works against, with what the readings leave
 * open.
 * @returns null without a fan that runs on a core or in a bay
 * @see engineering §2.3, §2.4, §2.7
 */
export function fanCurves(job: Job, circuit = firstCircuit(job)): Curves | null {
  const { fan } = circuit
  if (!fan || (!job.cooling && !job.bay)) return null
  const lookup = lookupOf(job)
  const nominal = new Bench(lookup)
  const running = runningAir(nominal, { ...circuit, fan })
  if (!running) return null
  const moved = (addresses: readonly string[], end: 'low' | 'high'): Bench =>
    new Bench(
      lookup,
      new Map(
        addresses.map((a) => {
          const { reading, quantity, limits } = lookup(a)
          return [a, endsOf(reading, quantity, limits)[end]]
        }),
      ),
    )
  const fanReadings = [fan.at.freeFlowM3s, fan.at.maxPressurePa]
  const coreReadings = job.bay
    ? ['bay.ventInM2', 'bay.ventOutM2']
    : ['cooling.resistanceFactor', fittedCore(job) === 'new' ? 'newCore.finsPerInch' : 'cooling.finsPerInch']
  const helps = job.bay ? flywheelHelps(panelOf(job), airSideOf(job.place.side, running)) : null
  const fanAt = (bench: Bench) => {
    const r = runningAir(bench, { ...circuit, fan })!
    // the engine's own fan adds its pressure with its sign
    const f = helps === null ? null : flywheelOf(bench, job)
    const sign = helps ? 1 : -1
    return (q: number, density: number) =>
      fanPressure(r.air, q, r.speed, density) + (f ? sign * fanPressure(f.fan, sign * q, f.speed, density) : 0)
  }
  const duct = job.bay ? ductOf(nominal, job) : null
  const resistanceAt = (bench: Bench): ((q: number, density: number) => number) => {
    if (job.bay) {
      const vents = ventsInSeries(bench.value('bay.ventInM2'), bench.value('bay.ventOutM2'))
      return (q, density) => bayResistance(vents, density, duct) * q * q
    }
    const core = coreOf(bench, job.cooling, fittedCore(job))
    const air = airThroughCores(bench, job, null)
    const area = air.fans.find((f) => f.circuit.fan.id === fan.id)?.areaM2 ?? 0
    return (q, density) =>
      area > 0 ? corePressure(core, q / (area * (1 - air.blocked)), density) : Number.POSITIVE_INFINITY
  }
  const density = airDensity(job.surroundings.heightM.value, inletAirC(nominal, job))
  const fanCurve = [fanAt(nominal), fanAt(moved(fanReadings, 'low')), fanAt(moved(fanReadings, 'high'))] as const
  const against = [
    resistanceAt(nominal),
    resistanceAt(moved(coreReadings, job.bay ? 'high' : 'low')),
    resistanceAt(moved(coreReadings, job.bay ? 'low' : 'high')),
  ] as const
  const most = running.air.freeFlow * Math.max(running.speed, 0.05) * 1.12
  const points = Array.from({ length: POINTS }, (_, i): CurvePoint => {
    const flow = (most * i) / (POINTS - 1)
    const [f, fl, fh] = fanCurve.map((c) => Math.max(0, c(flow, density))) as [number, number, number]
    const [c, cl, ch] = against.map((r) => Math.min(ENDLESS_PA, r(flow, density) || 0)) as [number, number, number]
    return { flow, fan: f, fanBand: [fl, fh], core: c, coreBand: [cl, ch] }
  })
  const noting = new NotingBench(lookup)
  const flow = movedBy(noting, job, circuit)
  const { worst, best } = corners((b) => movedBy(b, job, circuit), lookup, noting.touched, flow)
  const vents = duct ? 'hose and vents' : 'vents'
  return {
    points,
    at: { flow, low: worst, high: best, pressure: Math.max(0, fanCurve[0](flow, density)) },
    free: fan.part.freeFlowM3s.value,
    against: job.bay ? vents : 'core',
  }
}
