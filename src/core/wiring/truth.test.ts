import fc from 'fast-check'
import { example, examplesOf, exampleShelf } from '../../formats/test-support/examples'
import { Circuit, mismatchInWords, switchStates, type Element } from '../circuit'
import { judgeScheme, holdingFuse, holdingSetting, wiredAs } from '../advice'
import { chooseController, circuitsOf, fannedCircuits, ownController, runCurrent, wiresOf } from '../fan-circuit'
import {
  changeFuse,
  changeIntent,
  changeRun,
  changeSetting,
  changeWiring,
  type Job,
  jobSchema,
  lookupOf,
  type Wiring,
} from '../job'
import { evaluate } from '../margins'
import type { ControllerPart } from '../parts'
import { proofsOf, stepsOf } from '../build'
import { signing } from '../plan'
import { Bench } from '../reading'
import { cutList } from './cut-list'
import { gapsOf } from './gaps'
import { guardsOf } from './guards'
import { addSecondFan } from './second-fan'
import { currentIn } from './branch-currents'
import { loadsOf } from './loads'
import { netlistOf } from './netlist'
import { provedWithFaults } from './faulty-proof'
import { provedCircuit } from './proof'
import { anyCircuit } from '../../formats/test-support/any-circuit'
import { addUnknown, takeAsFeed } from './unknowns'
import { often } from '../../test-support/often'

const buggy = example('vineyard-buggy-ready')
const bike = example('fell-bike-signed')
const trailer = example('market-cold-trailer')
const digger = example('churchyard-digger-bay')
const shelf = exampleShelf()
const controllers = examplesOf('controller')
const ramp = controllers.find((c) => c.band === 'ramp')!
const wrong = (job: Job, faults: readonly string[] = []): string[] => {
  const { net, mismatches } = provedWithFaults(job, faults)
  return mismatches.map((m) => mismatchInWords(net, m))
}
const margin = (job: Job, id: string) => evaluate(job).margins.find((m) => m.id === id)!
const guard = (job: Job, wire: string) => guardsOf(job).find((g) => g.wire === wire)!
const afterRun = (job: Job, change: Partial<Wiring> = {}): Job =>
  changeWiring(
    changeIntent({ ...job, use: { ...job.use, live: 'after-run' } }, { control: 'thermostat and override' }),
    {
      timer: true,
      override: 'key',
      ...change,
    },
  )
const byHand = (part: ControllerPart, band: ControllerPart['band']): ControllerPart => ({ ...part, band, range: null })
const two = (job: Job): Job => addSecondFan(job, job.fans[0]!.part)

test('an after-run with an override feeds the ignition behind an open key, told by its road; diodes end it', () => {
  const fed = afterRun(buggy, { timerFrom: 'feed', diodes: ['control'] })
  expect(wrong(fed).join()).toMatch(
    /timer running.*: the ignition is live with the key off, fed back through .*after-run timer.*contact.*override switch/,
  )
  const parted = afterRun(buggy, { timerFrom: 'feed', diodes: ['control', 'override'] })
  expect(wrong(parted)).toEqual([])
  // so does a relay whose override comes from the fan's own feed: hot, the thermostat leads it back into the key
  const left = changeWiring(changeIntent(buggy, { control: 'thermostat and override' }), { override: 'feed' })
  expect(wrong(left).join()).toMatch(/the ignition is live with the key off|it holds itself/)
  expect(wrong(wiredAs(afterRun(buggy), 'fed relay', shelf))).toEqual([])
})

test('what holds itself once the key is off is named with what came before, and is not “as asked”', () => {
  // the controller's own contact, an override behind the key left on: it feeds the ignition that feeds it
  const own = changeWiring(
    changeIntent(changeRun(buggy, { switchedBy: 'controller' }), { control: 'thermostat and override' }),
    {
      override: 'key',
    },
  )
  const { latches, rows, net } = provedCircuit(own)
  expect(latches.length).toBeGreaterThan(0)
  const held = latches.find((l) => !l.conditions.key && l.conditions.override && l.conditions.heat === 'hot')!
  expect(held).toMatchObject({ from: { key: true }, fans: [{ name: 'fan1' }] })
  expect(held.fans[0]!.speed).toBeGreaterThan(0.8)
  // the same state from everything off stands still: the table alone would have said nothing
  const cold = rows
    .flatMap((r) => r.states)
    .find((s) => Object.entries(s.conditions).every(([k, v]) => held.conditions[k as 'key'] === v))!
  expect(cold.fans[0]!.speed).toBe(0)
  expect(wrong(own).join()).toMatch(/after “engine running, override on and hot” it holds itself: the fan runs/)
  // and it is there in a circuit that is solved once more from that state, at rest
  const again = new Circuit(net).solve(held.conditions, held.solution.states)
  expect(again.volts.get('ign')).toBeGreaterThan(11)
  // a plug's own relay, an override from the fan's feed behind it
  const plug = changeWiring(
    changeIntent(
      { ...buggy, runs: buggy.runs.map((r) => ({ ...r, source: 'existing plug' as const })) },
      { control: 'thermostat and override' },
    ),
    { override: 'feed', feedRatedA: 15 },
  )
  expect(provedCircuit(plug).latches.some((l) => l.fedBack.length > 0)).toBe(true)
})

test('wires that no fuse guards, in circuit, margin, list and signature: what they would carry by hand', () => {
  const bare = afterRun(buggy, { timerFrom: 'battery', diodes: ['control', 'override'] })
  const g = guard(bare, 'timer_feed')
  // 14.2 V (or what the regulator holds) over the battery's own resistance and two crimps and 2 mohm of bare metal
  const source = netlistOf(bare).elements.find((e): e is Extract<Element, { kind: 'source' }> => e.kind === 'source')!
  expect(g).toMatchObject({ bare: true, verdict: 'unguarded', from: 'battery +' })
  expect(g.wouldCarryA).toBeCloseTo(source.runningV / (source.ohm + 0.002), 3)
  // 1 mm² at 60 °C: 20 A · √(45/75)
  expect(g.allowedA).toBeCloseTo(20 * Math.sqrt(45 / 75), 6)
  expect(margin(bare, 'fuse')).toMatchObject({ verdict: 'short', value: null })
  expect(signing({ ...bare, signature: null }, evaluate(bare)).blockers.join()).toMatch(
    /Fuse is short: no fuse guards the timer wire/,
  )
  expect(cutList(bare, shelf).problems.join()).toMatch(/No fuse guards the timer wire/)
  expect(stepsOf(bare).find((s) => s.id === 'battery-on')!.tell).toMatch(
    /Live already, whatever the fuse: after-run timer, in/,
  )
  // behind the fan's fuse it is guarded by that
  const fed = afterRun(buggy, { timerFrom: 'feed', diodes: ['control', 'override'] })
  expect(guard(fed, 'timer_feed')).toMatchObject({ verdict: 'guarded', fuses: ['fuse1'] })
  expect(stepsOf(fed).find((s) => s.id === 'battery-on')!.tell).toMatch(/Behind the holder nothing is live/)
  // a trailer's call past fuse and isolator
  const called = changeWiring(trailer, { call: true, callFrom: 'key' })
  expect(guard(called, 'call_feed').verdict).toBe('unguarded')
  expect(guard(changeWiring(called, { callFrom: 'feed' }), 'call_feed').verdict).toBe('guarded')
  // behind the key: by the machine's own fuse where somebody has looked, else by one of the job's own
  expect(guard(buggy, 'control_feed')).toMatchObject({ verdict: 'guarded', fuses: ['loom_fuse'] })
  const unseen = changeWiring(buggy, { loomFuseA: null })
  expect(guard(unseen, 'control_feed').verdict).toBe('unknown')
  expect(margin(unseen, 'fuse').needs.join()).toMatch(/the machine's own fuse before the key/)
  expect(margin(changeWiring(unseen, { tapFuseA: 3 }), 'fuse').verdict).toBe('holds')
  expect(margin(changeWiring(buggy, { loomFuseA: 30 }), 'fuse').verdict).toBe('short')
})

test('a fan that an override leads past its own fuse is not guarded by it', () => {
  const own = changeWiring(
    changeIntent(changeRun(buggy, { switchedBy: 'controller' }), { control: 'thermostat and override' }),
    {
      override: 'key',
    },
  )
  expect(margin(own, 'fuse').parts.find((p) => p.verdict === 'short')!.words).toMatch(
    /by the override the fan's current goes past its own fuse: held fast, it opens nothing/,
  )
  expect(loadsOf(changeWiring(own, { override: 'feed' })).pastFuse.size).toBe(0)
})

test('a conductor above what it may carry with no fuse that opens is named, whatever the battery could give', () => {
  const unseen = changeWiring(buggy, { loomFuseA: null })
  expect(wrong(unseen, ['chafed:control_feed']).join()).toMatch(
    /\d{2,3} A through the control feed, which may carry 15 A, and no fuse opens/,
  )
  // with the machine's own 10 A in circuit that opens instead
  expect(wrong(buggy, ['chafed:control_feed']).join()).toMatch(/machine's own fuse, 10 A opens/)
})

test('a switched wire that was found is a wire behind the key, not a block behind a solenoid', () => {
  const found = takeAsFeed(addUnknown(digger, 'pigtail', ['red', 'white', 'black']), 'key switch', 15)
  expect(found.runs[0]!.source).toBe('key switch')
  expect(netlistOf(found).elements.some((e) => e.kind === 'coil' && e.relay === 'block')).toBe(false)
  // its own fuse carries for good 0.75 · 15 A · (1 − 0.0015 · 15), of which what hangs on it and the fan are taken once
  const bench = new Bench(lookupOf(found))
  const fan = runCurrent(bench, fannedCircuits(found)[0]!.fan).value
  const part = margin(changeRun(found, { switchedBy: 'controller' }), 'contacts').parts.find(
    (p) => p.id === 'own fuse runs',
  )!
  expect(part.value).toBeCloseTo(0.75 * 15 * (1 - 0.0015 * 15) - fan - found.wiring.feedLoadA.value, 1)
})

test('what is proposed holds with every reading at its bad end, and nothing smaller does', () => {
  const choice = holdingFuse(changeFuse(digger, 7.5))!
  expect(margin(changeFuse(digger, choice.ratingA), 'fuse').verdict).toBe('holds')
  expect(margin(changeFuse(digger, 7.5), 'fuse').verdict).not.toBe('holds')
  const setting = holdingSetting(digger)!
  const set = (c: number): string => margin(changeSetting(digger, 'controller1', c, setting.bandK), 'trigger').verdict
  const { stepK } = digger.controllers[0]!.part.range!
  expect([set(setting.setC), set(setting.setC + stepK)]).toEqual(['holds', 'unsure'])
})

test('pulses on a relay or through the frame do not fit; a controller’s own inputs take an override and a call', () => {
  const pulsed = chooseController(buggy, { ...ramp, inputs: [] }, null)
  expect(judgeScheme(pulsed, 'fed relay', shelf)).toMatchObject({
    verdict: 'does not do it',
    why: expect.arrayContaining([expect.stringMatching(/pulse-width controller must never feed a relay/)]) as string[],
  })
  const framed = changeRun(changeRun(pulsed, { switchedBy: 'controller' }), { frame: true })
  expect(
    netlistOf(framed)
      .problems.map((p) => p.text)
      .join(),
  ).toMatch(/pulses must not come back through the frame/)
  const wished = changeIntent(chooseController(buggy, { ...ramp, inputs: ['override', 'call'] }, null), {
    control: 'thermostat and override',
    alsoFor: 'air conditioning',
  })
  const wired = wiredAs(wished, 'ramp', shelf)
  expect(wrong(wired)).toEqual([])
  expect(netlistOf(wired).problems.filter((p) => p.level !== 'waits')).toEqual([])
  const overridden = provedCircuit(wired)
    .rows.flatMap((r) => r.states)
    .find((s) => s.conditions.override && s.conditions.key && s.conditions.heat === 'cold')!
  expect(overridden.fans[0]!.speed).toBeGreaterThan(0.8)
  // the input carries a signal, not the fan
  expect(Math.abs(overridden.solution.amps.get('override')!)).toBeLessThan(0.05)
})

test('two fans: a dead second one, an override that reaches one of two, and what each proof measures', () => {
  const staged = wiredAs(changeIntent(two(buggy), { control: 'thermostat and override' }), 'staged', shelf)
  expect(wrong(staged)).toEqual([])
  expect(wrong(staged, ['open:fan2']).join()).toMatch(/only one fan runs, fan 2 stands/)
  // without the diodes that part them the override reaches the first relay only
  expect(wrong(changeWiring(staged, { diodes: [] })).join()).toMatch(/override on.*only one fan runs, fan 2 stands/)
  // its second feed begins at the battery, as long as the first
  const feeds = circuitsOf(staged).map((c) => c.conductors.find((x) => x.role === 'feed')!.lengthM.value)
  expect(feeds[1]).toBeCloseTo(feeds[0]!, 6)
  // one relay for both: its own sizing lets it be, and the clamp goes where the feeds have parted
  const one = wiredAs(two(bike), 'one relay', shelf)
  expect(judgeScheme(two(bike), 'one relay', shelf).verdict).not.toBe('does not do it')
  expect(
    proofsOf(one)
      .filter((p) => /^amps/.test(p.id))
      .map((p) => p.how)
      .join(),
  ).toMatch(/its own wire, where the feeds have parted/)
})

test('a hand switch and an override are two ways of closing, each looked at by itself', () => {
  const part = byHand(buggy.controllers[0]!.part, 'hand')
  const job = changeWiring(
    changeIntent(
      changeRun(chooseController(buggy, { ...part, contact: { ratedA: 20, rating: 'motor', makeA: null } }, null), {
        switchedBy: 'controller',
      }),
      {
        control: 'hand switch',
      },
    ),
    { override: 'feed' },
  )
  expect(switchStates(netlistOf(job)).some((s) => s.hand && !s.override)).toBe(true)
  const bench = new Bench(lookupOf(job))
  const fan = runCurrent(bench, fannedCircuits(job)[0]!.fan).value
  const fuse = loadsOf(job).fuses.get(job.fuses[0]!.id)!
  expect(currentIn(bench, job, fuse).value).toBeCloseTo(fan, 1)
})

test('what lies in a bay gets the bay’s heat; what lies by the exhaust 30 K more than was read', () => {
  const hot = { ...digger.conductors[0]!, lies: 'exhaust' as const }
  const at = (job: Job): number => guardsOf(job).find((g) => g.conductor === hot.id)!.allowedA
  const lain = (lies: 'bay' | 'exhaust' | 'outside'): Job => ({
    ...digger,
    conductors: digger.conductors.map((c) => (c.id === hot.id ? { ...c, lies } : c)),
  })
  const table = { '1 mm²': 20, '1.5 mm²': 25, '2.5 mm²': 35 } as Record<string, number>
  const by = (ambient: number): number => table[hot.size!]! * Math.sqrt((hot.insulationC - ambient) / 75)
  expect(at(lain('bay'))).toBeCloseTo(by(digger.bay!.allowedC.value), 6)
  expect(at(lain('outside'))).toBeCloseTo(by(digger.surroundings.hottestC.value), 6)
  expect(at(lain('exhaust'))).toBeCloseTo(by(hot.ambientC.value + 30), 6)
  // a job from before is read as lying in its bay, and its old fuse is told
  expect(margin(changeFuse(digger, 7.5), 'fuse').verdict).toBe('short')
  expect(
    jobSchema.safeParse({ ...buggy, conductors: buggy.conductors.map((c) => ({ ...c, lies: 'bay' })) }).success,
  ).toBe(false)
})

test('contacts that the circuit has stand in the supply: relay 8 mohm, isolator 5, a key’s feed 20 and its fuse', () => {
  const ohm = (job: Job): number => circuitsOf(job)[0]!.contactsOhm
  expect(ohm(buggy)).toBeCloseTo(0.008, 9)
  expect(ohm(trailer)).toBeCloseTo(0.013, 9)
  const keyed = changeRun(buggy, { source: 'key switch' })
  expect(ohm(keyed)).toBeCloseTo(0.008 + 0.005 + 0.015 + 0.12 * 10 ** -1.2, 9)
  expect(wiresOf(new Bench(lookupOf(keyed)), circuitsOf(keyed)[0]!).contactsOhm).toBe(ohm(keyed))
})

test('a plain wire behind the key: always on with it, no setting, keys or probe; fuses beyond 40 A can be written', () => {
  const part = byHand(bike.controllers[0]!.part, 'always')
  const always = changeIntent(
    changeRun(chooseController(bike, part, null), { switchedBy: 'controller', source: 'key switch' }),
    { control: 'always on' },
  )
  expect(wrong(always)).toEqual([])
  const steps = stepsOf(always).map((s) => s.id)
  for (const id of ['probe', 'controller', 'test-setting']) expect(steps).not.toContain(id)
  expect(evaluate(always).margins.find((m) => m.id === 'trigger')).toBeUndefined()
  const large = changeFuse(buggy, 50)
  expect(large.fuses[0]).toMatchObject({ kind: 'large blade', ratingA: 50 })
  expect(jobSchema.safeParse(changeFuse(buggy, 50, 'breaker')).success).toBe(true)
})

test('a second fan gets a controller of its own, set later than the first', () => {
  const own = ownController(two(buggy), 1)
  expect(own.controllers).toHaveLength(2)
  expect(own.controllers[1]!.setC - own.controllers[0]!.setC).toBe(5)
  expect(jobSchema.safeParse(own).success).toBe(true)
})

/** Forward from the battery through all that may close, fuses left out: what a wire of these is joined to is bare. */
function bareNodes(job: Job, closed: ReadonlySet<string>): ReadonlySet<string> {
  const reached = new Set(['bat_plus'])
  for (const at of reached)
    for (const e of netlistOf(job).elements) {
      if (e.kind === 'fuse' || e.kind === 'source' || e.kind === 'coil' || e.kind === 'load') continue
      if (e.kind === 'switch' && !closed.has(e.by)) continue
      if (e.a === at && e.b !== 'gnd') reached.add(e.b)
      if (e.b === at && e.a !== 'gnd' && e.kind !== 'diode') reached.add(e.a)
    }
  return reached
}

test(
  'over circuits of every make: nothing called “as asked” feeds the ignition, no bare wire is unnamed, ' +
    'every terminal has its wire',
  () => {
    fc.assert(
      fc.property(anyCircuit, (made) => {
        const trailing = made.engine === null
        const proof = provedCircuit(made)
        for (const s of [...proof.rows.flatMap((r) => r.states), ...proof.latches])
          if (s.mismatch === null && !s.conditions.key && !trailing)
            expect(s.solution.floating.includes('ign') || s.solution.volts.get('ign')! <= 1).toBe(true)
        // every way that ends elsewhere is there: solved once more from each state beside it, none is new
        const states = switchStates(proof.net)
        const bare = new Set(
          states.flatMap((s) => {
            const closed = new Set(Object.entries(s).flatMap(([by, on]) => (on ? [by] : [])))
            const nodes = bareNodes(made, closed)
            return proof.net.elements.flatMap((e) =>
              e.kind === 'wire' && e.conductor !== null && [e.a, e.b].some((n) => n !== 'gnd' && nodes.has(n))
                ? [e.name]
                : [],
            )
          }),
        )
        for (const g of guardsOf(made))
          expect([g.wire, g.bare || g.unknown !== null]).toEqual([g.wire, bare.has(g.wire)])
        expect(gapsOf(made, proof.net)).toEqual([])
      }),
      { numRuns: often(40), seed: 14 },
    )
  },
)

test(
  'a kit that is fed by the battery and switches by its own contact is as asked by one wish only, and stands on the ' +
    'battery by every one',
  () => {
    const kit = (live: Job['use']['live']): Job =>
      changeWiring(
        changeIntent(
          changeRun(
            { ...bike, use: { ...bike.use, live } },
            {
              source: 'battery',
              switchedBy: 'controller',
            },
          ),
          { control: 'thermostat', deadWhenParked: 'the fan' },
        ),
        {
          controlFrom: 'feed',
          timer: false,
          isolator: false,
          override: 'none',
          call: false,
          diodes: [],
          side: 'positive',
        },
      )
    expect(wrong(kit('whenever hot'))).toEqual([])
    for (const live of ['key only', 'after-run', 'isolator'] as const) expect(wrong(kit(live))).not.toEqual([])
    const parts = (live: Job['use']['live']) => margin(kit(live), 'battery').parts.map((p) => p.name)
    // the battery carries it whatever was wanted
    for (const live of ['whenever hot', 'key only'] as const) expect(parts(live)).toContain('after switch-off')
    expect(
      margin(changeRun(kit('whenever hot'), { source: 'key switch' }), 'battery').parts.map((p) => p.name),
    ).toEqual(['standing', 'while cranking'])
    // what is fed by the key cannot be what was asked
    expect(wrong(changeRun(kit('whenever hot'), { source: 'key switch' }))).not.toEqual([])
  },
)
