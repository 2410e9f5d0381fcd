import { controlKindOf } from '../control'
import { type MarginDefinition, ofRun, over, type PartDefinition } from './part'
import { contactCarries, contactMakes, fuseCarries } from '../electrical'
import { circuitsOf, type FanCircuit, startCurrent } from '../fan-circuit'
import type { Job } from '../job'
import { type Bench, following, term, worked, type Worked } from '../reading'
import { type ContactLoad, currentIn, type Load, loadsOf, startIn } from '../wiring'
import { say } from '../words'

/** around a fuse block of the machine's own, °C (estimate) */
const BORROWED_C = 40

/** The single fan's own line where there is only one. */
function startInWords(bench: Bench, job: Job, load: Load): Worked {
  const circuits = circuitsOf(job).filter((c, i) => c.fan && load.shares[i]! > 0)
  const i = circuits.length === 1 && load.steadyA === 0 ? circuitsOf(job).indexOf(circuits[0]!) : -1
  if (i >= 0 && load.shares[i] === 1) return startCurrent(bench, circuits[0]!.fan!)
  const { startingA } = startIn(bench, job, load)
  return worked(
    say`through it, starting`,
    '{0}',
    [term(say`all that start at once`, startingA, 'current')],
    startingA,
    'current',
    '§1.6',
  )
}

/** The fan's current and what hangs on the same wire of the machine's already. @see engineering §1.4 */
function withOthers(bench: Bench, job: Job, load: Load): Worked {
  const fan = currentIn(bench, job, load)
  const already = bench.value('wiring.feedLoadA')
  return following(
    [fan],
    worked(
      say`through it`,
      '{0} + {1}',
      [term(say`the fan`, fan.value, 'current'), term(say`what hangs on it`, already, 'current', 'wiring.feedLoadA')],
      fan.value + already,
      'current',
      '§1.4',
    ),
  )
}

/** What a fuse of the machine's own carries for good, against all that hangs on it. @see engineering §1.4 */
const borrowed = (job: Job, { id, name, suffix, tag, load }: ContactLoad, ratedA: number): PartDefinition => ({
  id: `${id} runs${tag}`,
  name: say`of the ${name}'s own fuse${suffix}`,
  unit: 'A',
  required: 0,
  scale: (bench) => currentIn(bench, job, load).value / 4,
  compute: (bench) => over(fuseCarries(ratedA, BORROWED_C), withOthers(bench, job, load), 0, 'current', '§1.4'),
})

function partsOf(job: Job, contact: ContactLoad): PartDefinition[] {
  const { id, name, suffix, tag, rating, needs, load, borrowedA } = contact
  if (borrowedA !== null && job.fans.length) return [borrowed(job, contact, borrowedA)]
  const runs = {
    id: `${id} runs${tag}`,
    name: say`of the ${name}${suffix}, running`,
    unit: 'A',
    required: 0,
  } as const
  if (!rating || !job.fans.length) return [{ ...runs, needs: job.fans.length ? needs : say`a fan` }]
  const scale = (bench: Bench) => currentIn(bench, job, load).value / 4
  // a key carries what else hangs behind it as well
  const through = (bench: Bench) => (id === 'key' ? withOthers(bench, job, load) : currentIn(bench, job, load))
  return [
    {
      ...runs,
      scale,
      compute: (bench) => over(contactCarries(rating), through(bench), 0, 'current', '§1.5'),
    },
    {
      id: `${id} starts${tag}`,
      name: say`of the ${name}${suffix}, starting`,
      unit: 'A',
      required: 0,
      scale,
      compute: (bench) => over(contactMakes(rating), startInWords(bench, job, load), 0, 'current', '§1.5'),
    },
  ]
}

/** A relay's coil for another voltage burns out or never pulls in. */
const wrongCoil = (job: Job, { run, suffix, tag }: FanCircuit): PartDefinition[] => {
  const relay = run.switchedBy === 'relay' ? job.relays.find((r) => r.id === run.relay)?.part : undefined
  if (!relay || relay.coilV === job.machine.systemV) return []
  return [
    {
      id: `coil${tag}`,
      name: say`of the relay's coil${suffix}`,
      unit: 'A',
      required: 0,
      missing: say`the relay's coil is for ${relay.coilV} V, the machine has ${job.machine.systemV} V`,
    },
  ]
}

/** Every contact in the fan's path, the key switch included. @see engineering §1.5, margins.md */
export function contactsMargin(job: Job): MarginDefinition {
  const circuits = circuitsOf(job)
  const ramp = circuits.some(
    (c) => c.controller !== null && controlKindOf(c.controller.part).pulses && c.run.switchedBy === 'relay',
  )
  const bareCoil = circuits.some((c) =>
    job.relays.some((r) => r.id === c.run.relay && c.run.switchedBy === 'relay' && !r.part.suppressed),
  )
  return {
    id: 'contacts',
    name: say`Contacts`,
    parts: [
      ...circuits.flatMap((c) => ofRun(c, wrongCoil(job, c))),
      ...loadsOf(job).contacts.flatMap((c) => {
        const circuit = circuits.find((_, i) => c.load.shares[i]! > 0)
        return circuit ? ofRun(circuit, partsOf(job, c)) : partsOf(job, c)
      }),
    ],
    notes: [
      ...(ramp ? [say`A pulse-width controller must never feed a relay: let it feed the fan itself.`] : []),
      ...(bareCoil
        ? [say`The coil has no diode or resistor across it and kicks the electronics that drive it: fit one.`]
        : []),
    ],
  }
}
