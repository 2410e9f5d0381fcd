import type { Element } from '../circuit'
import { conductorTemperature, allowedAmps } from '../electrical'
import { ambientAt, circuitsOf, conductorAt, runConductor } from '../fan-circuit'
import { type DiodePlace, type Job, lookupOf, roleNames } from '../job'
import type { Part } from '../parts'
import { Bench } from '../reading'
import { format } from '../units'
import type { JobNetlist } from './builder'
import { endAt, nodeInWords } from './ends'
import { feedPieces, pieceOf } from './feed-pieces'
import { type Gap, gapsOf } from './gaps'
import { unguardedIn } from './guards'
import { jointWarnings } from './joints'
import { kitConductors, kitWarnings } from './kit'
import { type JobProof, provedCircuit } from './proof'
import type { CutList, CutWire, Sleeve } from './cuts'
import { shoppingOf } from './shopping'
import { say, spokenWord } from '../words'

/** Cut so much longer than the way, and a loop to work with. @see engineering §7 */
const SPARE = 1.05
const LOOP_M = 0.05
/** a joint to the fuse holder stays short: no loop before the fuse. @see engineering §1.4 */
const NO_LOOP_BELOW_M = 0.25

function sleeveFor(job: Job, zoneC: number): Sleeve {
  if (zoneC >= 120) return 'glass sleeve, 200 °C'
  if (zoneC >= 85) return 'heat sleeve, 150 °C'
  return job.surroundings.livesIn === 'indoors' ? 'braided sleeve' : 'ribbed tube'
}

/** Length of a wire's way, m: of its own piece where its conductor is cut in several. */
const wayOf = (job: Job, bench: Bench, e: Extract<Element, { kind: 'wire' }>): number =>
  e.piece && e.run !== undefined
    ? pieceOf(feedPieces(bench, circuitsOf(job)[e.run]!, job.wiring.isolator), e.piece)
    : bench.value(`conductors.${e.conductor!}.lengthM`)

/** One wire of the circuit as it is cut; none where contact and fan, or post and fuse, sit side by side. */
function cutWire(
  job: Job,
  bench: Bench,
  proof: JobProof,
  e: Extract<Element, { kind: 'wire' }>,
): Omit<CutWire, 'number'> | null {
  const c = job.conductors.find((x) => x.id === e.conductor)!
  const wayM = wayOf(job, bench, e)
  if (wayM <= 0) return null
  const ends = [endAt(job, proof.net.nodes, e.a), endAt(job, proof.net.nodes, e.b)] as const
  const zoneC = ambientAt(bench, runConductor(c).at)
  const amps = proof.rows.reduce(
    (m, r) => r.states.reduce((n, s) => Math.max(n, Math.abs(s.solution.amps.get(e.name) ?? 0)), m),
    0,
  )
  const own = { insulationC: c.insulationC, ambientC: zoneC, bundled: c.bundled }
  const { size } = runConductor(c)
  const getsC = size ? conductorTemperature(amps, allowedAmps(size, conductorAt(bench, runConductor(c))), own) : zoneC
  return {
    label: say`${roleNames[c.role]}: ${ends[0].at} to ${ends[1].at}`,
    fromKit: kitConductors(job).has(c.id),
    conductor: c.id,
    size: c.size,
    colour: spokenWord(c.colour),
    insulationC: c.insulationC,
    wayM,
    cutM: Math.round(1000 * (SPARE * wayM + (wayM < NO_LOOP_BELOW_M ? 0 : LOOP_M))) / 1000,
    ends,
    sleeve: sleeveFor(job, zoneC),
    lies: c.lies,
    zoneC,
    getsC,
    hotEnough: getsC <= c.insulationC,
    amps,
  }
}

/** Wires of the circuit as they are cut, in order, each with the element that it is. */
function numbered(job: Job): { readonly element: string; readonly wire: CutWire }[] {
  const bench = new Bench(lookupOf(job))
  const proof = provedCircuit(job)
  return proof.net.elements
    .flatMap((e) => {
      const cut = e.kind === 'wire' && e.conductor !== null ? cutWire(job, bench, proof, e) : null
      return cut ? [{ element: e.name, cut }] : []
    })
    .map(({ element, cut }, i) => ({ element, wire: { number: i + 1, ...cut } }))
}

/** Number and colour of each wire, by the element of the circuit that it is: "3 red", as on the list and its labels. */
export const wireNames = (job: Job): ReadonlyMap<string, string> =>
  new Map(numbered(job).map(({ element, wire }) => [element, `${wire.number} ${wire.colour}`.trim()]))

/** How many ends there are of each kind, for each size of wire. */
function jointsOf(wires: readonly CutWire[]): CutList['joints'] {
  const found = new Map<string, CutList['joints'][number]>()
  for (const { ends, size } of wires)
    for (const { kind, terminal } of ends) {
      const key = `${kind}|${size}`
      found.set(key, { kind, size, name: terminal, count: (found.get(key)?.count ?? 0) + 1 })
    }
  return [...found.values()]
}

/** Metres of each size, colour and insulation. */
function totalsOf(job: Job, wires: readonly CutWire[]): CutList['totals'] {
  const grouped = new Map<string, CutList['totals'][number]>()
  for (const { size, conductor, colour, insulationC, cutM } of wires) {
    if (!size) continue
    const dye = job.conductors.find((c) => c.id === conductor)!.colour
    const key = `${size}|${dye}|${insulationC}`
    grouped.set(key, { size, dye, colour, insulationC, metres: (grouped.get(key)?.metres ?? 0) + cutM })
  }
  return [...grouped.values()]
}

/** What each diode is there for. */
const diodeWords: Readonly<Record<DiodePlace, string>> = {
  control: say`diode, keeps the control out of the ignition`,
  override: say`diode, keeps the thermostat out of the override`,
  call: say`diode, keeps the thermostat out of the other system`,
}

/** Diodes where ways join, and the job's own fuse at the switched wire. */
const inlineOf = (job: Job, net: JobNetlist): CutList['inline'] =>
  net.elements.flatMap((e) =>
    (e.kind === 'diode' && e.joins !== undefined) || e.name === 'tap_fuse'
      ? [
          {
            kind: e.kind === 'diode' ? ('diode' as const) : ('fuse' as const),
            what: e.kind === 'diode' ? diodeWords[e.joins!] : e.label,
            from: nodeInWords(job, net.nodes, e.a),
            to: nodeInWords(job, net.nodes, e.b),
          },
        ]
      : [],
  )

/** What is wrong with a list: circuit, ends that no wire leads to, wires that get too hot. */
const problemsOf = (job: Job, net: JobNetlist, wires: readonly CutWire[], gaps: readonly Gap[]): string[] => [
  ...net.problems.map((p) => p.text),
  ...jointWarnings(job),
  ...kitWarnings(job),
  ...gaps.map((g) => say`No wire of this list leads to ${g.at} (${g.label}).`),
  ...unguardedIn(job)
    .filter((g) => g.piece !== 'to fuse')
    .map((g) => say`No fuse guards the ${g.name} as it must be.`),
  ...wires
    .filter((w) => !w.hotEnough)
    .map(
      (w) =>
        say`${w.label}: gets ${format(w.getsC, 'temperature', job.units, 3)}, its insulation is for
          ${format(w.insulationC, 'temperature', job.units, 3)}.`,
    ),
]

/**
 * Every wire of the job's circuit as it is cut, terminated, sleeved and marked, and what has to be there for it.
 * @param shelf what the workshop has
 * @see engineering §1.1, §7
 */
export function cutList(job: Job, shelf: readonly Part[]): CutList {
  const { net } = provedCircuit(job)
  const wires = numbered(job).map((n) => n.wire)
  // what comes ready made is neither cut nor, where the harness brings them, terminated and sleeved
  const brings = job.wiring.kit?.part.brings ?? []
  const byHand = wires.filter((w) => !w.fromKit)
  const joints = jointsOf(brings.includes('terminals') ? byHand : wires)
  const sleeves = new Map<Sleeve, number>()
  for (const w of brings.includes('sleeve') ? byHand : wires)
    sleeves.set(w.sleeve, (sleeves.get(w.sleeve) ?? 0) + w.wayM)
  const totals = totalsOf(job, byHand)
  const inline = inlineOf(job, net)
  const gaps = gapsOf(job, net)
  return {
    wires,
    totals,
    joints,
    inline,
    gaps,
    shopping: shoppingOf(job, shelf, { totals, joints, sleeves, inline }),
    labels: wires.flatMap((w) => w.ends.map((end) => `${w.number} ${end.at}`)),
    problems: problemsOf(job, net, wires, gaps),
  }
}
