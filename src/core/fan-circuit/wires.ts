import { type Conductor, jointsOhm, runningFan, type RunOfWire, wiresOhm } from '../electrical'
import { roleNames } from '../job'
import type { Bench } from '../reading'
import { ambientAt } from './surroundings'
import { type FanCircuit, type FannedCircuit, hasFan, type RunConductor } from './circuit'
import { ratingOf, runningAmps } from './currents'
import { say } from '../words'

/** One conductor with this pass's readings. @throws TypeError if its size is not chosen */
export function conductorAt(bench: Bench, c: RunConductor): Conductor {
  if (c.size === null) throw new TypeError(`${c.id} has no size`)
  return {
    name: roleNames[c.role],
    size: c.size,
    insulationC: c.insulationC,
    bundled: c.bundled,
    lengthM: bench.value(c.at.lengthM),
    ambientC: ambientAt(bench, c.at),
  }
}

export const wiresOf = (bench: Bench, circuit: FanCircuit): RunOfWire => ({
  conductors: circuit.conductors.map((c) => conductorAt(bench, c)),
  frame: circuit.run.frame,
  crimps: circuit.run.crimps,
  rings: circuit.run.rings,
  contactsOhm: circuit.contactsOhm + (circuit.behindResistor ? bench.value('wiring.plugResistorOhm') : 0),
  fuseA: circuit.fuse?.ratingA ?? null,
})

/** What the wire margins wait for, or null. */
export function wiresWaitFor(circuit: FanCircuit): string | null {
  if (!circuit.fan) return say`a fan`
  const bare = circuit.conductors.find((c) => c.size === null)
  if (bare) return say`a size for the ${roleNames[bare.role]}`
  return circuit.conductors.length === 0 ? say`a conductor` : null
}

/**
 * Everything between source and fan, wires as warm as the fan's running current makes them.
 * @returns ohm
 * @throws TypeError if a size is not chosen
 * @see engineering §1.2
 */
export function ohmBefore(bench: Bench, circuit: FannedCircuit): number {
  const run = wiresOf(bench, circuit)
  return wiresOhm(runningAmps(bench, circuit.fan), run) + jointsOhm(run)
}

/**
 * Speed of a circuit's fan at the regulator's voltage, behind wires and joints where their sizes are chosen: wire costs
 * air.
 * @returns relative to the rating
 * @see engineering §1.2, §1.6
 */
export function fanSpeed(bench: Bench, circuit: FanCircuit): number {
  if (!hasFan(circuit)) return 0
  const ohm = wiresWaitFor(circuit) ? 0 : ohmBefore(bench, circuit)
  return runningFan(ratingOf(bench, circuit.fan), bench.value('charging.regulatorV'), ohm).speed
}

/** Copper that the smallest terminal on the run accepts, m²; null where no terminal limits it. */
export function terminalLimit(circuit: FanCircuit): number | null {
  const own: (number | null | undefined)[] =
    circuit.run.switchedBy === 'relay'
      ? [circuit.relay?.part.terminalAreaM2]
      : [circuit.controller?.part.terminalAreaM2]
  const limits = own.filter((a): a is number => typeof a === 'number')
  return limits.length ? Math.min(...limits) : null
}
