import {
  conducts,
  DIODE_OHM,
  DIODE_V,
  GROUND,
  LEAK_S,
  nodesOf,
  type Conditions,
  type Element,
  type Netlist,
  type Solution,
} from '../../core/circuit'
import { CUT_OUT_SHARE, motorConstants, SOFT_START } from '../../core/electrical'

const node = (name: string): string => (name === GROUND ? '0' : name)
const n = (value: number): string => value.toPrecision(12)

const onOff = (on: boolean): string => (on ? 'on' : 'off')

/**
 * A fan's static curve as a behavioural source; a frozen one would not tell the same once something is moved.
 * @see engineering §1.6
 */
function motor(e: Extract<Element, { kind: 'motor' }>): string[] {
  const above = e.a === GROUND ? `-v(${e.b})` : `(v(${e.a})-v(${e.b}))`
  const v = e.b === GROUND ? `v(${e.a})` : above
  const from = `b${e.name} ${node(e.a)} ${node(e.b)}`
  if (e.rating.motor === 'brushless') {
    const powerW = e.rating.ratedV * e.rating.ratedA
    return [
      e.jammed
        ? `${from} i=${v}>=${n(CUT_OUT_SHARE * e.rating.ratedV)} ? ${n(SOFT_START * e.rating.ratedA)} : 0`
        : `${from} i=${v}>=${n(CUT_OUT_SHARE * e.rating.ratedV)} ? ${n(powerW)}/max(${v},1) : 0`,
    ]
  }
  const { r, k, c, i0 } = motorConstants(e.rating)
  if (e.jammed) return [`r${e.name} ${node(e.a)} ${node(e.b)} ${n(r)}`]
  const beyond = `max(abs(${v})-${n(r * i0)},0)`
  const speed = `(2*${beyond}/(${n(k)}+sqrt(${n(k * k)}+${n((4 * r * c) / k)}*${beyond})))`
  return [`${from} i=abs(${v})<=${n(r * i0)} ? ${v}/${n(r)} : sgn(${v})*(${n(i0)}+${n(c / k)}*${speed}*${speed})`]
}

function card(e: Element, solution: Solution, c: Conditions): string[] {
  const ends = `${node(e.a)} ${node(e.b)}`
  if (!conducts(e, solution.states, c)) return [`* ${e.name} (${e.label}) is open`]
  switch (e.kind) {
    case 'source':
      return [
        `i${e.name} ${node(e.b)} ${node(e.a)} ${n((c.engine ? e.runningV : e.restV) / e.ohm)}`,
        `r${e.name} ${ends} ${n(e.ohm)}`,
      ]
    case 'motor':
      return motor(e)
    case 'diode':
      return [`i${e.name} ${node(e.b)} ${node(e.a)} ${n(DIODE_V / DIODE_OHM)}`, `r${e.name} ${ends} ${n(DIODE_OHM)}`]
    case 'chopper': {
      const d = solution.states.duty.get(e.controller) ?? 0
      const v = (name: string): string => (name === GROUND ? '0' : `v(${name})`)
      const out = `((${n(d)}*${v(e.a)}+${n(1 - d)}*${v(e.return)}-${v(e.b)})/${n(e.ohm)})`
      return [
        `b${e.name}_out 0 ${node(e.b)} i=${out}`,
        `b${e.name}_in ${node(e.a)} 0 i=${n(d)}*${out}`,
        `b${e.name}_back ${node(e.return)} 0 i=${n(1 - d)}*${out}`,
      ]
    }
    default:
      return [`r${e.name} ${ends} ${n(Math.max(e.ohm, 1e-5))}`]
  }
}

/**
 * A solved state as a netlist that ngspice runs in batch (`ngspice -b file`): relays, controllers, diodes and fuses as
 * they stand, fans by their static curve, the 1 nS leaks included, nodes by the same names.
 */
export function netlistSpice(title: string, net: Netlist, c: Conditions, solution: Solution): string {
  return [
    `* ${title.replace(/[^\x20-\x7e]/g, ' ')}`,
    `* ${Object.entries(c)
      .map(([k, v]) => `${k}=${typeof v === 'boolean' ? onOff(v) : v}`)
      .join(' ')}`,
    ...net.elements.flatMap((e) => card(e, solution, c)),
    ...nodesOf(net).map((name) => `rleak_${name} ${name} 0 ${n(1 / LEAK_S)}`),
    '.options reltol=1e-6',
    '.op',
    '.end',
    '',
  ].join('\n')
}
