import { type ConductorRole, signalRoles, type wireColours } from '../choices'
import { typical } from '../../reading'
import type { UnitSystem } from '../../units'
import type { Job } from '../document'
import type { TypicalMachine } from '../typical'

/** Colours that are usual for each role, until this kit's own are known. */
export const usualColours: Readonly<Record<ConductorRole, (typeof wireColours)[number]>> = {
  feed: 'red',
  return: 'black',
  control: 'orange',
  'coil-feed': 'orange',
  trigger: 'yellow',
  'coil-return': 'black',
  'supply-return': 'black',
  link: 'yellow',
  override: 'blue',
  'override-out': 'blue',
  call: 'green',
  'call-out': 'green',
  timer: 'violet',
  'timer-out': 'violet',
  lamp: 'white',
  'lamp-return': 'black',
}

/** Wires that carry signals only, of a size that a 15 A fuse still guards, about as long as such a way usually is. */
const short: ReadonlySet<ConductorRole> = new Set([
  'coil-feed',
  'trigger',
  'coil-return',
  'supply-return',
  'link',
  'timer-out',
  'lamp-return',
])

export const controlConductors = ({ routes }: TypicalMachine, units: UnitSystem, bay: boolean): Job['conductors'] =>
  signalRoles.map((role) => ({
    id: role,
    role,
    size: units === 'metric' ? ('1 mm²' as const) : ('18 AWG' as const),
    sizeFrom: 'printed on it' as const,
    colour: usualColours[role],
    insulationC: 105 as const,
    lies: bay ? ('bay' as const) : ('engine' as const),
    ambientC: typical(60),
    bundled: 2,
    lengthM: typical(Math.round((short.has(role) ? 0.4 : routes.feedM * 0.8) * 100) / 100),
  }))

/** The last part of the feed, from the contact to the fan. */
export const switchAt = ({ routes }: TypicalMachine) => typical(Math.round(routes.feedM * 0.4 * 100) / 100)

/** Between fuse and isolator, where there is one. */
export const isolatorAt = () => typical(0.15)

/**
 * How a fan is usually switched: behind the key, or by its own isolator where there is no key.
 * @see the defaults of the job
 */
export const wiringBeside = (trailer: boolean): Job['wiring'] => ({
  intent: {
    control: 'thermostat',
    overrideLive: 'as the fan',
    ifControllerDies: 'nothing',
    deadWhenParked: 'the fan',
    alsoFor: 'nothing',
  },
  side: 'positive',
  controlFrom: trailer ? 'feed' : 'key',
  override: 'none',
  overrideSwitch: null,
  isolatorSwitch: null,
  isolator: trailer,
  timer: false,
  timerFrom: 'feed',
  call: false,
  callFrom: trailer ? 'feed' : 'key',
  diodes: [],
  loomFuseA: null,
  tapFuseA: null,
  lamp: false,
  feedRatedA: null,
  feedLoadA: typical(2, 2),
  plugSpeed: 'one speed',
  plugResistorOhm: typical(0.5),
  joints: 'sealed crimp',
  passes: [],
  kit: null,
  edits: [],
  unknowns: [],
})
