import type { MountKind } from './kind'
import { say } from '../../words'

/** A bracket on the core's side channels. @see engineering §7 */
export const bracket = {
  name: say`bracket on the core's side channels`,
  medium: 'coolant',
  coreComesOff: true,
  shrouded: false,
  throughFins: false,
  onSheet: false,
  hosed: false,
  asks: ['place.bracketM', 'place.washerM', 'place.channelM'],
  alters: null,
  before: [
    {
      id: 'screws',
      title: say`Try the screws without the fan`,
      why: say`A screw that bottoms in the channel meets a tube.`,
      tell: say`Each screw by hand through bracket and washer: it must bottom on its head, not in the channel.`,
      minutes: 8,
      cautions: [],
    },
  ],
  after: [],
  fasten: say`Longest screw = bracket + washer + channel − 1 mm. Threadlocker, by hand until it bites; 2.5 N·m where
    the maker says nothing (a guess).`,
  figures: ['screw'],
  check: say`No screw touches a tube.`,
} as const satisfies MountKind
