import { execFileSync, spawnSync } from 'node:child_process'
import {
  type Conditions,
  type Control,
  type Element,
  GROUND,
  type Netlist,
  solveState,
  Circuit,
} from '../../core/circuit'
import { motorConstants } from '../../core/electrical'
import { changeIntent, changeRun, changeWiring, type Job } from '../../core/job'
import { provedCircuit } from '../../core/wiring'
import { example } from '../test-support/examples'

const there = spawnSync('ngspice', ['-v']).error === undefined
const buggy = example('vineyard-buggy-ready')

const at = (node: string): string => (node === GROUND ? '0' : node)
/** the key opens after so long, and the circuit is left to itself until the end, s */
const OPENS_S = 0.5
const ENDS_S = 2

/** A fan's static curve, as {@link motorConstants} give it. @see engineering §1.6 */
function fan(e: Extract<Element, { kind: 'motor' }>): string[] {
  const { r, k, c, i0 } = motorConstants(e.rating)
  const v = `(v(${at(e.a)})-v(${at(e.b)}))`
  const beyond = `max(abs(${v})-${r * i0},0)`
  const w = `(2*${beyond}/(${k}+sqrt(${k * k}+${(4 * r * c) / k}*${beyond})))`
  return [`b${e.name} ${at(e.a)} ${at(e.b)} i=abs(${v})<=${r * i0} ? ${v}/${r} : sgn(${v})*(${i0}+${c / k}*${w}*${w})`]
}

/** A contact that follows a voltage, with pull-in and let-go apart. */
const follows = (
  name: string,
  a: string,
  b: string,
  over: readonly [string, string],
  on: number,
  off: number,
  ohm: number,
): string[] => [
  `s${name} ${at(a)} ${at(b)} ${at(over[0])} ${at(over[1])} m${name}`,
  `.model m${name} sw(vt=${(on + off) / 2} vh=${(on - off) / 2} ron=${ohm} roff=1e9)`,
]

/** Elements as they behave in time: relays by their coils, electronics by their supply, the key by a ramp. */
function card(e: Element, net: Netlist, before: Conditions, after: Conditions): string[] {
  const ends = `${at(e.a)} ${at(e.b)}`
  const control = (id: string): Control => net.controls.find((k) => k.id === id)!
  switch (e.kind) {
    case 'source':
      return [`v${e.name} ${e.name}_emf 0 ${e.restV}`, `r${e.name} ${e.name}_emf ${at(e.a)} ${e.ohm}`]
    case 'motor':
      return fan(e)
    case 'diode':
      return [`d${e.name} ${ends} silicon`]
    case 'switch':
      if (before[e.by] === after[e.by]) return before[e.by] ? [`r${e.name} ${ends} ${e.ohm}`] : []
      return [
        `v${e.name}_hand ${e.name}_hand 0 pwl(0 ${before[e.by] ? 1 : 0} ${OPENS_S} ${before[e.by] ? 1 : 0} ` +
          `${OPENS_S + 1e-3} ${after[e.by] ? 1 : 0})`,
        ...follows(e.name, e.a, e.b, [`${e.name}_hand`, GROUND], 0.6, 0.4, e.ohm),
      ]
    case 'contact': {
      const coil = net.elements.find((c) => c.kind === 'coil' && c.relay === e.relay) as Extract<
        Element,
        { kind: 'coil' }
      >
      return follows(e.name, e.a, e.b, [coil.a, coil.b], coil.pullInV, coil.letGoV, e.ohm)
    }
    case 'output': {
      const { supply, duty, leastV } = control(e.controller)
      if (duty[after.heat] === 0) return []
      return supply ? follows(e.name, e.a, e.b, supply, leastV, leastV * 0.98, e.ohm) : [`r${e.name} ${ends} ${e.ohm}`]
    }
    case 'chopper':
      return []
    default:
      return [`r${e.name} ${ends} ${Math.max(e.ohm, 1e-5)}`]
  }
}

/** Node voltages at the end of a run in which the key opens. */
function leftToItself(net: Netlist, before: Conditions, after: Conditions): Map<string, number> {
  const nodes = [...new Set(net.elements.flatMap((e) => [e.a, e.b]))].filter((n) => n !== GROUND)
  const text = [
    '* what holds itself',
    ...net.elements.flatMap((e) => card(e, net, before, after)),
    ...nodes.map((n) => `rleak_${n} ${n} 0 1e9`),
    '.model silicon d(is=1e-9 rs=0.02)',
    `.tran 1e-3 ${ENDS_S} uic`,
    ...nodes.map((n) => `.meas tran ${n}_end find v(${n}) at=${ENDS_S - 0.01}`),
    '.end',
    '',
  ].join('\n')
  const out = execFileSync('ngspice', ['-b'], { input: text, encoding: 'utf8', stdio: ['pipe', 'pipe', 'ignore'] })
  return new Map([...out.matchAll(/^(\w+)_end\s*=\s*(\S+)/gm)].map((m) => [m[1]!, Number(m[2])]))
}

const own = (job: Job): Job =>
  changeWiring(changeIntent(changeRun(job, { switchedBy: 'controller' }), { control: 'thermostat and override' }), {
    override: 'key',
  })

const whenThere = there ? test : test.skip

whenThere(
  'what the proof says holds itself does so in ngspice, 1.5 s after the key has opened; what has its diode does not',
  () => {
    const { latches, net } = provedCircuit(own(buggy))
    const held = latches.find((l) => !l.conditions.key && l.conditions.override && l.conditions.heat === 'hot')!
    const before: Conditions = { ...held.from, engine: false, heat: 'hot' }
    const after: Conditions = { ...held.conditions, engine: false }
    const volts = leftToItself(net, before, after)
    expect(volts.get('ign')).toBeGreaterThan(11)
    for (const node of ['ign', 'control', 'fan1_plus'])
      expect(Math.abs(volts.get(node)! / held.solution.volts.get(node)! - 1)).toBeLessThan(0.03)
    // a relay with its override behind the key and an after-run from behind the fuse, parted by diodes: it lets go
    const parted = changeWiring(
      changeIntent({ ...buggy, use: { ...buggy.use, live: 'after-run' } }, { control: 'thermostat and override' }),
      {
        override: 'key',
        timer: true,
        timerFrom: 'feed',
        diodes: ['control', 'override'],
      },
    )
    const proof = provedCircuit(parted)
    const state = { ...after, timer: false }
    const free = leftToItself(proof.net, { ...before, timer: false }, state)
    expect(Math.abs(free.get('ign') ?? 0)).toBeLessThan(1)
    expect(
      Math.abs(free.get('fan1_plus')! - (solveState(new Circuit(proof.net), state).volts.get('fan1_plus') ?? 0)),
    ).toBeLessThan(0.1)
  },
)
