import { type Result } from '../../core/units'
import {
  allOff,
  Circuit,
  faultsOf,
  heats,
  solveState,
  switchings,
  withFaults,
  type Conditions,
  type Heat,
  type Netlist,
  type Solution,
} from '../../core/circuit'
import type { Job } from '../../core/job'
import { netlistOf } from '../../core/wiring'
import { netlistSpice } from './netlist-spice'

type Answer = Result<{ solved: object; spice: string }>

/** the isolator is on unless it is said to be off: without one in the circuit it means nothing */
const parked: Conditions = { ...allOff, isolator: true }

/** "key=on,heat=hot" as conditions, or what is wrong with it. */
function readState(text: string): Conditions | string {
  let state = parked
  for (const part of text
    .split(',')
    .map((p) => p.trim())
    .filter(Boolean)) {
    const [name = '', value = ''] = part.split('=').map((p) => p.trim().toLowerCase())
    if (name === 'heat') {
      if (!heats.includes(value as Heat)) return `heat can be ${heats.join(', ')}, not "${value}"`
      state = { ...state, heat: value as Heat }
    } else if (switchings.includes(name as (typeof switchings)[number])) {
      if (!['on', 'off'].includes(value)) return `${name} can be on or off, not "${value}"`
      state = { ...state, [name]: value === 'on' }
    } else return `"${name}" is no part of a state: ${switchings.join(', ')}, heat`
  }
  return state
}

const rounded = (value: number): number => Number(value.toPrecision(10))

function solvedAsJson(net: Netlist, conditions: Conditions, s: Solution, problems: readonly string[]): object {
  const across = (a: string, b: string): number => (s.volts.get(a) ?? 0) - (s.volts.get(b) ?? 0)
  return {
    state: conditions,
    nodes: Object.fromEntries([...s.volts].map(([name, v]) => [name, rounded(v)])),
    branches: Object.fromEntries([...s.amps].map(([name, i]) => [name, rounded(i)])),
    loads: Object.fromEntries(
      net.elements.flatMap((e) =>
        e.kind === 'motor' || e.kind === 'load' || e.kind === 'coil'
          ? [
              [
                e.name,
                {
                  label: e.label,
                  volts: rounded(across(e.a, e.b)),
                  amps: rounded(s.amps.get(e.name) ?? 0),
                  ...(e.kind === 'motor' ? { speed: rounded(s.speeds.get(e.name) ?? 0) } : {}),
                  ...(e.kind === 'coil' ? { pulledIn: s.states.pulled.has(e.relay) } : {}),
                },
              ],
            ]
          : [],
      ),
    ),
    floating: s.floating,
    chattering: s.chattering,
    opened: s.opened,
    problems,
  }
}

/**
 * A state of a job's circuit with faults in it, solved, and the same as a netlist for ngspice.
 * @param state  "key=on,engine=on,heat=hot"; what is not said is off and cold
 * @param faults "kind:element", for instance "bad:return1"
 */
export function circuitAnswer(job: Job, state: string, faults: readonly string[]): Answer {
  const conditions = readState(state)
  if (typeof conditions === 'string') return { ok: false, message: conditions }
  const whole = netlistOf(job)
  let net: Netlist = whole
  for (const id of faults) {
    const can = faultsOf(net)
    if (!can.some((f) => f.id === id))
      return {
        ok: false,
        message: `"${id}" is no fault that this circuit can have. It can have: ${can.map((f) => f.id).join(', ')}`,
      }
    net = withFaults(net, [id])
  }
  const refused = whole.problems.find((p) => p.level === 'refused')
  if (refused) return { ok: false, message: refused.text }
  const solution = solveState(new Circuit(net), conditions)
  return {
    ok: true,
    solved: solvedAsJson(
      net,
      conditions,
      solution,
      whole.problems.map((p) => p.text),
    ),
    spice: netlistSpice(job.title, net, conditions, solution),
  }
}
