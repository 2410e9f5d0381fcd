import { type ConductorRole, signalRoles } from '../choices'
import { typical } from '../../reading'
import type { UnitSystem } from '../../units'
import type { Job } from '../document'
import type { TypicalMachine } from '../typical'

/** Colours that are usual for each role, until this kit's own are known. */
export const usualColours: Readonly<Record<ConductorRole, string>> = {
  feed: 'red',
  return: 'black',
  control: 'orange',
  trigger: 'yellow',
  'coil-return': 'black',
  'supply-return': 'black',
  override: 'blue',
  call: 'green',
  timer: 'violet',
  lamp: 'white',
}

/** Wires that carry signals only, of a size that a 15 A fuse still guards, about as long as such a way usually is. */
export const controlConductors = ({ routes }: TypicalMachine, units: UnitSystem): Job['conductors'] =>
  signalRoles.map((role) => ({
    id: role,
    role,
    size: units === 'metric' ? ('1 mm²' as const) : ('18 AWG' as const),
    colour: usualColours[role],
    insulationC: 105 as const,
    ambientC: typical(60),
    bundled: 2,
    lengthM: typical(
      Math.round(
        (role === 'trigger' || role === 'coil-return' || role === 'supply-return' ? 0.4 : routes.feedM * 0.8) * 100,
      ) / 100,
    ),
  }))

/** The last part of the feed, from the contact to the fan. */
export const switchAt = ({ routes }: TypicalMachine) => typical(Math.round(routes.feedM * 0.4 * 100) / 100)

/**
 * How a fan is usually switched: behind the key, or by its own isolator where there is no key.
 * @see the defaults of the job
 */
export const wiringBeside = (trailer: boolean): Job['wiring'] => ({
  intent: { control: 'thermostat', ifControllerDies: 'nothing', deadWhenParked: 'the fan', alsoFor: 'nothing' },
  side: 'positive',
  controlFrom: trailer ? 'feed' : 'key',
  override: 'none',
  overrideSwitch: null,
  isolatorSwitch: null,
  isolator: trailer,
  timer: false,
  call: false,
  lamp: false,
  feedRatedA: null,
  edits: [],
  unknowns: [],
})
