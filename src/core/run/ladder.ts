import { firstCircuit, hasThermostat, isSettable, pointsOf } from '../fan-circuit'
import { bayAt, coolantAt, FULL_OPEN_OVER_K, onStep, readingOf, settingFor } from '../control'
import { boilsAt } from '../cooling'
import { changeSetting, type Job, lookupOf } from '../job'
import { Bench } from '../reading'
import { air, bay, coolant, warmer } from '../units'

type Season = 'coldest' | 'hottest'

/** A slanting line of the ladder: one mark on both rails, joined at one surroundings. */
export interface Join {
  readonly mark: 'on' | 'off' | 'opens' | 'allowed'
  readonly season: Season
  readonly surroundingsC: number
  readonly probeC: number
  readonly otherC: number
}

/** The two rails of the trigger ladder with their marks, °C: each mark belongs to one rail. */
export interface Ladder {
  readonly probe: {
    readonly onC: number
    readonly offC: number
    readonly lowestC: number
    readonly highestC: number
    readonly stepK: number
    readonly movable: boolean
  }
  /** the rail of what is cooled: coolant, or the air of a bay */
  readonly other: 'coolant' | 'bay'
  readonly coolant: {
    readonly opensC: number
    readonly fullC: number
    readonly boilsC: number
    readonly keptFreeC: number
  } | null
  readonly bay: { readonly allowedC: number } | null
  readonly joins: readonly Join[]
  readonly scale: { readonly fromC: number; readonly toC: number }
}

/**
 * @param circuit of which fan; the first where nobody says
 * @returns null without a thermostat, or where nothing is known of what it is to cool
 * @see engineering §3.2
 */
export function triggerLadder(job: Job, circuit = firstCircuit(job)): Ladder | null {
  if (!hasThermostat(circuit) || (!job.bay && !job.engine?.thermostatOpensC)) return null
  const bench = new Bench(lookupOf(job))
  const { on, off } = pointsOf(bench, circuit)
  const kappa = circuit.probe.kappa.value
  const boils = job.cooling ? boilsAt(bench, job).at : null
  const opens = job.engine?.thermostatOpensC ? coolant(job.engine.thermostatOpensC.value) : null
  const allowed = job.bay ? bay(job.bay.allowedC.value) : null
  const joins = (['coldest', 'hottest'] as const).flatMap((season): Join[] => {
    const surroundings = air(season === 'coldest' ? job.surroundings.coldestC.value : job.surroundings.hottestC.value)
    const common = { season, surroundingsC: surroundings.c }
    const otherAt = allowed ? bayAt : coolantAt
    return [
      { ...common, mark: 'on', probeC: on.c, otherC: otherAt(on, surroundings, kappa).c },
      { ...common, mark: 'off', probeC: off.c, otherC: otherAt(off, surroundings, kappa).c },
      ...(opens
        ? [{ ...common, mark: 'opens' as const, probeC: readingOf(opens, surroundings, kappa).c, otherC: opens.c }]
        : []),
      ...(allowed
        ? [
            {
              ...common,
              mark: 'allowed' as const,
              probeC: readingOf(allowed, surroundings, kappa).c,
              otherC: allowed.c,
            },
          ]
        : []),
    ]
  })
  const range = circuit.controller.part.range
  const marks = [
    on.c,
    off.c,
    ...(opens ? [opens.c] : []),
    ...(boils ? [boils.c] : []),
    ...joins.flatMap((j) => [j.probeC, j.otherC]),
  ]
  return {
    probe: {
      onC: on.c,
      offC: off.c,
      lowestC: range?.minC ?? off.c,
      highestC: range?.maxC ?? on.c,
      stepK: range?.stepK ?? 1,
      movable: isSettable(circuit.controller.part),
    },
    other: allowed ? 'bay' : 'coolant',
    coolant: opens &&
      boils && {
        opensC: opens.c,
        fullC: warmer(opens, FULL_OPEN_OVER_K).c,
        boilsC: boils.c,
        keptFreeC: warmer(boils, -job.limits.boilKeepK).c,
      },
    bay: allowed && { allowedC: allowed.c },
    joins,
    scale: {
      fromC: Math.floor((Math.min(...marks) - 6) / 10) * 10,
      toC: Math.ceil((Math.max(...marks) + 6) / 10) * 10,
    },
  }
}

/**
 * The job with one collar slid to a temperature, up to the controller's steps, range and band.
 * Sliding `on` takes `off` with it; sliding `off` widens or narrows the band.
 */
export function slideCollar(job: Job, collar: 'on' | 'off', toC: number, circuit = firstCircuit(job)): Job {
  const range = circuit.controller?.part.range
  if (!hasThermostat(circuit) || !range || !isSettable(circuit.controller.part)) return job
  const { id, bandK, part } = circuit.controller
  const { on } = pointsOf(new Bench(lookupOf(job)), circuit)
  const held = (value: number, low: number, high: number): number => Math.min(high, Math.max(low, value))
  const step = (k: number): number => Math.round(k / range.stepK) * range.stepK
  if (collar === 'off') {
    const band = held(step(on.c - toC), Math.max(range.bandMinK, range.stepK), range.bandMaxK)
    return changeSetting(job, id, settingFor(part.band, on.c, on.c - band).setC, band)
  }
  const { setC } = settingFor(part.band, toC, toC - bandK)
  return changeSetting(job, id, held(onStep(setC, range), range.minC, range.maxC), bandK)
}
