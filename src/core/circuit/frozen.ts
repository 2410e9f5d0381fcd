import { CholeskyDecomposition, Matrix } from 'ml-matrix'
import { CUT_OUT_SHARE, jammedCurrent, motorConstants } from '../electrical'
import {
  conducts,
  DIODE_OHM,
  DIODE_V,
  GROUND,
  nodesOf,
  type Conditions,
  type Element,
  type Motor,
  type Netlist,
  type States,
} from './netlist'
import { holding, portCurrents } from './ports'

/** from every node to the negative post: settles nodes that hang in the air. @see engineering §5 */
export const LEAK_S = 1e-9
/** a copper joint: nothing is allowed to be less, so that no two nodes fall together */
const LEAST_OHM = 1e-5

export interface Linear {
  readonly volts: Float64Array
  readonly motorAmps: ReadonlyMap<string, number>
  /** brushless fans that have the voltage to start, and lose it as soon as they take their current */
  readonly hunting: readonly string[]
}

const sourceVolts = (e: Extract<Element, { kind: 'source' }>, c: Conditions): number =>
  c.engine ? e.runningV : e.restV

/**
 * A circuit in which relays, controllers, diodes and fuses stand as they are put, only its fans turning. Its nodes are
 * numbered once, so that a table of states is quick.
 */
export class Frozen {
  readonly nodes: readonly string[]
  private readonly index: ReadonlyMap<string, number>
  /** the numbers of each element's nodes: a table of states looks them up very often */
  private readonly ends: ReadonlyMap<Element, readonly [a: number, b: number]>
  private readonly solved = new Map<string, Linear>()
  private readonly shared = new Map<string, ReadonlyMap<string, ReadonlyMap<string, number>>>()

  constructor(private readonly net: Netlist) {
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
    let key = c.engine ? 'E' : 'R'
    for (const e of this.net.elements) {
      if (!conducts(e, s, c)) key += '0'
      else key += e.kind === 'chopper' ? `(${s.duty.get(e.controller)})` : '1'
    }
    return key
  }

  /**
   * Nodes solved with the fans as ports: their static curves against what the rest of the circuit offers, by Newton.
   * @see engineering §1.6, §5
   */
  linear(s: States, c: Conditions): Linear {
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
  reading(at: (i: number) => number): (node: string) => number {
    return (node) => {
      const i = this.at(node)
      return i < 0 ? 0 : at(i)
    }
  }

  /** voltage between an element's ends */
  across(e: Element, volts: Float64Array): number {
    const [a, b] = this.ends.get(e)!
    return (a < 0 ? 0 : volts[a]!) - (b < 0 ? 0 : volts[b]!)
  }

  currentThrough(e: Element, s: States, c: Conditions, { volts, motorAmps }: Linear): number {
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
  shares(states: States, c: Conditions): ReadonlyMap<string, ReadonlyMap<string, number>> {
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

  /** Nodes that nothing joins to the battery. */
  floating(s: States, c: Conditions): string[] {
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
