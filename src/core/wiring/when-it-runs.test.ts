import fc from 'fast-check'
import { example } from '../../formats/test-support/examples'
import {
  allOff,
  Circuit,
  type Conditions,
  fanStates,
  heatsOf,
  type Netlist,
  type States,
  type SwitchState,
  switchings,
  switchStates,
  turns,
} from '../circuit'
import { changeIntent, changeRun, changeWiring, type Job } from '../job'
import { startedJobs } from '../job/test-support/started'
import { ownersCard } from '../sheets'
import { netlistOf } from './netlist'
import { anyCircuit } from '../../formats/test-support/any-circuit'
import { whenItRuns, type WhenItRuns } from './when-it-runs'
import { often } from '../../test-support/often'

const buggy = example('vineyard-buggy-ready')
const bike = example('fell-bike-signed')
const trailer = example('market-cold-trailer')

/** What one hand can do next: one switch, or the key with the engine and the after-run that hang on it. */
function nextOf(net: Netlist, at: SwitchState): SwitchState[] {
  return switchStates(net).filter((to) => {
    const flipped = switchings.filter((s) => at[s] !== to[s])
    if (at.key !== to.key)
      return flipped.every((s) => s === 'key' || s === 'engine' || s === 'timer') && !(to.key && to.engine)
    return flipped.length === 1 && !(flipped[0] === 'timer' && to.timer)
  })
}

interface Seen {
  readonly at: Conditions
  readonly runs: boolean
}

/** Somebody plays with the switches while it warms and cools: every state keeps what the one before left in. */
function played(net: Netlist, picks: readonly number[]): Seen[] {
  const circuit = new Circuit(net)
  const heats = heatsOf(net)
  const circle = (['cold', 'rising', 'hot', 'falling'] as const).filter((h) => heats.includes(h))
  let at: Conditions = allOff
  let states: States | undefined
  return picks.map((pick) => {
    const { heat, ...switches } = at
    const may = nextOf(net, switches)
    // every third time the heat goes on instead
    if (pick % 3 === 0 || !may.length) at = { ...at, heat: circle[(circle.indexOf(heat) + 1) % circle.length]! }
    else at = { ...may[pick % may.length]!, heat }
    const solution = circuit.solve(at, states)
    states = solution.states
    return { at, runs: fanStates(net, solution).some(turns) }
  })
}

const withoutFuses = (net: Netlist): Netlist => ({
  ...net,
  elements: net.elements.filter((e) => e.kind !== 'fuse' || e.run === undefined),
})

/** What was seen that an owner was told cannot be. */
function broken(when: WhenItRuns, seen: readonly Seen[]): Conditions[] {
  const called = ({ override, call, hand }: Conditions): boolean => override || call || hand
  const forbidden = (c: Conditions): boolean => {
    if (when.isolator && !c.isolator) return !when.pastIsolator
    if (!when.key || c.key) return false
    if (called(c) && !c.timer) return when.keyOff === 'never' && !when.calledKeyOff
    if (c.timer) return when.keyOff === 'never' && !when.afterRun && !called(c)
    return when.keyOff === 'never' || (when.keyOff === 'hot' && c.heat === 'cold')
  }
  return seen.filter((s) => s.runs && forbidden(s.at)).map((s) => s.at)
}

test('whatever is switched in whatever order, no fan runs where its owner was told that it stands', () => {
  fc.assert(
    fc.property(anyCircuit, fc.array(fc.nat({ max: 5000 }), { minLength: 30, maxLength: 30 }), (job, picks) => {
      const when = whenItRuns(job)!
      const net = netlistOf(job)
      expect(broken(when, played(net, picks))).toEqual([])
      if (!when.pastFuses) expect(played(withoutFuses(net), picks).filter((s) => s.runs)).toEqual([])
    }),
    { numRuns: often(24), seed: 1130 },
  )
})

const stop = (job: Job): string =>
  ownersCard(job)
    .sections.find((s) => s.heading === 'How to stop it')!
    .lines.join(' ')
const overridden = (job: Job): Job =>
  changeWiring(changeIntent(job, { control: 'thermostat and override', overrideLive: 'always' }), { override: 'feed' })

test('the card, circuits by hand: key, isolator, after-run, an override past the key and past the fuse', () => {
  expect(stop(bike)).toBe(
    'With the key off it stops. To keep it still for certain: take its fuse out, or the battery’s negative lead off.',
  )
  // fed by the battery and switched by the controller alone: the key is not in its way, whatever was wished
  const alone = changeWiring(changeRun(bike, { source: 'battery', switchedBy: 'controller' }), { controlFrom: 'feed' })
  expect(alone.use.live).toBe('key only')
  expect(stop(alone)).toMatch(/^With the key off it may run, and start by itself, whenever its probe is hot\./)
  // an override from the feed that may always run it: asked for, and told
  expect(stop(overridden(bike))).toMatch(/^With the key off its switch still makes it run: nothing else does\./)
  expect(stop(overridden(bike))).toMatch(/makes it run whatever the temperature/)
  expect(stop(trailer)).toMatch(/^It may start whenever its isolator is on; with it off it stops\./)
  // the buggy's relay is called by an override that has a feed of its own: the fan's fuse alone does not keep it still
  expect(whenItRuns(overridden(buggy))).toMatchObject({ pastFuses: true, calledKeyOff: true })
  expect(stop(overridden(buggy))).toMatch(/take the battery’s negative lead off; its fuse alone does not do it\.$/)
  expect(stop({ ...bike, fuses: [], runs: bike.runs.map((r) => ({ ...r, fuse: null })) })).not.toContain('fuse out')
})

test('a card of a job in which nothing is chosen claims nothing', () => {
  for (const bare of startedJobs()) {
    expect(ownersCard(bare).sections.find((s) => s.heading === 'Fitted')!.lines).toEqual([])
    expect(stop(bare)).toMatch(/^What starts and stops it is not chosen yet\./)
    expect(stop(bare)).not.toContain('fuse')
  }
})
