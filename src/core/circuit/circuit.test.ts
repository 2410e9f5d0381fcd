import fc from 'fast-check'
import {
  Circuit,
  conducts,
  faultsOf,
  GROUND,
  LEAK_S,
  symptoms,
  withFaults,
  type Conditions,
  type Element,
  type Netlist,
  type Solution,
} from '.'
import { motorConstants } from '../electrical'
import { eightAmps, groundSide, state, wire } from './test-support/netlists'

const solved = (net: Netlist, c: Partial<Conditions>, before?: Solution): Solution =>
  new Circuit(net).solve(state(c), before?.states)
const amps = (s: Solution, name: string): number => s.amps.get(name)!
const volts = (s: Solution, name: string): number => s.volts.get(name)!

/** What flows into a node less what flows out of it, the leak included. */
function imbalance(net: Netlist, s: Solution, node: string): number {
  const through = net.elements.reduce((sum, e) => {
    const i = amps(s, e.name)
    // a source drives its current out of `a`
    const out = e.kind === 'source' ? -i : i
    if (e.kind !== 'chopper') return sum + (e.a === node ? out : 0) - (e.b === node ? out : 0)
    const d = s.states.duty.get(e.controller) ?? 0
    return sum + (e.a === node ? d * i : 0) + (e.return === node ? (1 - d) * i : 0) - (e.b === node ? i : 0)
  }, 0)
  return through + LEAK_S * volts(s, node)
}

const nodeName = fc.constantFrom(GROUND, 'n_a', 'n_b', 'n_c', 'n_d', 'n_e', 'n_f')
const ends = fc.tuple(nodeName, nodeName).filter(([a, b]) => a !== b)
const rating = fc.record({
  motor: fc.constantFrom('brushed' as const, 'brushed' as const, 'brushless' as const),
  ratedV: fc.constant(12),
  ratedA: fc.double({ min: 0.5, max: 25, noNaN: true }),
  lockedA: fc.constant(null),
  diameterM: fc.constant(0.2),
})
const ohm = fc.double({ min: 0.001, max: 50, noNaN: true })
const anyElement = fc.tuple(
  ends,
  fc.oneof(
    ohm.map((o) => ({ kind: 'wire' as const, ohm: o, conductor: null })),
    ohm.map((o) => ({ kind: 'load' as const, ohm: o, what: 'lamp' as const })),
    fc.record({ kind: fc.constant('motor' as const), rating, fan: fc.constant('fan'), jammed: fc.boolean() }),
    fc.record({
      kind: fc.constant('coil' as const),
      relay: fc.constantFrom('r1', 'r2'),
      ohm: fc.constant(90),
      pullInV: fc.constant(7.2),
      letGoV: fc.constant(2.4),
    }),
    fc.record({
      kind: fc.constant('contact' as const),
      relay: fc.constantFrom('r1', 'r2'),
      atRest: fc.constantFrom('open' as const, 'closed' as const),
      ohm: fc.constant(0.008),
      rating: fc.constant(null),
    }),
    fc.record({
      kind: fc.constant('switch' as const),
      by: fc.constantFrom('key' as const, 'override' as const),
      ohm: fc.constant(0.01),
      rating: fc.constant(null),
    }),
    fc.constant({ kind: 'diode' as const }),
    fc.record({
      kind: fc.constant('fuse' as const),
      ohm: fc.constant(0.005),
      ratingA: fc.constantFrom(5, 15, 30),
      form: fc.constant('blade' as const),
    }),
    fc.record({
      kind: fc.constant('chopper' as const),
      controller: fc.constant('ramp'),
      return: fc.constant(GROUND),
      ohm: fc.constant(0.01),
      rating: fc.constant(null),
    }),
  ),
)
const anyNetlist = fc.array(anyElement, { minLength: 3, maxLength: 16 }).map((list): Netlist => ({
  elements: [
    { kind: 'source', name: 'battery', label: 'battery', a: 'n_a', b: GROUND, restV: 12.6, runningV: 14.2, ohm: 0.03 },
    ...list.map(([[a, b], e], i): Element => ({ ...e, name: `e${i}`, label: `e${i}`, a, b })),
  ],
  controls: [
    {
      id: 'ramp',
      label: 'ramp',
      supply: ['n_a', GROUND],
      leastV: 6,
      duty: { cold: 0, rising: 0, falling: 0.15, hot: 0.6 },
      stuck: null,
      whenOpen: 'off',
      whenShorted: 'on',
    },
  ],
}))

test('Kirchhoff: at every node of any circuit what flows in flows out, and every voltage round a loop adds up', () => {
  fc.assert(
    fc.property(
      anyNetlist,
      fc.boolean(),
      fc.boolean(),
      fc.constantFrom('cold' as const, 'falling' as const, 'hot' as const),
      (net, key, engine, heat) => {
        const s = solved(net, { key, engine, heat })
        const most = Math.max(1, ...[...s.amps.values()].map(Math.abs))
        for (const node of s.volts.keys()) expect(Math.abs(imbalance(net, s, node))).toBeLessThan(1e-6 * most)
        for (const e of net.elements) {
          const across = (s.volts.get(e.a) ?? 0) - (s.volts.get(e.b) ?? 0)
          const i = amps(s, e.name)
          if (!conducts(e, s.states, state({ key, engine, heat }))) expect(i).toBe(0)
          else if (e.kind === 'source') expect(across + 0.03 * i).toBeCloseTo(engine ? 14.2 : 12.6, 6)
          else if ('ohm' in e && e.kind !== 'chopper') expect(across).toBeCloseTo(i * e.ohm, 6)
          else if (e.kind === 'motor' && !e.jammed && e.rating.motor === 'brushed') {
            // V = I R + k ω, and k (I − I₀) = c ω² while it turns. §1.6
            const { r, k, c, i0 } = motorConstants(e.rating)
            const w = s.speeds.get(e.name)!
            expect(across).toBeCloseTo(i * r + k * w, 6)
            if (w !== 0) expect(k * (Math.abs(i) - i0)).toBeCloseTo(c * w * w, 5)
          }
        }
      },
    ),
    { numRuns: 400 },
  )
})

test('the good circuit: dead with the key off, silent cold, running hot, held in the band on the way down', () => {
  const net = groundSide()
  const parked = solved(net, { key: false, heat: 'hot' })
  expect(amps(parked, 'fan_1')).toBeCloseTo(0, 6)
  // hot, the switch joins 85, 86 and the dead key wire to ground; cold, they hang in the air
  expect(parked.floating).toEqual([])
  expect(solved(net, { key: false, heat: 'cold' }).floating.slice().sort()).toEqual(['ign', 'pin_85', 'pin_86'])
  expect(solved(net, { heat: 'rising' }).speeds.get('fan_1')).toBe(0)
  const hot = solved(net, { heat: 'hot', engine: true })
  // 14.2 V behind 0.085 ohm: by hand (R + R_w)(c/k) ω² + k ω = V − (R + R_w) I₀ with R 0.375, k 9, c 64.8, I₀ 0.8
  const ohm = 0.375 + 0.02 + 0.002 + 0.12 * 15 ** -1.2 + 0.02 + 0.008 + 0.01 + 0.02
  const [a, b, c] = [(ohm * 64.8) / 9, 9, -(14.2 - ohm * 0.8)]
  const w = (-b + Math.sqrt(b * b - 4 * a * c)) / (2 * a)
  // the coil's 0.15 A goes through the battery's own resistance too: 3 mV
  expect(hot.speeds.get('fan_1')).toBeCloseTo(w, 3)
  expect(amps(hot, 'fan_1')).toBeCloseTo(0.8 + 7.2 * w * w, 2)
  expect(amps(hot, 'thermostat')).toBeCloseTo(amps(hot, 'coil_1'), 6)
  expect(amps(solved(net, { heat: 'falling' }), 'fan_1')).toBeGreaterThan(7)
})

test('what a thermostat switch to ground does in the well-known wrong joins', () => {
  const net = groundSide()
  // fan ground alone 20 ohm: 12.65 / (0.375 + 20 + a little) = 0.62 A, less than I₀: the relay clicks, the fan stands,
  // its ground is near battery voltage
  const bad = solved(withFaults(net, ['bad:return_1']), { heat: 'hot' })
  expect(bad.states.pulled.has('relay1')).toBe(true)
  expect(amps(bad, 'fan_1')).toBeCloseTo(0.62, 2)
  expect(bad.speeds.get('fan_1')).toBe(0)
  expect(volts(bad, 'fan_minus')).toBeGreaterThan(12)
  // the fan's ground moved to 85: switch open, nothing runs; closed, the whole current goes through it
  const moved = withFaults(net, ['ground_at_85:fan_1'])
  expect(amps(solved(moved, { heat: 'cold' }), 'fan_1')).toBeCloseTo(0, 3)
  expect(volts(solved(moved, { heat: 'cold' }), 'pin_85')).toBeGreaterThan(12.5)
  const through = solved(moved, { heat: 'hot' })
  expect(amps(through, 'thermostat')).toBeCloseTo(amps(through, 'fan_1') + amps(through, 'coil_1'), 6)
  expect(amps(through, 'thermostat')).toBeGreaterThan(8)
  // 85 joined to a fan ground that reaches the frame: it runs whenever the coil is fed
  const joined = withFaults(net, ['ground_joined:fan_1'])
  expect(amps(solved(joined, { heat: 'cold' }), 'fan_1')).toBeGreaterThan(7)
  expect(amps(solved(joined, { heat: 'cold', key: false }), 'fan_1')).toBeCloseTo(0, 3)
  // the coil taken from the battery: key off and hot it runs; cold nothing flows but 30, 86 and 85 stay live
  const always = withFaults(net, ['from_battery:control_feed'])
  expect(amps(solved(always, { key: false, heat: 'hot' }), 'fan_1')).toBeGreaterThan(7)
  const still = solved(always, { key: false, heat: 'cold' })
  for (const node of ['pin_30', 'pin_86', 'pin_85']) expect(volts(still, node)).toBeGreaterThan(12.6)
  expect(amps(still, 'battery')).toBeCloseTo(0, 5)
})

test('a bad ground that switch and fan share: chattering at 20 ohm, slow at 2 ohm', () => {
  const shared = (ohm: number): Netlist => {
    const net = groundSide()
    return {
      ...net,
      elements: [
        ...net.elements.map((e) => (e.b === GROUND && e.kind === 'wire' ? { ...e, b: 'frame' } : e)),
        wire('frame_ground', 'frame', GROUND, ohm),
      ],
    }
  }
  // both loads behind 20 ohm: the fan's 0.6 A lifts the frame to about 12.3 V, the coil is left 0.35 V and lets go
  expect(solved(shared(20), { heat: 'hot' }).chattering).toEqual(['relay1'])
  const slow = solved(shared(2), { heat: 'hot' })
  expect(slow.chattering).toEqual([])
  expect(slow.speeds.get('fan_1')).toBeLessThan(0.7)
  expect(slow.speeds.get('fan_1')).toBeGreaterThan(0)
})

test('a controller that shares a bad ground with its fan starves as soon as it closes, and is told', () => {
  const net: Netlist = {
    elements: [
      {
        kind: 'source',
        name: 'battery',
        label: 'battery',
        a: 'bat_plus',
        b: GROUND,
        restV: 12.65,
        runningV: 14.2,
        ohm: 0.02,
      },
      {
        kind: 'output',
        name: 'output_1',
        label: 'contact',
        controller: 'c1',
        a: 'bat_plus',
        b: 'fan_plus',
        ohm: 0.008,
        rating: null,
      },
      {
        kind: 'motor',
        name: 'fan_1',
        label: 'fan',
        fan: 'fan1',
        a: 'fan_plus',
        b: 'frame',
        rating: eightAmps,
        jammed: false,
      },
      wire('frame_ground', 'frame', GROUND, 20),
    ],
    controls: [
      {
        id: 'c1',
        label: 'controller',
        supply: ['bat_plus', 'frame'],
        leastV: 6.6,
        duty: { cold: 0, rising: 0, falling: 1, hot: 1 },
        stuck: null,
        whenOpen: 'off',
        whenShorted: 'on',
      },
    ],
  }
  // closed, 0.6 A lift the frame to 12.4 V and leave it 0.2 V; open, it has all 12.65 V again
  expect(solved(net, { heat: 'hot' }).chattering).toEqual(['c1'])
  expect(solved(net, { heat: 'cold' }).chattering).toEqual([])
})

test('a relay that switches its own coil off chatters; a floating node is told and reads nothing', () => {
  const net = groundSide()
  const buzzer: Netlist = {
    ...net,
    elements: net.elements.map((e) =>
      e.name === 'control_feed'
        ? {
            kind: 'contact',
            name: 'control_feed',
            label: 'own contact',
            relay: 'relay1',
            atRest: 'closed',
            a: 'ign',
            b: 'pin_86',
            ohm: 0.008,
            rating: null,
          }
        : e,
    ),
  }
  expect(solved(buzzer, { heat: 'hot' }).chattering).toEqual(['relay1'])
  const broken = solved(withFaults(net, ['open:feed_2', 'open:return_1']), { heat: 'hot' })
  expect(broken.floating).toEqual(expect.arrayContaining(['pin_30', 'fan_plus', 'fan_minus']))
  expect(Math.abs(volts(broken, 'fan_minus'))).toBeLessThan(1e-6)
})

test('a short opens the fuse that is quickest, and nothing else; without a fuse the battery gives all it has', () => {
  const net = groundSide()
  const shorted: Netlist = { ...net, elements: [...net.elements, wire('chafed', 'fan_plus', GROUND, 0.002)] }
  const s = solved(shorted, { heat: 'hot' })
  expect(s.opened.map((o) => o.name)).toEqual(['fuse_1'])
  // 12.65 V over 0.02 + 0.002 + 0.0047 + 0.02 + 0.008 + 0.01 + 0.002 ohm, the fan and its coil beside it: about 190 A
  expect(s.opened[0]!.ampsBefore).toBeGreaterThan(180)
  expect(s.opened[0]!.longestS).toBeCloseTo(0.1, 9)
  expect(amps(s, 'fan_1')).toBeCloseTo(0, 6)
  expect(amps(solved(withFaults(shorted, ['bridged:fuse_1']), { heat: 'hot' }), 'battery')).toBeGreaterThan(150)
})

test('a wire chafed before the fuse is a short across the battery, said as such; behind it the fuse opens', () => {
  const told = (fault: string) => {
    const bare = withFaults(groundSide(), [fault])
    return symptoms(bare, solved(bare, { heat: 'hot' }), () => 'air').join('; ')
  }
  // 12.65 V over 0.02 + 0.002 + 0.002 ohm
  expect(told('chafed:feed_1')).toMatch(/a short across the battery, 52\d A: no fuse stands before it/)
  expect(told('chafed:feed_2')).toMatch(/fuse opens: \d+ A, within 0\.10 s/)
})

test(
  'swapped wires turn it backwards with the same current; held fast it takes V over R and its wires until the ' +
    'fuse opens',
  () => {
    const net = groundSide()
    const right = solved(net, { heat: 'hot' })
    const wrong = solved(withFaults(net, ['swapped:fan_1']), { heat: 'hot' })
    expect(wrong.speeds.get('fan_1')).toBeCloseTo(-right.speeds.get('fan_1')!, 9)
    const jammed = solved(withFaults(net, ['jammed:fan_1']), { heat: 'hot' })
    expect(jammed.opened[0]!.ampsBefore).toBeCloseTo(
      12.65 / (0.375 + 0.02 + 0.002 + 0.12 * 15 ** -1.2 + 0.02 + 0.008 + 0.01 + 0.02),
      0,
    )
  },
)

test('two fans share a ground: Newton finds both; each fault that a circuit offers can be put in and solved', () => {
  const net = groundSide()
  const second: Element = {
    kind: 'motor',
    name: 'fan_2',
    label: 'fan 2',
    fan: 'fan2',
    a: 'fan2_plus',
    b: 'fan_minus',
    rating: { ...eightAmps, ratedA: 5, lockedA: 20 },
    jammed: false,
  }
  const two: Netlist = {
    ...net,
    elements: [...net.elements, wire('feed_4', 'pin_87', 'fan2_plus', 0.015), second].map((e): Element =>
      e.kind === 'fuse' ? { ...e, ratingA: 30 } : e,
    ),
  }
  const s = solved(two, { heat: 'hot' })
  expect(amps(s, 'return_1')).toBeCloseTo(amps(s, 'fan_1') + amps(s, 'fan_2'), 6)
  for (const f of faultsOf(two)) {
    const faulty = withFaults(two, [f.id])
    const after = solved(faulty, { heat: 'hot' })
    for (const [name, v] of after.volts) expect([f.id, name, Number.isFinite(v)]).toEqual([f.id, name, true])
  }
})

test('a fuse at many times its rating inside a cycle that never rests opens, and ends it', () => {
  const [battery] = groundSide().elements
  const fuse = 0.12 * 3 ** -1.2
  const net: Netlist = {
    elements: [
      battery!,
      { kind: 'fuse', name: 'fuse_1', label: 'fuse', a: 'bat_plus', b: 'behind', ohm: fuse, ratingA: 3, form: 'blade' },
      {
        kind: 'contact',
        name: 'own',
        label: 'own contact',
        relay: 'r',
        atRest: 'closed',
        a: 'behind',
        b: 'coil_plus',
        ohm: 0.008,
        rating: null,
      },
      {
        kind: 'coil',
        name: 'coil',
        label: 'coil',
        relay: 'r',
        a: 'coil_plus',
        b: GROUND,
        ohm: 90,
        pullInV: 7.2,
        letGoV: 2.4,
      },
      wire('short', 'coil_plus', GROUND, 0.1),
    ],
    controls: [],
  }
  // closed, the coil has 12.65 · 0.1 / (0.02 + 0.032 + 0.008 + 0.1) = 7.9 V and pulls in; open, it lets go
  const s = solved(net, {})
  expect(s.chattering).toEqual([])
  expect(s.opened).toHaveLength(1)
  expect(s.opened[0]!.ampsBefore).toBeCloseTo(12.65 / (0.02 + fuse + 0.008 + 1 / (1 / 0.1 + 1 / 90)), 0)
  expect(amps(s, 'battery')).toBeCloseTo(0, 6)
})

test('a brushless fan behind a few ohm starts and drops out again and again; behind little it runs', () => {
  const behind = (ohm: number): Solution =>
    solved(
      {
        elements: [
          groundSide().elements[0]!,
          wire('feed', 'bat_plus', 'fan_plus', ohm),
          {
            kind: 'motor',
            name: 'fan_1',
            label: 'fan',
            fan: 'fan1',
            a: 'fan_plus',
            b: GROUND,
            rating: { motor: 'brushless', ratedV: 12, ratedA: 4, lockedA: null, diameterM: 0.2 },
            jammed: false,
          },
        ],
        controls: [],
      },
      {},
    )
  // 48 W can be had behind R only while V² ≥ 4 R P: 12.65² / 192 = 0.83 ohm, the battery's 0.02 among them
  for (const ohm of [0.9, 2, 5, 20]) {
    expect([ohm, behind(ohm).chattering, behind(ohm).speeds.get('fan_1')]).toEqual([ohm, ['fan_1'], 0])
  }
  const runs = behind(0.5)
  expect([runs.chattering, runs.speeds.get('fan_1')]).toEqual([[], 1])
  expect(amps(runs, 'fan_1')).toBeCloseTo(48 / ((12.65 + Math.sqrt(12.65 ** 2 - 4 * 0.52 * 48)) / 2), 4)
})
