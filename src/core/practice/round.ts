import { allOff, type Conditions } from '../circuit'
import { areasOf, both, type Cause, type Found, type Table, usually } from '../diagnose'
import { generator } from '../reading'

/** How hard a round is; a harder one hides more. */
export const levels = ['one break', 'joints and pins', 'anything', 'two at once', 'comes and goes'] as const
export type Level = (typeof levels)[number]

const breaks = ['open', 'blown', 'dead']
const joints = [
  'bad',
  'swapped',
  'wrong_pin',
  'probe_open',
  'probe_shorted',
  'set_high',
  'set_low',
  'from_battery',
  'welded',
]
const kindsAt: Readonly<Record<Level, readonly string[] | null>> = {
  'one break': breaks,
  'joints and pins': joints,
  anything: null,
  'two at once': [...breaks, ...joints],
  'comes and goes': ['open', 'bad', 'dead', 'probe_open'],
}

/** When a hidden fault is there. */
export const thereWhen = ['always', 'shaken', 'hot'] as const
export type There = (typeof thereWhen)[number]

/** A round: what is hidden in which circuit, and what it is brought in with. */
export interface Round {
  readonly seed: string
  readonly level: Level
  /** which of the machines that were offered */
  readonly machine: number
  readonly cause: Cause
  /** when it is there: always, only while the engine shakes it, or only while it is hot */
  readonly there: There
  readonly complaint: Found
  /** for each thing that is hidden, the causes that no look or reading tells from it: any of them names it */
  readonly names: readonly (readonly string[])[]
}

/** FNV-1a of a seed's letters. */
const hashed = (text: string): number =>
  [...text].reduce((h, c) => Math.imul(h ^ c.charCodeAt(0), 0x01000193), 0x811c9dc5) >>> 0

/** Which machine a round is played on. @returns 0 … n − 1; the same for a seed and a level */
export const machineOf = (seed: string, level: Level, n: number): number =>
  Math.min(n - 1, Math.floor(generator(hashed(`${seed} ${level} machine`))() * n))

/** What is out of the usual at the door with a row of cells: what the owner would say. */
function complaints(table: Table, cells: Table['cells'][number]): Found[] {
  return table.moves.flatMap((m, k) => {
    const shown = cells[k]!
    return /^(fan|blows):/.test(m.id) && typeof shown === 'string' && shown !== usually(table, m.id)
      ? [{ move: m.id, found: shown }]
      : []
  })
}

const kindOf = (c: Cause): string => c.faults[0]?.split(':')[0] ?? ''

/**
 * A round by its seed: the same for everybody who plays it.
 * @param table everything that may be wrong with the machine
 * @param cellsOf a pair's row, where two things are hidden at once
 * @returns null where nothing of this circuit can be hidden at that level
 */
export function roundOf(
  table: Table,
  { seed, level, machine }: Pick<Round, 'seed' | 'level' | 'machine'>,
  cellsOf: (cause: Cause) => Table['cells'][number],
): Round | null {
  const random = generator(hashed(`${seed} ${level}`))
  const kinds = kindsAt[level]
  const shows = (c: Cause, i: number): boolean =>
    c.faults.length === 1 && (!kinds || kinds.includes(kindOf(c))) && complaints(table, table.cells[i]!).length > 0
  const may = table.causes.filter(shows)
  if (!may.length) return null
  const pick = <T>(list: readonly T[]): T => list[Math.min(list.length - 1, Math.floor(random() * list.length))]!
  const first = pick(may)
  const pairs = level === 'two at once' ? may.flatMap((c) => both(first, c) ?? []) : []
  const cause = pairs.length ? pick(pairs) : first
  const cells = pairs.length ? cellsOf(cause) : table.cells[table.causes.indexOf(cause)]!
  const there: There = level === 'comes and goes' ? pick(['shaken', 'hot'] as const) : 'always'
  // shaken or hot: what it is brought in with is seen with the engine running, hot
  const said = complaints(table, cells).filter((f) => there === 'always' || f.move.startsWith('fan:called'))
  const complaint = said[0]
  const names = cause.faults.map((f) => alike(table, f))
  return complaint ? { seed, level, machine, cause, there, complaint, names } : null
}

/** Causes that show the same at every move, as far as a meter tells volts and amps apart. */
function alike(table: Table, fault: string): string[] {
  const rowOf = (i: number): string =>
    JSON.stringify(table.cells[i]!.map((c) => (typeof c === 'number' ? Math.round(10 * c) : c)))
  const mine = table.causes.findIndex((c) => c.faults.length === 1 && c.faults[0] === fault)
  return table.causes.flatMap((c, i) => (rowOf(i) === rowOf(mine) ? [c.id] : []))
}

/** Whether a round's fault is there in a state. */
export const isThere = ({ there }: Pick<Round, 'there'>, c: Conditions): boolean =>
  there === 'always' || (there === 'shaken' ? c.engine : c.heat === 'hot')

/** Everything off, isolator on, cold: how a machine is rolled in. */
export const rolledIn: Conditions = { ...allOff, isolator: true }

/** What may be behind a round's complaint: what can be named. */
export const namable = (table: Table, { complaint }: Pick<Round, 'complaint'>): Cause[] =>
  table.causes.filter((c) => areasOf(table, [complaint]).includes(c.area))
