import { execFileSync, spawnSync } from 'node:child_process'
import { Circuit, withFaults, type Netlist } from '../../core/circuit'
import { groundSide, state, wire } from '../../core/circuit/test-support/netlists'
import { wiredAs } from '../../core/advice'
import { addSecondFan, netlistOf } from '../../core/wiring'
import { example, exampleShelf } from '../test-support/examples'
import { circuitAnswer } from './circuit-answer'
import { netlistSpice } from './netlist-spice'

const there = spawnSync('ngspice', ['-v']).error === undefined
const withSpice = there ? test : test.skip

/** Node voltages as ngspice prints them in batch. */
function spice(text: string): Record<string, number> {
  const out = execFileSync('ngspice', ['-b'], { input: text, encoding: 'utf8', stdio: ['pipe', 'pipe', 'ignore'] })
  return Object.fromEntries(
    [...out.matchAll(/^\s+([a-z][a-z0-9_]*)\s+(-?\d\.\d+e[+-]\d+)\s*$/gm)].map((m) => [m[1]!, Number(m[2])]),
  )
}

/** every node to 0.1 %, and what is nearly nothing to a tenth of a millivolt */
const agrees = (mine: number, theirs: number): boolean =>
  Math.abs(mine - theirs) <= Math.max(1e-3 * Math.abs(theirs), 1e-4)

const hot = state({ engine: true, heat: 'hot' })
const pair = (): Netlist => {
  const net = groundSide()
  return {
    ...net,
    elements: [
      ...net.elements,
      wire('feed_4', 'pin_87', 'fan2_plus', 0.02),
      {
        kind: 'motor',
        name: 'fan_2',
        label: 'fan 2',
        fan: 'fan2',
        a: 'fan2_plus',
        b: 'fan_minus',
        rating: { motor: 'brushless', ratedV: 12, ratedA: 4, lockedA: null, diameterM: 0.2 },
        jammed: false,
      },
    ],
  }
}
const cases: readonly (readonly [string, Netlist])[] = [
  ['hot', groundSide()],
  ['bad ground', withFaults(groundSide(), ['bad:return_1'])],
  ['swapped', withFaults(groundSide(), ['swapped:fan_1'])],
  ['at 85', withFaults(groundSide(), ['ground_at_85:fan_1'])],
  ['held fast, bridged', withFaults(groundSide(), ['bridged:fuse_1', 'jammed:fan_1'])],
  ['brushless beside it', pair()],
]

// ngspice-39 (Debian 39.3), `ngspice -b hot.cir`, of the netlists that `netlistSpice` wrote for these states
const stored: Readonly<Record<string, Readonly<Record<string, number>>>> = {
  hot: {
    bat_plus: 14.00811,
    fuse_out: 13.9453,
    pin_87: 13.68102,
    fan_plus: 13.58663,
    fan_minus: 0.1887756,
    pin_86: 13.99956,
    pin_85: 3.110322e-3,
  },
  'bad ground': { bat_plus: 14.18296, fan_minus: 13.89148, fan_plus: 14.15194, pin_86: 14.1743 },
  'at 85': { pin_85: 0.1916025, fan_minus: 0.2010292, switch_ground: 0.09580123 },
}

test('solutions agree with what ngspice gave for the same netlists, to 0.1 %', () => {
  for (const [name, figures] of Object.entries(stored)) {
    const s = new Circuit(cases.find(([n]) => n === name)![1]).solve(hot)
    for (const [node, v] of Object.entries(figures))
      expect([name, node, agrees(s.volts.get(node)!, v)]).toEqual([name, node, true])
  }
})

withSpice(
  'every case, and every state of the demo circuits with any one fault, agrees with ngspice node by node',
  () => {
    const compare = (
      name: string,
      text: string,
      volts: ReadonlyMap<string, number> | Readonly<Record<string, number>>,
    ): void => {
      const theirs = spice(text)
      const mine =
        volts instanceof Map ? Object.fromEntries(volts as Map<string, number>) : (volts as Record<string, number>)
      expect([name, Object.keys(theirs).sort()]).toEqual([name, Object.keys(mine).sort()])
      for (const [node, v] of Object.entries(theirs))
        expect([name, node, mine[node], v, agrees(mine[node]!, v)]).toEqual([name, node, mine[node], v, true])
    }
    for (const [name, net] of cases) {
      const s = new Circuit(net).solve(hot)
      compare(name, netlistSpice(name, net, hot, s), s.volts)
    }
    const shelf = exampleShelf()
    const buggy = example('vineyard-buggy-ready')
    const jobs = [
      buggy,
      example('market-cold-trailer'),
      example('fell-bike-signed'),
      wiredAs(buggy, 'ramp', shelf),
      wiredAs(buggy, 'ground side', shelf),
      wiredAs(addSecondFan(buggy, buggy.fans[0]!.part), 'relay each', shelf),
    ]
    for (const job of jobs) {
      const faults = ['', 'bad:return1', 'jammed:fan1', 'swapped:fan1', 'flat:battery'].filter(
        (f) => f === '' || circuitAnswer(job, '', [f]).ok,
      )
      for (const at of ['', 'key=on,heat=rising', 'key=on,engine=on,heat=hot', 'key=on,heat=falling']) {
        for (const f of faults) {
          const answer = circuitAnswer(job, at, f ? [f] : [])
          if (!answer.ok) throw new Error(answer.message)
          compare(`${job.title} ${at} ${f}`, answer.spice, (answer.solved as { nodes: Record<string, number> }).nodes)
        }
      }
    }
  },
  120_000,
)

test('names are as ngspice wants them, and one to one with the solution', () => {
  const net = netlistOf(example('vineyard-buggy-ready'))
  for (const e of net.elements) for (const name of [e.name, e.a, e.b]) expect(name).toMatch(/^[a-z][a-z0-9_]*$/)
  expect(new Set(net.elements.map((e) => e.name)).size).toBe(net.elements.length)
})
