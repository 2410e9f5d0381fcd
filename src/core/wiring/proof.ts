import { allOff, Circuit, type CircuitIntent, type FanState, liveNodes, type Proof, prove, turns } from '../circuit'
import { timeToFloor } from '../electrical'
import { batteryAt } from '../fan-circuit'
import { type Job, lookupOf, onceAJob } from '../job'
import { Bench } from '../reading'
import { format, type UnitSystem, percent } from '../units'
import type { JobNetlist } from './builder'
import { nodeInWords } from './ends'
import { netlistOf } from './netlist'
import type { NodeIs } from './nodes'
import { say } from '../words'

export const intentOf = (job: Job): CircuitIntent => ({ ...job.wiring.intent, live: job.use.live })

const inHours = (seconds: number): string => {
  const minutes = Math.round(seconds / 60)
  if (minutes < 60) return `${minutes} min`
  if (minutes >= 48 * 60) return say`${Math.round(minutes / 1440)} days`
  return minutes % 60 ? `${Math.floor(minutes / 60)} h ${minutes % 60} min` : `${minutes / 60} h`
}

export interface JobProof extends Proof {
  readonly net: JobNetlist
}

/** How long a current takes to bring the job's battery to its floor, on the coldest day. @see engineering §1.9 */
export const emptiesIn =
  (job: Job) =>
  (amps: number): string =>
    inHours(timeToFloor(batteryAt(new Bench(lookupOf(job)), job), amps).value)

/** What of a circuit the machine had behind its key, before anything was laid. */
const ofLoom: ReadonlySet<NodeIs['is']> = new Set(['ignition', 'feed of others, behind'])

/** What is live whatever is built: before a fuse, or at its holder. */
const alwaysLive: ReadonlySet<NodeIs['is']> = new Set([
  'fuse',
  'fuse, behind',
  'key, feed',
  'loom fuse, behind',
  'feed of others',
  'lights',
])

/** Whether a node belongs to the machine's own loom behind its key. */
export const isOfLoom = (net: JobNetlist, node: string): boolean => {
  const is = net.nodes.get(node)?.is
  return is !== undefined && ofLoom.has(is)
}

/** A circuit of a job held against the job's intent. */
export const proofOf = (job: Job, net: JobNetlist): JobProof => {
  const proof = prove(net, intentOf(job), {
    empties: emptiesIn(job),
    nameOf: (node) => nodeInWords(job, net.nodes, node),
    loom: (node) => isOfLoom(net, node),
    beforeFuse: (node) => {
      const is = net.nodes.get(node)?.is
      return is !== undefined && alwaysLive.has(is)
    },
  })
  return { ...proof, net }
}

/** A job's circuit held against its intent; jobs are immutable, so it is worked out once. */
export const provedCircuit = onceAJob((job): JobProof => proofOf(job, netlistOf(job)))

/**
 * Terminals that are live with everything off, cold or hot, while the fans' own fuses are still out, the machine's own
 * left aside: what no holder keeps dead.
 */
export function liveBeforeFuse(job: Job): string[] {
  const whole = netlistOf(job)
  const net = { ...whole, elements: whole.elements.filter((e) => e.kind !== 'fuse' || e.run === undefined) }
  const circuit = new Circuit(net)
  const live = (['cold', 'hot'] as const).flatMap((heat) => {
    const c = { ...allOff, isolator: true, heat }
    return liveNodes(net, c, circuit.solve(c), (n) => nodeInWords(job, whole.nodes, n))
  })
  const own = (name: string): boolean => {
    const is = whole.nodes.get(name)?.is
    return is !== undefined && alwaysLive.has(is)
  }
  return [...new Set(live.filter((n) => !own(n.name)).map((n) => n.label))]
}

/** What the fans do in one state: "112 %, 5 A" for each, backwards with a minus. */
export const fansInWords = (fans: readonly FanState[], units: UnitSystem): string =>
  fans
    .map((f) =>
      turns(f)
        ? `${f.speed < 0 ? '−' : ''}${percent(Math.abs(f.speed))}, ` +
          `${format(Math.abs(f.amps), 'current', units, 2)}`
        : say`stands`,
    )
    .join('; ')
