import { fixed, percent } from '../units'
import { fanStates, motorsOf, SLOW, turns, type FanState } from './fans'
import { allows, type CircuitIntent, inAfterRun, liveWords, wants } from './intent'
import { latchedStates } from './memory'
import { type Conditions, type Netlist, switchings } from './netlist'
import { overloads } from './overloads'
import { type LiveNode, liveNodes, roadInWords } from './reach'
import { Circuit, type Opened, type Solution } from './solve'
import { switchStates, throughHeats, type SolvedState, type SwitchState } from './states'
import { type SwitchLoad, switchLoads } from './switch-loads'
import { type Mismatch, stateInWords } from './words'
import { say } from '../words'

export interface ProvedState extends SolvedState {
  readonly fans: readonly FanState[]
  /** whether the intent wants the fans to run; null where either will do */
  readonly wanted: boolean | null
  /** of the machine's own loom, live with the key off: fed back */
  readonly fedBack: readonly LiveNode[]
  readonly mismatch: string | null
}

/** A state that holds itself: reached by switching one thing, it does not end where the table says. */
export interface Latch extends ProvedState {
  readonly from: Conditions
}

export interface Proof {
  /** one row a combination of switches, with a state for each heat, each from everything off */
  readonly rows: readonly { readonly switches: SwitchState; readonly states: readonly ProvedState[] }[]
  /** states that end elsewhere than the rows say, by what came before */
  readonly latches: readonly Latch[]
  readonly mismatches: readonly Mismatch[]
  /** terminals that stay live with everything off, the battery's own left out */
  readonly liveWhenParked: readonly LiveNode[]
  /** taken from the battery with everything off and cold, A */
  readonly parkedDrawA: number
  readonly switches: readonly SwitchLoad[]
  readonly opened: readonly (Opened & { readonly conditions: Conditions })[]
}

/** What a proof has to know of the circuit's surroundings. */
export interface ProofNeeds {
  /** how long a current takes to empty the battery, in words */
  readonly empties: (amps: number) => string
  /** what a node is at the bench */
  readonly nameOf: (node: string) => string
  /** whether a node belongs to the machine's own loom behind its key: live with the key off it is fed back */
  readonly loom: (node: string) => boolean
  /** whether a node lies before the fan's fuse, so that it is live whatever is built */
  readonly beforeFuse: (node: string) => boolean
}

/** One circuit with what is wanted of it. */
interface Asked extends ProofNeeds {
  readonly net: Netlist
  readonly intent: CircuitIntent
}

/** What never comes to rest, in words; null where everything does. */
function unrest(net: Netlist, { chattering }: Solution): string | null {
  if (!chattering.length) return null
  if (net.elements.some((e) => e.kind === 'coil' && chattering.includes(e.relay)))
    return say`a relay chatters: coil and load fight over the same ground or feed`
  return motorsOf(net).some((m) => chattering.includes(m.name))
    ? say`the fan starts and drops out again and again: its feed sinks as soon as it takes its current`
    : say`it never comes to rest: controller and load fight over the same ground or feed`
}

/** A fan that runs, with what that does to the battery where nothing charges it. */
function runsUnwanted({ net, intent, empties }: Asked, { conditions: c, solution: s }: SolvedState): string {
  const drain = c.engine ? 0 : (s.amps.get('battery') ?? 0)
  const why = allows(intent, net, c) ? say`nothing calls it` : liveWords[intent.live]
  const emptying = !c.engine && !c.key && drain > 0
  return say`the fan runs, ${why}${emptying ? say`; it empties the battery in ${empties(drain)}` : ''}`
}

/** How the fans that should run do so: all of them, the right way round, at speed. */
function runsBadly(net: Netlist, fans: readonly FanState[]): string | null {
  const turning = fans.filter(turns)
  if (turning.length === 0) return say`the fan stands, it should run`
  const stands = fans.findIndex((f) => !turns(f))
  if (stands >= 0)
    return turning.length === 1 ? say`only one fan runs, fan ${stands + 1} stands` : say`fan ${stands + 1} stands`
  const wrongWay = motorsOf(net).find((m, i) => fans[i]!.speed < 0 !== (m.reversed ?? false))
  if (wrongWay) return say`${wrongWay.label} runs the wrong way round: its two wires are swapped`
  const partly = net.elements.some((e) => e.kind === 'chopper')
  const slow = turning.find((f) => Math.abs(f.speed) < SLOW)
  return slow && !partly ? say`the fan runs slow, ${percent(Math.abs(slow.speed))} of its rated speed` : null
}

/** "the switched wire stays live with the key off, fed through …". */
const fedBackInWords = (live: readonly LiveNode[]): string | null =>
  live.length
    ? say`${live.map((n) => n.label).join(say` and `)} ${live.length > 1 ? say`are` : say`is`} live with the key off,
      fed back ${roadInWords(live[0]!.road)}`
    : null

/** What is wrong in one state, without the state itself. */
function wrongIn(
  asked: Asked,
  state: SolvedState,
  wanted: boolean | null,
  fans: readonly FanState[],
  fedBack: readonly LiveNode[],
): string | null {
  const { solution: s } = state
  const opens = s.opened[0]
  return (
    unrest(asked.net, s) ??
    overloads(asked.net, s)[0] ??
    (opens ? say`${opens.label} opens at ${amps2(opens.ampsBefore)} A` : null) ??
    (wanted === false && fans.some(turns) ? runsUnwanted(asked, state) : null) ??
    fedBackInWords(fedBack) ??
    (wanted ? runsBadly(asked.net, fans) : null)
  )
}

const amps2 = (amps: number): string => (amps >= 9.95 ? fixed(amps, 0) : amps.toPrecision(2))

function proved(asked: Asked, state: SolvedState): ProvedState {
  const { conditions: c, solution: s } = state
  const fans = fanStates(asked.net, s)
  const wanted = wants(asked.intent, asked.net, c)
  const keyed = asked.net.elements.some((e) => e.kind === 'switch' && e.by === 'key')
  const fedBack = !keyed || c.key ? [] : liveNodes(asked.net, c, s, asked.nameOf).filter((n) => asked.loom(n.name))
  return { ...state, fans, wanted, fedBack, mismatch: wrongIn(asked, state, wanted, fans, fedBack) }
}

/** In parked states: what is live, and whether the wish is met. */
function parkedWrong({ intent, net, beforeFuse }: Asked, s: Solution, live: readonly LiveNode[]): string | null {
  if (intent.deadWhenParked === 'the fan') return null
  const drawing = net.elements.filter(
    (e) => e.kind === 'load' && e.what === 'standby' && Math.abs(s.amps.get(e.name) ?? 0) > 1e-5,
  )
  if (drawing.length) return say`the controller stays live, you asked for it dead when parked`
  if (intent.deadWhenParked === 'fan and controller') return null
  const behind = live.filter((n) => !beforeFuse(n.name))
  return behind.length
    ? say`${behind
        .map((n) => n.label)
        .slice(0, 3)
        .join(', ')} ${behind.length > 1 ? say`stay` : say`stays`} live, you asked for everything dead behind the fuse`
    : null
}

/** The netlist with every electronic controller dead: its output never closes, its supply takes nothing. */
export const withDeadControllers = (net: Netlist): Netlist => ({
  ...net,
  controls: net.controls.map((c) => ({
    ...c,
    duty: { cold: 0, rising: 0, falling: 0, hot: 0 },
    stuck: 'off' as const,
  })),
})

type Noted = readonly [text: string, at: Conditions]

/** Whether the override runs the fans with a dead controller, where that is wanted. */
function deadController({ net, intent }: Asked, parked: Conditions): Noted[] {
  if (intent.ifControllerDies !== 'the override') return []
  const dead = withDeadControllers(net)
  const ready = net.elements.some((e) => e.name === 'override')
    ? switchStates(net).find((s) => s.override && !inAfterRun(s) && allows(intent, net, { ...s, heat: 'hot' }))
    : undefined
  if (!ready) return [[say`there is no override to run the fan with a dead controller`, parked]]
  const fans = fanStates(dead, throughHeats(new Circuit(dead), ready).at(-1)!.solution)
  const hot = { ...ready, heat: 'hot' as const }
  if (!fans.some(turns)) return [[say`with a dead controller the override does not run the fan`, hot]]
  return fans.every(turns) ? [] : [[say`with a dead controller the override runs only one fan`, hot]]
}

/** What was asked for and is not in the circuit at all. */
function lacks({ net, intent }: Asked, parked: Conditions): Noted[] {
  const there = (name: string): boolean => net.elements.some((e) => e.name === name)
  const missing = (when: boolean, text: string): Noted[] => (when ? [[text, parked]] : [])
  const system = intent.alsoFor === 'hydraulic oil' ? say`hydraulics` : say`air conditioning`
  return [
    ...missing(intent.alsoFor !== 'nothing' && !there('call'), say`the ${system} cannot call the fan`),
    ...missing(
      intent.live === 'isolator' && !net.elements.some((e) => e.kind === 'switch' && e.by === 'isolator'),
      say`there is no isolator`,
    ),
    ...missing(
      intent.live === 'after-run' && !there('timer'),
      say`there is no after-run timer: nothing runs the fan once the key is off, or nothing ends it`,
    ),
    ...missing(intent.control === 'thermostat and override' && !there('override'), say`there is no override`),
  ]
}

/** An override that can be left on with the key off, where no lamp tells of it. */
function leftOn(states: readonly ProvedState[]): Noted[] {
  const carries = (s: ProvedState, name: string): boolean => Math.abs(s.solution.amps.get(name) ?? 0) > 1e-3
  const leak = states.find(
    (s) => s.wanted === false && !s.conditions.key && carries(s, 'override') && !carries(s, 'lamp'),
  )
  return leak ? [[say`the override is live with the key off: left on, nothing reminds anybody`, leak.conditions]] : []
}

/**
 * A circuit held against what is wanted of it: every state solved, from everything off and from every state that one
 * switch brings it from; what differs in words, what is fed back into the loom, what stays live when parked, and what
 * every switch carries.
 * @see engineering §5
 */
export function prove(net: Netlist, intent: CircuitIntent, needs: ProofNeeds): Proof {
  const asked: Asked = { net, intent, ...needs }
  const circuit = new Circuit(net)
  const rows = switchStates(net).map((switches) => ({
    switches,
    states: throughHeats(circuit, switches).map((state) => proved(asked, state)),
  }))
  const states = rows.flatMap((r) => r.states)
  const latches = latchedStates(circuit, states)
    .map((l): Latch => ({ ...l, ...proved(asked, l) }))
    .filter((l) => endsElsewhere(l, states))
  const parked = states[0]!
  const live = liveNodes(net, parked.conditions, parked.solution, needs.nameOf)
  const parkedText = parkedWrong(asked, parked.solution, live)
  const texts = new Map<string, Conditions[]>()
  const note = ([text, c]: Noted): void => {
    texts.set(text, [...(texts.get(text) ?? []), c])
  }
  for (const s of states) if (s.mismatch) note([s.mismatch, s.conditions])
  if (parkedText) note([parkedText, parked.conditions])
  deadController(asked, parked.conditions).forEach(note)
  lacks(asked, parked.conditions).forEach(note)
  leftOn(states).forEach(note)
  for (const l of latches)
    if (l.mismatch) note([say`after “${stateInWords(l.from, net)}” it holds itself: ${l.mismatch}`, l.conditions])
  return {
    rows,
    latches,
    mismatches: [...texts].map(([text, at]) => ({ text, states: at })),
    liveWhenParked: live,
    parkedDrawA: Math.max(0, parked.solution.amps.get('battery') ?? 0),
    switches: switchLoads(circuit, [...states, ...latches]),
    opened: [...states, ...latches].flatMap((s) => s.solution.opened.map((o) => ({ ...o, conditions: s.conditions }))),
  }
}

/** Whether a state that holds itself shows in anything: a fan, the loom, something at rest, the battery's current. */
function endsElsewhere(latch: Latch, states: readonly ProvedState[]): boolean {
  const base = states.find((s) => sameConditions(s.conditions, latch.conditions))!
  return (
    latch.fans.some((f, i) => turns(f) !== turns(base.fans[i]!)) ||
    latch.fedBack.length !== base.fedBack.length ||
    latch.mismatch !== base.mismatch ||
    Math.abs((latch.solution.amps.get('battery') ?? 0) - (base.solution.amps.get('battery') ?? 0)) > 1e-2
  )
}

const sameConditions = (a: Conditions, b: Conditions): boolean =>
  a.heat === b.heat && switchings.every((s) => a[s] === b[s])
