import { Bench } from '../reading'
import { circuitsOf } from '../fan-circuit'
import { hasWire, type Job, lookupOf, sharesContact, onceAJob } from '../job'
import { Builder, type JobNetlist, unique } from './builder'
import { callers } from './callers'
import { ControlBus } from './control-bus'
import { fanRun } from './fan-run'
import { battery, key } from './feeds'
import { lamp } from './lamp'
import { decider, switched, type Trigger } from './switching'

function build(job: Job, bench: Bench): JobNetlist {
  const b = new Builder(job, bench)
  battery(b)
  // states are told by the key also where nothing of the fan hangs on it
  key(b)
  const circuits = circuitsOf(job)
  const ends = circuits.map((c, n) => fanRun(b, c, n, circuits.slice(0, n)))
  const first = ends[0]!
  const bus = new ControlBus(b, first.feed, circuits)
  if (hasWire(job, 'control')) bus.feed()
  const triggers: Trigger[] = []
  circuits.forEach((circuit, n) => {
    const controller = decider(b, circuit, n)
    bus.controller(controller)
    if (circuits.slice(0, n).some((o) => sharesContact(o.run, circuit.run))) return
    triggers.push(switched(b, { circuit, n, controller, own: ends[n]!, bus, before: triggers }))
  })
  callers(b, first.feed, triggers)
  lamp(b, first)
  return { elements: b.elements, controls: b.controls, nodes: b.nodes, problems: unique(b.problems) }
}

/**
 * The circuit that a job's choices make, at the nominal readings: resistances at running temperature, joints in the
 * wires beside them. A node is one terminal, and what joins two of them is an element of its own.
 * @see engineering §5, §1.1, §1.2, §1.5
 */
export const netlistOf = onceAJob((job): JobNetlist => build(job, new Bench(lookupOf(job))))
