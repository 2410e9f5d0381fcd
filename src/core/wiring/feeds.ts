import { servingBattery } from '../fan-circuit'
import { GROUND } from '../circuit'
import {
  bladeFuseOhm,
  type ContactRating,
  internalResistance,
  RELAY_CONTACT_OHM,
  restVoltage,
  LOOM_OHM,
  SWITCH_OHM,
} from '../electrical'
import type { Job } from '../job'
import { type Builder } from './builder'
import { say, spokenWord } from '../words'

/** a battery whose cold-cranking current nobody knows gives about so many times its amp-hours (estimate) */
const CRANKING_PER_AH = 6
/** the coil of a solenoid or of a relay of the loom, at 12 V, ohm (estimate) */
const SOLENOID_OHM = 40

/** The battery, charged or not. @see engineering §1.9 */
export function battery(b: Builder): void {
  const { job, bench } = b
  const own = servingBattery(job)
  const charge = bench.value(`batteries.${own.id}.charge`)
  const coldCrankingA = own.coldCrankingA
    ? bench.value(`batteries.${own.id}.coldCrankingA`)
    : CRANKING_PER_AH * bench.value(`batteries.${own.id}.capacityAh`)
  b.add({
    kind: 'source',
    name: 'battery',
    label: say`battery`,
    a: b.node('bat_plus', { is: 'battery +' }),
    b: GROUND,
    restV: restVoltage(own.kind, charge, job.machine.systemV),
    runningV: bench.value('charging.regulatorV'),
    ohm: internalResistance(coldCrankingA, bench.value('surroundings.hottestC'), job.machine.systemV),
  })
  if (job.machine.hasBattery === false)
    b.say(say`There is no battery: a fan has no source to run on.`, 'battery', 'refused')
  if (job.machine.outputDc === false)
    b.say(say`The output is not direct current: a rectifier and regulator come first.`, 'battery', 'refused')
}

/** What is stamped on one of the job's switches. */
export const switchRating = (job: Job, switchId: string | null): ContactRating | null =>
  job.switches.find((s) => s.id === switchId)?.part.contact ?? null

/** The machine's own fuse before its key, where its rating is known. */
function behindLoomFuse(b: Builder): string {
  const { loomFuseA } = b.job.wiring
  if (loomFuseA === null) return 'bat_plus'
  b.add({
    kind: 'fuse',
    name: 'loom_fuse',
    label: say`machine's own fuse, ${loomFuseA} A`,
    a: 'bat_plus',
    b: b.node('loom_fused', { is: 'loom fuse, behind' }),
    ohm: bladeFuseOhm(loomFuseA),
    ratingA: loomFuseA,
    form: 'blade',
  })
  return 'loom_fused'
}

/** The key with the wire behind it, for everything that has one. */
export function key(b: Builder): string {
  if (b.job.engine === null) return 'bat_plus'
  if (!b.elements.some((e) => e.name === 'key')) {
    const from = behindLoomFuse(b)
    b.wire(
      'key_wire',
      say`machine's own wire to the
      key`,
      from,
      b.node('key_in', { is: 'key, feed' }),
      LOOM_OHM,
      null,
      {
        loom: true,
      },
    )
    const run = b.job.runs.find((r) => r.keySwitch !== null)
    b.add({
      kind: 'switch',
      name: 'key',
      label: say`key switch`,
      by: 'key',
      a: 'key_in',
      b: b.node('ign', { is: 'ignition' }),
      ohm: SWITCH_OHM,
      rating: switchRating(b.job, run?.keySwitch ?? null),
    })
  }
  return 'ign'
}

/** Where wires that carry signals leave the switched wire: behind a fuse of the job's own, where it has one. */
export function tapped(b: Builder): string {
  const { tapFuseA } = b.job.wiring
  if (b.job.engine === null || tapFuseA === null) return key(b)
  if (!b.elements.some((e) => e.name === 'tap_fuse'))
    b.add({
      kind: 'fuse',
      name: 'tap_fuse',
      label: say`fuse at the switched wire, ${tapFuseA} A`,
      a: key(b),
      b: b.node('tap', { is: 'tap fuse, behind' }),
      ohm: bladeFuseOhm(tapFuseA),
      ratingA: tapFuseA,
      form: 'blade',
    })
  return 'tap'
}

/** A feed that somebody else laid: live with the key through a solenoid or a relay of the loom. */
function othersFeed(b: Builder, name: string, label: 'accessory block' | 'existing plug'): string {
  if (b.elements.some((e) => e.name === `${name}_contact`))
    return b.elements.some((e) => e.name === `${name}_resistor`) ? `${name}_low` : `${name}_out`
  const coilV = b.job.machine.systemV
  b.add({
    kind: 'coil',
    name: `${name}_coil`,
    label: say`${spokenWord(label)}, coil`,
    relay: name,
    a: key(b),
    b: GROUND,
    ohm: SOLENOID_OHM * (coilV / 12),
    pullInV: 7.2 * (coilV / 12),
    letGoV: 2.4 * (coilV / 12),
  })
  b.add({
    kind: 'contact',
    name: `${name}_contact`,
    label,
    relay: name,
    atRest: 'open',
    a: 'bat_plus',
    b: b.node(`${name}_in`, { is: 'feed of others', of: label }),
    ohm: RELAY_CONTACT_OHM,
    rating: null,
  })
  const ratedA = b.job.wiring.feedRatedA
  if (ratedA !== null)
    b.add({
      kind: 'fuse',
      name: `${name}_fuse`,
      label: say`${spokenWord(label)}, its own fuse`,
      a: `${name}_in`,
      b: b.node(`${name}_fused`, { is: 'feed of others', of: label }),
      ohm: bladeFuseOhm(ratedA),
      ratingA: ratedA,
      form: 'blade',
    })
  else
    b.say(
      say`Nobody has said what the ${spokenWord(label)} may be loaded with: see what its own fuse is, and the wire
        behind it.`,
      `${name}_contact`,
    )
  b.wire(
    `${name}_wire`,
    say`wire of the ${spokenWord(label)}`,
    ratedA !== null ? `${name}_fused` : `${name}_in`,
    b.node(`${name}_out`, { is: 'feed of others, behind', of: label }),
    LOOM_OHM,
    null,
    { loom: true },
  )
  return label === 'existing plug' && b.job.wiring.plugSpeed === 'low' ? behindResistor(b, name, label) : `${name}_out`
}

/** The low speed of a plug with two: its resistor, which the maker chose for another fan. */
function behindResistor(b: Builder, name: string, label: 'existing plug'): string {
  const out = b.node(`${name}_low`, { is: 'feed of others, behind', of: label })
  b.wire(
    `${name}_resistor`,
    say`resistor of the low speed`,
    `${name}_out`,
    out,
    b.bench.value('wiring.plugResistorOhm'),
    null,
    {
      loom: true,
    },
  )
  b.say(
    say`Fed from the low speed of the plug: its resistor was chosen for the maker’s own fan and gets hot. The high
      feed, where there is one, gives this fan its volts.`,
    `${name}_resistor`,
    'warns',
  )
  return out
}

/** Where each kind of feed begins: the node that the fan's own wire is joined to. */
export const feedsFrom: Readonly<Record<Job['runs'][number]['source'], (b: Builder) => string>> = {
  battery: () => 'bat_plus',
  'key switch': key,
  'accessory block': (b) => othersFeed(b, 'block', 'accessory block'),
  'existing plug': (b) => othersFeed(b, 'plug', 'existing plug'),
  'road lights': (b) => {
    b.say(
      say`Fed from a road-lighting wire: that circuit is never tapped. Take the charging pin or a feed of its own.`,
      'lights_wire',
      'refused',
    )
    if (!b.elements.some((e) => e.name === 'lights_wire'))
      b.wire('lights_wire', say`road-lighting wire`, 'bat_plus', b.node('lights', { is: 'lights' }), LOOM_OHM, null, {
        loom: true,
      })
    return 'lights'
  },
}
