import { coolantAt, FULL_OPEN_OVER_K, onStep, readingOf, settingFor } from '../control'
import { Bench } from '../reading'
import { air, warmer, coolant } from '../units'
import { lookupOf } from './address'
import { changeSetting } from './choose'
import type { Job } from './document'
import { boilsAt, circuitsOf, isThermostat, pointsOf, type FanCircuit } from './margins'

type Season = 'coldest' | 'hottest'

/** A slanting line of the ladder: one mark on both rails, joined at one surroundings. */
export interface Join { readonly mark: 'on' | 'off' | 'opens'; readonly season: Season; readonly surroundingsC: number; readonly probeC: number; readonly coolantC: number }

/** The two rails of the trigger ladder with their marks, °C: each mark belongs to one rail. */
export interface Ladder {
  readonly probe: { readonly onC: number; readonly offC: number; readonly lowestC: number; readonly highestC: number; readonly stepK: number; readonly movable: boolean }
  readonly coolant: { readonly opensC: number; readonly fullC: number; readonly boilsC: number; readonly keptFreeC: number }
  readonly joins: readonly Join[]
  readonly scale: { readonly fromC: number; readonly toC: number }
}

const first = (job: Job): FanCircuit & { controller: NonNullable<FanCircuit['controller']> } | null => {
  const circuit = circuitsOf(job)[0]!
  return circuit.controller && isThermostat(circuit.controller.part) ? { ...circuit, controller: circuit.controller } : null
}

/** @returns null without a thermostat @see engineering §3.2 */
export function triggerLadder(job: Job): Ladder | null {
  const circuit = first(job)
  if (!circuit) return null
  const bench = new Bench(lookupOf(job))
  const { on, off } = pointsOf(bench, circuit)
  const opens = coolant(job.engine.thermostatOpensC.value)
  const boils = boilsAt(bench, job).at
  const kappa = circuit.probe.kappa.value
  const joins = (['coldest', 'hottest'] as const).flatMap((season): Join[] => {
    const surroundings = air(season === 'coldest' ? job.surroundings.coldestC.value : job.surroundings.hottestC.value)
    const common = { season, surroundingsC: surroundings.c }
    return [
      { ...common, mark: 'on', probeC: on.c, coolantC: coolantAt(on, surroundings, kappa).c },
      { ...common, mark: 'off', probeC: off.c, coolantC: coolantAt(off, surroundings, kappa).c },
      { ...common, mark: 'opens', probeC: readingOf(opens, surroundings, kappa).c, coolantC: opens.c },
    ]
  })
  const range = circuit.controller.part.range
  const marks = [on.c, off.c, opens.c, boils.c, ...joins.flatMap((j) => [j.probeC, j.coolantC])]
  return {
    probe: { onC: on.c, offC: off.c, lowestC: range?.minC ?? off.c, highestC: range?.maxC ?? on.c, stepK: range?.stepK ?? 1, movable: range !== null && circuit.controller.part.band !== 'fixed' },
    coolant: { opensC: opens.c, fullC: warmer(opens, FULL_OPEN_OVER_K).c, boilsC: boils.c, keptFreeC: warmer(boils, -job.limits.boilKeepK).c },
    joins, scale: { fromC: Math.floor((Math.min(...marks) - 6) / 10) * 10, toC: Math.ceil((Math.max(...marks) + 6) / 10) * 10 },
  }
}

/**
 * The job with one collar slid to a temperature, up to the controller's steps, range and band.
 * Sliding `on` takes `off` with it; sliding `off` widens or narrows the band.
 */
export function slideCollar(job: Job, collar: 'on' | 'off', toC: number): Job {
  const circuit = first(job)
  const range = circuit?.controller.part.range
  if (!circuit || !range || circuit.controller.part.band === 'fixed') return job
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
