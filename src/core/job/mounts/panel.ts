import type { MountKind } from './kind'
import { say } from '../../words'

/** Bolts through a panel of the bay. @see engineering §7 */
export const panel = {
  name: say`bolts through a panel of the bay`,
  medium: 'air',
  coreComesOff: false,
  shrouded: false,
  throughFins: false,
  onSheet: true,
  hosed: false,
  asks: ['place.bladeProudM'],
  alters: { kind: 'hole', what: say`bolt holes and an opening in the panel` },
  before: [
    {
      id: 'drill',
      title: say`Mark, drill and trim the panel`,
      why: say`It cannot be drilled with the fan on.`,
      tell: say`Template from the fan itself; ports and belts behind it covered. Pilot holes first, then to size,
        edges deburred before any rubber goes on, chips out with a magnet or a vacuum, bare metal painted.`,
      minutes: 25,
      cautions: ['drilling', 'eyes'],
    },
  ],
  after: [],
  fasten: say`Stand-offs under the housing, large washers behind the sheet, locking nuts.`,
  figures: ['stand-offs', 'inlet'],
  check: say`Blades clear of the sheet and of the bolt ends; edges trimmed, chips out of the bay.`,
} as const satisfies MountKind
