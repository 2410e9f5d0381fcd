import { contactCarries, contactMakes, jammedCurrent, type ContactRating } from '../electrical'
import { type Conditions, type Element, type Heat, type Motor, type Netlist } from './netlist'
import { Circuit, type Opened, type Solution } from './solve'
import { heatsOf, switchStates, throughHeats, type SolvedState, type SwitchState } from './states'

/** What is wanted of a circuit, as data. */
export interface CircuitIntent {
  readonly live: 'key only' | 'after-run' | 'isolator'
  readonly control: 'thermostat' | 'thermostat and override' | 'hand switch' | 'always on'
  readonly ifControllerDies: 'nothing' | 'the override'
  readonly deadWhenParked: 'the fan' | 'fan and controller' | 'everything behind the fuse'
  readonly alsoFor: 'nothing' | 'air conditioning' | 'hydraulic oil'
}

/** What one fan does in one state. */
export interface FanState {
  readonly name: string
  readonly label: string
  readonly speed: number
  readonly amps: number
  readonly volts: number
}
export interface ProvedState extends SolvedState {
  readonly fans: readonly FanState[]
  /** whether the intent wants the fans to run; null where either will do */
  readonly wanted: boolean | null
  readonly mismatch: string | null
}

/** A mismatch once, with every state that has it. */
export interface Mismatch {
  readonly text: string
  readonly states: readonly Conditions[]
}
export interface SwitchLoad {
  readonly name: string
  readonly label: string
  readonly amps: number
  readonly startA: number
  readonly mayCarryA: number | null
  readonly mayMakeA: number | null
  readonly verdict: 'holds' | 'short' | 'rating unknown'
}
export interface LiveNode {
  readonly name: string
  readonly label: string
  readonly volts: number
}

export interface Proof {
  /** one row a combination of switches, with a state for each heat */
  readonly rows: readonly { readonly switches: SwitchState; readonly states: readonly ProvedState[] }[]
  readonly mismatches: readonly Mismatch[]
  /** terminals that stay live with everything off, the battery's own left out */
  readonly liveWhenParked: readonly LiveNode[]
  /** taken from the battery with everything off and cold, A */
  readonly parkedDrawA: number
  readonly switches: readonly SwitchLoad[]
  readonly opened: readonly (Opened & { readonly conditions: Conditions })[]
}

/** below this share of its rated speed a fan is slow. @see engineering §6 */
export const SLOW = 0.7
const TURNS = 0.03
const LIVE_V = 1
/** Whether a fan turns at all. */
export const turns = ({ speed }: Pick<FanState, 'speed'>): boolean => Math.abs(speed) > TURNS
/** more than this share of what a battery can give at all is a short across it */
const SHORT_SHARE = 0.15

const isMotor = (e: Element): e is Motor => e.kind === 'motor'
const motorsOf = (net: Netlist): Motor[] => net.elements.filter(isMotor)
const across = (s: Solution, e: Element): number => (s.volts.get(e.a) ?? 0) - (s.volts.get(e.b) ?? 0)

const fanStates = (net: Netlist, s: Solution): FanState[] =>
  motorsOf(net).map((m) => ({
    name: m.name,
    label: m.label,
    speed: s.speeds.get(m.name) ?? 0,
    amps: s.amps.get(m.name) ?? 0,
    volts: across(s, m),
  }))

const allows = (intent: CircuitIntent, net: Netlist, c: Conditions): boolean => {
  const isolated = net.elements.some((e) => e.kind === 'switch' && e.by === 'isolator') && !c.isolator
  if (isolated) return false
  const keyed = net.elements.some((e) => e.kind === 'switch' && e.by === 'key')
  // a machine without a key has only its isolator, if that
  return intent.live === 'isolator' || !keyed || c.key || (intent.live === 'after-run' && c.timer)
}

/** What calls the fans besides the thermostat. */
const calledByHand = (intent: CircuitIntent, c: Conditions): boolean =>
  (c.call && intent.alsoFor !== 'nothing') ||
  (c.override && (intent.control === 'hand switch' || intent.control === 'thermostat and override'))

const inAfterRun = (c: Pick<Conditions, 'timer' | 'key'>): boolean => c.timer && !c.key

/**
 * Whether the intent wants the fans on; null where either will do: an after-run is there for the heat, nobody calls in
 * it by hand.
 */
function wants(intent: CircuitIntent, net: Netlist, c: Conditions): boolean | null {
  if (!allows(intent, net, c)) return false
  if (intent.control === 'always on') return true
  const hot = (c.heat === 'hot' || c.heat === 'falling') && intent.control !== 'hand switch'
  if (hot) return true
  return calledByHand(intent, c) ? (inAfterRun(c) ? null : true) : false
}

/** A heat in a word or two. */
export const heatWords: Readonly<Record<Heat, string>> = {
  cold: 'cold',
  rising: 'warming up',
  falling: 'cooling down',
  hot: 'hot',
}

/** A state in a few words: "parked and hot". */
export function stateInWords(c: Conditions, net: Netlist): string {
  const has = (by: string): boolean => net.elements.some((e) => e.kind === 'switch' && e.by === by)
  const base = has('key')
    ? c.engine
      ? 'engine running'
      : c.key
        ? 'key on'
        : c.timer
          ? 'key off, timer running'
          : 'parked'
    : c.engine
      ? 'being charged'
      : 'standing'
  const more = [
    ...(has('isolator') ? [c.isolator ? 'isolator on' : 'isolator off'] : []),
    ...(c.override ? ['override on'] : []),
    ...(c.call ? ["other system's call"] : []),
    ...(heatsOf(net).length > 1 ? [heatWords[c.heat]] : []),
  ]
  const last = more.pop()
  return [base, ...more].join(', ') + (last ? ` and ${last}` : '')
}

const liveWords: Readonly<Record<CircuitIntent['live'], string>> = {
  'key only': 'you asked for key only',
  'after-run': 'you asked for the key and the after-run only',
  isolator: 'you asked for its isolator',
}

/** Amps of a source that nothing but its own resistance limits any more; null where it is no short. */
function shortedAt(net: Netlist, s: Solution): number | null {
  const worst = net.elements
    .flatMap((e) =>
      e.kind === 'source' ? [{ amps: Math.abs(s.amps.get(e.name) ?? 0), limit: SHORT_SHARE * (e.restV / e.ohm) }] : [],
    )
    .find((x) => x.amps > x.limit)
  return worst?.amps ?? null
}

/** What is wrong in one state, without the state itself. */
function wrongIn(
  intent: CircuitIntent,
  net: Netlist,
  { conditions: c, solution: s }: SolvedState,
  wanted: boolean | null,
  empties: (amps: number) => string,
): string | null {
  const fans = fanStates(net, s)
  if (s.chattering.length)
    return net.elements.some((e) => e.kind === 'coil' && s.chattering.includes(e.relay))
      ? 'a relay chatters: coil and load fight over the same ground or feed'
      : 'it never comes to rest: controller and load fight over the same ground or feed'
  const short = shortedAt(net, s)
  if (short !== null) return `a short across the battery: ${short.toFixed(0)} A flow and no fuse opens`
  const turning = fans.filter(turns)
  if (s.opened.length) return `${s.opened[0]!.label} opens at ${s.opened[0]!.ampsBefore.toPrecision(2)} A`
  if (wanted === false && turning.length) {
    const drain = c.engine ? 0 : (s.amps.get('battery') ?? 0)
    const why = allows(intent, net, c) ? 'nothing calls it' : liveWords[intent.live]
    const emptying = !c.engine && !c.key && drain > 0
    return `the fan runs, ${why}${emptying ? `; it empties the battery in ${empties(drain)}` : ''}`
  }
  if (wanted) {
    if (turning.length === 0) return 'the fan stands, it should run'
    if (turning.length < fans.length && net.controls.length < 2) return 'only one fan runs'
    const wrongWay = motorsOf(net).find((m) => {
      const speed = s.speeds.get(m.name) ?? 0
      return Math.abs(speed) > TURNS && speed < 0 !== (m.reversed ?? false)
    })
    if (wrongWay) return `${wrongWay.label} runs the wrong way round: its two wires are swapped`
    const partly = net.elements.some((e) => e.kind === 'chopper')
    const slow = turning.find((f) => Math.abs(f.speed) < SLOW)
    if (slow && !partly) return `the fan runs slow, ${Math.round(Math.abs(slow.speed) * 100)} % of its rated speed`
  }
  return null
}

/** In parked states: what is live, and whether the wish is met. */
function parkedWrong(
  intent: CircuitIntent,
  net: Netlist,
  s: Solution,
  nameOf: (node: string) => string,
): string | null {
  const live = liveNodes(s, nameOf)
  if (intent.deadWhenParked === 'the fan') return null
  const drawing = net.elements.filter(
    (e) => e.kind === 'load' && e.what === 'standby' && Math.abs(s.amps.get(e.name) ?? 0) > 1e-5,
  )
  if (drawing.length) return 'the controller stays live, you asked for it dead when parked'
  if (intent.deadWhenParked === 'fan and controller') return null
  const behind = live.filter((n) => !/^(fuse\d+_(in|out)|key_in|timer_in|(block|plug)_in|lights)$/.test(n.name))
  return behind.length
    ? `${behind
        .map((n) => n.label)
        .slice(0, 3)
        .join(', ')} ${behind.length > 1 ? 'stay' : 'stays'} live, you asked for everything dead behind the fuse`
    : null
}

const liveNodes = (s: Solution, nameOf: (node: string) => string): LiveNode[] =>
  [...s.volts]
    .filter(([name, v]) => v > LIVE_V && name !== 'bat_plus' && !s.floating.includes(name))
    .map(([name, volts]) => ({ name, label: nameOf(name), volts }))

const contactOf = (e: Element): { rating: ContactRating | null } | null =>
  e.kind === 'switch' || e.kind === 'contact' || e.kind === 'output' || e.kind === 'chopper' ? e : null

/** What every switch and contact carries at most, over all states, against its rating. @see engineering §1.5 */
function switchLoads(circuit: Circuit, states: readonly SolvedState[]): SwitchLoad[] {
  const { net } = circuit
  const most = new Map<string, { amps: number; at: SolvedState }>()
  for (const at of states) {
    for (const e of net.elements) {
      const amps = Math.abs(at.solution.amps.get(e.name) ?? 0)
      if (contactOf(e) && amps > (most.get(e.name)?.amps ?? -1)) most.set(e.name, { amps, at })
    }
  }
  return net.elements.flatMap((e): SwitchLoad[] => {
    const contact = contactOf(e)
    const found = most.get(e.name)
    if (!contact || !found) return []
    const shares = circuit.shares(found.at.conditions, found.at.solution)
    const startA = motorsOf(net).reduce((sum, m) => {
      const share = shares.get(m.name)?.get(e.name) ?? 0
      return (
        sum +
        share *
          (jammedCurrent(m.rating, Math.max(0, across(found.at.solution, m))) -
            Math.abs(found.at.solution.amps.get(m.name) ?? 0))
      )
    }, found.amps)
    const mayCarryA = contact.rating ? contactCarries(contact.rating).value : null
    const mayMakeA = contact.rating ? contactMakes(contact.rating).value : null
    const verdict =
      mayCarryA === null ? 'rating unknown' : found.amps > mayCarryA || startA > mayMakeA! ? 'short' : 'holds'
    return [{ name: e.name, label: e.label, amps: found.amps, startA, mayCarryA, mayMakeA, verdict }]
  })
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

/**
 * A circuit held against what is wanted of it: every state solved, what differs in words, what stays live when parked,
 * and what every switch carries.
 * @param empties how long a current takes to empty the battery, in words
 * @param nameOf  what a node is at the bench
 * @see engineering §5
 */
export function prove(
  net: Netlist,
  intent: CircuitIntent,
  empties: (amps: number) => string,
  nameOf: (node: string) => string,
): Proof {
  const circuit = new Circuit(net)
  const texts = new Map<string, Conditions[]>()
  const note = (text: string, c: Conditions): void => {
    texts.set(text, [...(texts.get(text) ?? []), c])
  }
  const rows = switchStates(net).map((switches) => ({
    switches,
    states: throughHeats(circuit, switches).map((state): ProvedState => {
      const wanted = wants(intent, net, state.conditions)
      const mismatch = wrongIn(intent, net, state, wanted, empties)
      if (mismatch) note(mismatch, state.conditions)
      return { ...state, fans: fanStates(net, state.solution), wanted, mismatch }
    }),
  }))
  const states = rows.flatMap((r) => r.states)
  const parked = states[0]!
  const parkedText = parkedWrong(intent, net, parked.solution, nameOf)
  if (parkedText) note(parkedText, parked.conditions)
  if (intent.ifControllerDies === 'the override') {
    const dead = withDeadControllers(net)
    const ready = switchStates(net).find(
      (s) => s.override && !inAfterRun(s) && allows(intent, net, { ...s, heat: 'hot' }),
    )
    const runs = ready && fanStates(dead, throughHeats(new Circuit(dead), ready).at(-1)!.solution).some(turns)
    if (!runs)
      note(
        ready
          ? 'with a dead controller the override does not run the fan'
          : 'there is no override to run the fan with a dead controller',
        ready ? { ...ready, heat: 'hot' } : parked.conditions,
      )
  }
  if (intent.alsoFor !== 'nothing' && !net.elements.some((e) => e.name === 'call'))
    note(
      `the ${intent.alsoFor === 'hydraulic oil' ? 'hydraulics' : 'air conditioning'} cannot call the fan`,
      parked.conditions,
    )
  if (intent.live === 'isolator' && !net.elements.some((e) => e.kind === 'switch' && e.by === 'isolator'))
    note('there is no isolator', parked.conditions)
  if (intent.live === 'after-run' && !net.elements.some((e) => e.name === 'timer'))
    note('there is no after-run timer: nothing runs the fan once the key is off, or nothing ends it', parked.conditions)
  if (intent.control === 'thermostat and override' && !net.elements.some((e) => e.name === 'override'))
    note('there is no override', parked.conditions)
  const leak = states.find((s) => s.wanted === false && !s.conditions.key && s.solution.amps.get('override')! > 1e-3)
  if (leak) note('the override is live with the key off: left on, nothing reminds anybody', leak.conditions)
  return {
    rows,
    mismatches: [...texts].map(([text, at]) => ({ text, states: at })),
    liveWhenParked: liveNodes(parked.solution, nameOf),
    parkedDrawA: Math.max(0, parked.solution.amps.get('battery') ?? 0),
    switches: switchLoads(circuit, states),
    opened: states.flatMap((s) => s.solution.opened.map((o) => ({ ...o, conditions: s.conditions }))),
  }
}

/** Mismatches as sentences: "parked and hot: the fan runs, …". */
export function mismatchInWords(net: Netlist, { text, states }: Mismatch): string {
  const first = states.find((s) => s.heat === 'hot') ?? states[0]!
  return (
    `${stateInWords(first, net)}: ` +
    `${text}${states.length > 1 ? ` (and in ${states.length - 1} more ${states.length > 2 ? 'states' : 'state'})` : ''}`
  )
}

/** Most of its battery's voltage at a terminal that should be at ground tells a bad ground. */
const LIFTED_V = 1.5

/**
 * What a mechanic would hear, see and measure in one state.
 * @param way which way a fan blows once it turns forwards (1) or backwards (−1), in words; null where that is not known
 *   yet
 */
export function symptoms(net: Netlist, s: Solution, way: (motor: Motor, direction: 1 | -1) => string | null): string[] {
  const words: string[] = []
  const coils = net.elements.filter((e) => e.kind === 'coil')
  for (const c of coils)
    words.push(
      s.chattering.includes(c.relay)
        ? `${c.label}: it chatters`
        : s.states.pulled.has(c.relay)
          ? `${c.label}: clicks and stays in`
          : `${c.label}: silent`,
    )
  for (const k of net.controls)
    if (s.chattering.includes(k.id)) words.push(`${k.label}: goes on and off again and again`)
  for (const m of motorsOf(net)) {
    const speed = s.speeds.get(m.name) ?? 0
    const amps = Math.abs(s.amps.get(m.name) ?? 0)
    if (m.jammed && amps > 0.1) words.push(`${m.label} is held fast and takes ${amps.toFixed(1)} A`)
    else if (Math.abs(speed) < TURNS)
      words.push(`${m.label} stands${amps > 0.05 ? `, though ${amps.toFixed(2)} A go through it` : ''}`)
    else {
      const air = way(m, speed < 0 ? -1 : 1)
      words.push(
        `${m.label} runs ${speed < 0 ? 'backwards ' : ''}at ${Math.round(100 * Math.abs(speed))} % of its rated ` +
          `speed${Math.abs(speed) < SLOW ? ', slow' : ''}${air ? `: ${air}` : ''}`,
      )
    }
    const low = Math.min(s.volts.get(m.a) ?? 0, s.volts.get(m.b) ?? 0)
    if (low > LIFTED_V && amps > 0.05)
      words.push(`its ground terminal is at ${low.toFixed(1)} V instead of nearly nothing: the ground is bad`)
  }
  const short = shortedAt(net, s)
  if (short !== null) words.push(`a short across the battery, ${short.toFixed(0)} A: no fuse stands before it`)
  for (const o of s.opened) {
    const again = net.elements.some((e) => e.kind === 'fuse' && e.name === o.name && e.form === 'breaker')
      ? '; one that resets itself closes into it again, for ever'
      : ''
    const when = Number.isFinite(o.longestS)
      ? `within ${o.longestS.toFixed(o.longestS < 1 ? 2 : 1)} s`
      : 'sooner or later'
    words.push(`${o.label} opens: ${o.ampsBefore.toFixed(0)} A, ${when}${again}`)
  }
  return words
}
