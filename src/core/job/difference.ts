import { type Reading, spreadOf } from '../reading'
import { format, type Quantity, type UnitSystem } from '../units'
import { fieldsOf } from './address'
import { coreName } from './core-name'
import type { Job } from './document'
import type { Seat } from './schema/place'
import { nameOf, type Path } from './difference-names'
import { say, spokenWord } from '../words'

/** One thing that two versions of a job say differently. `paths` are what must be taken over together. */
export interface Difference {
  readonly id: string
  readonly label: string
  readonly mine: string
  readonly theirs: string
  readonly paths: readonly Path[]
}

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

/** what an entry of a list is told by: the first of these that it has */
const tellingKeys = ['name', 'what', 'found', 'answer', 'typed', 'notProved', 'where', 'why'] as const

/** An entry of a list as a mechanic would say it. */
function entryInWords(entry: Node): string {
  for (const inside of ['part', 'measured']) {
    const node = entry[inside]
    const told = isNode(node) ? (node.name ?? node.typed) : null
    if (typeof told === 'string') return told
  }
  for (const key of tellingKeys) if (typeof entry[key] === 'string') return entry[key]
  if (entry.ratingA) return `${String(entry.ratingA)} A`
  if (entry.step) return say`done`
  return typeof entry.by === 'string' && entry.by ? say`by ${entry.by}` : say`there`
}

/** A value as a mechanic would say it. */
function inWords(value: unknown, quantity: Quantity | undefined, units: UnitSystem): string {
  if (value === undefined) return say`not there`
  if (value === null) return say`none`
  if (typeof value === 'boolean') return value ? say`yes` : say`no`
  if (typeof value === 'number') return quantity ? format(value, quantity, units) : String(value)
  if (typeof value === 'string') return value === '' ? say`empty` : spokenWord(value)
  if (!isList(value)) return entryInWords(value as Node)
  return value.length === 0 ? say`none` : value.map((v) => inWords(v, quantity, units)).join(', ')
}

function readingInWords({ value, source, spread }: Reading, quantity: Quantity, units: UnitSystem): string {
  const ownSpread = spread !== undefined && spread !== spreadOf({ value, source }, quantity)
  return `${format(value, quantity, units)}, ${spokenWord(source)}${ownSpread ? say` with its own spread` : ''}`
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
        isNode(r) ? readingInWords(r as unknown as Reading, field.quantity, units) : say`none`
      found.push({ id: address, label: field.label, mine: words(a), theirs: words(b), paths: [path] })
    } else if (isSeat(a) || isSeat(b)) {
      const words = (job: Job, s: unknown): string =>
        isSeat(s)
          ? say`${coreName(job, s.core)}, ${format(s.xM, 'length', units, 4)} from the left,
            ${format(s.yM, 'length', units, 4)} from the top`
          : say`nowhere`
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
export const changeInWords = ({ label, mine, theirs }: Difference): string => say`${label}: ${mine}, then ${theirs}`
