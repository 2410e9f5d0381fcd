import {
  allOff,
  Circuit,
  type Conditions,
  type Element,
  type Netlist,
  runningHot,
  type Piece as WirePiece,
  type States,
  type Switching,
} from '../circuit'
import type { ContactRating, Start } from '../electrical'
import {
  type ChosenFan,
  circuitsOf,
  type FanCircuit,
  runConductor,
  type RunConductor,
  runCurrent,
  startOf,
} from '../fan-circuit'
import { type Job, roleIds, roleNames, onceAJob } from '../job'
import { type Bench, following, term, worked, type Worked } from '../reading'
import { feedPieces, pieceOf } from './feed-pieces'
import { guardsOf } from './guards'
import { netlistOf } from './netlist'
import { say } from '../words'

/** What goes through one branch: a share of each fan's current, and what does not come from a fan, A. */
export interface Load {
  readonly shares: readonly number[]
  readonly steadyA: number
}

export interface Piece {
  readonly load: Load
  /** along a feed that a later fan shares; else the whole conductor */ readonly length: 'whole' | WirePiece
  readonly circuit: FanCircuit | null
}

export interface ConductorLoad {
  readonly conductor: RunConductor
  readonly name: string
  /** the same for ids of parts */
  readonly id: string
  readonly pieces: readonly Piece[]
  readonly most: Load
}

export interface ContactLoad {
  readonly id: string
  readonly name: string
  readonly suffix: string
  /** the same for ids */
  readonly tag: string
  readonly rating: ContactRating | null
  readonly needs: string
  readonly load: Load
  /** a fuse of the machine's own that it hangs on, with what else does, instead of a stamped rating */
  readonly borrowedA: number | null
}

export interface Loads {
  readonly conductors: readonly ConductorLoad[]
  /** by the fuse's id */
  readonly fuses: ReadonlyMap<string, Load>
  readonly contacts: readonly ContactLoad[]
  /** conductors that a fuse guards, by the fuse's id */
  readonly guarded: ReadonlyMap<string, readonly ConductorLoad[]>
  /** ways of making a run's fan run in which its current does not go through the run's own fuse, by the run's id */
  readonly pastFuse: ReadonlyMap<string, readonly string[]>
  /** controllers that draw with everything off */
  readonly liveWhenParked: ReadonlySet<string>
}

/**
 * Ways in which the fans can be made to run, each by itself: by their thermostats, by a hand switch, by the override,
 * by another system's call.
 */
function waysToRun(net: Netlist): { readonly by: string; readonly conditions: Conditions; readonly states: States }[] {
  const pulled = new Set(net.elements.flatMap((e) => (e.kind === 'coil' ? [e.relay] : [])))
  const powered = new Set(net.controls.map((c) => c.id))
  const joining = (...places: readonly string[]): ReadonlySet<string> =>
    new Set(net.elements.flatMap((e) => (e.kind === 'diode' && e.joins && places.includes(e.joins) ? [e.name] : [])))
  const way = (by: string, more: Partial<Conditions>, share: number, conducting: ReadonlySet<string>) => ({
    by,
    conditions: { ...runningHot, ...more },
    states: {
      pulled,
      powered,
      asked: new Set<string>(),
      // a controller with inputs of its own is told by them, and closes
      duty: new Map(net.controls.map((c) => [c.id, c.inputs?.length ? 1 : share])),
      conducting,
      blocked: new Set<string>(),
      opened: new Set<string>(),
    },
  })
  const switched = (by: Switching): boolean => net.elements.some((e) => e.kind === 'switch' && e.by === by)
  return [
    way(say`the thermostat`, {}, 1, joining('control')),
    ...(switched('hand') ? [way(say`the hand switch`, { hand: true }, 0, joining('control'))] : []),
    ...(switched('override') ? [way(say`the override`, { override: true }, 0, joining('control', 'override'))] : []),
    ...(switched('call') ? [way(say`the other system's call`, { call: true }, 0, joining('control', 'call'))] : []),
  ]
}

/** a fuse that carries less of its fan's current than this does not stand before it alone */
const WHOLE = 0.98

/** What of a circuit is switched from outside, as a contact that a fan's current may go through. */
const switchWords: Readonly<Partial<Record<Switching, readonly [name: string, needs: string]>>> = {
  key: [say`key switch`, say`the key switch's rating`],
  override: [say`override switch`, say`the override switch's rating`],
  isolator: [say`isolator`, say`the isolator's rating`],
  call: [say`other system's contact`, say`what the other system may carry`],
}

function contactOf(job: Job, e: Element, circuits: readonly FanCircuit[]): Omit<ContactLoad, 'load'> | null {
  const circuit = e.run === undefined ? undefined : circuits[e.run]
  const suffix = circuit?.suffix ?? ''
  const tag = circuit?.tag ?? ''
  const own = (rating: ContactRating | null) => ({
    id: 'controller',
    name: say`controller's own contact`,
    suffix,
    tag,
    rating,
    borrowedA: null,
    needs: circuit?.controller ? say`a controller that can carry a fan itself, or a relay` : say`a controller`,
  })
  switch (e.kind) {
    // one that belongs to no fan's way is somebody else's feed
    case 'contact':
      return circuit
        ? { id: 'relay', name: say`relay`, suffix, tag, rating: e.rating, borrowedA: null, needs: say`a relay` }
        : {
            id: e.relay,
            name: e.label,
            suffix,
            tag,
            rating: null,
            borrowedA: job.wiring.feedRatedA,
            needs: say`what the ${e.label} is fused with`,
          }
    // the machine's own fuse, where a fan hangs on the switched wire behind it
    case 'fuse':
      return e.name === 'loom_fuse'
        ? { id: 'own fuse', name: say`machine`, suffix: '', tag: '', rating: null, borrowedA: e.ratingA, needs: '' }
        : null
    case 'output':
    case 'chopper':
      return own(e.rating)
    case 'switch': {
      // a hand switch that stands where a controller would
      if (e.by === 'hand') return own(e.rating)
      const words = switchWords[e.by]
      return words
        ? {
            id: e.by,
            name: words[0],
            suffix: e.by === 'isolator' && e.run === 0 ? '' : suffix,
            tag: e.by === 'isolator' && e.run === 0 ? '' : tag,
            rating: e.rating,
            borrowedA: null,
            needs: words[1],
          }
        : null
    }
    default:
      return null
  }
}

const same = (a: Load, b: Load): boolean =>
  a.shares.every((s, i) => Math.abs(s - b.shares[i]!) < 1e-3) && Math.abs(a.steadyA - b.steadyA) < 1e-3

const bigger = (a: Load, b: Load): Load => ({
  shares: a.shares.map((s, i) => Math.max(s, b.shares[i]!)),
  steadyA: Math.max(a.steadyA, b.steadyA),
})

/** Runs whose fan runs with its current past the run's own fuse, by their ids. */
function pastFuses(
  circuits: readonly FanCircuit[],
  net: Netlist,
  shares: ReadonlyMap<string, ReadonlyMap<string, number>>,
): string[] {
  return circuits.flatMap(({ run, fuse }, n) => {
    const owner = circuits.findIndex((c) => fuse !== null && c.fuse?.id === fuse.id)
    const element = net.elements.find((e) => e.kind === 'fuse' && e.run === owner)
    const own = shares.get(net.elements.find((e) => e.kind === 'motor' && e.run === n)?.name ?? '')
    const runs = own !== undefined && own.size > 1
    return element && runs && (own.get(element.name) ?? 0) < WHOLE ? [run.id] : []
  })
}

function work(job: Job): Loads {
  const circuits = circuitsOf(job)
  const net = netlistOf(job)
  const circuit = new Circuit({
    elements: net.elements.map((e): Element => (e.kind === 'fuse' ? { ...e, ratingA: 1e6 } : e)),
    controls: net.controls,
  })
  const none = circuits.map(() => 0)
  const motors = circuits.map((_, i) => net.elements.find((e) => e.kind === 'motor' && e.run === i)!.name)
  const loads = new Map<string, Load>(net.elements.map((e) => [e.name, { shares: none, steadyA: 0 }]))
  const past = new Map<string, string[]>()
  for (const { by, conditions, states } of waysToRun(net)) {
    const at = new Map<string, number[]>()
    pastFuses(circuits, net, circuit.shares(conditions, { states })).forEach((id) =>
      past.set(id, [...(past.get(id) ?? []), by]),
    )
    for (const [motor, shares] of circuit.shares(conditions, { states })) {
      for (const [name, share] of shares) {
        const row = at.get(name) ?? [...none]
        row[motors.indexOf(motor)] = share
        at.set(name, row)
      }
    }
    for (const [name, shares] of at) loads.set(name, bigger(loads.get(name)!, { shares, steadyA: 0 }))
  }
  const solved = circuit.solve(runningHot)
  for (const e of net.elements) {
    const own = loads.get(e.name)!
    const fans = own.shares.reduce((sum, s, i) => sum + s * Math.abs(solved.amps.get(motors[i]!) ?? 0), 0)
    const rest = Math.abs(solved.amps.get(e.name) ?? 0) - fans
    if (rest > 1e-2) loads.set(e.name, { ...own, steadyA: rest })
  }
  const carriesFan = (l: Load): boolean => l.shares.some((s) => s > 0)
  const wires = net.elements.filter((e) => e.kind === 'wire' && e.conductor !== null)
  const conductorLoad = (id: string, suffix: string, owner: FanCircuit | null): ConductorLoad | null => {
    const own = wires.filter((e) => e.kind === 'wire' && e.conductor === id)
    const found = job.conductors.find((c) => c.id === id)
    if (!found) return null
    const pieces = own.map((e): Piece => ({
      load: loads.get(e.name)!,
      length: (e.kind === 'wire' ? e.piece : undefined) ?? 'whole',
      circuit: owner,
    }))
    const most = pieces.reduce<Load>((a, p) => bigger(a, p.load), { shares: none, steadyA: 0 })
    const [first] = pieces
    return {
      conductor: runConductor(found),
      name: `${roleNames[found.role]}${suffix}`,
      id: `${roleIds[found.role]}${owner && suffix ? owner.tag : ''}`,
      most,
      pieces:
        !first || pieces.every((p) => same(p.load, first.load))
          ? [{ load: most, length: 'whole', circuit: owner }]
          : pieces,
    }
  }
  const ofRuns = circuits.flatMap((c) => c.conductors.flatMap((x) => conductorLoad(x.id, c.suffix, c) ?? []))
  const inRuns = new Set(ofRuns.map((c) => c.conductor.id))
  const signals = job.conductors
    .filter((c) => !inRuns.has(c.id) && wires.some((e) => e.kind === 'wire' && e.conductor === c.id))
    .flatMap((c) => conductorLoad(c.id, '', null) ?? [])
  const contacts = net.elements.flatMap((e): ContactLoad[] => {
    const load = loads.get(e.name)!
    const contact = contactOf(job, e, circuits)
    return contact && carriesFan(load) ? [{ ...contact, load }] : []
  })
  // the first fuse on the road to a wire guards it
  const guarded = new Map<string, ConductorLoad[]>()
  for (const g of guardsOf(job)) {
    for (const name of g.fuses) {
      const element = net.elements.find((e) => e.name === name)
      const fuse = element?.run === undefined ? null : circuits[element.run]?.fuse
      const load = [...ofRuns, ...signals].find((l) => l.conductor.id === g.conductor)
      if (!fuse || !load) continue
      const before = guarded.get(fuse.id) ?? []
      if (!before.includes(load)) guarded.set(fuse.id, [...before, load])
    }
  }
  // a fuse that several fans hang on stands where the first of them begins
  const fuses = new Map<string, Load>()
  circuits.forEach((c, i) => {
    if (c.fuse && !fuses.has(c.fuse.id))
      fuses.set(
        c.fuse.id,
        loads.get(net.elements.find((e) => e.kind === 'fuse' && e.run === i)?.name ?? '') ?? {
          shares: none,
          steadyA: 0,
        },
      )
  })
  const still = circuit.solve(allOff)
  return {
    conductors: [...ofRuns, ...signals.filter((s) => carriesFan(s.most))],
    contacts,
    guarded,
    fuses,
    pastFuse: past,
    liveWhenParked: new Set(
      net.elements.flatMap((e) =>
        e.kind === 'load' && e.what === 'standby' && Math.abs(still.amps.get(e.name) ?? 0) > 1e-5 ? [e.controller] : [],
      ),
    ),
  }
}

/**
 * What each conductor, fuse and contact of a job carries, from its solved circuit; worked out once a job.
 * @see engineering §5
 */
export const loadsOf = onceAJob(work)

/** The fans that a branch carries, with their shares. */
const fansIn = (job: Job, load: Load): { readonly fan: ChosenFan; readonly share: number }[] =>
  circuitsOf(job).flatMap((c, i) => (c.fan && load.shares[i]! > 0 ? [{ fan: c.fan, share: load.shares[i]! }] : []))

const PLUS = ['', '{0}', '{0} + {1}', '{0} + {1} + {2}', '{0} + {1} + {2} + {3}', '{0} + {1} + {2} + {3} + {4}']

/** Running current of a branch for any pass over the readings: its share of every fan's, and what is not a fan's. */
export function currentIn(bench: Bench, job: Job, load: Load): Worked {
  const fans = fansIn(job, load)
  const [only] = fans
  if (fans.length === 1 && only!.share === 1 && load.steadyA === 0) return runCurrent(bench, only!.fan)
  const each = fans.map(({ fan, share }) => ({ share, run: runCurrent(bench, fan) }))
  const terms = [
    ...each.map(({ share, run }, i) =>
      term(share === 1 ? say`fan ${i + 1}` : say`${share} of fan ${i + 1}`, share * run.value, 'current'),
    ),
    ...(load.steadyA > 0 ? [term(say`coil and controller`, load.steadyA, 'current')] : []),
  ]
  return following(
    each.map((e) => e.run),
    worked(
      say`through it, running`,
      PLUS[terms.length] ?? PLUS[1]!,
      terms,
      each.reduce((s, e) => s + e.share * e.run.value, load.steadyA),
      'current',
      '§5',
    ),
  )
}

/** A start of every fan behind a branch at once. @see engineering §1.6 */
export function startIn(bench: Bench, job: Job, load: Load): Start {
  return fansIn(job, load).reduce<Start>(
    (sum, { fan, share }) => {
      const own = startOf(bench, fan)
      return {
        runningA: sum.runningA + share * own.runningA,
        startingA: sum.startingA + share * own.startingA,
        timeConstantS: Math.max(sum.timeConstantS, own.timeConstantS),
      }
    },
    { runningA: load.steadyA, startingA: load.steadyA, timeConstantS: 0 },
  )
}

/** Length of a piece of conductor in any pass, m. */
export function pieceLength(bench: Bench, job: Job, { conductor }: ConductorLoad, piece: Piece): number {
  if (piece.length === 'whole' || piece.circuit === null) return bench.value(conductor.at.lengthM)
  return pieceOf(feedPieces(bench, piece.circuit, job.wiring.isolator), piece.length)
}
