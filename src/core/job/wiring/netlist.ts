import { GROUND, type Control, type Element, type Heat, type Netlist } from '../../circuit'
import { bladeFuseOhm, COPPER_ALPHA, CRIMP_OHM, FRAME_OHM, internalResistance, RELAY_CONTACT_OHM, resistancePerMetre, restVoltage, RING_OHM, conductorResistance, type ContactRating } from '../../electrical'
import { Bench } from '../../reading'
import { lookupOf } from '../address'
import type { ConductorRole, Job } from '../document'
import type { ControllerPart, RelayPart } from '../../parts'
import { circuitsOf, conductorAt, ratingOf, runCurrent, type FanCircuit, type RunConductor } from '../margins/circuit'
import { roleNames } from './role-names'

/** ohm (estimates): closed switches, and the machine's own wires that nobody measures */
const SWITCH_OHM = 0.005
const LOOM_OHM = 0.015
const STRAY_M = 0.01
/** a battery whose cold-cranking current nobody knows gives about so many times its amp-hours (estimate) */
const CRANKING_PER_AH = 6
/** a controller's electronics need so much of the system's voltage (estimate) */
const ALIVE_SHARE = 0.55
const RAMP_LEAST = 0.15
/** an indicator lamp, and the coil of a solenoid or of a relay of the loom, at 12 V (estimates) */
const LAMP_OHM = 150
const SOLENOID_OHM = 40
const MISSING_SIZE = '1 mm²' as const

/** Something about a circuit that must be said before any figure of it is believed. */
export interface Problem {
  /** the element it concerns */
  readonly at: string | null
  readonly text: string
  /** refused: no figure of it counts; warns: must be looked at; waits: something is not chosen or known yet */
  readonly level: 'refused' | 'warns' | 'waits'
}

/** A job's circuit as data, with what is wrong with it before it is solved. */
export interface JobNetlist extends Netlist { readonly problems: readonly Problem[] }

const duties: Readonly<Record<ControllerPart['band'], Readonly<Record<Heat, number>>>> = {
  below: { cold: 0, rising: 0, falling: 1, hot: 1 }, above: { cold: 0, rising: 0, falling: 1, hot: 1 }, fixed: { cold: 0, rising: 0, falling: 1, hot: 1 },
  ramp: { cold: 0, rising: 0, falling: RAMP_LEAST, hot: 1 }, hand: { cold: 0, rising: 0, falling: 0, hot: 0 }, always: { cold: 1, rising: 1, falling: 1, hot: 1 },
}

/** A switch that needs no supply of its own. */
const isPlain = ({ band }: Pick<ControllerPart, 'band'>): boolean => band === 'fixed' || band === 'hand' || band === 'always'

const id = (text: string): string => text.toLowerCase().replace(/[^a-z0-9]+/g, '_')

class Builder {
  readonly elements: Element[] = []
  readonly controls: Control[] = []
  readonly problems: Problem[] = []
  constructor(readonly job: Job, readonly bench: Bench) {}

  add(e: Element): void { this.elements.push(e) }
  say(text: string, at: string | null = null, level: Problem['level'] = 'waits'): void { this.problems.push({ at, text, level }) }

  /** Resistance of a piece of a conductor at the temperature its current brings it to. */
  piece(c: RunConductor, lengthM: number, currentA: number): number {
    if (c.size === null) this.say(`The ${roleNames[c.role]} has no size: reckoned as ${MISSING_SIZE}.`, c.id)
    return conductorResistance(currentA, { ...conductorAt(this.bench, { ...c, size: c.size ?? MISSING_SIZE }), lengthM }).value
  }

  wire(name: string, label: string, a: string, b: string, ohm: number, conductor: string | null = null): void {
    this.add({ kind: 'wire', name, label, a, b, ohm, conductor })
  }

  /** A wire that carries signals, by its role; a plain joint where the job has none of it. */
  signal(role: ConductorRole, name: string, a: string, b: string): void {
    const c = this.job.conductors.find((x) => x.role === role)
    const ohm = c ? resistancePerMetre(c.size ?? MISSING_SIZE, c.ambientC.value) * this.bench.value(`conductors.${c.id}.lengthM`) : SWITCH_OHM
    this.wire(name, roleNames[role], a, b, ohm + 2 * CRIMP_OHM, c?.id ?? null)
  }
}

function battery(b: Builder): void {
  const { job, bench } = b
  const own = job.batteries[0]!
  const charge = bench.value(`batteries.${own.id}.charge`)
  const coldCrankingA = own.coldCrankingA ? bench.value(`batteries.${own.id}.coldCrankingA`) : CRANKING_PER_AH * bench.value(`batteries.${own.id}.capacityAh`)
  b.add({
    kind: 'source', name: 'battery', label: 'battery', a: 'bat_plus', b: GROUND,
    restV: restVoltage(own.kind, charge, job.machine.systemV), runningV: bench.value('charging.regulatorV'), ohm: internalResistance(coldCrankingA, bench.value('surroundings.hottestC'), job.machine.systemV),
  })
  if (job.machine.hasBattery === false) b.say('There is no battery: a fan has no source to run on.', 'battery', 'refused')
  if (job.machine.outputDc === false) b.say('The output is not direct current: a rectifier and regulator come first.', 'battery', 'refused')
}

const relayOf = (job: Job, relayId: string | null): RelayPart | null => job.relays.find((r) => r.id === relayId)?.part ?? null
const switchRating = (job: Job, switchId: string | null): ContactRating | null => job.switches.find((s) => s.id === switchId)?.part.contact ?? null

/** The key with the wire behind it, for everything that has one. */
function key(b: Builder): string {
  if (b.job.engine === null) return 'bat_plus'
  if (!b.elements.some((e) => e.name === 'key')) {
    b.wire('key_wire', "machine's own wire to the key", 'bat_plus', 'key_in', LOOM_OHM)
    const run = b.job.runs.find((r) => r.keySwitch !== null)
    b.add({ kind: 'switch', name: 'key', label: 'key switch', by: 'key', a: 'key_in', b: 'ign', ohm: SWITCH_OHM, rating: switchRating(b.job, run?.keySwitch ?? null) })
  }
  return 'ign'
}

/** A feed that somebody else laid: live with the key through a solenoid or a relay of the loom. */
function othersFeed(b: Builder, name: string, label: string): string {
  if (b.elements.some((e) => e.name === `${name}_contact`)) return `${name}_out`
  const coilV = b.job.machine.systemV
  b.add({ kind: 'coil', name: `${name}_coil`, label: `${label}, coil`, relay: name, a: key(b), b: GROUND, ohm: SOLENOID_OHM * (coilV / 12), pullInV: 7.2 * (coilV / 12), letGoV: 2.4 * (coilV / 12) })
  b.add({ kind: 'contact', name: `${name}_contact`, label, relay: name, atRest: 'open', a: 'bat_plus', b: `${name}_in`, ohm: RELAY_CONTACT_OHM, rating: null })
  const ratedA = b.job.wiring.feedRatedA
  if (ratedA !== null) b.add({ kind: 'fuse', name: `${name}_fuse`, label: `${label}, its own fuse`, a: `${name}_in`, b: `${name}_fused`, ohm: bladeFuseOhm(ratedA), ratingA: ratedA, form: 'blade' })
  else b.say(`Nobody has said what the ${label} may be loaded with: see what its own fuse is, and the wire behind it.`, `${name}_contact`)
  b.wire(`${name}_wire`, `wire of the ${label}`, ratedA !== null ? `${name}_fused` : `${name}_in`, `${name}_out`, LOOM_OHM)
  return `${name}_out`
}

const feedsFrom: Readonly<Record<Job['runs'][number]['source'], (b: Builder) => string>> = {
  battery: () => 'bat_plus',
  'key switch': key,
  'accessory block': (b) => othersFeed(b, 'block', 'accessory block'),
  'existing plug': (b) => othersFeed(b, 'plug', 'existing plug'),
  'road lights': (b) => {
    b.say('Fed from a road-lighting wire: that circuit is never tapped. Take the charging pin or a feed of its own.', 'lights_wire', 'refused')
    if (!b.elements.some((e) => e.name === 'lights_wire')) b.wire('lights_wire', 'road-lighting wire', 'bat_plus', 'lights', LOOM_OHM)
    return 'lights'
  },
}

interface Ends { readonly feed: string; readonly fanPlus: string; readonly fanMinus: string; readonly switchIn: string; readonly switchOut: string }

/** Pieces of a run's feed: post to fuse, fuse to contact, contact to fan, m. @throws never: what does not add up is said */
export function feedPieces(bench: Bench, run: FanCircuit): { readonly toFuseM: number; readonly toContactM: number; readonly toFanM: number; readonly fits: boolean } {
  const feed = run.conductors.find((c) => c.role === 'feed')
  const total = feed ? bench.value(feed.at.lengthM) : 0
  const toFanM = bench.value(`runs.${run.run.id}.switchAtM`)
  const toFuseM = run.fuse ? bench.value(`fuses.${run.fuse.id}.fromPostM`) : 0
  const toContactM = total - toFanM - toFuseM
  const fits = toContactM >= STRAY_M
  return fits ? { toFuseM, toContactM, toFanM, fits } : { toFuseM: Math.min(toFuseM, total / 3), toContactM: Math.max(STRAY_M, total / 3), toFanM: Math.max(STRAY_M, total / 3), fits }
}

/** One fan with its own way out and back; what it shares with an earlier run is left out. */
function fanRun(b: Builder, circuit: FanCircuit, n: number, before: readonly FanCircuit[]): Ends {
  const { job, bench } = b
  const { run, fan, fuse, conductors } = circuit
  const feed = conductors.find((c) => c.role === 'feed')
  const back = conductors.find((c) => c.role === 'return')
  const current = fan ? runCurrent(bench, fan).value : 0
  const shared = run.switchedBy === 'relay' && run.relay !== null ? before.findIndex((o) => o.run.relay === run.relay && o.run.switchedBy === 'relay') : -1
  const pieces = feedPieces(bench, circuit)
  const joints = (run.crimps * CRIMP_OHM + run.rings * RING_OHM) / 2
  const tag = `${n + 1}`
  if (!feed) b.say(`There is no feed for fan ${tag}.`, `fan${tag}`, 'refused')
  if (!back && !run.frame) b.say(`There is no way back for fan ${tag}.`, `fan${tag}`, 'refused')
  if (feed && !pieces.fits && shared < 0) b.say('The feed is shorter than its pieces: fuse to post and contact to fan add up to more than its whole length. Measure it again.', `feed${tag}_b`, 'warns')
  const ohm = (lengthM: number): number => (feed ? b.piece(feed, lengthM, current) : SWITCH_OHM)
  const direct = run.switchedBy === 'controller'
  const groundSide = job.wiring.side === 'ground'
  let feedNode: string
  const at = { in: `switch${tag}_in`, out: `switch${tag}_out`, plus: `fan${tag}_plus`, minus: `fan${tag}_minus` }
  let switchOut = at.out
  if (shared >= 0) {
    switchOut = `switch${shared + 1}_out`
    feedNode = `switch${shared + 1}_in`
    b.wire(`feed${tag}_c`, `feed of fan ${tag}, relay to fan`, switchOut, at.plus, ohm(feed ? bench.value(feed.at.lengthM) : 0) + joints, feed?.id ?? null)
  } else {
    const source = feedsFrom[run.source](b)
    let node = source
    if (fuse) {
      b.wire(`feed${tag}_a`, 'feed, source to fuse', node, `fuse${tag}_in`, ohm(pieces.toFuseM) + RING_OHM, feed?.id ?? null)
      b.add({ kind: 'fuse', name: `fuse${tag}`, label: fuse.kind === 'blade' ? `fuse, ${fuse.ratingA} A` : `breaker, ${fuse.ratingA} A`, a: `fuse${tag}_in`, b: `fuse${tag}_out`, ohm: bladeFuseOhm(fuse.ratingA), ratingA: fuse.ratingA, form: fuse.kind })
      node = `fuse${tag}_out`
    } else b.say(`No fuse in the feed of fan ${tag}.`, `feed${tag}_b`)
    if (job.wiring.isolator) {
      if (n === 0) b.add({ kind: 'switch', name: 'isolator', label: 'isolator', by: 'isolator', a: node, b: 'isolated', ohm: SWITCH_OHM, rating: switchRating(job, job.wiring.isolatorSwitch) })
      else b.add({ kind: 'switch', name: `isolator${tag}`, label: 'isolator', by: 'isolator', a: node, b: `isolated${tag}`, ohm: SWITCH_OHM, rating: switchRating(job, job.wiring.isolatorSwitch) })
      node = n === 0 ? 'isolated' : `isolated${tag}`
    }
    feedNode = direct && groundSide ? at.plus : at.in
    b.wire(`feed${tag}_b`, direct && groundSide ? 'feed, fuse to fan' : 'feed, fuse to contact', node, feedNode, ohm(pieces.toContactM + (direct && groundSide ? pieces.toFanM : 0)) + joints / 2, feed?.id ?? null)
    if (!(direct && groundSide)) b.wire(`feed${tag}_c`, 'feed, contact to fan', at.out, at.plus, ohm(pieces.toFanM) + joints / 2, feed?.id ?? null)
  }
  if (fan) {
    const rating = ratingOf(bench, fan)
    const [plus, minus] = fan.wiresSwapped ? [at.minus, at.plus] : [at.plus, at.minus]
    b.add({ kind: 'motor', name: `fan${tag}`, label: job.runs.length > 1 ? `${fan.part.name}, fan ${tag}` : fan.part.name, fan: fan.id, a: plus, b: minus, rating, jammed: false })
    if (fan.wiresSwapped && fan.part.motor === 'brushless') b.say('A brushless fan must never have its wires swapped: that destroys it or does nothing.', `fan${tag}`, 'warns')
  } else {
    b.say('No fan chosen: reckoned as a usual one of 5 A.', `fan${tag}`)
    b.add({ kind: 'motor', name: `fan${tag}`, label: 'fan, not chosen yet', fan: 'none', a: at.plus, b: at.minus, rating: { motor: 'brushed', ratedV: job.machine.systemV, ratedA: 5, lockedA: null, diameterM: 0.2 }, jammed: false })
  }
  const frameNode = run.frame ? `frame${tag}` : GROUND
  const backFrom = direct && groundSide ? `output${tag}_low` : at.minus
  b.wire(`return${tag}`, 'way back', backFrom, frameNode, (back ? b.piece(back, bench.value(back.at.lengthM), current) : RING_OHM) + joints, back?.id ?? null)
  if (run.frame) b.wire(`frame${tag}_path`, 'frame as the way back', frameNode, GROUND, FRAME_OHM)
  return { feed: feedNode, fanPlus: at.plus, fanMinus: at.minus, switchIn: shared >= 0 ? `switch${shared + 1}_in` : at.in, switchOut }
}

/** Where coil and controller draw: behind the key, with the after-run timer beside it, or behind the fan's own fuse. */
function controlBus(b: Builder, first: Ends): string {
  const { wiring } = b.job
  if (wiring.controlFrom === 'feed' || b.job.engine === null) {
    b.signal('control', 'control_feed', first.feed, 'control')
    return 'control'
  }
  const ign = key(b)
  if (wiring.timer) {
    // without the diode the timer would keep the whole ignition alive
    b.add({ kind: 'diode', name: 'timer_diode', label: 'diode, keeps the timer out of the ignition', a: ign, b: 'control_fed' })
    b.signal('control', 'control_feed', 'control_fed', 'control')
    b.signal('timer', 'timer_feed', 'bat_plus', 'timer_in')
    b.add({ kind: 'switch', name: 'timer', label: 'after-run timer', by: 'timer', a: 'timer_in', b: 'control', ohm: SWITCH_OHM, rating: null })
  } else b.signal('control', 'control_feed', ign, 'control')
  return 'control'
}

/** Where an override takes its own current. */
const overrideFeed = (b: Builder, first: Ends): string => (b.job.wiring.override === 'key' ? key(b) : first.feed)

type Deciding = Pick<ControllerPart, 'name' | 'band' | 'contact' | 'probeOpen' | 'probeShorted'>
interface Decider { readonly id: string; readonly part: Deciding }
/** stands where no controller is chosen yet, so that the rest of the circuit is known */
const undecided: Decider = { id: 'none', part: { name: 'controller, not chosen yet', band: 'fixed', contact: null, probeOpen: 'fan off', probeShorted: 'fan on' } }

function decision(b: Builder, controller: Decider, bus: string): void {
  const { part } = controller
  const name = id(controller.id)
  if (b.controls.some((c) => c.id === controller.id)) return
  const systemV = b.job.machine.systemV
  const plain = isPlain(part)
  b.controls.push({
    id: controller.id, label: part.name, supply: plain ? null : [bus, `${name}_gnd`], leastV: ALIVE_SHARE * systemV, stuck: null, duty: duties[part.band],
    whenOpen: part.probeOpen === 'fan on' ? 'on' : 'off', whenShorted: part.probeShorted === 'fan on' ? 'on' : 'off',
  })
  if (!plain) {
    const standbyA = Math.max(b.bench.value(`controllers.${controller.id}.part.standbyA`), 1e-6)
    b.add({ kind: 'load', name: `${name}_draw`, label: `${part.name}, its own draw`, what: 'standby', a: bus, b: `${name}_gnd`, ohm: systemV / standbyA })
    b.signal('supply-return', `${name}_return`, `${name}_gnd`, GROUND)
  }
}

/** What closes a path: a hand switch or the controller's own output. */
function output(b: Builder, controller: Decider, name: string, a: string, out: string): void {
  const { part } = controller
  const common = { name, label: part.band === 'hand' ? `${part.name}, hand switch` : `${part.name}, contact`, a, b: out, ohm: RELAY_CONTACT_OHM, rating: part.contact }
  if (part.band === 'hand') b.add({ ...common, kind: 'switch', by: 'override' })
  else b.add({ ...common, kind: 'output', controller: controller.id })
}

/** Override and another system's call, beside what the thermostat closes. */
function besides(b: Builder, first: Ends, from: string, to: string, groundSide: boolean): void {
  const { wiring } = b.job
  if (wiring.override !== 'none') {
    const high = groundSide ? from : overrideFeed(b, first)
    b.signal('override', 'override_wire', high, 'override_in')
    b.add({ kind: 'switch', name: 'override', label: 'override switch', by: 'override', a: 'override_in', b: to, ohm: SWITCH_OHM, rating: switchRating(b.job, wiring.overrideSwitch) })
  }
  if (wiring.call) {
    b.signal('call', 'call_wire', groundSide ? from : key(b), 'call_in')
    b.add({ kind: 'switch', name: 'call', label: "other system's call", by: 'call', a: 'call_in', b: 'call_out', ohm: SWITCH_OHM, rating: null })
    b.add({ kind: 'diode', name: 'call_diode', label: 'diode, keeps the call out of the other system', a: 'call_out', b: to })
  }
}

function build(job: Job, bench: Bench): JobNetlist {
  const b = new Builder(job, bench)
  const { wiring, machine: { systemV } } = job
  const groundSide = wiring.side === 'ground'
  battery(b)
  // states are told by the key also where nothing of the fan hangs on it
  key(b)
  const circuits = circuitsOf(job)
  const ends = circuits.map((c, n) => fanRun(b, c, n, circuits.slice(0, n)))
  const first = ends[0]!
  const bus = controlBus(b, first)
  const byController = new Map<string, string>()
  const relaysDone = new Set<string>()
  circuits.forEach(({ run, controller: chosen }, n) => {
    const own = ends[n]!
    const tag = `${n + 1}`
    const controller: Decider = chosen ?? undecided
    if (!chosen) b.say('No controller chosen: reckoned as a plain thermostat switch.', `output${tag}`)
    decision(b, controller, bus)
    const { part } = controller
    if (run.switchedBy === 'controller') {
      const [a, out] = groundSide ? [own.fanMinus, `output${tag}_low`] : [own.switchIn, own.switchOut]
      if (part.band === 'ramp') {
        if (groundSide) b.say('A ramp controller is drawn on the positive side here: follow its maker’s drawing.', `output${tag}`, 'warns')
        b.add({ kind: 'chopper', name: `output${tag}`, label: `${part.name}, output`, controller: controller.id, a: own.switchIn, b: own.switchOut, return: GROUND, ohm: RELAY_CONTACT_OHM, rating: part.contact })
      } else output(b, controller, `output${tag}`, a, out)
      if (chosen && !part.contact) b.say(`${part.name} cannot carry a fan itself: a relay comes between.`, `output${tag}`)
      if (n === 0) besides(b, first, groundSide ? own.fanMinus : own.switchIn, out, groundSide)
      return
    }
    const relayName = `relay${tag}`
    const sharedRelay = run.relay !== null && relaysDone.has(run.relay)
    if (sharedRelay) return
    if (run.relay !== null) relaysDone.add(run.relay)
    const relay = relayOf(job, run.relay)
    if (!relay) b.say('No relay chosen: reckoned as a usual one of 90 ohm.', `contact${tag}`)
    const warm = 1 + COPPER_ALPHA * (bench.value('surroundings.hottestC') - 20)
    const coilV = relay?.coilV ?? systemV
    const [pin86, pin85] = [`relay${tag}_86`, `relay${tag}_85`]
    b.add({ kind: 'contact', name: `contact${tag}`, label: relay ? `${relay.name}, 30 to 87` : 'relay, 30 to 87', relay: relayName, atRest: 'open', a: own.switchIn, b: own.switchOut, ohm: RELAY_CONTACT_OHM, rating: relay?.contact ?? null })
    b.add({ kind: 'coil', name: `coil${tag}`, label: job.runs.length > 1 ? `coil of relay ${tag}` : 'relay coil, 86 to 85', relay: relayName, a: pin86, b: pin85, ohm: (relay?.coilOhm ?? 90 * (coilV / 12)) * warm, pullInV: 7.2 * (coilV / 12) * warm, letGoV: 2.4 * (coilV / 12) * warm })
    if (relay?.suppressed) b.add({ kind: 'diode', name: `coil${tag}_diode`, label: 'diode across the coil', a: pin85, b: pin86 })
    if (part.band === 'ramp') b.say('A pulse-width controller must never feed a relay.', `contact${tag}`, 'warns')
    const joined = byController.get(controller.id)
    if (groundSide) {
      b.signal('trigger', `trigger${tag}`, bus, pin86)
      if (joined) { b.wire(`joined${tag}`, 'triggers joined', pin85, joined, 2 * CRIMP_OHM); return }
      output(b, controller, `output${tag}`, pin85, `output${tag}_low`)
      b.signal('coil-return', `coil${tag}_return`, `output${tag}_low`, GROUND)
      byController.set(controller.id, pin85)
      if (n === 0) besides(b, first, pin85, GROUND, true)
    } else {
      b.signal('coil-return', `coil${tag}_return`, pin85, GROUND)
      if (joined) { b.wire(`trigger${tag}`, 'triggers joined', joined, pin86, 2 * CRIMP_OHM); return }
      output(b, controller, `output${tag}`, bus, `trigger${tag}_in`)
      b.signal('trigger', `trigger${tag}`, `trigger${tag}_in`, pin86)
      byController.set(controller.id, `trigger${tag}_in`)
      if (n === 0) besides(b, first, bus, `trigger${tag}_in`, false)
    }
  })
  if (wiring.lamp && circuits[0]!.fan) {
    b.signal('lamp', 'lamp_wire', groundSide && circuits[0]!.run.switchedBy === 'controller' ? first.fanPlus : first.switchOut, 'lamp_in')
    b.add({ kind: 'load', name: 'lamp', label: 'lamp: fan is live', what: 'lamp', a: 'lamp_in', b: groundSide && circuits[0]!.run.switchedBy === 'controller' ? first.fanMinus : GROUND, ohm: LAMP_OHM * (systemV / 12) ** 2 })
  }
  return { elements: b.elements, controls: b.controls, problems: unique(b.problems) }
}

const unique = (problems: readonly Problem[]): Problem[] => problems.filter((p, i) => problems.findIndex((o) => o.text === p.text) === i)

const known = new WeakMap<Job, JobNetlist>()

/**
 * The circuit that a job's choices make, at the nominal readings: resistances at running temperature, joints in the wires
 * beside them.
 * @see engineering §5, §1.1, §1.2, §1.5
 */
export function netlistOf(job: Job): JobNetlist {
  const before = known.get(job)
  if (before) return before
  const net = build(job, new Bench(lookupOf(job)))
  known.set(job, net)
  return net
}
