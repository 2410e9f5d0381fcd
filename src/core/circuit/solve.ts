import { fuseGate, motorCurve } from '../electrical'
import { Frozen, type Linear } from './frozen'
import { DIODE_V, type Conditions, type Control, type Motor, type Netlist, type States } from './netlist'

/** a fuse that carries this much of its rating opens sooner or later. @see engineering §1.4 */
const OPENS_RATIO = 1.35
/** an input of a controller's own is live from this share of the voltage that its electronics need (estimate) */
const ASKED_SHARE = 0.8
const MOST_ROUNDS = 40

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

/** A circuit that is put into one state after another and comes to rest in each. */
export class Circuit {
  private readonly frozen: Frozen

  constructor(readonly net: Netlist) {
    this.frozen = new Frozen(net)
  }

  get nodes(): readonly string[] {
    return this.frozen.nodes
  }

  /** {@link Frozen.shares} of a solved state. */
  shares(c: Conditions, { states }: Pick<Solution, 'states'>): ReadonlyMap<string, ReadonlyMap<string, number>> {
    return this.frozen.shares(states, c)
  }

  /** what relays, controllers, diodes and fuses do about the voltages that a state leads to */
  private next(s: States, c: Conditions, linear: Linear): { readonly states: States; readonly opened: Opened[] } {
    const v = this.frozen.reading((i) => linear.volts[i]!)
    const pulled = new Set(s.pulled)
    const conducting = new Set<string>()
    const blocked = new Set<string>()
    const newly: Opened[] = []
    for (const e of this.net.elements) {
      if (e.kind !== 'coil' && e.kind !== 'diode' && e.kind !== 'chopper' && e.kind !== 'fuse') continue
      const across = this.frozen.across(e, linear.volts)
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
        const ampsBefore = Math.abs(this.frozen.currentThrough(e, s, c, linear))
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

  private duties(powered: ReadonlySet<string>, asked: ReadonlySet<string>, c: Conditions): States['duty'] {
    const duty = (k: Control): number => {
      if (!powered.has(k.id)) return 0
      return asked.has(k.id) ? 1 : called(k, c)
    }
    return new Map(this.net.controls.map((k) => [k.id, duty(k)]))
  }

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
    let linear = this.frozen.linear(s, c)
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
      linear = this.frozen.linear(s, c)
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
    const { net, frozen } = this
    const once = <T>(make: () => T): (() => T) => {
      let made: { readonly value: T } | undefined
      return () => (made ??= { value: make() }).value
    }
    const amps = once(() => new Map(net.elements.map((e) => [e.name, this.frozen.currentThrough(e, s, c, linear)])))
    const volts = once(() => new Map(frozen.nodes.map((n, i) => [n, linear.volts[i]!])))
    const floating = once(() => this.frozen.floating(s, c))
    const stands = (e: Motor): boolean => e.jammed || linear.hunting.includes(e.name)
    const speeds = once(
      () =>
        new Map(
          net.elements.flatMap((e) =>
            e.kind === 'motor'
              ? [[e.name, stands(e) ? 0 : motorCurve(e.rating, this.frozen.across(e, linear.volts)).speed] as const]
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

/** what a controller calls for while it has its supply */
const called = ({ stuck, duty }: Control, c: Conditions): number => {
  if (stuck) return stuck === 'on' ? 1 : 0
  return duty[c.heat]
}

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
