import { type OnOff, onOffPoints } from '../control'
import type { Bench } from '../reading'
import type { FanCircuit } from './circuit'
import { isThermostat } from './is-thermostat'

export type WithController = FanCircuit & { readonly controller: NonNullable<FanCircuit['controller']> }

export const hasThermostat = (c: FanCircuit): c is WithController =>
  c.controller !== null && isThermostat(c.controller.part)

/**
 * The on and off points of a controller with this pass's readings: a fixed switch has points of its own.
 * @see engineering §3.1
 */
export function pointsOf(bench: Bench, { controller }: Pick<WithController, 'controller'>): OnOff {
  const { part, setC, bandK, id } = controller
  const fixed = part.fixed && {
    closesC: bench.value(`controllers.${id}.part.fixed.closesC`),
    opensC: bench.value(`controllers.${id}.part.fixed.opensC`),
  }
  return onOffPoints(part.band, { setC, bandK }, fixed ?? { closesC: setC, opensC: setC - bandK })!
}

export const kappaAt = (bench: Bench, { probe }: FanCircuit): number => bench.value(`probes.${probe.id}.kappa`)
