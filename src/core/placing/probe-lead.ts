import { firstCircuit } from '../fan-circuit'
import { leadError, resistancePerMetre } from '../electrical'
import type { Job } from '../job'

/** probe leads are thin: 22 AWG is the thinnest that is handled without breaking */
export const PROBE_LEAD = '22 AWG'

/**
 * How much colder a fan's probe reads at its set point for the length of its lead, there and back.
 * @returns kelvin, 0 or negative; null without a probe or a controller
 * @see engineering §1.10
 */
export function probeLeadError(job: Job, circuit = firstCircuit(job)): number | null {
  const { controller } = circuit
  const { part } = circuit.probe
  if (!part || !controller) return null
  return leadError(controller.setC, 2 * part.leadM.value * resistancePerMetre(PROBE_LEAD, 20), {
    r25Ohm: part.r25Ohm,
    betaK: part.betaK,
  })
}
