import type { MountKind } from './kind'
import { say } from '../../words'

/** Ties through the fins: nothing comes off, nothing is drilled. @see engineering §7 */
export const ties = {
  name: say`ties through the fins`,
  medium: 'coolant',
  coreComesOff: false,
  shrouded: false,
  throughFins: true,
  onSheet: false,
  hosed: false,
  asks: ['cooling.tubePitchM'],
  alters: null,
  before: [
    {
      id: 'gaps',
      title: say`Mark the gaps for the ties`,
      why: say`A tie through a tube is a leak.`,
      tell: say`Hold the fan in place and mark the gaps between tubes; open each with a blunt needle, never a drill.`,
      minutes: 5,
      cautions: ['eyes'],
    },
  ],
  after: [],
  fasten: say`Foam pads on the corners, four ties through the gaps between tubes, drawn evenly; trim the ends and turn
    the cut ends away from the fins.`,
  figures: ['ties'],
  check: say`Ties stand less shaking than a bracket: look at them after the first hour.`,
} as const satisfies MountKind
