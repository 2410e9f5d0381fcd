import { GROUND } from '../circuit'
import { controlKindOf } from '../control'
import { COPPER_ALPHA, CRIMP_OHM, RELAY_CONTACT_OHM } from '../electrical'
import { ambientAt, type FanCircuit } from '../fan-circuit'
import type { Job } from '../job'
import type { RelayPart } from '../parts'
import type { Builder } from './builder'
import { type ControlBus, type Decider, inputNode, isCalled } from './control-bus'
import type { Ends } from './fan-run'
import { say } from '../words'

/** Where a contact or its coil is called, for whatever else may call it. */
export interface Trigger {
  readonly controller: string
  /** the terminal that is fed, or pulled to ground, to make the fan run */
  readonly pin: string
  /** where a switch to ground beside the thermostat ends */
  readonly low: string
  /** it carries the fan itself */
  readonly direct: boolean
  /** terminals of the controller's own that take an override or another system's call instead */
  readonly inputs: Readonly<Partial<Record<'override' | 'call', string>>>
  /** the relay's 86, which later ones are linked to; none without a relay */
  readonly pin86: string | null
}

/** One circuit with what it is switched by. */
interface Switching {
  readonly circuit: FanCircuit
  readonly n: number
  readonly controller: Decider
  readonly own: Ends
  readonly bus: ControlBus
  readonly before: readonly Trigger[]
}

/** stands where no controller is chosen yet, so that the rest of the circuit is known */
const undecided: Decider = {
  id: 'none',
  part: {
    name: say`controller, not chosen yet`,
    band: 'fixed',
    contact: null,
    probeOpen: 'fan off',
    probeShorted: 'fan on',
    leastDuty: null,
    inputs: [],
  },
}

/** What decides over one fan's contact. */
export function decider(b: Builder, { controller }: FanCircuit, n: number): Decider {
  if (!controller) b.say(say`No controller chosen: reckoned as a plain thermostat switch.`, `output${n + 1}`)
  return controller ?? undecided
}

/** What closes a path: a hand switch or the controller's own output. */
function output(b: Builder, { part, id }: Decider, run: number, a: string, out: string): void {
  // a plain wire: a joint, with nothing in it that could open
  if (controlKindOf(part).decidedBy === 'nothing') {
    b.wire(`output${run + 1}`, say`joint in the feed`, a, out, 2 * CRIMP_OHM, null, { run, loom: true })
    return
  }
  const byHand = controlKindOf(part).decidedBy === 'hand'
  const common = {
    run,
    name: `output${run + 1}`,
    label: byHand ? say`${part.name}, hand switch` : say`${part.name}, contact`,
    a,
    b: out,
    ohm: RELAY_CONTACT_OHM,
    rating: part.contact,
  }
  if (byHand) b.add({ ...common, kind: 'switch', by: 'hand' })
  else b.add({ ...common, kind: 'output', controller: id })
}

const outputLow = (b: Builder, { id }: Decider, n: number): string =>
  b.node(`output${n + 1}_low`, { is: 'controller, ground', controller: id })

/** Inputs of a controller's own, where it has electronics to read them. */
function inputsOf(b: Builder, { id, part }: Decider): Trigger['inputs'] {
  if (!controlKindOf(part).electronic) return {}
  const n = b.job.controllers.findIndex((c) => c.id === id) + 1
  return Object.fromEntries(part.inputs.filter((of) => isCalled(b.job, of)).map((of) => [of, inputNode(n, of)]))
}

/** The controller carries the fan itself. */
function direct(b: Builder, { circuit, n, controller, own }: Switching): Trigger {
  const tag = `${n + 1}`
  const { part } = controller
  const groundSide = b.job.wiring.side === 'ground'
  if (circuit.controller && !part.contact && controlKindOf(part).decidedBy !== 'nothing')
    b.say(say`${part.name} cannot carry a fan itself: a relay comes between.`, `output${tag}`)
  const common = {
    controller: controller.id,
    low: GROUND,
    direct: true,
    inputs: inputsOf(b, controller),
    pin86: null,
  }
  if (!controlKindOf(part).pulses) {
    const [a, out] = groundSide ? [own.switchIn, outputLow(b, controller, n)] : [own.switchIn, own.switchOut]
    output(b, controller, n, a, out)
    return { ...common, pin: groundSide ? a : out }
  }
  if (groundSide)
    b.say(
      say`A ramp controller is drawn on the positive side here: follow its maker’s drawing.`,
      `output${tag}`,
      'warns',
    )
  if (circuit.run.frame)
    b.say(
      say`A ramp controller’s pulses must not come back through the frame: a way back of its own to the battery.`,
      `output${tag}`,
      'warns',
    )
  const beside = (['override', 'call'] as const).some((of) => isCalled(b.job, of) && !part.inputs.includes(of))
  if (beside)
    b.say(
      say`Beside a ramp controller’s output nothing else may feed the fan: use the controller’s own inputs as its
        maker says.`,
      `output${tag}`,
      'warns',
    )
  b.add({
    kind: 'chopper',
    run: n,
    name: `output${tag}`,
    label: say`${part.name}, output`,
    controller: controller.id,
    a: own.switchIn,
    b: own.switchOut,
    return: GROUND,
    ohm: RELAY_CONTACT_OHM,
    rating: part.contact,
  })
  return { ...common, pin: own.switchOut }
}

const relayOf = (job: Job, relayId: string | null): RelayPart | null =>
  job.relays.find((r) => r.id === relayId)?.part ?? null

/** A relay's contact in the fan's way, and its coil. */
function relayItself(b: Builder, { circuit, n, own }: Switching): { readonly pin86: string; readonly pin85: string } {
  const tag = `${n + 1}`
  const relay = relayOf(b.job, circuit.run.relay)
  if (!relay) b.say(say`No relay chosen: reckoned as a usual one of 90 ohm.`, `contact${tag}`)
  // a relay hangs on the feed and gets what the feed gets
  const feed = circuit.conductors.find((c) => c.role === 'feed')
  const warm = 1 + COPPER_ALPHA * ((feed ? ambientAt(b.bench, feed.at) : b.bench.value('surroundings.hottestC')) - 20)
  const coilV = relay?.coilV ?? b.job.machine.systemV
  const pin86 = b.node(`relay${tag}_86`, { is: 'relay 86', fan: n + 1 })
  const pin85 = b.node(`relay${tag}_85`, { is: 'relay 85', fan: n + 1 })
  b.add({
    kind: 'contact',
    run: n,
    name: `contact${tag}`,
    label: relay ? `${relay.name}, 30–87` : say`relay, 30–87`,
    relay: `relay${tag}`,
    atRest: 'open',
    a: own.switchIn,
    b: own.switchOut,
    ohm: RELAY_CONTACT_OHM,
    rating: relay?.contact ?? null,
  })
  b.add({
    kind: 'coil',
    run: n,
    name: `coil${tag}`,
    label: b.job.runs.length > 1 ? say`coil of relay ${tag}` : say`relay coil, 86–85`,
    relay: `relay${tag}`,
    a: pin86,
    b: pin85,
    ohm: (relay?.coilOhm ?? 90 * (coilV / 12)) * warm,
    pullInV: 7.2 * (coilV / 12) * warm,
    letGoV: 2.4 * (coilV / 12) * warm,
  })
  if (relay?.suppressed)
    b.add({ kind: 'diode', name: `coil${tag}_diode`, label: say`diode across the coil`, a: pin85, b: pin86 })
  return { pin86, pin85 }
}

/** A relay carries the fan; the controller only its coil. */
function byRelay(b: Builder, s: Switching): Trigger {
  const { n, controller, bus, before } = s
  const tag = `${n + 1}`
  const groundSide = b.job.wiring.side === 'ground'
  const { pin86, pin85 } = relayItself(b, s)
  if (controlKindOf(controller.part).pulses)
    b.say(say`A pulse-width controller must never feed a relay.`, `contact${tag}`, 'warns')
  const firstRelay = before.find((t) => t.pin86 !== null)
  const called = before.find((t) => t.pin86 !== null && t.controller === controller.id)
  const sends = b.node(`trigger${tag}_in`, { is: 'controller, output', controller: controller.id })
  if (groundSide) {
    if (firstRelay) b.signal('link', `coil${tag}_link`, firstRelay.pin86!, pin86)
    else bus.coilFeed(pin86)
    if (called) b.signal('link', `trigger${tag}_link`, pin85, called.pin)
    else {
      const low = outputLow(b, controller, n)
      b.signal('trigger', `trigger${tag}`, pin85, sends)
      output(b, controller, n, sends, low)
      b.signal('coil-return', `coil${tag}_return`, low, GROUND)
    }
    return { controller: controller.id, pin: pin85, low: GROUND, direct: false, inputs: inputsOf(b, controller), pin86 }
  }
  b.signal('coil-return', `coil${tag}_return`, pin85, GROUND)
  if (called) b.signal('link', `trigger${tag}_link`, called.pin, pin86)
  else {
    output(b, controller, n, bus.supply(controller), sends)
    b.signal('trigger', `trigger${tag}`, sends, pin86)
  }
  return { controller: controller.id, pin: pin86, low: GROUND, direct: false, inputs: inputsOf(b, controller), pin86 }
}

/** What stands between a fan's feed and the fan, and where it is called. */
export const switched = (b: Builder, s: Switching): Trigger =>
  s.circuit.run.switchedBy === 'controller' ? direct(b, s) : byRelay(b, s)
