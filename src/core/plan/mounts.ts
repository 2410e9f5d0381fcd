import type { AlterationKind, Job } from '../job'
import type { Caution } from './cautions'

export interface MountStep {
  readonly id: string
  readonly title: string
  readonly tell: string
  readonly minutes: number
  readonly cautions: readonly Caution[]
}

interface MountWay {
  readonly name: string
  readonly suits: 'core' | 'bay'
  /** the core is taken off for it, so coolant is drained */
  readonly coreComesOff: boolean
  readonly fasten: string
  readonly check: string
  /** what is done before the fan goes on, and after it was spun by hand: what hides a fastener comes after it */
  readonly before: readonly MountStep[]
  readonly after: readonly MountStep[]
  /** what it does to the machine, if anything */
  readonly alters: { readonly kind: AlterationKind; readonly what: string } | null
}

/** Ways of holding a fan on a core or in a bay. A new way is a new entry. */
export const mounts = {
  ties: {
    name: 'ties through the fins',
    suits: 'core',
    coreComesOff: false,
    alters: null,
    before: [
      {
        id: 'gaps',
        title: 'Mark the gaps for the ties',
        tell: 'Hold the fan in place and mark the gaps between tubes; open each with a blunt needle, never a drill.',
        minutes: 5,
        cautions: ['eyes'],
      },
    ],
    after: [],
    fasten:
      'Foam pads on the corners, four ties through the gaps between tubes, drawn evenly; trim the ends and turn the ' +
      'cut ends away from the fins.',
    check: 'Ties stand less shaking than a bracket: look at them after the first hour.',
  },
  bracket: {
    name: "bracket on the core's side channels",
    suits: 'core',
    coreComesOff: true,
    alters: null,
    before: [
      {
        id: 'screws',
        title: 'Try the screws without the fan',
        tell: 'Each screw by hand through bracket and washer: it must bottom on its head, not in the channel.',
        minutes: 8,
        cautions: [],
      },
    ],
    after: [],
    fasten:
      'Longest screw = bracket + washer + channel − 1 mm. Threadlocker, by hand until it bites; 2.5 N·m where the ' +
      'maker says nothing (a guess).',
    check: 'No screw touches a tube.',
  },
  shroud: {
    name: 'shroud over the core',
    suits: 'core',
    coreComesOff: true,
    alters: null,
    before: [
      {
        id: 'trim',
        title: 'Edge trim on the shroud',
        tell: 'All round, joint at the lowest point.',
        minutes: 10,
        cautions: [],
      },
    ],
    after: [],
    fasten: 'Edge trim all round: an open gap lets the fan breathe from behind itself.',
    check: 'No gap at the edge, blades free of the rim.',
  },
  panel: {
    name: 'bolts through a panel of the bay',
    suits: 'bay',
    coreComesOff: false,
    alters: { kind: 'hole', what: 'bolt holes and an opening in the panel' },
    before: [
      {
        id: 'drill',
        title: 'Mark, drill and trim the panel',
        tell: 'Template from the fan itself; pilot holes first, edges trimmed, bare metal painted.',
        minutes: 25,
        cautions: ['drilling', 'eyes'],
      },
    ],
    after: [],
    fasten: 'Stand-offs under the housing, large washers behind the sheet, locking nuts.',
    check: 'Blades clear of the sheet and of the bolt ends; edges trimmed, chips out of the bay.',
  },
  duct: {
    name: 'duct and flange',
    suits: 'bay',
    coreComesOff: false,
    alters: { kind: 'hole', what: 'a hole for the flange' },
    before: [
      {
        id: 'drill',
        title: 'Cut the hole for the flange',
        tell: 'Template from the flange; edges trimmed, bare metal painted.',
        minutes: 20,
        cautions: ['drilling', 'eyes'],
      },
    ],
    after: [
      {
        id: 'hose',
        title: 'Hose on, last',
        tell:
          'Flange nuts and washers tight first: the hose hides them. Clips at both ends, no kink, clear of ' +
          'what is hot.',
        minutes: 12,
        cautions: ['exhaust'],
      },
    ],
    fasten:
      'Flange sealed all round, hose on with clips at both ends, as few bends as there can be; what is hard to ' +
      'reach goes in before the duct hides it.',
    check: 'Hose kinks nowhere and touches nothing hot.',
  },
} as const satisfies Record<string, MountWay>
export type Mount = keyof typeof mounts

/** The ways that suit what this job moves air through. */
export const mountsFor = (job: Job): Mount[] =>
  (Object.keys(mounts) as Mount[]).filter((m) => mounts[m].suits === (job.bay ? 'bay' : 'core'))
