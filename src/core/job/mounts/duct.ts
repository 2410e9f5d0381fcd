import type { MountKind } from './kind'
import { say } from '../../words'

/** A flange with a hose. @see engineering §7 */
export const duct = {
  name: say`duct and flange`,
  medium: 'air',
  coreComesOff: false,
  shrouded: false,
  throughFins: false,
  onSheet: false,
  hosed: true,
  asks: ['place.duct.'],
  alters: { kind: 'hole', what: say`a hole for the flange` },
  before: [
    {
      id: 'drill',
      title: say`Cut the hole for the flange`,
      why: say`It cannot be cut with the fan on.`,
      tell: say`Template from the flange; openings behind covered, edges trimmed, chips out, bare metal painted.`,
      minutes: 20,
      cautions: ['drilling', 'eyes'],
    },
  ],
  after: [
    {
      id: 'hose',
      title: say`Hose on, last`,
      why: say`Its end is in the way of everything else.`,
      tell: say`Flange nuts and washers tight first: the hose hides them. Clips at both ends, no kink, clear of what
        is hot.`,
      minutes: 12,
      cautions: ['exhaust'],
    },
  ],
  fasten: say`Flange sealed all round, hose on with clips at both ends, as few bends as there can be; what is hard to
    reach goes in before the duct hides it.`,
  figures: ['hose', 'inlet'],
  check: say`Hose kinks nowhere and touches nothing hot.`,
} as const satisfies MountKind
