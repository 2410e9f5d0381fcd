import type { MountKind } from './kind'
import { say } from '../../words'

/** A shroud over the whole core. @see engineering §7 */
export const shroud = {
  name: say`shroud over the core`,
  medium: 'coolant',
  coreComesOff: true,
  shrouded: true,
  throughFins: false,
  onSheet: false,
  hosed: false,
  asks: ['place.gapM'],
  alters: null,
  before: [
    {
      id: 'trim',
      title: say`Edge trim on the shroud`,
      why: say`What leaks past the edge does not go through the fins.`,
      tell: say`All round, joint at the lowest point.`,
      minutes: 10,
      cautions: [],
    },
  ],
  after: [],
  fasten: say`Edge trim all round: an open gap lets the fan breathe from behind itself.`,
  figures: ['edge leak'],
  check: say`No gap at the edge, blades free of the rim.`,
} as const satisfies MountKind
