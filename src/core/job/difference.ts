import { type LeadName } from './choices'
import { type Reading, spreadOf } from '../reading'
import { format, type Quantity, type UnitSystem } from '../units'
import { fieldsOf } from './address'
import { coreName } from './core-name'
import type { Job } from './document'
import type { Seat } from './schema/place'
import { conductorName } from './role-names'

/** One thing that two versions of a job say differently. `paths` are what must be taken over together. */
export interface Difference {
  readonly id: string
  readonly label: string
  readonly mine: string
  readonly theirs: string
  readonly paths: readonly Path[]
}

type Path = readonly string[]
type Node = Readonly<Record<string, unknown>>

/** what an entry of a list is known by */
const keyOf = (entry: unknown, index: number): string => {
  const e = entry as { id?: string; step?: string; margin?: string; part?: string; at?: string }
  return e.id ?? e.step ?? (e.margin ? `${e.margin} ${e.part} ${e.at}` : String(index))
}

/** when the same was ticked or answered in two windows: nobody has to choose between two clocks */
const onlyWhen = /^(build\.done|proofs)\.[\w-]+\.at$/

const isList = (value: unknown): value is readonly unknown[] => Array.isArray(value)
const isNode = (value: unknown): value is Node => typeof value === 'object' && value !== null && !isList(value)
/** where something sits is one place: across and down are taken together */
const isSeat = (value: unknown): value is Seat => isNode(value) && 'xM' in value && 'yM' in value
/** another part is one difference, not one for each of its figures */
const isPart = (node: Node): boolean => 'facts' in node && 'kind' in node
const same = (a: unknown, b: unknown): boolean => JSON.stringify(a) === JSON.stringify(b)

/** What stands at a path; list entries are found by what they are known by. undefined where there is nothing. */
function at(node: unknown, [head, ...rest]: Path): unknown {
  if (head === undefined) return node
  if (isList(node))
    return at(
      node.find((e, i) => keyOf(e, i) === head),
      rest,
    )
  return isNode(node) ? at(node[head], rest) : undefined
}

/** The same with another value at a path; undefined takes an entry out of its list, a new one goes to the end. */
function put(node: unknown, path: Path, value: unknown): unknown {
  const [head, ...rest] = path
  if (head === undefined) return value
  if (isList(node)) {
    const i = node.findIndex((e, n) => keyOf(e, n) === head)
    if (i < 0) return rest.length === 0 && value !== undefined ? [...node, value] : node
    const next = put(node[i], rest, value)
    return next === undefined ? node.filter((_, n) => n !== i) : node.map((e, n) => (n === i ? next : e))
  }
  return { ...(node as Node), [head]: put((node as Node)[head], rest, value) }
}

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
  [/^use\.live$/, 'live'],
  [/^use\.fanWhileCranking$/, 'may run while cranking'],
  [/^charging\.known$/, 'charging known by'],
]

const spoken = (step: string): string =>
  step
    .replace(/(C|M|M2|M3|A|V|K|S|W|Pa)$/, '')
    .replace(/([a-z])([A-Z])/g, '$1 $2')
    .toLowerCase()

function nameOf(job: Job, path: Path): { readonly label: string; readonly quantity: Quantity | undefined } {
  const address = path.join('.')
  const found = names.find(([pattern]) => pattern.test(address))
  if (!found) return { label: path.map(spoken).join(', '), quantity: undefined }
  const [, name, quantity] = found
  return { label: typeof name === 'string' ? name : name(job, path), quantity }
}

/** A value as a mechanic would say it. */
function inWords(value: unknown, quantity: Quantity | undefined, units: UnitSystem): string {
  if (value === undefined) return 'not there'
  if (value === null) return 'none'
  if (typeof value === 'boolean') return value ? 'yes' : 'no'
  if (typeof value === 'number') return quantity ? format(value, quantity, units) : String(value)
  if (typeof value === 'string') return value === '' ? 'empty' : value
  if (isList(value)) return value.length === 0 ? 'none' : value.map((v) => inWords(v, quantity, units)).join(', ')
  const known = value as {
    name?: string
    what?: string
    ratingA?: number
    part?: { name: string } | null
    answer?: string | null
    notProved?: string | null
    measured?: { typed: string } | null
    typed?: string
    found?: string
    at?: string
    why?: string
    value?: number
    by?: string
    step?: string
  }
  return (
    known.part?.name ??
    known.name ??
    known.what ??
    known.found ??
    known.answer ??
    known.measured?.typed ??
    known.typed ??
    known.notProved ??
    known.why ??
    (known.ratingA ? `${known.ratingA} A` : known.step ? 'done' : known.by ? `by ${known.by}` : 'there')
  )
}

function readingInWords({ value, source, spread }: Reading, quantity: Quantity, units: UnitSystem): string {
  const ownSpread = spread !== undefined && spread !== spreadOf({ value, source }, quantity)
  return `${format(value, quantity, units)}, ${source}${ownSpread ? ' with its own spread' : ''}`
}

/** Lists whose entries a run points at: entry and pointer are taken together. */
const pointed = [
  ['fans', 'fan', 'fan'],
  ['controllers', 'controller', 'controller'],
  ['fuses', 'fuse', 'fuse'],
  ['relays', 'relay', 'relay'],
  ['switches', 'keySwitch', 'key switch'],
] as const

/**
 * What two versions of one job say differently, in words and in the order of the document.
 * @param mine   the version told first
 * @param theirs the version told second
 * @example differences(here, there) //=> [{ label: 'feed', mine: '1.5 mm²', theirs: '2.5 mm²', … }]
 */
export function differences(mine: Job, theirs: Job, units: UnitSystem = mine.units): Difference[] {
  const found: Difference[] = []
  const [myFields, theirFields] = [fieldsOf(mine), fieldsOf(theirs)]
  const grouped = new Set<string>()
  for (const [list, pointer, label] of pointed) {
    const ids = (job: Job): string =>
      JSON.stringify([job[list].map((e) => [e.id, 'part' in e ? e.part?.id : '']), job.runs.map((r) => r[pointer])])
    if (ids(mine) === ids(theirs)) continue
    const paths: Path[] = [[list], ...mine.runs.map((r) => ['runs', r.id, pointer])]
    paths.forEach((p) => grouped.add(p.join('.')))
    found.push({
      id: list,
      label,
      mine: inWords(mine[list], undefined, units),
      theirs: inWords(theirs[list], undefined, units),
      paths,
    })
  }
  const walk = (a: unknown, b: unknown, path: Path): void => {
    const address = path.join('.')
    if (grouped.has(address) || same(a, b) || onlyWhen.test(address)) return
    const field = myFields.get(address) ?? theirFields.get(address)
    if (field) {
      const words = (r: unknown): string =>
        isNode(r) ? readingInWords(r as unknown as Reading, field.quantity, units) : 'none'
      found.push({ id: address, label: field.label, mine: words(a), theirs: words(b), paths: [path] })
    } else if (isSeat(a) || isSeat(b)) {
      const words = (job: Job, s: unknown): string =>
        isSeat(s)
          ? `${coreName(job, s.core)}, ${format(s.xM, 'length', units, 4)} from the left, ` +
            `${format(s.yM, 'length', units, 4)} from the top`
          : 'nowhere'
      found.push({
        id: address,
        label: nameOf(mine, path).label,
        mine: words(mine, a),
        theirs: words(theirs, b),
        paths: [path],
      })
    } else if (isNode(a) && isNode(b) && !(isPart(a) && isPart(b) && a.id !== b.id)) {
      for (const key of new Set([...Object.keys(a), ...Object.keys(b)])) walk(a[key], b[key], [...path, key])
    } else if (isList(a) && isList(b) && [...a, ...b].every(isNode)) {
      for (const key of new Set([...a.map(keyOf), ...b.map(keyOf)])) walk(at(a, [key]), at(b, [key]), [...path, key])
    } else {
      const { label, quantity } = nameOf(path[0] && at(mine, path) === undefined ? theirs : mine, path)
      found.push({
        id: address,
        label,
        mine: inWords(a, quantity, units),
        theirs: inWords(b, quantity, units),
        paths: [path],
      })
    }
  }
  walk(mine, theirs, [])
  return found
}

/** `job` with what `from` says at one difference. Parts and what points at them go together. */
export const taking = (job: Job, from: Job, { paths }: Pick<Difference, 'paths'>): Job =>
  paths.reduce<unknown>((j, path) => put(j, path, at(from, path)), job) as Job

/** One difference as a sentence about what was changed. */
export const changeInWords = ({ label, mine, theirs }: Difference): string => `${label}: ${mine}, then ${theirs}`
