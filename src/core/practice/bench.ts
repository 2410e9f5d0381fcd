import {
  Circuit,
  type Conditions,
  type Element,
  GROUND,
  motorsOf,
  type Netlist,
  type Solution,
  solveState,
  type Switching,
} from '../circuit'
import { type FanWord, fanWord, withCause } from '../diagnose'
import { isThere, rolledIn, type Round } from './round'
import { say } from '../words'

/** Something that is done at the bench. */
export type Act =
  | { readonly do: 'switch'; readonly by: Switching; readonly on: boolean }
  | { readonly do: 'warm'; readonly hot: boolean }
  | { readonly do: 'watch'; readonly fan: string }
  | { readonly do: 'listen'; readonly relay: string }
  | { readonly do: 'display' | 'setting' | 'shown'; readonly controller: string }
  | { readonly do: 'fuse'; readonly name: string; readonly how: 'pull' | 'put back' | 'new' | 'bigger' }
  | { readonly do: 'meter'; readonly red: string; readonly black: string }
  | { readonly do: 'feel'; readonly name: string }
  | { readonly do: 'turn by hand'; readonly fan: string }
  | { readonly do: 'jumper'; readonly to: string }
  | { readonly do: 'open the cap' }
  | { readonly do: 'name'; readonly cause: string }

/** What can be seen, heard or felt at the bench. */
export type ShownWord =
  | FanWord
  | 'chatters'
  | 'holds in'
  | 'silent'
  | 'lit'
  | 'dark'
  | 'nonsense'
  | 'likely'
  | 'too high'
  | 'too low'
  | 'as planned'
  | 'cold'
  | 'warm'
  | 'hot: a joint that loses its volts here'
  | 'held fast'
  | 'turns freely'
  | 'bridged'
  | 'blown'
  | 'whole'
  | 'it holds'
  | 'it is not'
  | 'that is it'
  | 'one of two: there is another'

/** What came of it. */
export interface Came {
  readonly act: Act
  readonly minutes: number
  /** a word, volts, or null where there is nothing to see */
  readonly shown: ShownWord | number | null
  /** it hurts somebody or burns something, and why: the round is over */
  readonly harm: string | null
  /** named rightly: the round is over */
  readonly solved: boolean
}

/** minutes that each costs (estimates) */
const costs: Readonly<Record<Act['do'], number>> = {
  switch: 0.1,
  warm: 3,
  watch: 0.2,
  listen: 0.3,
  display: 0.2,
  setting: 0.5,
  shown: 0.5,
  fuse: 0.7,
  meter: 1.2,
  feel: 0.5,
  'turn by hand': 0.7,
  jumper: 1,
  'open the cap': 1,
  name: 0.5,
}
/** a part that was changed for nothing, minutes */
export const WRONG_MINUTES = 10
/** W in one place that a finger calls warm, and hot */
const WARM_W = 0.4
const HOT_W = 3
const READS = 100

/** A machine with something hidden in it, on a bench: what was switched, pulled and blown stays so. */
export class PracticeBench {
  conditions: Conditions = rolledIn
  readonly out = new Set<string>()
  readonly blown = new Set<string>()
  /** which of the things that are hidden were named */
  private readonly named = new Set<number>()
  private readonly circuits = new Map<string, Circuit>()

  constructor(
    readonly sound: Netlist,
    readonly round: Pick<Round, 'cause' | 'there' | 'names'>,
  ) {
    const gone = this.hidden.filter(([kind]) => kind === 'blown').map(([, name]) => name)
    for (const name of gone) this.blown.add(name)
    // the way it came in: what it blew on the way is blown
    for (const c of [
      rolledIn,
      { ...rolledIn, key: true },
      { ...rolledIn, key: true, engine: true, heat: 'hot' as const },
    ])
      this.settle(c)
  }

  private get hidden(): (readonly [kind: string, name: string])[] {
    return this.round.cause.faults.map((f) => f.split(':') as [string, string])
  }

  private get keyed(): boolean {
    return this.sound.elements.some((e) => e.kind === 'switch' && e.by === 'key')
  }

  private netIn(c: Conditions): Netlist {
    const there = this.hidden.filter(([kind]) => kind !== 'blown').map((f) => f.join(':'))
    const net = isThere(this.round, c) ? withCause(this.sound, { faults: there }) : this.sound
    return { ...net, elements: net.elements.filter((e) => !this.out.has(e.name) && !this.blown.has(e.name)) }
  }

  private solved(c: Conditions): Solution {
    const key = `${isThere(this.round, c)} ${[...this.out, '|', ...this.blown].join(' ')}`
    const circuit = this.circuits.get(key) ?? new Circuit(this.netIn(c))
    this.circuits.set(key, circuit)
    return solveState(circuit, c)
  }

  /** the state as it comes to rest, with what blows in it blown for good */
  private settle(c: Conditions = this.conditions): Solution {
    const s = this.solved(c)
    if (!s.opened.length) return s
    for (const o of s.opened) this.blown.add(o.name)
    return this.settle(c)
  }

  private element(name: string): Element | undefined {
    return this.sound.elements.find((e) => e.name === name)
  }

  private shown(act: Act): ShownWord | number | null {
    const s = this.settle()
    switch (act.do) {
      case 'watch': {
        const motor = motorsOf(this.sound).find((m) => m.name === act.fan)
        return motor ? fanWord(s, motor) : null
      }
      case 'listen':
        if (s.chattering.includes(act.relay)) return 'chatters'
        return s.states.pulled.has(act.relay) ? 'holds in' : 'silent'
      case 'display':
        return s.states.powered.has(act.controller) ? 'lit' : 'dark'
      case 'setting':
      case 'shown':
        return this.controller(act, s)
      case 'meter':
        return Math.round(((s.volts.get(act.red) ?? 0) - (s.volts.get(act.black) ?? 0)) * READS) / READS
      case 'feel':
        return this.felt(act.name, s)
      case 'turn by hand':
        return this.hidden.some(([kind, name]) => kind === 'jammed' && name === act.fan) ? 'held fast' : 'turns freely'
      default:
        return null
    }
  }

  private controller(act: Extract<Act, { controller: string }>, s: Solution): ShownWord | null {
    if (!s.states.powered.has(act.controller)) return 'dark'
    const own = this.hidden.filter(([, name]) => {
      const e = this.element(name)
      return e !== undefined && 'controller' in e && e.controller === act.controller
    })
    const has = (...kinds: string[]): boolean => own.some(([kind]) => kinds.includes(kind))
    if (act.do === 'shown')
      return has('probe_open', 'probe_shorted') && isThere(this.round, this.conditions) ? 'nonsense' : 'likely'
    if (has('set_high')) return 'too high'
    return has('set_low') ? 'too low' : 'as planned'
  }

  /** what a hand makes of the heat in one place */
  private felt(name: string, s: Solution): ShownWord {
    const e = this.netIn(this.conditions).elements.find((x) => x.name === name)
    if (!e) return 'cold'
    const watts = Math.abs((s.amps.get(name) ?? 0) * ((s.volts.get(e.a) ?? 0) - (s.volts.get(e.b) ?? 0)))
    if (watts < WARM_W) return 'cold'
    return watts < HOT_W ? 'warm' : 'hot: a joint that loses its volts here'
  }

  private fuse({ name, how }: Extract<Act, { do: 'fuse' }>): ShownWord {
    const bridged = this.hidden.some(([kind, at]) => kind === 'bridged' && at === name)
    if (how === 'pull') {
      this.out.add(name)
      if (bridged) return 'bridged'
      return this.blown.has(name) ? 'blown' : 'whole'
    }
    this.out.delete(name)
    if (how === 'new') this.blown.delete(name)
    this.settle()
    return this.blown.has(name) ? 'blown' : 'it holds'
  }

  /** what hurts somebody or burns something, and why */
  private harm(act: Act): string | null {
    if (act.do === 'fuse' && act.how === 'bigger')
      return say`A bigger fuse guards nothing: the wire becomes the fuse, and burns under the tank.`
    if (act.do === 'jumper' && act.to === GROUND)
      return say`A lead from positive to ground is a short with nothing in it: it glows in your hand, and the battery
        may burst.`
    if (act.do === 'open the cap' && this.conditions.heat === 'hot')
      return say`Hot coolant under pressure comes out as steam: open nothing above 50 °C.`
    if (act.do !== 'turn by hand') return null
    const motor = motorsOf(this.sound).find((m) => m.name === act.fan)
    const fused = this.sound.elements.filter((e) => e.kind === 'fuse' && e.run === motor?.run)
    return fused.some((e) => this.out.has(e.name))
      ? null
      : say`Fingers in a fan on a thermostat, its fuse in: it starts without a word. Its fuse out first.`
  }

  private name(cause: string): Pick<Came, 'minutes' | 'shown' | 'solved'> {
    const hit = this.round.names.findIndex((n, i) => n.includes(cause) && !this.named.has(i))
    if (hit < 0) return { minutes: WRONG_MINUTES, shown: 'it is not', solved: false }
    this.named.add(hit)
    const solved = this.named.size === this.round.names.length
    return { minutes: costs.name, shown: solved ? 'that is it' : 'one of two: there is another', solved }
  }

  /** Does something, and says what came of it. @see engineering §5, §6 */
  act(act: Act): Came {
    const harm = this.harm(act)
    const came = { act, minutes: costs[act.do], harm, solved: false }
    if (harm !== null) return { ...came, shown: null }
    switch (act.do) {
      case 'switch':
        this.conditions = { ...this.conditions, [act.by]: act.on }
        // an engine runs only with its key
        if (this.keyed && !this.conditions.key) this.conditions = { ...this.conditions, engine: false }
        this.settle()
        return { ...came, shown: null }
      case 'warm':
        this.conditions = { ...this.conditions, heat: act.hot ? 'hot' : 'cold' }
        this.settle()
        return { ...came, shown: null }
      case 'fuse':
        return { ...came, shown: this.fuse(act) }
      case 'name':
        return { ...came, ...this.name(act.cause) }
      default:
        return { ...came, shown: this.shown(act) }
    }
  }
}

/** A round played so far, from its acts: replayed, so that they alone need be kept. */
export function played(
  sound: Netlist,
  round: Round,
  acts: readonly Act[],
): { readonly came: Came[]; readonly bench: PracticeBench } {
  const bench = new PracticeBench(sound, round)
  const came: Came[] = []
  for (const act of acts) {
    came.push(bench.act(act))
    if (isOver(came)) break
  }
  return { came, bench }
}

export const isOver = (came: readonly Came[]): boolean => came.some((c) => c.harm !== null || c.solved)

export const minutesOf = (came: readonly Came[]): number => came.reduce((m, c) => m + c.minutes, 0)

/** Whether something that was kept is an act: its kind is known, and whatever it names is named by words. */
export const isAct = (kept: unknown): kept is Act =>
  typeof kept === 'object' &&
  kept !== null &&
  Object.hasOwn(costs, String((kept as { do?: unknown }).do)) &&
  Object.values(kept).every((v) => typeof v === 'string' || typeof v === 'boolean')
