import type { Job } from '../job'

/** A fault that a fan would not cure, and what it would look like. */
export interface CureCheck {
  readonly id: string
  readonly name: string
  readonly looksLike: string
}

interface CureRule extends CureCheck {
  readonly when: (job: Job) => boolean
}

const cooled = (job: Job): boolean => job.cooling !== null
const engined = (job: Job): boolean => job.engine !== null

/** A new fault to rule out is a new entry. */
const rules: readonly CureRule[] = [
  {
    id: 'low-coolant',
    name: 'Coolant low or old',
    looksLike: 'Level below the mark when cold; rusty, oily or thin; boils soon after every start.',
    when: cooled,
  },
  {
    id: 'stuck-thermostat',
    name: 'Engine thermostat stuck',
    looksLike: 'Engine hot while the radiator stays cool, and the hose behind the thermostat too.',
    when: cooled,
  },
  {
    id: 'blocked-core',
    name: 'Core blocked or bent',
    looksLike: 'Mud or fluff between the fins, fins laid flat; cold stripes across a warm core.',
    when: cooled,
  },
  {
    id: 'slipping-pump',
    name: 'Pump slipping or worn',
    looksLike: 'Belt glazed or loose, coolant stands still in the filler at speed, shaft with play.',
    when: cooled,
  },
  {
    id: 'cap',
    name: 'Cap does not hold',
    looksLike: 'Boils though not very hot; a hose collapses on cooling; seal cracked.',
    when: cooled,
  },
  {
    id: 'leak',
    name: 'A leak',
    looksLike: 'Wet or crusted joints, a sweet smell, level falls from ride to ride.',
    when: cooled,
  },
  {
    id: 'own-fan',
    name: 'The fan that it has does not run',
    looksLike: 'Blown fuse, dead motor, plug green inside; turn it by hand and feed it straight.',
    when: () => true,
  },
  {
    id: 'shut-vents',
    name: 'Vents or ducts shut',
    looksLike: 'Leaves, mud, a cover or a rag over an inlet; a louvre or a seal missing.',
    when: (job) => job.bay !== null,
  },
  {
    id: 'oily-fins',
    name: 'Cooling fins of the engine clogged',
    looksLike: 'Oil and dust baked between the fins; the flywheel screen closed.',
    when: (job) => job.bay !== null && engined(job),
  },
  {
    id: 'own-ducting',
    name: 'Ducting of its own blower missing',
    looksLike: 'A sheet left off after the last repair: its air takes the short way.',
    when: (job) => job.bay !== null && engined(job),
  },
  {
    id: 'exhaust-leak',
    name: 'Exhaust blows into the bay',
    looksLike: 'Soot tracks, a ticking noise when cold, a shield gone.',
    when: (job) => job.bay !== null && engined(job),
  },
  {
    id: 'overloaded',
    name: 'More goes in than it is made for',
    looksLike: 'Warm goods loaded, doors left open, an inverter or generator run above its rating.',
    when: (job) => job.engine === null,
  },
]

/** What to rule out before a fan is bought, for this machine. */
export const cureChecks = (job: Job): CureCheck[] => rules.filter((r) => r.when(job))
