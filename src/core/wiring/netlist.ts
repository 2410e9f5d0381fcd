import { controlKindOf, RAMP_LEAST_DUTY } from '../control'
import { GROUND } from '../circuit'
import { COPPER_ALPHA, CRIMP_OHM, RELAY_CONTACT_OHM } from '../electrical'
import { circuitsOf } from '../fan-circuit'
import { hasWire, type Job, lookupOf, sharesContact } from '../job'
import type { ControllerPart, RelayPart } from '../parts'
import { Bench } from '../reading'
import { Builder, type JobNetlist, SWITCH_OHM, unique } from './builder'
import { type Ends, fanRun } from './fan-run'
import { battery, key, switchRating } from './feeds'

/** a controller's electronics need so much of the system's voltage (estimate) */
const ALIVE_SHARE = 0.55
/** an indicator lamp at 12 V, ohm (estimate) */
const LAMP_OHM = 150

const relayOf = (job: Job, relayId: string | null): RelayPart | null =>
  job.relays.find((r) => r.id === relayId)?.part ?? null

/** Where coil and controller draw: behind the key, with the after-run timer beside it, or behind the fan's own fuse. */
function controlBus(b: Builder, first: Ends, controller: string | null): string {
  const { wiring } = b.job
  b.node('control', { is: 'controller, supply', controller })
  // plain switches that carry the fan themselves need nothing of it
  if (!hasWire(b.job, 'control')) return 'control'
  if (wiring.controlFrom === 'feed' || b.job.engine === null) {
    b.signal('control', 'control_feed', first.feed, 'control')
    return 'control'
  }
  const ign = key(b)
  if (wiring.timer) {
    // without the diode the timer would keep the whole ignition alive
    b.add({
      kind: 'diode',
      name: 'timer_diode',
      label: 'diode, keeps the timer out of the ignition',
      a: ign,
      b: b.node('control_fed', { is: 'diode of the timer', controller }),
    })
    b.signal('control', 'control_feed', 'control_fed', 'control')
    b.signal('timer', 'timer_feed', 'bat_plus', b.node('timer_in', { is: 'switch', of: 'timer' }))
    b.add({
      kind: 'switch',
      name: 'timer',
      label: 'after-run timer',
      by: 'timer',
      a: 'timer_in',
      b: 'control',
      ohm: SWITCH_OHM,
      rating: null,
    })
  } else b.signal('control', 'control_feed', ign, 'control')
  return 'control'
}

/** Where an override takes its own current. */
const overrideFeed = (b: Builder, first: Ends): string => (b.job.wiring.override === 'key' ? key(b) : first.feed)
type Deciding = Pick<ControllerPart, 'name' | 'band' | 'contact' | 'probeOpen' | 'probeShorted' | 'leastDuty'>

interface Decider {
  readonly id: string
  readonly part: Deciding
}

/** stands where no controller is chosen yet, so that the rest of the circuit is known */
const undecided: Decider = {
  id: 'none',
  part: {
    name: 'controller, not chosen yet',
    band: 'fixed',
    contact: null,
    probeOpen: 'fan off',
    probeShorted: 'fan on',
    leastDuty: null,
  },
}

function decision(b: Builder, controller: Decider, bus: string): void {
  const { part } = controller
  if (b.controls.some((c) => c.id === controller.id)) return
  const name = `controller${b.job.controllers.findIndex((c) => c.id === controller.id) + 1}`
  const ground = b.node(`${name}_gnd`, { is: 'controller, ground', controller: controller.id })
  const systemV = b.job.machine.systemV
  const kind = controlKindOf(part)
  const plain = !kind.electronic
  b.controls.push({
    id: controller.id,
    label: part.name,
    supply: plain ? null : [bus, ground],
    leastV: ALIVE_SHARE * systemV,
    stuck: null,
    duty: kind.duty(part.leastDuty ?? RAMP_LEAST_DUTY),
    whenOpen: part.probeOpen === 'fan on' ? 'on' : 'off',
    whenShorted: part.probeShorted === 'fan on' ? 'on' : 'off',
  })
  if (!plain) {
    const standbyA = Math.max(b.bench.value(`controllers.${controller.id}.part.standbyA`), 1e-6)
    b.add({
      kind: 'load',
      name: `${name}_draw`,
      label: `${part.name}, its own draw`,
      what: 'standby',
      controller: controller.id,
      a: bus,
      b: ground,
      ohm: systemV / standbyA,
    })
    b.signal('supply-return', `${name}_return`, ground, GROUND)
  }
}

/** What closes a path: a hand switch or the controller's own output. */
function output(b: Builder, controller: Decider, run: number, a: string, out: string): void {
  const { part } = controller
  const byHand = controlKindOf(part).decidedBy === 'hand'
  const common = {
    run,
    name: `output${run + 1}`,
    label: byHand ? `${part.name}, hand switch` : `${part.name}, contact`,
    a,
    b: out,
    ohm: RELAY_CONTACT_OHM,
    rating: part.contact,
  }
  if (byHand) b.add({ ...common, kind: 'switch', by: 'override' })
  else b.add({ ...common, kind: 'output', controller: controller.id })
}

/** Override and another system's call, beside what the thermostat closes. */
function besides(b: Builder, first: Ends, from: string, to: string, groundSide: boolean): void {
  const { wiring } = b.job
  if (wiring.override !== 'none') {
    const high = groundSide ? from : overrideFeed(b, first)
    b.signal('override', 'override_wire', high, b.node('override_in', { is: 'switch', of: 'override' }))
    b.add({
      kind: 'switch',
      name: 'override',
      label: 'override switch',
      by: 'override',
      a: 'override_in',
      b: to,
      ohm: SWITCH_OHM,
      rating: switchRating(b.job, wiring.overrideSwitch),
    })
  }
  if (wiring.call) {
    b.signal('call', 'call_wire', groundSide ? from : key(b), b.node('call_in', { is: 'switch', of: 'call' }))
    b.add({
      kind: 'switch',
      name: 'call',
      label: "other system's call",
      by: 'call',
      a: 'call_in',
      b: b.node('call_out', { is: 'switch', of: 'call' }),
      ohm: SWITCH_OHM,
      rating: null,
    })
    b.add({
      kind: 'diode',
      name: 'call_diode',
      label: 'diode, keeps the call out of the other system',
      a: 'call_out',
      b: to,
    })
  }
}

function build(job: Job, bench: Bench): JobNetlist {
  const b = new Builder(job, bench)
  const {
    wiring,
    machine: { systemV },
  } = job
  const groundSide = wiring.side === 'ground'
  battery(b)
  // states are told by the key also where nothing of the fan hangs on it
  key(b)
  const circuits = circuitsOf(job)
  const ends = circuits.map((c, n) => fanRun(b, c, n, circuits.slice(0, n)))
  const first = ends[0]!
  const bus = controlBus(b, first, circuits[0]!.controller?.id ?? null)
  const byController = new Map<string, string>()
  circuits.forEach(({ run, controller: chosen }, n) => {
    const own = ends[n]!
    const tag = `${n + 1}`
    const controller: Decider = chosen ?? undecided
    const low = b.node(`output${tag}_low`, { is: 'controller, ground', controller: controller.id })
    const sends = b.node(`trigger${tag}_in`, { is: 'controller, output', controller: controller.id })
    if (!chosen) b.say('No controller chosen: reckoned as a plain thermostat switch.', `output${tag}`)
    decision(b, controller, bus)
    if (circuits.slice(0, n).some((o) => sharesContact(o.run, run))) return
    const { part } = controller
    if (run.switchedBy === 'controller') {
      const [a, out] = groundSide ? [own.fanMinus, low] : [own.switchIn, own.switchOut]
      if (controlKindOf(part).pulses) {
        if (groundSide)
          b.say(
            'A ramp controller is drawn on the positive side here: follow its maker’s drawing.',
            `output${tag}`,
            'warns',
          )
        b.add({
          kind: 'chopper',
          run: n,
          name: `output${tag}`,
          label: `${part.name}, output`,
          controller: controller.id,
          a: own.switchIn,
          b: own.switchOut,
          return: GROUND,
          ohm: RELAY_CONTACT_OHM,
          rating: part.contact,
        })
      } else output(b, controller, n, a, out)
      if (chosen && !part.contact)
        b.say(`${part.name} cannot carry a fan itself: a relay comes between.`, `output${tag}`)
      if (n === 0) besides(b, first, groundSide ? own.fanMinus : own.switchIn, out, groundSide)
      return
    }
    const relayName = `relay${tag}`
    const relay = relayOf(job, run.relay)
    if (!relay) b.say('No relay chosen: reckoned as a usual one of 90 ohm.', `contact${tag}`)
    const warm = 1 + COPPER_ALPHA * (bench.value('surroundings.hottestC') - 20)
    const coilV = relay?.coilV ?? systemV
    const pin86 = b.node(`relay${tag}_86`, { is: 'relay 86', fan: n + 1 })
    const pin85 = b.node(`relay${tag}_85`, { is: 'relay 85', fan: n + 1 })
    b.add({
      kind: 'contact',
      run: n,
      name: `contact${tag}`,
      label: relay ? `${relay.name}, 30–87` : 'relay, 30–87',
      relay: relayName,
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
      label: job.runs.length > 1 ? `coil of relay ${tag}` : 'relay coil, 86–85',
      relay: relayName,
      a: pin86,
      b: pin85,
      ohm: (relay?.coilOhm ?? 90 * (coilV / 12)) * warm,
      pullInV: 7.2 * (coilV / 12) * warm,
      letGoV: 2.4 * (coilV / 12) * warm,
    })
    if (relay?.suppressed)
      b.add({ kind: 'diode', name: `coil${tag}_diode`, label: 'diode across the coil', a: pin85, b: pin86 })
    if (controlKindOf(part).pulses) b.say('A pulse-width controller must never feed a relay.', `contact${tag}`, 'warns')
    const joined = byController.get(controller.id)
    if (groundSide) {
      b.signal('trigger', `trigger${tag}`, bus, pin86)
      if (joined) {
        b.wire(`joined${tag}`, 'triggers joined', pin85, joined, 2 * CRIMP_OHM)
        return
      }
      output(b, controller, n, pin85, low)
      b.signal('coil-return', `coil${tag}_return`, low, GROUND)
      byController.set(controller.id, pin85)
      if (n === 0) besides(b, first, pin85, GROUND, true)
    } else {
      b.signal('coil-return', `coil${tag}_return`, pin85, GROUND)
      if (joined) {
        b.wire(`trigger${tag}`, 'triggers joined', joined, pin86, 2 * CRIMP_OHM)
        return
      }
      output(b, controller, n, bus, sends)
      b.signal('trigger', `trigger${tag}`, sends, pin86)
      byController.set(controller.id, sends)
      if (n === 0) besides(b, first, bus, sends, false)
    }
  })
  if (wiring.lamp) {
    b.signal(
      'lamp',
      'lamp_wire',
      groundSide && circuits[0]!.run.switchedBy === 'controller' ? first.fanPlus : first.switchOut,
      b.node('lamp_in', { is: 'lamp' }),
    )
    b.add({
      kind: 'load',
      name: 'lamp',
      label: 'lamp: fan is live',
      what: 'lamp',
      a: 'lamp_in',
      b: groundSide && circuits[0]!.run.switchedBy === 'controller' ? first.fanMinus : GROUND,
      ohm: LAMP_OHM * (systemV / 12) ** 2,
    })
  }
  return { elements: b.elements, controls: b.controls, nodes: b.nodes, problems: unique(b.problems) }
}

const known = new WeakMap<Job, JobNetlist>()

/**
 * The circuit that a job's choices make, at the nominal readings: resistances at running temperature, joints in the
 * wires beside them.
 * @see engineering §5, §1.1, §1.2, §1.5
 */
export function netlistOf(job: Job): JobNetlist {
  const before = known.get(job)
  if (before) return before
  const net = build(job, new Bench(lookupOf(job)))
  known.set(job, net)
  return net
}
