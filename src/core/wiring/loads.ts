import { allOff, Circuit, type Element, runningHot } from '../circuit'
import { circuitsOf, type FanCircuit, runConductor } from '../fan-circuit'
import { type Job, onceAJob, roleIds, roleNames } from '../job'
import { contactOf } from './contact-loads'
import { guardsOf } from './guards'
import type { ConductorLoad, ContactLoad, Load, Loads, Piece } from './load'
import { netlistOf } from './netlist'
import { waysToRun } from './ways-to-run'

/** a fuse that carries less of its fan's current than this does not stand before it alone */
const WHOLE = 0.98

const same = (a: Load, b: Load): boolean =>
  a.shares.every((s, i) => Math.abs(s - b.shares[i]!) < 1e-3) && Math.abs(a.steadyA - b.steadyA) < 1e-3

const bigger = (a: Load, b: Load): Load => ({
  shares: a.shares.map((s, i) => Math.max(s, b.shares[i]!)),
  steadyA: Math.max(a.steadyA, b.steadyA),
})

/** A job's circuit, solved with its fuses whole: what they carry is asked, not whether they would. */
interface Laid {
  readonly job: Job
  readonly circuits: readonly FanCircuit[]
  readonly net: ReturnType<typeof netlistOf>
  readonly circuit: Circuit
  /** what no fan's current goes through */
  readonly nothing: Load
}

function laidOf(job: Job): Laid {
  const circuits = circuitsOf(job)
  const net = netlistOf(job)
  const circuit = new Circuit({
    elements: net.elements.map((e): Element => (e.kind === 'fuse' ? { ...e, ratingA: 1e6 } : e)),
    controls: net.controls,
  })
  return { job, circuits, net, circuit, nothing: { shares: circuits.map(() => 0), steadyA: 0 } }
}

/** Runs whose fan runs with its current past the run's own fuse, by their ids. */
function pastFuses({ circuits, net }: Laid, shares: ReadonlyMap<string, ReadonlyMap<string, number>>): string[] {
  return circuits.flatMap(({ run, fuse }, n) => {
    const owner = circuits.findIndex((c) => fuse !== null && c.fuse?.id === fuse.id)
    const element = net.elements.find((e) => e.kind === 'fuse' && e.run === owner)
    const own = shares.get(net.elements.find((e) => e.kind === 'motor' && e.run === n)?.name ?? '')
    const runs = own !== undefined && own.size > 1
    return element && runs && (own.get(element.name) ?? 0) < WHOLE ? [run.id] : []
  })
}

/** What every element carries at most over the ways of running, by its name; runs past their fuses, by those ways. */
function branchLoads(laid: Laid): { readonly loads: Map<string, Load>; readonly past: Map<string, string[]> } {
  const { circuits, net, circuit, nothing } = laid
  const motors = circuits.map((_, i) => net.elements.find((e) => e.kind === 'motor' && e.run === i)!.name)
  const loads = new Map<string, Load>(net.elements.map((e) => [e.name, nothing]))
  const past = new Map<string, string[]>()
  for (const { by, conditions, states } of waysToRun(net)) {
    const shared = circuit.shares(conditions, { states })
    pastFuses(laid, shared).forEach((id) => past.set(id, [...(past.get(id) ?? []), by]))
    const at = new Map<string, number[]>()
    for (const [motor, shares] of shared) {
      for (const [name, share] of shares) {
        const row = at.get(name) ?? [...nothing.shares]
        row[motors.indexOf(motor)] = share
        at.set(name, row)
      }
    }
    for (const [name, shares] of at) loads.set(name, bigger(loads.get(name)!, { shares, steadyA: 0 }))
  }
  const solved = circuit.solve(runningHot)
  for (const e of net.elements) {
    const own = loads.get(e.name)!
    const fans = own.shares.reduce((sum, s, i) => sum + s * Math.abs(solved.amps.get(motors[i]!) ?? 0), 0)
    const rest = Math.abs(solved.amps.get(e.name) ?? 0) - fans
    if (rest > 1e-2) loads.set(e.name, { ...own, steadyA: rest })
  }
  return { loads, past }
}

/** The conductors of every run, and those that only signal. */
function conductorLoads(
  { job, circuits, net, nothing }: Laid,
  loads: ReadonlyMap<string, Load>,
): { readonly ofRuns: ConductorLoad[]; readonly signals: ConductorLoad[] } {
  const wires = net.elements.flatMap((e) => (e.kind === 'wire' && e.conductor !== null ? [e] : []))
  const conductorLoad = (id: string, suffix: string, owner: FanCircuit | null): ConductorLoad[] => {
    const found = job.conductors.find((c) => c.id === id)
    if (!found) return []
    const pieces = wires
      .filter((e) => e.conductor === id)
      .map((e): Piece => ({ load: loads.get(e.name)!, length: e.piece ?? 'whole', circuit: owner }))
    const most = pieces.reduce<Load>((a, p) => bigger(a, p.load), nothing)
    const [first] = pieces
    const alike = !first || pieces.every((p) => same(p.load, first.load))
    return [
      {
        conductor: runConductor(found),
        name: `${roleNames[found.role]}${suffix}`,
        id: `${roleIds[found.role]}${owner && suffix ? owner.tag : ''}`,
        most,
        pieces: alike ? [{ load: most, length: 'whole', circuit: owner }] : pieces,
      },
    ]
  }
  const ofRuns = circuits.flatMap((c) => c.conductors.flatMap((x) => conductorLoad(x.id, c.suffix, c)))
  const inRuns = new Set(ofRuns.map((c) => c.conductor.id))
  const signals = job.conductors
    .filter((c) => !inRuns.has(c.id) && wires.some((e) => e.conductor === c.id))
    .flatMap((c) => conductorLoad(c.id, '', null))
  return { ofRuns, signals }
}

/** The first fuse on the road to a wire guards it. @returns conductors by the fuse's id */
function guardedIn({ job, circuits, net }: Laid, conductors: readonly ConductorLoad[]): Map<string, ConductorLoad[]> {
  const guarded = new Map<string, ConductorLoad[]>()
  for (const g of guardsOf(job)) {
    for (const name of g.fuses) {
      const element = net.elements.find((e) => e.name === name)
      const fuse = element?.run === undefined ? null : circuits[element.run]?.fuse
      const load = conductors.find((l) => l.conductor.id === g.conductor)
      if (!fuse || !load) continue
      const before = guarded.get(fuse.id) ?? []
      if (!before.includes(load)) guarded.set(fuse.id, [...before, load])
    }
  }
  return guarded
}

/** A fuse that several fans hang on stands where the first of them begins. */
function fuseLoads({ circuits, net, nothing }: Laid, loads: ReadonlyMap<string, Load>): Map<string, Load> {
  const fuses = new Map<string, Load>()
  circuits.forEach(({ fuse }, i) => {
    if (!fuse || fuses.has(fuse.id)) return
    const element = net.elements.find((e) => e.kind === 'fuse' && e.run === i)
    fuses.set(fuse.id, loads.get(element?.name ?? '') ?? nothing)
  })
  return fuses
}

function work(job: Job): Loads {
  const laid = laidOf(job)
  const { circuits, net, circuit } = laid
  const { loads, past } = branchLoads(laid)
  const { ofRuns, signals } = conductorLoads(laid, loads)
  const carriesFan = (l: Load): boolean => l.shares.some((s) => s > 0)
  const still = circuit.solve(allOff)
  return {
    conductors: [...ofRuns, ...signals.filter((s) => carriesFan(s.most))],
    contacts: net.elements.flatMap((e): ContactLoad[] => {
      const load = loads.get(e.name)!
      const contact = contactOf(job, e, circuits)
      return contact && carriesFan(load) ? [{ ...contact, load }] : []
    }),
    guarded: guardedIn(laid, [...ofRuns, ...signals]),
    fuses: fuseLoads(laid, loads),
    pastFuse: past,
    liveWhenParked: new Set(
      net.elements.flatMap((e) =>
        e.kind === 'load' && e.what === 'standby' && Math.abs(still.amps.get(e.name) ?? 0) > 1e-5 ? [e.controller] : [],
      ),
    ),
  }
}

/**
 * What each conductor, fuse and contact of a job carries, from its solved circuit; worked out once a job.
 * @see engineering §5
 */
export const loadsOf = onceAJob(work)
