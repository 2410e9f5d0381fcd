export const neighbourKinds = ['fixed', 'moves', 'exhaust'] as const

/** What is done about something that stands near the core. */
export const neighbourDeals = ['stays', 'moved', 'comes off'] as const

export type NeighbourDeal = (typeof neighbourDeals)[number]

export const sides = ['behind', 'front'] as const

/** What a panel of a bay faces, for the hot air that leaves or the cool air that comes in there. */
export const panelFaces = ['neither', 'operator', 'engine intake'] as const

/** Leads that come with a part, and so can be too short. */
export const leadNames = ['fan', 'probe', 'controller', 'supply'] as const

export type LeadName = (typeof leadNames)[number]

export const blowsOnto = [
  'open air',
  'rider or operator',
  'fuel tank or line',
  'loom or hoses',
  'hot exhaust',
  'the inlet again',
] as const

export const inletsFrom = ['surroundings', 'near an exhaust', 'near a hot panel', 'its own outlet'] as const

export const grounds = ['clean', 'dust', 'mud or seed fluff'] as const

export type Ground = (typeof grounds)[number]

export const cornerNames = ['top left', 'top right', 'bottom left', 'bottom right'] as const

/**
 * What a machine does in a leg of its day; load share, engine speed and travel are the job's own readings of that work.
 */
export const works = ['off', 'idle', 'slow', 'heavy', 'speed', 'towed', 'charger', 'alone'] as const

export type Work = (typeof works)[number]

/** a day and a night, and another: longer is several days, s */
export const LONGEST_DAY = 172_800

/** What can be seen of a machine. What each comes to in a run stands in the room of evidence. */
export const observationKinds = [
  'warm-up',
  'rise',
  'fall',
  'boiled',
  'hottest',
  'temperature',
  'outlet',
  'share',
  'after-run',
  'volts',
  'felt',
] as const

export type ObservationKind = (typeof observationKinds)[number]

/** Circumstances that a kind asks for besides the work and its air. */
export const observationAsks = {
  'warm-up': ['toC'],
  rise: ['fromC', 'toC'],
  fall: ['fromC', 'toC'],
  boiled: ['forS'],
  hottest: ['forS'],
  temperature: ['forS'],
  outlet: ['forS'],
  share: ['forS'],
  'after-run': ['forS'],
  volts: ['forS'],
  felt: [],
} as const satisfies Readonly<Record<ObservationKind, readonly ('fromC' | 'toC' | 'forS')[]>>

/** What its figure is. */
export const observationFigures = {
  'warm-up': 'afterS',
  rise: 'afterS',
  fall: 'afterS',
  boiled: 'afterS',
  hottest: 'toC',
  temperature: 'toC',
  outlet: 'toC',
  share: 'share',
  'after-run': 'afterS',
  volts: 'volts',
  felt: 'level',
} as const satisfies Readonly<Record<ObservationKind, 'afterS' | 'toC' | 'share' | 'volts' | 'level'>>

/** What a hand makes of moving air, weakest first: an order, no figure. */
export const feltLevels = [
  'nothing to be felt',
  'a breath on a wetted hand',
  'holds a sheet of paper',
  'draws or blows a thin bag tight',
  'holds a work glove',
] as const

/** Kinds that may end with nothing seen: it did not boil, it was never above. */
export const observationMayMiss: readonly ObservationKind[] = ['boiled', 'hottest']

export const seenStates = ['as it came', 'as fitted'] as const

/** How it was taken, which decides how sure it is. */
export const seenHow = [
  'by a watch',
  'remembered',
  'by its gauge',
  'by a thermometer',
  'by a meter',
  'by hand',
] as const
export type SeenHow = (typeof seenHow)[number]

/** What is noticed besides, where it gets too hot. */
export const complaintSigns = [
  'boils over',
  'steam',
  'smell of coolant',
  'warning lamp or gauge in the red',
  'stumbles or cuts out',
  'seat or panel too hot to touch',
] as const

/** What a mechanical fan may hold, guide or feed besides turning: it must be made good where the fan comes off. */
export const mechanicalHolds = ['pulley', 'belt', 'bearing', 'shroud', 'air box', 'other coolers', 'block'] as const

export type MechanicalHold = (typeof mechanicalHolds)[number]

/** Claims that are made of a fan, and are held against runs. */
/** what money goes to; what is none of the budget's is other */
export const spendings = ['fan', 'wiring', 'coolant', 'consumables', 'other'] as const
export type Spending = (typeof spendings)[number]
export const claimKinds = ['fuel', 'power'] as const

export type ClaimKind = (typeof claimKinds)[number]

export const machineKinds = [
  'trail-bike',
  'road-bike',
  'side-by-side',
  'digger-air',
  'digger-liquid',
  'older-vehicle',
  'trailer',
] as const

export type MachineKind = (typeof machineKinds)[number]

/** What its owner lets be done to the machine, strictest first. */
export const allowances = ['nothing that leaves a mark', 'undoable only', 'anything'] as const

export const alterationKinds = ['cut', 'hole', 'tap', 'weld', 'splice'] as const

export type AlterationKind = (typeof alterationKinds)[number]

/** Where the machine lives, with the ingress class that asks for: first digit solids, second water. @see typical.md */
export const ingressNeeds = {
  indoors: 'IP20',
  rain: 'IPX4',
  'mud and a hose': 'IP65',
  'pressure washer': 'IPX9',
} as const

export type LivesIn = keyof typeof ingressNeeds

export const endings = ['another cure', 'no direct current', 'the owner says no'] as const

export const marginIds = [
  'fit',
  'air',
  'supply',
  'wire',
  'fuse',
  'contacts',
  'charge',
  'battery',
  'trigger',
  'boil',
] as const

export type MarginId = (typeof marginIds)[number]

/** Where a fan's current comes from. Road lights stand here so that they can be refused in words. */
export const feeds = ['battery', 'key switch', 'accessory block', 'existing plug', 'road lights'] as const

export type Feed = (typeof feeds)[number]

/** What wires are there for that carry signals only. */
export const signalRoles = [
  'control',
  'coil-feed',
  'trigger',
  'coil-return',
  'supply-return',
  'link',
  'override',
  'override-out',
  'call',
  'call-out',
  'timer',
  'timer-out',
  'lamp',
  'lamp-return',
] as const

/** What a conductor is there for: the fan's own way out and back, and what carries only signals. */
export const conductorRoles = ['feed', 'return', ...signalRoles] as const

export type ConductorRole = (typeof conductorRoles)[number]

export const controlIntents = ['thermostat', 'thermostat and override', 'hand switch', 'always on'] as const

export const parkedIntents = ['the fan', 'fan and controller', 'everything behind the fuse'] as const

export const otherSystems = ['nothing', 'air conditioning', 'hydraulic oil'] as const

/** When an override may run the fans: whenever they may be live, or with the key off too. */
export const overrideLives = ['as the fan', 'always'] as const

/** Where a diode can stand, so that what joins there does not feed the other way. */
export const diodePlaces = ['control', 'override', 'call'] as const

export type DiodePlace = (typeof diodePlaces)[number]

/** Where an after-run timer takes its current, and another system's call. */
export const timerFeeds = ['battery', 'feed'] as const

export const callFeeds = ['key', 'feed'] as const

/** Where a wire or a fuse lies, for how hot it gets there. @see engineering §1.1 */
export const layPlaces = ['engine', 'bay', 'outside', 'exhaust'] as const

export type LayPlace = (typeof layPlaces)[number]

/** How the size of a wire is known; by eye it counts as the next thinner one. */
export const sizeSources = ['printed on it', 'by eye'] as const

/** How wires are joined. @see engineering §1.2 */
export const jointKinds = ['sealed crimp', 'solder and sleeve', 'push-on', 'sealed plug'] as const

export type JointKind = (typeof jointKinds)[number]

/** Which of the feeds of an existing plug the fan hangs on; the low one comes through a resistor. */
export const plugSpeeds = ['one speed', 'low', 'high'] as const

/** Whether a fan's own plug can be put together the wrong way round. */
export const plugWays = ['not looked', 'one way', 'either way'] as const

/** Whether the loom has a fan's plug hidden somewhere. */
export const plugSearches = ['not looked', 'none', 'found'] as const

/** What a wire's way must keep clear of. */
export const hazards = [
  'exhaust',
  'pinch',
  'blades',
  'seat latch',
  'tank or fuel line',
  'steering head',
  'lighting wire',
  'sharp edge',
] as const

export type Hazard = (typeof hazards)[number]

/** How a wire's way passes one of them. */
export const passings = ['keeps away', 'passes, guarded', 'touches'] as const

export type Passing = (typeof passings)[number]

/** What comes off or is unplugged while a machine is apart, what matters most first. */
export const comingOff = [
  'hose',
  'lower hose',
  'fuel line',
  'drain plug and washer',
  'cap',
  'plug of the fan',
  'other plug',
  'nut that holds more',
  'clip or clamp',
  'guard or louver',
  'tank or seat',
  'cover',
  'small part',
] as const
export type ComingOff = (typeof comingOff)[number]

/** What must be safe before work is left lying. */
export const leavings = [
  'fuel shut and capped',
  'battery off and covered',
  'coolant caught, covered and labelled',
  'openings plugged',
  'machine propped',
  'key out, tag on it',
  'small parts where the ledger says',
] as const
export type Leaving = (typeof leavings)[number]

/** What a setting was left for. */
export const settingPurposes = ['working', 'summer', 'winter', 'test'] as const
export type SettingPurpose = (typeof settingPurposes)[number]

/** What turns out otherwise at the bench; what each changes stands in `build/unplanned`. */
export const unplannedKinds = [
  'a hole does not line up',
  'a lead is too short',
  'the fan touches something',
  'a part is another one',
  'a joint has to be elsewhere',
  'something is broken',
  'something else',
] as const
export type UnplannedKind = (typeof unplannedKinds)[number]

/** Colours that wires usually have; a job's own may be any word. */
export const wireColours = ['red', 'black', 'orange', 'yellow', 'blue', 'green', 'violet', 'white'] as const
