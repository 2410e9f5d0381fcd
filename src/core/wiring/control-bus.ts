import { SWITCH_OHM } from '../electrical'
import { GROUND } from '../circuit'
import { controlKindOf, RAMP_LEAST_DUTY } from '../control'
import type { FanCircuit } from '../fan-circuit'
import type { Job } from '../job'
import type { ControllerPart } from '../parts'
import type { Builder } from './builder'
import { tapped } from './feeds'
import { say, spokenWord } from '../words'

/** a controller's electronics need so much of the system's voltage (estimate) */
const ALIVE_SHARE = 0.55

/** an input of a controller's own, ohm (estimate) */
const INPUT_OHM = 10_000

/** The terminal of a controller's own input; `n` counts the job's controllers from 1. */
export const inputNode = (n: number, of: ControllerPart['inputs'][number]): string => `controller${n}_${of}_in`

/** Whether the job has something that a controller's own input is there for. */
export const isCalled = (job: Job, of: ControllerPart['inputs'][number]): boolean =>
  of === 'call' ? job.wiring.call : job.wiring.override !== 'none'

/** What decides over a contact, or what stands for it where nothing is chosen yet. */
export interface Decider {
  readonly id: string
  readonly part: Pick<
    ControllerPart,
    'name' | 'band' | 'contact' | 'probeOpen' | 'probeShorted' | 'leastDuty' | 'inputs'
  >
}

/**
 * Where coil and controllers draw: behind the key, with the after-run timer beside it, or behind the fan's own fuse. It
 * is a terminal: the first controller's supply, or the relay's 86 where a plain switch to ground needs none.
 */
export class ControlBus {
  private readonly at: string
  private readonly supplies = new Map<string, string>()
  private readonly decided = new Set<string>()

  constructor(
    private readonly b: Builder,
    /** the fan's own feed, behind its fuse */
    private readonly fanFeed: string,
    circuits: readonly FanCircuit[],
  ) {
    const electronic = (c: FanCircuit): boolean => c.controller !== null && controlKindOf(c.controller.part).electronic
    const first = circuits[0]!
    const atCoil = b.job.wiring.side === 'ground' && first.run.switchedBy === 'relay' && !electronic(first)
    this.at = atCoil
      ? b.node('relay1_86', { is: 'relay 86', fan: 1 })
      : b.node('control', { is: 'controller, supply', controller: first.controller?.id ?? null })
    if (!atCoil) this.supplies.set(first.controller?.id ?? 'none', this.at)
  }

  /** Lays what feeds it. */
  feed(): void {
    const { b } = this
    const { wiring, engine } = b.job
    if (wiring.controlFrom === 'feed' || engine === null) {
      b.signal('control', 'control_feed', this.fanFeed, this.joined())
      return
    }
    b.signal('control', 'control_feed', tapped(b), this.joined())
    if (wiring.timer) this.timer()
  }

  /** Where the control's wire ends: at a diode, so that what joins behind it does not feed the ignition, or here. */
  private joined(): string {
    const { b } = this
    if (!b.job.wiring.diodes.includes('control')) return this.at
    b.add({
      kind: 'diode',
      name: 'control_diode',
      label: say`diode, control’s feed`,
      joins: 'control',
      a: b.node('control_fed', { is: 'diode', of: 'control' }),
      b: this.at,
    })
    return 'control_fed'
  }

  private timer(): void {
    const { b } = this
    const from = b.job.wiring.timerFrom === 'battery' ? 'bat_plus' : this.fanFeed
    b.signal('timer', 'timer_feed', from, b.node('timer_in', { is: 'switch, in', of: 'timer' }))
    b.add({
      kind: 'switch',
      name: 'timer',
      label: say`after-run timer`,
      by: 'timer',
      a: 'timer_in',
      b: b.node('timer_out', { is: 'switch, out', of: 'timer' }),
      ohm: SWITCH_OHM,
      rating: null,
    })
    b.signal('timer-out', 'timer_wire', 'timer_out', this.at)
  }

  /** The terminal at which a coil on the ground side is fed. */
  coilFeed(pin86: string): void {
    if (pin86 !== this.at) this.b.signal('coil-feed', 'coil_feed', this.at, pin86)
  }

  /** Where one controller takes its supply, linked to the first. */
  supply({ id }: Decider): string {
    const before = this.supplies.get(id)
    if (before) return before
    const node = this.b.node(`control_${this.supplies.size + 1}`, { is: 'controller, supply', controller: id })
    this.supplies.set(id, node)
    this.b.signal('link', `${node}_link`, this.at, node)
    return node
  }

  /** A controller with what it draws for itself and what it decides. */
  controller(controller: Decider): void {
    const { b } = this
    const { part, id } = controller
    if (this.decided.has(id)) return
    this.decided.add(id)
    const n = b.job.controllers.findIndex((c) => c.id === id) + 1
    const name = `controller${n}`
    const ground = b.node(`${name}_gnd`, { is: 'controller, ground', controller: id })
    const kind = controlKindOf(part)
    const { systemV } = b.job.machine
    const supply = kind.electronic ? this.supply(controller) : null
    const inputs = supply === null ? [] : part.inputs.filter((of) => isCalled(b.job, of))
    b.controls.push({
      id,
      ...(inputs.length ? { inputs: inputs.map((of) => inputNode(n, of)) } : {}),
      label: part.name,
      supply: supply === null ? null : [supply, ground],
      leastV: ALIVE_SHARE * systemV,
      stuck: null,
      duty: kind.duty(part.leastDuty ?? RAMP_LEAST_DUTY),
      whenOpen: part.probeOpen === 'fan on' ? 'on' : 'off',
      whenShorted: part.probeShorted === 'fan on' ? 'on' : 'off',
    })
    if (supply === null) return
    const standbyA = Math.max(b.bench.value(`controllers.${id}.part.standbyA`), 1e-6)
    b.add({
      kind: 'load',
      name: `${name}_draw`,
      label: say`${part.name}, its own draw`,
      what: 'standby',
      controller: id,
      a: supply,
      b: ground,
      ohm: systemV / standbyA,
    })
    for (const of of inputs)
      b.add({
        kind: 'load',
        name: `${name}_${of}`,
        label: say`${part.name}, input for the ${spokenWord(of)}`,
        what: 'standby',
        controller: id,
        a: b.node(inputNode(n, of), { is: 'controller, input', controller: id, of }),
        b: ground,
        ohm: INPUT_OHM,
      })
    b.signal('supply-return', `${name}_return`, ground, GROUND)
  }
}
