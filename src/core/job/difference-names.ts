import { type LeadName } from './choices'
import type { Quantity } from '../units'
import type { Job } from './document'
import { conductorName } from './role-names'
import { say, spokenWord } from '../words'

/** Where something stands in a job, step by step; an entry of a list by what it is known by. */
export type Path = readonly string[]

/** what is chosen about a thing that is near, or a panel */
const nearWords: Readonly<Record<string, string>> = {
  kind: 'what it is',
  side: say`which side`,
  core: say`which core`,
  name: say`its name`,
  faces: say`what it faces`,
  flywheel: say`flywheel fan there`,
}

/** Names of what is not a reading, by the end of its address; `*` stands for one step. The first that fits counts. */
const names: readonly (readonly [
  pattern: RegExp,
  name: string | ((job: Job, path: Path) => string),
  quantity?: Quantity,
])[] = [
  [/^conductors\.([\w-]+)\.size$/, (job, path) => conductorName(job, path[1]!)],
  [/^conductors\.([\w-]+)$/, (job, path) => conductorName(job, path[1]!)],
  [/^conductors\.([\w-]+)\.colour$/, (job, path) => say`${conductorName(job, path[1]!)}, colour`],
  [/^wiring\.intent\.control$/, say`fan is wanted by`],
  [/^wiring\.intent\.ifControllerDies$/, say`with a dead controller`],
  [/^wiring\.intent\.deadWhenParked$/, say`dead when parked`],
  [/^wiring\.intent\.alsoFor$/, say`may also be called by`],
  [/^wiring\.side$/, say`thermostat switches the side`],
  [/^wiring\.controlFrom$/, say`coil and controller draw behind`],
  [/^wiring\.override$/, 'override'],
  [/^wiring\.(override|isolator)Switch$/, (_, path) => say`${path[1]!.replace('Switch', '')} chosen`],
  [/^wiring\.isolator$/, say`own isolator`],
  [/^wiring\.timer$/, say`after-run timer`],
  [/^wiring\.call$/, say`other system's call`],
  [/^wiring\.lamp$/, say`lamp`],
  [/^wiring\.feedRatedA$/, say`what the feed may be loaded with`, 'current'],
  [/^wiring\.edits\.(\w+)/, say`change to the harness`],
  [
    /^wiring\.unknowns\.(\w+)/,
    (job, path) => say`meter on ${job.wiring.unknowns.find((x) => x.id === path[2])?.name ?? say`the unknown wires`}`,
  ],
  [/^runs\.\w+$/, say`way of a second fan`],
  [/^runs\.\w+\.conductors$/, say`wires of a fan`],
  [/^conductors\.[\w-]+\.insulationC$/, 'insulation', 'temperature'],
  [/^conductors\.[\w-]+\.bundled$/, say`wires in the bundle`],
  [/^controllers\.\w+\.spanK$/, 'span', 'temperatureDifference'],
  [/^duty$/, say`the day it is run through`],
  [/^duty\.(name|from)$/, say`name of the day`],
  [/^duty\.legs(\.|$)/, say`leg of the day`],
  [/^controllers\.\w+\.setC$/, 'set', 'temperature'],
  [/^controllers\.\w+\.bandK$/, 'band', 'temperatureDifference'],
  [/^fuses\.\w+\.ratingA$/, 'fuse', 'current'],
  [/^fuses\.\w+\.kind$/, say`form of the fuse`],
  [/^runs\.\w+\.source$/, say`source of power`],
  [/^runs\.\w+\.switchedBy$/, say`switched by`],
  [/^runs\.\w+\.frame$/, say`back through the frame`],
  [/^runs\.\w+\.crimps$/, 'crimps'],
  [/^runs\.\w+\.rings$/, 'rings'],
  [/^probes\.\w+\.place$/, say`place of the probe`],
  [/^probes\.\w+\.atOutlet$/, say`probe at the outlet`],
  [/^probes\.\w+\.part$/, 'probe'],
  [/^build\.done\.(.+)$/, (_, path) => say`step ${path[2]!.replaceAll('-', ' ')}`],
  [/^proofs\.(\w|-)+$/, (_, path) => say`proof ${path[1]!.replaceAll('-', ' ')}`],
  [/^proofs\./, (_, path) => say`proof ${path[1]!.replaceAll('-', ' ')}`],
  [/^checks\./, (_, path) => say`is it the ${path[1]!.replaceAll('-', ' ')}`],
  [/^acceptances\./, (_, path) => say`acceptance ${path[1]!.split(' ').slice(0, 2).join(' ')}`],
  [/^after\.\w+\.doneOn$/, (job, path) => say`done: ${job.after.find((a) => a.id === path[1])?.what ?? ''}`],
  [/^after\.\w+\.dueOn$/, (job, path) => say`due: ${job.after.find((a) => a.id === path[1])?.what ?? ''}`],
  [/^alterations\./, say`mark on the machine`],
  [/^limits\.dropShare$/, say`may be lost in wires`, 'share'],
  [/^limits\.leastAreaM2$/, say`least for strength`, 'area'],
  [/^limits\.boilKeepK$/, say`kept free below boiling`, 'temperatureDifference'],
  [/^machine\.systemV$/, say`system, volts`],
  [/^machine\.hasBattery$/, say`there is a battery`],
  [/^machine\.outputDc$/, say`its output is DC`],
  [/^machine\.ownerAllows$/, say`the owner allows`],
  [/^surroundings\.livesIn$/, say`it lives`],
  [/^place\.mount$/, say`held by`],
  [/^place\.side$/, 'side'],
  [/^place\.neighbour$/, say`behind it is`],
  [/^place\.blowsOn$/, say`the hot air blows on`],
  [/^trailer\.cableSize$/, say`tow cable`],
  [/^promisedOn$/, say`promised for`],
  [/^setting\.state$/, 'setting'],
  [/^ended$/, say`ended without a fan`],
  [/^signature$/, 'signature'],
  [
    /^fans\.(\w+)\.seat$/,
    (job, path) => say`where ${job.fans.find((f) => f.id === path[1])?.part.name ?? say`the fan`} sits`,
  ],
  [/^probes\.\w+\.seat$/, say`where the probe sits`],
  [/^fans\.\w+\.wiresSwapped$/, say`wires of the fan are swapped`],
  [/^fans\.\w+\.bladeTurned$/, say`blade of the fan is turned over`],
  [/^oldFan$/, say`fan that comes off`],
  [/^place\.obstacles\.(\w+)$/, say`near the core`],
  [/^place\.obstacles\.\w+\.dealt$/, say`what is done about what is near`],
  [
    /^place\.obstacles\.\w+\.\w+$/,
    (job, path) =>
      `${job.place.obstacles.find((o) => o.id === path[2])?.name ?? say`near the core`}, ` +
      `${nearWords[path[3]!] ?? path[3]!}`,
  ],
  [/^bay\.panels\.(\w+)$/, say`panel of the bay`],
  [
    /^bay\.panels\.\w+\.\w+$/,
    (job, path) =>
      `${job.bay?.panels.find((p) => p.id === path[2])?.name ?? say`panel`}, ${nearWords[path[3]!] ?? path[3]!}`,
  ],
  [/^place\.panel$/, (job) => say`on which of ${job.bay?.panels.length ?? 0} panels`],
  [/^place\.leads\.\w+\.\w+(\.name)?$/, (_, path) => say`leg of the ${spokenWord(path[2] as LeadName)} lead`],
  [/^place\.leadsLeave$/, say`leads leave at the`],
  [/^place\.inletFrom$/, say`where the air is drawn in`],
  [/^place\.duct\.bends$/, say`bends of the hose`],
  [/^place\.duct\.splitter$/, say`splitter in the hose`],
  [/^place\.duct\.leadsTo$/, say`hose leads to`],
  [/^surroundings\.ground$/, say`it works on`],
  [/^bay\.intakeFrom$/, say`intake breathes`],
  [/^bay\.flywheel$/, say`flywheel fan`],
  [/^cooling\.coresJoined$/, say`cores are joined`],
  [/^cooling\.passes$/, say`coolant crosses, times`],
  [/^complaint\.what$/, 'complaint'],
  [/^complaint\.signs/, say`what was noticed with the complaint`],
  [/^complaint\.times$/, say`how often it happened`],
  [/^mechanicalFan/, say`mechanical fan that comes off`],
  [/^claims\.\w+\.runs/, say`run of a claim`],
  [/^claims/, say`claim of fuel or power`],
  [/^complaint\.doubted$/, say`complaint is doubted`],
  [/^observations\.[\w-]+\.doubted$/, say`what was seen is doubted`],
  [/^observations\./, say`what was seen`],
  [/^hours/, say`time at work`],
  [/^money\.perHour$/, say`price of an hour`],
  [/^money\.currency$/, say`reckoned in`],
  [/^money\.budget\.(\w+)$/, (_, path) => say`budget for ${path[2]}`],
  [/^identity\.model$/, 'model'],
  [/^identity\.serial$/, say`serial number`],
  [/^notes/, 'note'],
  [/^bought/, say`what was bought`],
  [/^settings/, say`setting as left`],
  [/^looseJoints/, say`joint without a catch`],
  [/^searches/, say`search for a fault`],
  [/^traces/, 'trace'],
  [/^use\.live$/, 'live'],
  [/^use\.fanWhileCranking$/, say`may run while cranking`],
  [/^charging\.known$/, say`charging known by`],
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
