import { type LeadName } from './choices'
import type { Quantity } from '../units'
import type { Job } from './document'
import { conductorName } from './role-names'

/** Where something stands in a job, step by step; an entry of a list by what it is known by. */
export type Path = readonly string[]

/** what is chosen about a thing that is near, or a panel */
const nearWords: Readonly<Record<string, string>> = {
  kind: 'what it is',
  side: 'which side',
  core: 'which core',
  name: 'its name',
  faces: 'what it faces',
  flywheel: 'flywheel fan there',
}

/** Names of what is not a reading, by the end of its address; `*` stands for one step. The first that fits counts. */
const names: readonly (readonly [
  pattern: RegExp,
  name: string | ((job: Job, path: Path) => string),
  quantity?: Quantity,
])[] = [
  [/^conductors\.([\w-]+)\.size$/, (job, path) => conductorName(job, path[1]!)],
  [/^conductors\.([\w-]+)$/, (job, path) => conductorName(job, path[1]!)],
  [/^conductors\.([\w-]+)\.colour$/, (job, path) => `${conductorName(job, path[1]!)}, colour`],
  [/^wiring\.intent\.control$/, 'fan is wanted by'],
  [/^wiring\.intent\.ifControllerDies$/, 'with a dead controller'],
  [/^wiring\.intent\.deadWhenParked$/, 'dead when parked'],
  [/^wiring\.intent\.alsoFor$/, 'may also be called by'],
  [/^wiring\.side$/, 'thermostat switches the side'],
  [/^wiring\.controlFrom$/, 'coil and controller draw behind'],
  [/^wiring\.override$/, 'override'],
  [/^wiring\.(override|isolator)Switch$/, (_, path) => `${path[1]!.replace('Switch', '')} chosen`],
  [/^wiring\.isolator$/, 'own isolator'],
  [/^wiring\.timer$/, 'after-run timer'],
  [/^wiring\.call$/, "other system's call"],
  [/^wiring\.lamp$/, 'lamp'],
  [/^wiring\.feedRatedA$/, 'what the feed may be loaded with', 'current'],
  [/^wiring\.edits\.(\w+)/, 'change to the harness'],
  [
    /^wiring\.unknowns\.(\w+)/,
    (job, path) => `meter on ${job.wiring.unknowns.find((x) => x.id === path[2])?.name ?? 'the unknown wires'}`,
  ],
  [/^runs\.\w+$/, 'way of a second fan'],
  [/^runs\.\w+\.conductors$/, 'wires of a fan'],
  [/^conductors\.[\w-]+\.insulationC$/, 'insulation', 'temperature'],
  [/^conductors\.[\w-]+\.bundled$/, 'wires in the bundle'],
  [/^controllers\.\w+\.spanK$/, 'span', 'temperatureDifference'],
  [/^duty$/, 'the day it is run through'],
  [/^duty\.(name|from)$/, 'name of the day'],
  [/^duty\.legs(\.|$)/, 'leg of the day'],
  [/^controllers\.\w+\.setC$/, 'set', 'temperature'],
  [/^controllers\.\w+\.bandK$/, 'band', 'temperatureDifference'],
  [/^fuses\.\w+\.ratingA$/, 'fuse', 'current'],
  [/^fuses\.\w+\.kind$/, 'form of the fuse'],
  [/^runs\.\w+\.source$/, 'source of power'],
  [/^runs\.\w+\.switchedBy$/, 'switched by'],
  [/^runs\.\w+\.frame$/, 'back through the frame'],
  [/^runs\.\w+\.crimps$/, 'crimps'],
  [/^runs\.\w+\.rings$/, 'rings'],
  [/^probes\.\w+\.place$/, 'place of the probe'],
  [/^probes\.\w+\.atOutlet$/, 'probe at the outlet'],
  [/^probes\.\w+\.part$/, 'probe'],
  [/^build\.done\.(.+)$/, (_, path) => `step ${path[2]!.replaceAll('-', ' ')}`],
  [/^proofs\.(\w|-)+$/, (_, path) => `proof ${path[1]!.replaceAll('-', ' ')}`],
  [/^proofs\./, (_, path) => `proof ${path[1]!.replaceAll('-', ' ')}`],
  [/^checks\./, (_, path) => `is it the ${path[1]!.replaceAll('-', ' ')}`],
  [/^acceptances\./, (_, path) => `acceptance ${path[1]!.split(' ').slice(0, 2).join(' ')}`],
  [/^after\.\w+\.doneOn$/, (job, path) => `done: ${job.after.find((a) => a.id === path[1])?.what ?? ''}`],
  [/^after\.\w+\.dueOn$/, (job, path) => `due: ${job.after.find((a) => a.id === path[1])?.what ?? ''}`],
  [/^alterations\./, 'mark on the machine'],
  [/^limits\.dropShare$/, 'may be lost in wires', 'share'],
  [/^limits\.leastAreaM2$/, 'least for strength', 'area'],
  [/^limits\.boilKeepK$/, 'kept free below boiling', 'temperatureDifference'],
  [/^machine\.systemV$/, 'system, volts'],
  [/^machine\.hasBattery$/, 'there is a battery'],
  [/^machine\.outputDc$/, 'its output is DC'],
  [/^machine\.ownerAllows$/, 'the owner allows'],
  [/^surroundings\.livesIn$/, 'it lives'],
  [/^place\.mount$/, 'held by'],
  [/^place\.side$/, 'side'],
  [/^place\.neighbour$/, 'behind it is'],
  [/^place\.blowsOn$/, 'the hot air blows on'],
  [/^trailer\.cableSize$/, 'tow cable'],
  [/^promisedOn$/, 'promised for'],
  [/^setting\.state$/, 'setting'],
  [/^ended$/, 'ended without a fan'],
  [/^signature$/, 'signature'],
  [
    /^fans\.(\w+)\.seat$/,
    (job, path) => `where ${job.fans.find((f) => f.id === path[1])?.part.name ?? 'the fan'} sits`,
  ],
  [/^probes\.\w+\.seat$/, 'where the probe sits'],
  [/^fans\.\w+\.wiresSwapped$/, 'wires of the fan are swapped'],
  [/^fans\.\w+\.bladeTurned$/, 'blade of the fan is turned over'],
  [/^oldFan$/, 'fan that comes off'],
  [/^place\.obstacles\.(\w+)$/, 'near the core'],
  [/^place\.obstacles\.\w+\.dealt$/, 'what is done about what is near'],
  [
    /^place\.obstacles\.\w+\.\w+$/,
    (job, path) =>
      `${job.place.obstacles.find((o) => o.id === path[2])?.name ?? 'near the core'}, ` +
      `${nearWords[path[3]!] ?? path[3]!}`,
  ],
  [/^bay\.panels\.(\w+)$/, 'panel of the bay'],
  [
    /^bay\.panels\.\w+\.\w+$/,
    (job, path) =>
      `${job.bay?.panels.find((p) => p.id === path[2])?.name ?? 'panel'}, ${nearWords[path[3]!] ?? path[3]!}`,
  ],
  [/^place\.panel$/, (job) => `on which of ${job.bay?.panels.length ?? 0} panels`],
  [/^place\.leads\.\w+\.\w+(\.name)?$/, (_, path) => `leg of the ${path[2] as LeadName} lead`],
  [/^place\.leadsLeave$/, 'leads leave at the'],
  [/^place\.inletFrom$/, 'where the air is drawn in'],
  [/^place\.duct\.bends$/, 'bends of the hose'],
  [/^place\.duct\.splitter$/, 'splitter in the hose'],
  [/^place\.duct\.leadsTo$/, 'hose leads to'],
  [/^surroundings\.ground$/, 'it works on'],
  [/^bay\.intakeFrom$/, 'intake breathes'],
  [/^bay\.flywheel$/, 'flywheel fan'],
  [/^cooling\.coresJoined$/, 'cores are joined'],
  [/^cooling\.passes$/, 'coolant crosses, times'],
  [/^complaint\.what$/, 'complaint'],
  [/^complaint\.signs/, 'what was noticed with the complaint'],
  [/^complaint\.times$/, 'how often it happened'],
  [/^mechanicalFan/, 'mechanical fan that comes off'],
  [/^claims\.\w+\.runs/, 'run of a claim'],
  [/^claims/, 'claim of fuel or power'],
  [/^complaint\.doubted$/, 'complaint is doubted'],
  [/^observations\.[\w-]+\.doubted$/, 'what was seen is doubted'],
  [/^observations\./, 'what was seen'],
  [/^hours/, 'time at work'],
  [/^money\.perHour$/, 'price of an hour'],
  [/^money\.currency$/, 'reckoned in'],
  [/^money\.budget\.(\w+)$/, (_, path) => `budget for ${path[2]!}`],
  [/^identity\.model$/, 'model'],
  [/^identity\.serial$/, 'serial number'],
  [/^notes/, 'note'],
  [/^bought/, 'what was bought'],
  [/^settings/, 'setting as left'],
  [/^looseJoints/, 'joint without a catch'],
  [/^searches/, 'search for a fault'],
  [/^traces/, 'trace'],
  [/^use\.live$/, 'live'],
  [/^use\.fanWhileCranking$/, 'may run while cranking'],
  [/^charging\.known$/, 'charging known by'],
]

const spoken = (step: string): string =>
  step
    .replace(/(C|M|M2|M3|A|V|K|S|W|Pa)$/, '')
    .replace(/([a-z])([A-Z])/g, '$1 $2')
    .toLowerCase()

/** What something that is not a reading is called, and what its figure is of. */
export function nameOf(job: Job, path: Path): { readonly label: string; readonly quantity: Quantity | undefined } {
  const address = path.join('.')
  const found = names.find(([pattern]) => pattern.test(address))
  if (!found) return { label: path.map(spoken).join(', '), quantity: undefined }
  const [, name, quantity] = found
  return { label: typeof name === 'string' ? name : name(job, path), quantity }
}
