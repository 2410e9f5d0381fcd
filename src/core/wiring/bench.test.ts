import { breakerOrFuse, sideAdvice } from '../advice'
import { identifyWires, rankSources, type WireReading } from '../circuit'
import { pinAt, plugDrawing, relayPins } from '../drawing'
import { circuitsOf, chooseController, fanSpeed } from '../fan-circuit'
import {
  changeConductor,
  changeFuse,
  changePlace,
  changeWiring,
  type Job,
  jobSchema,
  lookupOf,
  withReading,
  wiresInUse,
} from '../job'
import { evaluate } from '../margins'
import { alike, copiedFacts, figuresIn, handSwitch, type HarnessPart, type Part, plainWire } from '../parts'
import { stepsOf } from '../build'
import { planWarnings } from '../plan'
import { Bench, measured } from '../reading'
import { example, exampleShelf } from '../../formats/test-support/examples'
import { cutList } from './cut-list'
import { groundPlan } from './ground-plan'
import { makeEdit, movesBarred } from './harness'
import { jointChoices } from './joints'
import { dropKit, kitPlan, matchKitWire, takeKit } from './kit'
import { currentIn } from './branch-currents'
import { loadsOf } from './loads'
import { netlistOf } from './netlist'
import { provedCircuit } from './proof'
import { routeOf, setPassing } from './route'
import { takeAsFeed } from './unknowns'

const buggy = example('vineyard-buggy-ready')
const bike = example('fell-bike-signed')
const shelf = exampleShelf()
const part = <K extends Part['kind']>(id: string): Extract<Part, { kind: K }> =>
  shelf.find((p) => p.id === id) as Extract<Part, { kind: K }>
const loom = part<'harness'>('harness-heron')
const partOf = (job: Job, margin: string, id: string) =>
  evaluate(job)
    .margins.find((m) => m.id === margin)!
    .parts.find((p) => p.id === id)!
const valid = (job: Job): unknown => jobSchema.safeParse(job).error
const wire = (job: Job, role: string) => job.conductors.find((c) => c.role === role)!

test('a size told by eye counts as the next thinner one, for what it carries and drops, not for its terminal', () => {
  const sized = changeConductor(buggy, 'feed1', { size: '2.5 mm²' })
  const eyed = changeConductor(sized, 'feed1', { sizeFrom: 'by eye' })
  const thin = changeConductor(sized, 'feed1', { size: '1.5 mm²' })
  for (const id of ['carries, feed', 'strong enough, feed'])
    expect(partOf(eyed, 'wire', id).value).toBe(partOf(thin, 'wire', id).value)
  expect(partOf(eyed, 'supply', 'wires').value).toBe(partOf(thin, 'supply', 'wires').value)
  const room = (job: Job) => partOf(job, 'wire', 'fits the terminal, feed')?.value
  expect(room(eyed)).toBe(room(sized))
})

test('a key carries what hangs behind it already: 0.8 of its rating less the fan and that', () => {
  const key = part<'switch'>('switch-key-trail')
  const fed = {
    ...withReading(buggy, 'wiring.feedLoadA', measured(4)),
    switches: [...buggy.switches, { id: 'key9', part: key }],
    runs: buggy.runs.map((r) => ({ ...r, source: 'key switch' as const, keySwitch: 'key9' })),
  }
  const found = partOf(fed, 'contacts', 'key runs')
  const load = loadsOf(fed).contacts.find((c) => c.id === 'key')!.load
  const fan = currentIn(new Bench(lookupOf(fed)), fed, load).value
  const motor = key.contact.rating === 'motor' ? key.contact.ratedA : key.contact.ratedA / 2
  expect(found.value).toBeCloseTo(0.8 * motor - fan - 4, 9)
})

test('the low speed of a plug: its resistor takes volts from the fan by Ohm, in circuit, speed and proof', () => {
  const plug = (speed: Job['wiring']['plugSpeed']) =>
    withReading(takeAsFeed(buggy, 'existing plug', 15, speed), 'wiring.plugResistorOhm', measured(0.8))
  const [low, high] = [plug('low'), plug('high')]
  const net = netlistOf(low)
  expect(net.elements.find((e) => e.name === 'plug_resistor')).toMatchObject({ ohm: 0.8 })
  expect(netlistOf(high).elements.some((e) => e.name === 'plug_resistor')).toBe(false)
  const hot = (job: Job) =>
    provedCircuit(job)
      .rows.flatMap((r) => r.states)
      .find((s) => s.conditions.key && s.conditions.engine && s.conditions.heat === 'hot')!
  const { amps, volts } = hot(low).solution
  expect(volts.get('plug_out')! - volts.get('plug_low')!).toBeCloseTo(0.8 * amps.get('plug_resistor')!, 6)
  expect(hot(low).fans[0]!.speed).toBeLessThan(hot(high).fans[0]!.speed - 0.1)
  const speed = (job: Job) => fanSpeed(new Bench(lookupOf(job)), circuitsOf(job)[0]!)
  expect(speed(low)).toBeCloseTo(hot(low).fans[0]!.speed, 1)
  expect(net.problems.map((p) => p.text).join()).toMatch(/low speed of the plug/)
})

test('a plain wire and a hand switch stand where a controller would, without a part of their own on the shelf', () => {
  const wired = chooseController(
    { ...buggy, runs: buggy.runs.map((r) => ({ ...r, switchedBy: 'controller' as const })) },
    plainWire,
    null,
  )
  expect(valid(wired)).toBeUndefined()
  expect(netlistOf(wired).elements.some((e) => e.kind === 'output')).toBe(false)
  const hand = handSwitch(part<'switch'>('switch-isolator'))
  const byHand = chooseController(wired, hand, null)
  expect(valid(byHand)).toBeUndefined()
  expect(partOf(byHand, 'contacts', 'controller runs').value).not.toBeNull()
  expect(netlistOf(byHand).elements).toContainEqual(expect.objectContaining({ kind: 'switch', by: 'hand' }))
})

describe('a ready-made harness', () => {
  const typical = {
    ...buggy,
    conductors: buggy.conductors.map((c) => ({ ...c, lengthM: { ...c.lengthM, source: 'typical' as const } })),
  }
  const taken = takeKit(typical, loom)
  test('becomes the job’s wires by what its sheet says; what it lacks and what has no place is told', () => {
    expect(valid(taken)).toBeUndefined()
    expect(wire(taken, 'feed')).toMatchObject({
      size: '2.5 mm²',
      colour: 'red',
      lengthM: { value: 1.8, source: 'label' },
    })
    const plan = kitPlan(taken)!
    expect(plan.lines.find((l) => l.lead.colour === 'green')).toMatchObject({ conductor: null })
    expect(plan.lines.find((l) => l.lead.colour === 'grey')!.conductor).toBe('control')
    expect(plan.lacking).toContain("controller's ground")
    expect(plan.lacking).not.toContain('feed')
  })
  test('is neither cut nor crimped, and stands on the list once', () => {
    const [before, after] = [cutList(typical, shelf), cutList(taken, shelf)]
    expect(after.wires.filter((w) => w.fromKit).map((w) => w.conductor)).toContain('feed1')
    expect(after.shopping.filter((s) => s.what === loom.name)).toMatchObject([{ count: 1, has: 'on the shelf' }])
    expect(after.totals.some((t) => t.size === '2.5 mm²')).toBe(false)
    const joints = (l: typeof before) => l.joints.reduce((n, j) => n + j.count, 0)
    const made = after.wires.filter((w) => w.fromKit).length
    expect(joints(after)).toBe(joints(before) - 2 * made)
    // fifteen of the twenty minutes for joints, by the share of wires that come made; a holder's five where it
    // brings one
    const minutes = (job: Job, id: string) => stepsOf(job).find((s) => s.id === id)!.minutes
    const share = new Set(taken.wiring.kit!.wires.map((w) => w.conductor)).size / wiresInUse(taken).length
    expect(minutes(taken, 'joints')).toBe(minutes(typical, 'joints') - Math.round(15 * share))
    const holder = loom.brings.includes('fuse holder') ? 5 : 0
    expect(minutes(taken, 'fuse-holder')).toBe(minutes(typical, 'fuse-holder') - holder)
  })
  test('another fuse than the job asks for is told before it is plugged in; the same one is not bought twice', () => {
    const fused = (ratingA: number) => changeFuse(taken, ratingA)
    const line = (job: Job) => cutList(job, shelf).shopping.find((s) => /^\d+(\.\d)? A blade/.test(s.what))!
    expect(cutList(fused(10), shelf).problems.join()).toMatch(/brings a 15 A fuse where 10 A is asked/)
    expect(planWarnings(fused(10)).some((w) => w.text.includes('brings a 15 A fuse'))).toBe(true)
    expect(line(fused(10))).toMatchObject({ count: 2 })
    expect(planWarnings(fused(15)).some((w) => w.text.includes('brings a 15 A fuse'))).toBe(false)
    expect(line(fused(15))).toMatchObject({ count: 1, what: expect.stringMatching(/a spare/) as string })
  })
  test('against a measured way: 1.05 of it and 50 mm; too short is told, extended is not', () => {
    const feed = (m: number) => takeKit(withReading(typical, 'conductors.feed1.lengthM', measured(m)), loom)
    const line = (job: Job) => kitPlan(job)!.lines.find((l) => l.conductor === 'feed1')!
    expect(line(feed(1.2))).toMatchObject({ needM: 1.05 * 1.2 + 0.05, spareM: 1.8 - (1.05 * 1.2 + 0.05) })
    // the wire that lies there is as long as it is, not as its way
    expect(wire(feed(1.2), 'feed').lengthM.value).toBe(1.8)
    const short = feed(2.4)
    expect(line(short).spareM).toBeLessThan(0)
    expect(cutList(short, shelf).problems.join()).toMatch(/red wire \(feed\) is .* too short/)
    expect(planWarnings(short).some((w) => /red wire \(feed\) is .* too short/.test(w.text))).toBe(true)
    expect(wire(dropKit(feed(1.2)), 'feed').lengthM).toMatchObject({ value: 1.2, source: 'measured' })
  })
  test('two leads of one size that reach the other way round are proposed for a swap; a wire is one wire', () => {
    const ways = { 'conductors.feed1.lengthM': 1, 'conductors.return1.lengthM': 1.6 }
    const measuredWays = Object.entries(ways).reduce<Job>((j, [a, m]) => withReading(j, a, measured(m)), typical)
    expect(kitPlan(takeKit(measuredWays, loom))!.swaps).toEqual([['feed', 'way back']])
    const moved = matchKitWire(taken, 5, 'feed1')
    expect(moved.wiring.kit!.wires.filter((w) => w.conductor === 'feed1')).toMatchObject([{ wire: 5 }])
    expect(wire(moved, 'feed')).toMatchObject({ colour: 'green', size: '1 mm²' })
    const odd: HarnessPart = { ...loom, wires: ['?, ?, 2 m, ?'] }
    expect(kitPlan(takeKit(typical, odd))!.lines[0]).toMatchObject({ conductor: null, lead: { size: null, use: '' } })
  })
})

test('joints where it is wet, the way past what is hot or turns, and grounds, each in list, steps and warnings', () => {
  const wet = { ...buggy, surroundings: { ...buggy.surroundings, livesIn: 'rain' as const, shielded: false } }
  expect(
    jointChoices(wet)
      .filter((j) => j.fits)
      .map((j) => j.kind),
  ).toEqual(['sealed crimp', 'sealed plug'])
  const open = changeWiring(wet, { joints: 'push-on' })
  expect(cutList(open, shelf).problems.join()).toMatch(/push-on.*it gets wet/)
  expect(cutList(open, shelf).joints.some((j) => j.name === 'push-on pair')).toBe(true)
  expect(stepsOf(open).find((s) => s.id === 'joints')!.tell).toMatch(/not here, it gets wet/)
  expect(routeOf(buggy).every((l) => l.how === null && l.wrong === null)).toBe(true)
  // no guard makes a wire in the blades right; past the exhaust one does
  const laid = setPassing(setPassing(buggy, 'blades', 'passes, guarded'), 'exhaust', 'passes, guarded')
  expect(routeOf(laid).flatMap((l) => (l.wrong ? [l.hazard] : []))).toEqual(['blades'])
  expect(planWarnings(laid).map((w) => w.id)).toContain('route blades')
  expect(stepsOf(laid).find((s) => s.id === 'route')!.tell).toMatch(/glass sleeve.*Not looked at yet/s)
  expect(routeOf(setPassing(laid, 'blades', 'keeps away')).some((l) => l.wrong)).toBe(false)
  // every wire that ends on negative, once, and the fan's apart from the signals'
  const plan = groundPlan({ ...buggy, runs: buggy.runs.map((r) => ({ ...r, frame: true })) })
  expect(plan.filter((l) => l.carries === 'fan').map((l) => l.at)).toEqual(['frame, clean metal'])
  expect(plan.filter((l) => l.carries === 'signals').every((l) => l.at === 'battery −')).toBe(true)
})

test('a relay turned four times is as it was; seen from the wires left and right change places, 30 stays with 87', () => {
  for (const pin of relayPins) {
    const at = (seen: 'pin side' | 'wire side', quarters: number) => pinAt(pin, { seen, quarters })
    expect(at('pin side', 4)).toEqual(at('pin side', 0))
    expect(at('wire side', 0).x).toBeCloseTo(-at('pin side', 0).x, 12)
    expect(Math.hypot(at('wire side', 3).x, at('wire side', 3).y)).toBeCloseTo(
      Math.hypot(at('pin side', 0).x, at('pin side', 0).y),
      12,
    )
  }
  // a plug of three holes runs the other way seen from its wires, and stands upright after a quarter
  const plug = (seen: 'pin side' | 'wire side', quarters: number) =>
    plugDrawing(
      'p',
      [
        { name: '1', words: 'red' },
        { name: '2', words: '' },
        { name: '3', words: 'black' },
      ],
      { seen, quarters },
    )
  const place = (d: ReturnType<typeof plug>, name: string) =>
    d.shapes.flatMap((s) => (s.kind === 'text' && s.text === name ? [[s.x, s.y]] : []))[0]!
  expect(place(plug('pin side', 0), '1')[0]!).toBeCloseTo(-place(plug('wire side', 0), '1')[0]!, 9)
  expect(place(plug('pin side', 1), '1')[0]!).toBeCloseTo(place(plug('pin side', 1), '3')[0]!, 9)
  expect(plug('wire side', 2).says).toMatch(/onto its wires: 1 red, 2 empty, 3 black/)
  const moves = [
    { cavity: '1', before: 'red', after: 'black' },
    { cavity: '2', before: 'black', after: 'red' },
  ]
  expect(movesBarred(moves)).toBeNull()
  expect(movesBarred([moves[0]!])).toMatch(/red comes out of hole 1 and goes nowhere/)
  expect(movesBarred([...moves, { cavity: '3', before: '', after: 'RED' }])).toMatch(/red cannot be in two holes/)
  expect(movesBarred([...moves, moves[0]!])).toMatch(/hole 1 stands twice/)
  const edited = makeEdit(buggy, { kind: 'move pins', what: 'the fan’s plug', moves })
  expect(valid(edited)).toBeUndefined()
  expect(stepsOf(edited).find((s) => s.id === 'harness')!.tell).toMatch(/hole 1: red out, black in/)
})

test('which wire to take: the maker’s own first, never what may be the engine’s feed; low and high speed told apart', () => {
  const known = ['w0', 'w1', 'w2', 'w3'].map((id) => ({ id, size: '1.5 mm²' as const, fuseA: 10 }))
  const row = (test: string, ...values: readonly number[]): WireReading[] =>
    values.map((value, i) => ({ test, wire: `w${i}`, value }))
  const cold = [...row('off', 0, 0, 0, 0), ...row('on', 12.4, 12.4, 0, 0), ...row('lights', 12.2, 12.2, 0, 0)]
  const both = identifyWires(known, [...cold, ...row('ohms', 4, 4, 3, 3), ...row('lamp', 12, 12, 0, 0)], 12)
  // live with the key and a coil's ohms behind it: left alone until the starter has turned
  expect(rankSources(both).leave.map((l) => l.id)).toEqual(expect.arrayContaining(['w0', 'w1']))
  const more = [...cold, ...row('ohms', 4, 4, 3, 3), ...row('lamp', 12, 12, 0, 0), ...row('hot', 13, 13, 13, 13)]
  const found = identifyWires(
    known,
    [
      ...more,
      { test: 'crank', wire: 'w0', value: 0.1 },
      { test: 'crank', wire: 'w1', value: 9.6 },
      { test: 'heavy', wire: 'w2', value: 12.6 },
      { test: 'heavy', wire: 'w3', value: 8.9 },
    ],
    12,
  )
  expect(found.map((f) => f.known)).toEqual(['switched', null, 'fan', 'fanLow'])
  const ranked = rankSources(found)
  expect(ranked.take.map((t) => t.id)).toEqual(['w2', 'w0', 'w3'])
  expect(ranked.leave).toMatchObject([{ id: 'w1' }])
})

test('behind the core where it fits, before it only where there is no room; a breaker with what it costs here', () => {
  expect(sideAdvice(bike)).toMatchObject({ better: 'puller' })
  const room = { freeDepthM: measured(0.001), freeFrontM: measured(0.3) }
  // its fork crown comes 26 mm too near in front, however much is free beside it
  expect(sideAdvice(changePlace(bike, room))!.better).toBeNull()
  const tight = changePlace(bike, { ...room, obstacles: [] })
  expect(sideAdvice(tight)).toMatchObject({ better: 'pusher', why: expect.stringMatching(/no room behind/) as string })
  const none = changePlace(tight, { freeFrontM: measured(0.001) })
  expect(sideAdvice(none)!.better).toBeNull()
  expect(sideAdvice(example('churchyard-digger-bay'))).toBeNull()
  const [fuse, breaker] = breakerOrFuse(
    { ...buggy, fuses: buggy.fuses.map((f) => ({ ...f, kind: 'breaker' as const, fromPostM: measured(0.4) })) },
    shelf,
  )!
  expect(breaker.inUse && !fuse.inUse).toBe(true)
  expect(breaker.against.join()).toMatch(/closing into a short.*live terminals.*400 mm from the post/)
})

test('a pasted description gives its figures to the right lines; two that were copied count as one source', () => {
  const text = 'Axial fan, blade diameter 255 mm, depth 63 mm, current 6.8 A, lead 400 mm, 1450 m3/h, weight 1.1 kg.'
  const found = Object.fromEntries(figuresIn('fan', text, 'metric').map((f) => [f.line.path, f.value]))
  expect(found).toMatchObject({ diameterM: 0.255, depthM: 0.063, ratedA: 6.8, leadM: 0.4, massKg: 1.1 })
  expect(found.freeFlowM3s).toBeCloseTo(1450 / 3600, 9)
  // a length without a word that says which is nobody's
  expect(figuresIn('fan', 'about 300 mm', 'metric')).toEqual([])
  const other = 'A puller for narrow cores. Draws 7.5 A at 13 V, tested on our bench at 20 °C over an hour.'
  expect(alike(text, text.replace('Axial fan,', 'AXIAL FAN –').replace('1.1', '1.15'))).toBeGreaterThan(0.8)
  expect(alike(text, other)).toBeLessThan(0.4)
  const fact = (id: string, from: 'on the box' | 'in the sheet' | 'the seller said', note: string) => ({
    id,
    about: 'ratedA',
    from,
    value: 6.8,
    typed: '6.8 A',
    note,
  })
  const facts = [
    fact('f1', 'in the sheet', text),
    fact('f2', 'the seller said', `${text} New!`),
    fact('f3', 'on the box', other),
  ]
  expect([...copiedFacts({ facts })]).toEqual([['f2', 'f1']])
})
