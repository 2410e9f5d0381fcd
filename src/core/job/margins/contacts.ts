import { contactCarries, contactMakes } from '../../electrical'
import type { Bench } from '../../reading'
import type { Job } from '../document'
import { circuitsOf, contactsIn, runCurrent, startCurrent, type FanCircuit } from './circuit'
import { over, type MarginDefinition, type PartDefinition } from './part'

function partsOf(job: Job, circuit: FanCircuit): PartDefinition[] {
  return contactsIn(job, circuit).flatMap(({ id, name, rating, needs }): PartDefinition[] => {
    const runs = { id: `${id} runs${circuit.suffix}`, name: `of the ${name}${circuit.suffix}, running`, unit: 'A', required: 0 } as const
    const { fan } = circuit
    if (!rating || !fan) return [{ ...runs, needs: fan ? needs : 'a fan' }]
    const scale = (bench: Bench) => runCurrent(bench, fan).value / 4
    return [
      { ...runs, scale, compute: (bench) => over(contactCarries(rating), runCurrent(bench, fan), 0, 'current', '§1.5') },
      {
        id: `${id} starts${circuit.suffix}`, name: `of the ${name}${circuit.suffix}, starting`, unit: 'A', required: 0, scale,
        compute: (bench) => over(contactMakes(rating), startCurrent(bench, fan), 0, 'current', '§1.5'),
      },
    ]
  })
}

/** A relay's coil for another voltage burns out or never pulls in. */
const wrongCoil = (job: Job, { run, suffix }: FanCircuit): PartDefinition[] => {
  const relay = run.switchedBy === 'relay' ? job.relays.find((r) => r.id === run.relay)?.part : undefined
  if (!relay || relay.coilV === job.machine.systemV) return []
  return [{ id: `coil${suffix}`, name: `of the relay's coil${suffix}`, unit: 'A', required: 0, missing: `the relay's coil is for ${relay.coilV} V, the machine has ${job.machine.systemV} V` }]
}

/** Every contact in the fan's path, the key switch included. @see engineering §1.5, margins.md */
export function contactsMargin(job: Job): MarginDefinition {
  const circuits = circuitsOf(job)
  const ramp = circuits.some((c) => c.controller?.part.band === 'ramp' && c.run.switchedBy === 'relay')
  const bareCoil = circuits.some((c) => job.relays.some((r) => r.id === c.run.relay && c.run.switchedBy === 'relay' && !r.part.suppressed))
  return {
    id: 'contacts', name: 'Contacts', parts: circuits.flatMap((c) => [...wrongCoil(job, c), ...partsOf(job, c)]),
    notes: [
      ...(ramp ? ['A pulse-width controller must never feed a relay: let it feed the fan itself.'] : []),
      ...(bareCoil ? ['The coil has no diode or resistor across it and kicks the electronics that drive it: fit one.'] : []),
    ],
  }
}
