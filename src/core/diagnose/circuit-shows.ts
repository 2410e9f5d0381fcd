import {
  allOff,
  Circuit,
  type Conditions,
  type Element,
  GROUND,
  type Motor,
  motorsOf,
  type Netlist,
  SLOW,
  solveState,
  type Solution,
  turns,
} from '../circuit'
import { withCause } from './circuit-causes'
import { type Act, calledState } from './act'
import { SET_HIGH, SET_LOW } from './set-wrong'
import type { Cause, Cell } from './table'
import { say } from '../words'

/** What each element would be if somebody replaced or bridged it. */
type Edit = (net: Netlist) => Netlist

const LEAD_OHM = 0.02
/** a start blows its fuse within so long, s */
const AT_ONCE_S = 2

const lead = (name: string, a: string, b: string): Element => ({
  kind: 'wire',
  name,
  label: say`test lead`,
  a,
  b,
  ohm: LEAD_OHM,
  conductor: null,
})

export type FanWord = 'on and off' | 'stands' | 'backwards' | 'slow' | 'runs'

/** What a fan does in a solved state, as one of the answers of {@link fanAnswers}. */
export function fanWord(s: Solution, motor: Motor): FanWord {
  if (s.chattering.length) return 'on and off'
  const speed = s.speeds.get(motor.name) ?? 0
  if (!turns({ speed })) return 'stands'
  if (speed < 0 !== (motor.reversed ?? false)) return 'backwards'
  return Math.abs(speed) < SLOW ? 'slow' : 'runs'
}

/** One cause's circuit, solved in each state that is asked for, once. */
export class Faulted {
  private readonly solved = new Map<string, Solution>()
  private readonly circuits = new Map<string, Circuit>()
  readonly net: Netlist

  constructor(
    readonly sound: Netlist,
    readonly cause: Pick<Cause, 'faults'>,
  ) {
    this.net = withCause(sound, cause)
  }

  private circuit(edit: string, how: Edit): Circuit {
    const made = this.circuits.get(edit) ?? new Circuit(how(this.net))
    this.circuits.set(edit, made)
    return made
  }

  private at(state: Conditions, edit = '', how: Edit = (n) => n): Solution {
    const key = `${edit} ${JSON.stringify(state)}`
    const made = this.solved.get(key) ?? solveState(this.circuit(edit, how), state)
    this.solved.set(key, made)
    return made
  }

  private fan(s: Solution, name: string): Cell {
    return fanWord(
      s,
      motorsOf(this.sound).find((m) => m.name === name)!,
    )
  }

  private kinds(): string[] {
    return this.cause.faults.map((f) => f.split(':')[0]!)
  }

  /** whether one of the cause's faults is of a thing that a relay, a controller or a fan is */
  private isAt(of: (e: Element) => boolean, ...kinds: string[]): boolean {
    return this.cause.faults.some((f) => {
      const [kind = '', name] = f.split(':')
      const e = this.sound.elements.find((x) => x.name === name)
      return e !== undefined && of(e) && (!kinds.length || kinds.includes(kind))
    })
  }

  private fuse(name: string): Cell {
    const faults = this.cause.faults.filter((f) => f.split(':')[1] === name).map((f) => f.split(':')[0])
    if (faults.includes('blown')) return 'blown'
    if (faults.includes('bridged')) return 'bridged'
    return this.blows(name) === 'holds' ? 'whole' : 'blown'
  }

  private blows(name: string): Cell {
    const opens = (c: Conditions) => this.at(c).opened.find((o) => o.name === name)
    if (opens({ ...allOff, isolator: true })) return 'at once'
    if (opens({ ...allOff, isolator: true, key: true })) return 'with the key'
    const running = opens(calledState(this.sound, true))
    if (!running) return 'holds'
    return running.longestS <= AT_ONCE_S ? 'at the start' : 'later'
  }

  /** the fan with what a relay is replaced by a sound one */
  private otherRelay(relay: string, state: Conditions, motor: string): Cell {
    const ofRelay = (e: Element): boolean => (e.kind === 'coil' || e.kind === 'contact') && e.relay === relay
    // a wire on the wrong pin stays there
    const mended = this.cause.faults.filter((f) => {
      const [kind, name] = f.split(':')
      const e = this.sound.elements.find((x) => x.name === name)
      return !(e && ofRelay(e)) || kind === 'wrong_pin'
    })
    return mended.length === this.cause.faults.length
      ? this.fan(this.at(state), motor)
      : new Faulted(this.sound, { faults: mended }).shows({ see: 'fan', state, motor })
  }

  private bridged({ name, state, motor }: Extract<Act, { see: 'bridged' }>): Cell {
    const e = this.sound.elements.find((x) => x.name === name)!
    const how: Edit = (n) => ({
      ...n,
      elements: [...n.elements.filter((x) => x.name !== name), lead('test_lead', e.a, e.b)],
    })
    return this.fan(this.at(state, say`bridged ${name}`, how), motor)
  }

  /** whether any fuse goes with a wire taken off where it begins */
  private apart(name: string): Cell {
    // what blows nothing whole blows nothing with a wire less
    if (!this.at(calledState(this.sound, false)).opened.length) return 'all fuses hold'
    const how: Edit = (n) => ({ ...n, elements: n.elements.filter((e) => e.name !== name) })
    return this.at(calledState(this.sound, false), say`without ${name}`, how).opened.length
      ? 'one blows'
      : 'all fuses hold'
  }

  private straight(name: string): Cell {
    const m = this.net.elements.find((x): x is Motor => x.kind === 'motor' && x.name === name)
    const source = this.net.elements.find((e) => e.kind === 'source')
    if (!m || !source) return null
    // wires changed over in the loom are found right at the fan's own plug; those inside it are not
    const how: Edit = () => ({
      elements: [
        source,
        { ...m, a: 'test_plus', b: m.b.endsWith('_broken') ? m.b : 'test_minus' },
        lead('test_lead_1', source.a, 'test_plus'),
        lead('test_lead_2', 'test_minus', GROUND),
      ],
      controls: [],
    })
    return this.fan(this.at(allOff, say`straight ${name}`, how), name)
  }

  private control(act: Extract<Act, { see: 'display' | 'setting' | 'probe' }>): Cell {
    const of = (e: Element): boolean => (e.kind === 'output' || e.kind === 'chopper') && e.controller === act.control
    if (act.see === 'display') return this.at(act.state).states.powered.has(act.control) ? 'lit' : 'dark'
    if (!this.at(calledState(this.sound, false)).states.powered.has(act.control)) return null
    if (act.see === 'probe') return this.isAt(of, 'probe_open', 'probe_shorted') ? 'none, or nonsense' : 'likely'
    if (this.isAt(of, SET_HIGH)) return 'too high'
    return this.isAt(of, SET_LOW) ? 'too low' : 'as planned'
  }

  private coil({ state, relay }: Extract<Act, { see: 'coil' }>): Cell {
    const s = this.at(state)
    if (s.chattering.includes(relay)) return 'chatters'
    return s.states.pulled.has(relay) ? 'clicks' : 'silent'
  }

  /** What a move would show with this cause. @see engineering §5, §6 */
  shows(act: Act): Cell {
    switch (act.see) {
      case 'fan':
        return this.fan(this.at(act.state), act.motor)
      case 'coil':
        return this.coil(act)
      case 'display':
      case 'setting':
      case 'probe':
        return this.control(act)
      case 'fuse':
        return this.fuse(act.name)
      case 'blows':
        return this.kinds().includes('blown') ? 'holds' : this.blows(act.name)
      case 'by hand':
        return this.isAt((e) => e.name === act.motor, 'jammed') ? 'held fast' : 'turns freely'
      case 'volts':
        return this.at(act.state).volts.get(act.node) ?? 0
      case 'across': {
        const e = this.sound.elements.find((x) => x.name === act.name)!
        const { volts } = this.at(act.state)
        const between = (volts.get(e.a) ?? 0) - (volts.get(e.b) ?? 0)
        return e.kind === 'motor' ? Math.abs(between) : between
      }
      case 'amps':
        return Math.abs(this.at(act.state).amps.get(act.motor) ?? 0)
      case 'apart':
        return this.apart(act.name)
      case 'bridged':
        return this.bridged(act)
      case 'fed straight':
        return this.straight(act.motor)
      case 'other relay':
        return this.otherRelay(act.relay, act.state, act.motor)
    }
  }
}
