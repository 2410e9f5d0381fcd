import { say } from '../words'

/**
 * The kinds of job. Each asks only its own questions: what is not its own does not stand in its document, or is not
 * asked.
 */
export const jobKinds = {
  core: {
    name: say`a fan on a core`,
    tell: say`coolant through a radiator, air through its fins`,
    mountsFan: true,
    medium: 'coolant',
  },
  bay: {
    name: say`air through a bay`,
    tell: say`engine bay, seat or trailer compartment: no coolant, no engine thermostat`,
    mountsFan: true,
    medium: 'air',
  },
  'thicker-core': {
    name: say`a thicker core`,
    tell: say`another core in the old place, with the fan on it`,
    mountsFan: true,
    medium: 'coolant',
  },
  wiring: {
    name: say`wiring or controller only`,
    tell: say`the fan is there already and stays where it is`,
    mountsFan: false,
    medium: "the machine's",
  },
} as const

export type JobKind = keyof typeof jobKinds
