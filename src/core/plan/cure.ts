import type { Job } from '../job'
import { say } from '../words'

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
    name: say`Coolant low or old`,
    looksLike: say`Level below the mark when cold; rusty, oily or thin; boils soon after every start.`,
    when: cooled,
  },
  {
    id: 'stuck-thermostat',
    name: say`Engine thermostat stuck`,
    looksLike: say`Engine hot while the radiator stays cool, and the hose behind the thermostat too.`,
    when: cooled,
  },
  {
    id: 'blocked-core',
    name: say`Core blocked or bent`,
    looksLike: say`Mud or fluff between the fins, fins laid flat; cold stripes across a warm core.`,
    when: cooled,
  },
  {
    id: 'slipping-pump',
    name: say`Pump slipping or worn`,
    looksLike: say`Belt glazed or loose, coolant stands still in the filler at speed, shaft with play.`,
    when: cooled,
  },
  {
    id: 'cap',
    name: say`Cap does not hold`,
    looksLike: say`Boils though not very hot; a hose collapses on cooling; seal cracked.`,
    when: cooled,
  },
  {
    id: 'leak',
    name: say`A leak`,
    looksLike: say`Wet or crusted joints, a sweet smell, level falls from ride to ride.`,
    when: cooled,
  },
  {
    id: 'own-fan',
    name: say`The fan that it has does not run`,
    looksLike: say`Blown fuse, dead motor, plug green inside; turn it by hand and feed it straight.`,
    when: () => true,
  },
  {
    id: 'shut-vents',
    name: say`Vents or ducts shut`,
    looksLike: say`Leaves, mud, a cover or a rag over an inlet; a louvre or a seal missing.`,
    when: (job) => job.bay !== null,
  },
  {
    id: 'oily-fins',
    name: say`Cooling fins of the engine clogged`,
    looksLike: say`Oil and dust baked between the fins; the flywheel screen closed.`,
    when: (job) => job.bay !== null && engined(job),
  },
  {
    id: 'own-ducting',
    name: say`Ducting of its own blower missing`,
    looksLike: say`A sheet left off after the last repair: its air takes the short way.`,
    when: (job) => job.bay !== null && engined(job),
  },
  {
    id: 'exhaust-leak',
    name: say`Exhaust blows into the bay`,
    looksLike: say`Soot tracks, a ticking noise when cold, a shield gone.`,
    when: (job) => job.bay !== null && engined(job),
  },
  {
    id: 'overloaded',
    name: say`More goes in than it is made for`,
    looksLike: say`Warm goods loaded, doors left open, an inverter or generator run above its rating.`,
    when: (job) => job.engine === null,
  },
]

/** What to rule out before a fan is bought, for this machine. */
export const cureChecks = (job: Job): CureCheck[] => rules.filter((r) => r.when(job))
