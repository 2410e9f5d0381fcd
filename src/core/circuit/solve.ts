import { CholeskyDecomposition, Matrix, solve as solveSystem } from 'ml-matrix'
import { CUT_OUT_SHARE, fuseGate, jammedCurrent, motorConstants, motorCurve } from '../electrical'
import {
  conducts,
  DIODE_OHM,
  DIODE_V,
  GROUND,
  nodesOf,
  type Conditions,
  type Control,
  type Element,
  type Motor,
  type Netlist,
  type States,
} from './netlist'

/** from every node to the negative post: settles nodes that hang in the air. @see engineering §5 */
export const LEAK_S = 1e-9
/** a fuse that carries this much of its rating opens sooner or later. @see engineering §1.4 */
const OPENS_RATIO = 1.35
/** an input of a controller's own is live from this share of the voltage that its electronics need (estimate) */
const ASKED_SHARE = 0.8
const MOST_ROUNDS = 40
const MOST_NEWTON = 60
/** a copper joint: nothing is allowed to be less, so that no two nodes fall together */
const LEAST_OHM = 1e-5

export interface Opened {
  readonly name: string
  readonly label: string
  readonly ampsBefore: number
  readonly shortestS: number
  readonly longestS: number
}

/** A circuit at rest in one state. Volts against the battery's negative post; amps positive from source to load. */
export interface Solution {
  readonly volts: ReadonlyMap<string, number>
  readonly amps: ReadonlyMap<string, number>
  /** speed of each fan, relative to its rating; negative backwards */
  readonly speeds: ReadonlyMap<string, number>
  readonly states: States
  /** nodes that hang in the air */
  readonly floating: readonly string[]
  /** relays, controllers and diodes that never come to rest, and brushless fans that start and drop out for ever */
  readonly chattering: readonly string[]
  readonly opened: readonly Opened[]
}

interface Linear {
  readonly volts: Float64Array
  readonly motorAmps: ReadonlyMap<string, number>
  /** brushless fans that have the voltage to start, and lose it as soon as they take their current */
  readonly hunting: readonly string[]
}

/** A netlist with its nodes numbered once, so that a table of states is quick. */
export class Circuit {
  readonly nodes: readonly string[]
  private readonly index: ReadonlyMap<string, number>
  /** the numbers of each element's nodes: a table of states looks them up very often */
  private readonly ends: ReadonlyMap<Element, readonly [a: number, b: number]>
  private readonly solved = new Map<string, Linear>()
  private readonly shared = new Map<string, ReadonlyMap<string, ReadonlyMap<string, number>>>()

  constructor(readonly net: Netlist) {
    this.nodes = nodesOf(net)
    this.index = new Map(this.nodes.map((n, i) => [n, i]))
    this.ends = new Map(net.elements.map((e) => [e, [this.at(e.a), this.at(e.b)]]))
  }

  private at(node: string): number {
    return node === GROUND ? -1 : this.index.get(node)!
  }

  /**
   * Conductances and injections with everything frozen but the turning fans.
   * @param held each turning fan stands in it as {@link holding}, so that no node hangs on the leak alone behind one
   */
  private stamp(s: States, c: Conditions, held: boolean): { g: Matrix; injected: Float64Array; turning: Motor[] } {
    const n = this.nodes.length
    const g = Matrix.zeros(n, n)
    for (let i = 0; i < n; i++) g.set(i, i, LEAK_S)
    const injected = new Float64Array(n)
    const turning: Motor[] = []
    const more = (i: number, k: number, siemens: number): void => void g.set(i, k, g.get(i, k) + siemens)
    const resistor = (a: number, b: number, siemens: number): void => {
      if (a >= 0) more(a, a, siemens)
      if (b >= 0) more(b, b, siemens)
      if (a >= 0 && b >= 0) {
        more(a, b, -siemens)
        more(b, a, -siemens)
      }
    }
    const push = (node: number, amps: number): void => {
      if (node >= 0) injected[node]! += amps
    }
    for (const e of this.net.elements) {
      if (!conducts(e, s, c)) continue
      const [a, b] = this.ends.get(e)!
      if (e.kind === 'source') {
        const siemens = 1 / Math.max(e.ohm, LEAST_OHM)
        resistor(a, b, siemens)
        push(a, siemens * sourceVolts(e, c))
        push(b, -siemens * sourceVolts(e, c))
      } else if (e.kind === 'motor') {
        if (e.jammed && e.rating.motor === 'brushed') resistor(a, b, 1 / motorConstants(e.rating).r)
        else {
          turning.push(e)
          if (held) resistor(a, b, holding(e))
        }
      } else if (e.kind === 'diode') {
        resistor(a, b, 1 / DIODE_OHM)
        push(a, DIODE_V / DIODE_OHM)
        push(b, -DIODE_V / DIODE_OHM)
      } else if (e.kind === 'chopper') {
        // current at b is (d·a + (1 − d)·return − b)/r, and what it takes comes from both: one outer product
        const d = s.duty.get(e.controller)!
        const ends = [
          [a, d],
          [this.at(e.return), 1 - d],
          [b, -1],
        ] as const
        for (const [i, wi] of ends)
          for (const [k, wk] of ends) if (i >= 0 && k >= 0) more(i, k, (wi * wk) / Math.max(e.ohm, LEAST_OHM))
      } else resistor(a, b, 1 / Math.max(e.ohm, LEAST_OHM))
    }
    return { g, injected, turning }
  }

  /** What lets current through decides everything: most states of a table come back to a few of these. */
  private key(s: States, c: Conditions): string {
    return this.net.elements.reduce(
      (k, e) => k + (conducts(e, s, c) ? (e.kind === 'chopper' ? `(${s.duty.get(e.controller)})` : '1') : '0'),
      c.engine ? 'E' : 'R',
    )
  }

  /**
   * Nodes solved with the fans as ports: their static curves against what the rest of the circuit offers, by Newton.
   * @see engineering §1.6, §5
   */
  private linear(s: States, c: Conditions): Linear {
    const key = this.key(s, c)
    const before = this.solved.get(key)
    if (before) return before
    const made = this.solveLinear(s, c)
    this.solved.set(key, made)
    return made
  }

  private solveLinear(s: States, c: Conditions): Linear {
    const { g, injected, turning } = this.stamp(s, c, true)
    const right = this.taken(turning, 1)
    injected.forEach((amps, i) => right.set(i, 0, amps))
    const solved = new CholeskyDecomposition(g).solve(right)
    const node = (i: number, column: number): number => (i < 0 ? 0 : solved.get(i, column))
    const port = (m: Motor, column: number): number => node(this.at(m.a), column) - node(this.at(m.b), column)
    const ports = portCurrents(
      turning,
      turning.map((m) => port(m, 0)),
      turning.map((m) => turning.map((_, k) => -port(m, k + 1))),
    )
    const volts = Float64Array.from(this.nodes, (_, i) =>
      ports.reduce((v, { besides }, k) => v + besides * solved.get(i, k + 1), solved.get(i, 0)),
    )
    const starts = (m: Motor): boolean =>
      m.rating.motor === 'brushless' &&
      this.reading((i) => volts[i]!)(m.a) - this.reading((i) => volts[i]!)(m.b) >= CUT_OUT_SHARE * m.rating.ratedV
    return {
      volts,
      motorAmps: new Map(turning.map((m, k) => [m.name, ports[k]!.currentA])),
      hunting: turning.filter((m, k) => starts(m) && ports[k]!.currentA === 0).map((m) => m.name),
    }
  }

  /** What one ampere through each fan does to every node's balance, a column each, with so many columns before them. */
  private taken(turning: readonly Motor[], before: number): Matrix {
    const right = Matrix.zeros(this.nodes.length, before + turning.length)
    turning.forEach((m, k) => {
      const [a, b] = this.ends.get(m)!
      if (a >= 0) right.set(a, before + k, right.get(a, before + k) - 1)
      if (b >= 0) right.set(b, before + k, right.get(b, before + k) + 1)
    })
    return right
  }

  /** voltage of a node by its name, out of those of all */
  private reading(at: (i: number) => number): (node: string) => number {
    return (node) => {
      const i = this.at(node)
      return i < 0 ? 0 : at(i)
    }
  }

  /** voltage between an element's ends */
  private across(e: Element, volts: Float64Array): number {
    const [a, b] = this.ends.get(e)!
    return (a < 0 ? 0 : volts[a]!) - (b < 0 ? 0 : volts[b]!)
  }

  private currentThrough(e: Element, s: States, c: Conditions, { volts, motorAmps }: Linear): number {
    if (!conducts(e, s, c)) return 0
    const v = this.reading((i) => volts[i]!)
    const across = this.across(e, volts)
    switch (e.kind) {
      case 'source':
        return (sourceVolts(e, c) - across) / Math.max(e.ohm, LEAST_OHM)
      case 'motor':
        return motorAmps.get(e.name) ?? jammedCurrent(e.rating, across)
      case 'diode':
        return (across - DIODE_V) / DIODE_OHM
      case 'chopper': {
        const d = s.duty.get(e.controller)!
        return (d * v(e.a) + (1 - d) * v(e.return) - v(e.b)) / Math.max(e.ohm, LEAST_OHM)
      }
      default:
        return across / Math.max(e.ohm, LEAST_OHM)
    }
  }

  /**
   * Which share of each fan's current goes through each element, with everything as it stands in a solved state: 1 in
   * its own way, parts of 1 where ways lie beside each other.
   * @returns by fan's element, then by element; only what is more than half a per cent
   */
  shares(c: Conditions, { states }: Pick<Solution, 'states'>): ReadonlyMap<string, ReadonlyMap<string, number>> {
    const key = this.key(states, c)
    const before = this.shared.get(key)
    if (before) return before
    const { g, turning } = this.stamp(states, c, false)
    if (!turning.length) return new Map()
    const solved = new CholeskyDecomposition(g).solve(this.taken(turning, 0))
    const made = new Map(
      turning.map((m, k) => {
        const v = this.reading((i) => solved.get(i, k))
        const found = new Map<string, number>([[m.name, 1]])
        for (const e of this.net.elements) {
          if (e.kind === 'motor' || !conducts(e, states, c)) continue
          const d = e.kind === 'chopper' ? states.duty.get(e.controller)! : 1
          const across = e.kind === 'chopper' ? d * v(e.a) + (1 - d) * v(e.return) - v(e.b) : v(e.a) - v(e.b)
          const share = Math.abs(across) / (e.kind === 'diode' ? DIODE_OHM : Math.max(e.ohm, LEAST_OHM))
          // less than that is what the battery's own resistance passes on to everything beside it
          if (share > 5e-3) found.set(e.name, Math.round(share * 1e3) / 1e3)
        }
        return [m.name, found] as const
      }),
    )
    this.shared.set(key, made)
    return made
  }

  /** what relays, controllers, diodes and fuses do about the voltages that a state leads to */
  private next(s: States, c: Conditions, linear: Linear): { readonly states: States; readonly opened: Opened[] } {
    const v = this.reading((i) => linear.volts[i]!)
    const pulled = new Set(s.pulled)
    const conducting = new Set<string>()
    const blocked = new Set<string>()
    const newly: Opened[] = []
    for (const e of this.net.elements) {
      if (e.kind !== 'coil' && e.kind !== 'diode' && e.kind !== 'chopper' && e.kind !== 'fuse') continue
      const across = this.across(e, linear.volts)
      if (e.kind === 'coil') {
        if (Math.abs(across) >= e.pullInV) pulled.add(e.relay)
        else if (Math.abs(across) <= e.letGoV) pulled.delete(e.relay)
      } else if (e.kind === 'diode') {
        if (across > DIODE_V || (s.conducting.has(e.name) && across > DIODE_V - 1e-9)) conducting.add(e.name)
      } else if (e.kind === 'chopper') {
        const d = s.duty.get(e.controller) ?? 0
        const gives = d * v(e.a) + (1 - d) * v(e.return) - v(e.b)
        if (d > 0 && gives < (s.blocked.has(e.name) ? 1e-6 : -1e-6)) blocked.add(e.name)
      } else if (e.kind === 'fuse' && !s.opened.has(e.name)) {
        const ampsBefore = Math.abs(this.currentThrough(e, s, c, linear))
        if (ampsBefore >= OPENS_RATIO * e.ratingA)
          newly.push({ name: e.name, label: e.label, ampsBefore, ...fuseGate(ampsBefore / e.ratingA) })
      }
    }
    const powered = new Set(
      this.net.controls
        .filter((k) => k.supply === null || v(k.supply[0]) - v(k.supply[1]) >= k.leastV)
        .map((k) => k.id),
    )
    const asked = new Set(
      this.net.controls.filter((k) => k.inputs?.some((n) => v(n) >= ASKED_SHARE * k.leastV)).map((k) => k.id),
    )
    return {
      states: { pulled, powered, asked, duty: this.duties(powered, asked, c), conducting, blocked, opened: s.opened },
      opened: newly,
    }
  }

  private readonly duties = (powered: ReadonlySet<string>, asked: ReadonlySet<string>, c: Conditions): States['duty'] =>
    new Map(this.net.controls.map((k) => [k.id, powered.has(k.id) ? (asked.has(k.id) ? 1 : called(k, c)) : 0]))

  /**
   * The circuit in one state: relays and controllers from the state before, by fixed point; a fuse opens only once
   * everything else has come to rest, or in whichever state of a cycle would open it first.
   * @param before states that relays and controllers were in; none where everything was off
   * @see engineering §5
   */
  solve(c: Conditions, before?: States): Solution {
    const powered = before?.powered ?? new Set(this.net.controls.filter((k) => k.supply === null).map((k) => k.id))
    let s: States = {
      pulled: before?.pulled ?? new Set(),
      powered,
      asked: new Set(),
      duty: this.duties(powered, new Set(), c),
      conducting: before?.conducting ?? new Set(),
      blocked: new Set(),
      opened: new Set(),
    }
    const opened: Opened[] = []
    let seen: Visited[] = []
    let chattering: string[] = []
    let linear = this.linear(s, c)
    for (let round = 0; round < MOST_ROUNDS; round++) {
      const step = this.next(s, c, linear)
      seen.push({ key: keyOf(s), states: s, opened: step.opened })
      const key = keyOf(step.states)
      const back = seen.findIndex((x) => x.key === key)
      if (back < 0) s = step.states
      else {
        const cycle = seen.slice(back)
        const quickest = cycle
          .flatMap((x) => x.opened)
          .sort((x, y) => x.longestS - y.longestS || y.ampsBefore - x.ampsBefore)[0]
        if (!quickest) {
          if (cycle.length > 1) chattering = unsettled(cycle.map((x) => x.states))
          break
        }
        opened.push(quickest)
        s = { ...step.states, opened: new Set([...s.opened, quickest.name]) }
        seen = []
      }
      linear = this.linear(s, c)
    }
    chattering = [...chattering, ...linear.hunting]
    return this.solution(s, c, linear, chattering, opened)
  }

  /** A state as it is told; what nobody asks of it is not worked out. */
  private solution(
    s: States,
    c: Conditions,
    linear: Linear,
    chattering: readonly string[],
    opened: readonly Opened[],
  ): Solution {
    const { net, nodes } = this
    const once = <T>(make: () => T): (() => T) => {
      let made: { readonly value: T } | undefined
      return () => (made ??= { value: make() }).value
    }
    const amps = once(() => new Map(net.elements.map((e) => [e.name, this.currentThrough(e, s, c, linear)])))
    const volts = once(() => new Map(nodes.map((n, i) => [n, linear.volts[i]!])))
    const floating = once(() => this.floating(s, c))
    const stands = (e: Motor): boolean => e.jammed || linear.hunting.includes(e.name)
    const speeds = once(
      () =>
        new Map(
          net.elements.flatMap((e) =>
            e.kind === 'motor'
              ? [[e.name, stands(e) ? 0 : motorCurve(e.rating, this.across(e, linear.volts)).speed] as const]
              : [],
          ),
        ),
    )
    return {
      get volts() {
        return volts()
      },
      get amps() {
        return amps()
      },
      get speeds() {
        return speeds()
      },
      states: s,
      get floating() {
        return floating()
      },
      chattering,
      opened,
    }
  }

  /** Nodes that nothing joins to the battery. */
  private floating(s: States, c: Conditions): string[] {
    const joined = new Map<string, string[]>()
    const join = (a: string, b: string): void => {
      joined.set(a, [...(joined.get(a) ?? []), b])
      joined.set(b, [...(joined.get(b) ?? []), a])
    }
    for (const e of this.net.elements) {
      if (!conducts(e, s, c)) continue
      join(e.a, e.b)
      if (e.kind === 'chopper') join(e.a, e.return)
    }
    const reached = new Set([GROUND])
    for (const node of reached) for (const other of joined.get(node) ?? []) reached.add(other)
    return this.nodes.filter((n) => !reached.has(n))
  }
}

/** A state that the fixed point has been through, with the fuses that it would open. */
interface Visited {
  readonly key: string
  readonly states: States
  readonly opened: readonly Opened[]
}

/** What differs between the states of a cycle, by name. */
function unsettled(cycle: readonly States[]): string[] {
  const names = new Set(cycle.flatMap((s) => [...s.pulled, ...s.duty.keys(), ...s.conducting, ...s.blocked]))
  const of = (s: States, name: string): string =>
    `${s.pulled.has(name)} ${s.duty.get(name)} ${s.conducting.has(name)} ${s.blocked.has(name)}`
  return [...names].filter((name) => new Set(cycle.map((s) => of(s, name))).size > 1)
}

const sourceVolts = (e: Extract<Element, { kind: 'source' }>, c: Conditions): number =>
  c.engine ? e.runningV : e.restV

/** what a controller calls for while it has its supply */
const called = (k: Control, c: Conditions): number => (k.stuck === 'on' ? 1 : k.stuck === 'off' ? 0 : k.duty[c.heat])

const keyOf = (s: States): string =>
  [
    [...s.pulled].sort(),
    [...s.powered].sort(),
    [...s.asked].sort(),
    [...s.duty],
    [...s.conducting].sort(),
    [...s.blocked].sort(),
    [...s.opened].sort(),
  ]
    .map((x) => x.join(','))
    .join('|')

/**
 * Conductance that stands for a turning fan while the nodes are solved; what its curve takes besides is found by
 * Newton.
 */
const holding = ({ rating }: Motor): number =>
  rating.motor === 'brushed' ? 1 / motorConstants(rating).r : rating.ratedA / rating.ratedV

/**
 * Currents of fans at the ports of a linear circuit that has their {@link holding} in it: v + Z (i(v) − g v) = U, by
 * damped Newton.
 * @param open voltages at the ports with nothing besides taken, V
 * @param z    ohm, how far current at one port lowers the voltage at each
 * @returns each fan's current, and what of it the circuit's own conductance does not hold yet, A
 */
function portCurrents(
  motors: readonly Motor[],
  open: readonly number[],
  z: readonly (readonly number[])[],
  cutOut = false,
): { readonly currentA: number; readonly besides: number }[] {
  if (motors.length === 0) return []
  const take = (m: Motor, v: number): { currentA: number; slope: number } =>
    cutOut && m.rating.motor === 'brushless'
      ? { currentA: 0, slope: 0 }
      : m.jammed
        ? { currentA: v >= CUT_OUT_SHARE * m.rating.ratedV ? jammedCurrent(m.rating, v) : 0, slope: 0 }
        : motorCurve(m.rating, v)
  const besides = (m: Motor, v: number): number => take(m, v).currentA - holding(m) * v
  const residual = (v: readonly number[]): number[] =>
    v.map((x, i) => x - open[i]! + motors.reduce((sum, m, k) => sum + z[i]![k]! * besides(m, v[k]!), 0))
  const size = (r: readonly number[]): number => Math.max(...r.map(Math.abs))
  let v = [...open]
  let wrong = residual(v)
  for (let n = 0; n < MOST_NEWTON && size(wrong) > 1e-12 * (1 + size(open)); n++) {
    const slopes = motors.map((m, k) => take(m, v[k]!).slope - holding(m))
    const step =
      motors.length === 1
        ? [wrong[0]! / (1 + z[0]![0]! * slopes[0]!)]
        : solveSystem(
            new Matrix(motors.map((_, i) => motors.map((__, k) => (i === k ? 1 : 0) + z[i]![k]! * slopes[k]!))),
            new Matrix(wrong.map((x) => [x])),
          ).to1DArray()
    let share = 1
    let trial = v
    do {
      trial = v.map((x, i) => x - share * step[i]!)
      share /= 2
    } while (share > 1e-4 && size(residual(trial)) > size(wrong))
    v = trial
    wrong = residual(v)
  }
  // a brushless fan that the circuit cannot hold above its cut-out voltage stands
  if (!cutOut && size(wrong) > 1e-9 && motors.some((m) => m.rating.motor === 'brushless'))
    return portCurrents(motors, open, z, true)
  return motors.map((m, k) => ({ currentA: take(m, v[k]!).currentA, besides: besides(m, v[k]!) }))
}
