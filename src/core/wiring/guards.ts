import { type Conditions, type Element, GROUND, type Piece, type SwitchState, switchStates } from '../circuit'
import { onceAJob, type ConductorRole, type Job, lookupOf, roleNames } from '../job'
import { Bench } from '../reading'
import { circuitsOf } from '../fan-circuit'
import { jammedCurrent, POST_DISTANCE_M } from '../electrical'
import type { JobNetlist } from './builder'
import { endAt } from './ends'
import { feedPieces, pieceOf } from './feed-pieces'
import { netlistOf } from './netlist'
import { say } from '../words'

type WireElement = Extract<Element, { kind: 'wire' }>
type FuseElement = Extract<Element, { kind: 'fuse' }>

/** What stands before one wire of the job's, on every road by which a source can feed it. */
export interface Guard {
  /** the element of the circuit, and the job's conductor that it is or is a piece of */
  readonly wire: string
  readonly conductor: string
  readonly role: ConductorRole
  /** "timer wire: battery + to after-run timer" */
  readonly name: string
  readonly from: string
  /** which part of its conductor; null for the whole */
  readonly piece: Piece | null
  /** of the wire, m */
  readonly lengthM: number
  /** what it may carry for good, A */
  readonly allowedA: number
  /** fuses that are the first on some road to it, by their elements */
  readonly fuses: readonly string[]
  /** all of them are fuses of the fans' own feeds */
  readonly own: boolean
  /** most of their ratings that can feed it at once, A */
  readonly letsThroughA: number
  /** a road leads to it with no fuse at all */
  readonly bare: boolean
  /**
   * a road leads to it past the machine's own fuse, before its key or before a block or plug, that nobody has looked
   * at
   */
  readonly unknown: 'key' | 'others' | null
  /** current that it would carry, worn through to the frame, before anything stops it, A */
  readonly wouldCarryA: number
  readonly verdict: 'guarded' | 'short by practice' | 'unknown' | 'unguarded'
}

/** worn through to the frame, ohm */
const CHAFED_OHM = 0.002

/** What the machine's own fuses stand before: its key, and a contact that belongs to no fan's way. */
const othersOwn = (e: Element): Found['loom'] => {
  if (e.kind === 'switch') return e.by === 'key' ? 'key' : null
  return e.kind === 'contact' && e.run === undefined ? 'others' : null
}

/** A road from a source to a wire, without what came before its first fuse. */
interface Found {
  readonly fuses: ReadonlySet<FuseElement>
  readonly bareOhm: number | null
  readonly loom: 'key' | 'others' | null
}

/** What an element puts in the way of a short behind it, ohm; a fan as if it were held fast. @see engineering §1.6 */
const ohmOf = (e: Element): number => {
  if (e.kind === 'motor') return e.rating.ratedV / jammedCurrent(e.rating, e.rating.ratedV)
  return 'ohm' in e ? e.ohm : 0
}

/**
 * Whether current can come through an element to a node at all: whatever closes may close, loads limit by themselves.
 */
function passes(e: Element, towards: 'a' | 'b', c: Conditions | null): boolean {
  switch (e.kind) {
    case 'source':
    case 'load':
    case 'coil':
      return false
    case 'switch':
      return c === null || c[e.by]
    case 'diode':
      return towards === 'b'
    default:
      return true
  }
}

/** The node from which current comes through an element to one of its ends; null where none can. */
function comesFrom(e: Element, node: string, c: Conditions | null): string | null {
  if (e.b === node && passes(e, 'b', c)) return e.a
  return e.a === node && passes(e, 'a', c) ? e.b : null
}

/**
 * Walks from a wire back to every source, as far as the first fuse of each road.
 * @param c switches as they stand; null for all of them closed
 */
function walk(elements: readonly Element[], wire: WireElement, c: Conditions | null): Found {
  const fuses = new Set<FuseElement>()
  // an end on the ground is fed by nothing
  const ends = [wire.a, wire.b].filter((n) => n !== GROUND)
  const best = new Map(ends.map((n) => [n, CHAFED_OHM]))
  const source = elements.find((e) => e.kind === 'source')
  let bareOhm: number | null = null
  let loom: Found['loom'] = null
  const via = new Map<string, Found['loom']>()
  const queue = [...ends]
  for (const node of queue) {
    const ohm = best.get(node)!
    if (source?.kind === 'source' && node === source.a) {
      const all = ohm + source.ohm
      if (bareOhm === null || all < bareOhm) {
        bareOhm = all
        loom = via.get(node) ?? null
      }
      continue
    }
    for (const e of elements) {
      if (e === wire) continue
      const next = comesFrom(e, node, c)
      if (next === null || next === GROUND) continue
      if (e.kind === 'fuse') {
        fuses.add(e)
        continue
      }
      const there = ohm + ohmOf(e)
      if (there >= (best.get(next) ?? Infinity)) continue
      best.set(next, there)
      via.set(next, via.get(node) ?? othersOwn(e))
      queue.push(next)
    }
  }
  return { fuses, bareOhm, loom }
}

const ratings = (fuses: ReadonlySet<FuseElement>): number => [...fuses].reduce((sum, f) => sum + f.ratingA, 0)

/** The worst that any combination of switches does: a bare road first, then the most that fuses let through at once. */
function worstOf(net: JobNetlist, wire: WireElement, states: readonly SwitchState[]): Found {
  const anyway = walk(net.elements, wire, null)
  if (anyway.bareOhm === null && anyway.fuses.size < 2) return anyway
  return states
    .map((s) => walk(net.elements, wire, { ...s, heat: 'hot' }))
    .reduce((worst, f) => {
      if (f.bareOhm !== null && (worst.bareOhm === null || f.bareOhm < worst.bareOhm))
        return { ...f, fuses: new Set([...worst.fuses, ...f.fuses]) }
      if (worst.bareOhm !== null) return { ...worst, fuses: new Set([...worst.fuses, ...f.fuses]) }
      return ratings(f.fuses) > ratings(worst.fuses) ? f : worst
    })
}

function lengthOf(job: Job, bench: Bench, e: WireElement): number {
  return e.piece && e.run !== undefined
    ? pieceOf(feedPieces(bench, circuitsOf(job)[e.run]!, job.wiring.isolator), e.piece)
    : bench.value(`conductors.${e.conductor!}.lengthM`)
}

interface Judged {
  readonly bare: boolean
  readonly unknown: boolean
  readonly guarded: boolean
  readonly piece: Piece | undefined
  readonly lengthM: number
}

/** A piece between post and fuse stays within what practice leaves bare. @see engineering §1.4 */
function verdictOf({ bare, unknown, guarded, piece, lengthM }: Judged): Guard['verdict'] {
  if (bare) return piece === 'to fuse' && lengthM <= POST_DISTANCE_M ? 'short by practice' : 'unguarded'
  if (unknown) return 'unknown'
  return guarded ? 'guarded' : 'unguarded'
}

function work(job: Job): readonly Guard[] {
  const net = netlistOf(job)
  const bench = new Bench(lookupOf(job))
  const states = switchStates(net)
  const source = net.elements.find((e) => e.kind === 'source')!
  return net.elements.flatMap((e): Guard[] => {
    if (e.kind !== 'wire' || e.conductor === null) return []
    const conductor = job.conductors.find((c) => c.id === e.conductor)!
    const { fuses, bareOhm, loom } = worstOf(net, e, states)
    const lengthM = lengthOf(job, bench, e)
    const allowedA = e.allowedA ?? 0
    const letsThroughA = ratings(fuses)
    const wouldCarryA = bareOhm === null ? letsThroughA : (source.kind === 'source' ? source.runningV : 0) / bareOhm
    // a machine's own fuse that nobody has looked at may guard it, or may not
    const unknown = bareOhm === null ? null : loom
    const bare = bareOhm !== null && unknown === null
    const verdict = verdictOf({
      bare,
      unknown: unknown !== null,
      guarded: letsThroughA <= allowedA,
      piece: e.piece,
      lengthM,
    })
    const [a, b] = [endAt(job, net.nodes, e.a).at, endAt(job, net.nodes, e.b).at]
    return [
      {
        wire: e.name,
        conductor: conductor.id,
        role: conductor.role,
        name: say`${roleNames[conductor.role]}, ${a} to ${b}`,
        from: a,
        lengthM,
        allowedA,
        piece: e.piece ?? null,
        fuses: [...fuses].map((f) => f.name),
        own: [...fuses].every((f) => f.run !== undefined),
        letsThroughA,
        bare,
        unknown,
        wouldCarryA,
        verdict,
      },
    ]
  })
}

/**
 * What guards every conductor of a job, feed or signal: walked from the wire back to each source, in every state of the
 * switches, as far as the first fuse. Fuse margin, ways, cut list, build and signature ask this.
 * @see engineering §1.4
 */
export const guardsOf = onceAJob(work)

/** Conductors that nothing guards: what a mechanic must be told, whatever else holds. */
export const unguardedIn = (job: Job): readonly Guard[] => guardsOf(job).filter((g) => g.verdict === 'unguarded')
