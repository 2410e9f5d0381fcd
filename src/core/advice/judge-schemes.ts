import { mismatchInWords } from '../circuit'
import { suitsVoltage } from '../fan-circuit'
import type { Job } from '../job'
import { evaluateSome, marginInWords } from '../margins'
import { gapsOf, netlistOf, provedCircuit } from '../wiring'
import { type Shelf, type SchemeId, schemeOf, schemes, wiredAs } from './wiring-schemes'
import { say } from '../words'

export interface SchemeJudged {
  readonly id: SchemeId
  readonly name: string
  readonly tell: string
  readonly verdict: 'fits' | 'needs more' | 'does not do it' | 'cannot be had'
  readonly why: readonly string[]
  /** the job is wired that way, with everything that was asked of it */
  readonly inUse: boolean
  /** the job is wired that way, but lacks what this would bring */
  readonly lacks: boolean
  /** the job is wired that way, with sizes or fuses that others would better */
  readonly resized: boolean
}

/** What a way of wiring decides. */
const judgedMargins = ['supply', 'wire', 'fuse', 'contacts'] as const

/** Whether two jobs come to the same circuit, whatever its wires measure. */
const sameCircuit = (a: Job, b: Job): boolean => {
  const shape = (job: Job): string =>
    netlistOf(job)
      .elements.map((e) => `${e.kind} ${e.name} ${e.a} ${e.b}${e.kind === 'fuse' ? '' : e.label}`)
      .sort()
      .join('\n')
  return shape(a) === shape(b)
}

/** Sizes and ratings of a job, to see whether two differ in them. */
const sizesOf = (job: Job): string =>
  JSON.stringify([job.conductors.map((c) => c.size), job.fuses.map((f) => [f.ratingA, f.kind]), job.wiring.tapFuseA])

/** Whether every choice of the way has been made in the job itself. */
const complete = (job: Job): boolean =>
  job.runs.every(
    (r) =>
      (r.switchedBy !== 'relay' || r.relay !== null) &&
      r.fuse !== null &&
      r.conductors.every((c) => job.conductors.find((x) => x.id === c)?.size != null),
  )

/**
 * What is wrong with a circuit whatever its figures: refused, to be looked at, not as asked, a terminal without a
 * wire.
 */
function wrongWith(job: Job): string[] {
  const proof = provedCircuit(job)
  return [
    ...proof.net.problems.filter((p) => p.level !== 'waits').map((p) => p.text.replace(/\.$/, '')),
    ...proof.mismatches.map((m) => mismatchInWords(proof.net, m)),
    ...gapsOf(job, proof.net).map((g) => say`no wire leads to ${g.at}`),
  ]
}

/** One way held against what is wanted, what the parts can do, and what is on the shelf. */
export function judgeScheme(job: Job, id: SchemeId, shelf: Shelf): SchemeJudged {
  const { name, tell, why, barred } = schemes[id]
  const own = schemeOf(job) === id && complete(job)
  const common = { id, name, tell, inUse: own, lacks: false, resized: false }
  const cannot = barred(job, shelf)
  if (cannot) return { ...common, verdict: 'cannot be had', why: [cannot] }
  const proposed = wiredAs(job, id, shelf)
  const inUse = own && sameCircuit(job, proposed)
  // what is in use is judged as it is, with the sizes and fuses that it has
  const wired = inUse ? job : proposed
  const judged = { ...common, inUse, lacks: own && !inUse }
  const resized = inUse && sizesOf(job) !== sizesOf(proposed)
  const wrong = wrongWith(wired)
  if (!job.fans.length)
    return {
      ...judged,
      verdict: wrong.length ? 'does not do it' : 'needs more',
      why: [...wrong, say`the fan is still to be chosen: what it takes decides relay, wires and fuse`],
    }
  const margins = evaluateSome(wired, judgedMargins)
  const told = (verdict: 'short' | 'open' | 'unsure'): string[] =>
    margins.filter((m) => m.verdict === verdict).map((m) => marginInWords(m, job.units))
  const [short, open, unsure] = [told('short'), told('open'), told('unsure')]
  const volts = wired.fans.some((f) => !suitsVoltage(f.part, wired.machine.systemV))
  if (wrong.length || short.length || volts)
    return { ...judged, resized, verdict: 'does not do it', why: [...wrong, ...short] }
  if (open.length || unsure.length) return { ...judged, resized, verdict: 'needs more', why: [why, ...open, ...unsure] }
  return { ...judged, verdict: 'fits', why: [why] }
}

const order = ['fits', 'needs more', 'does not do it', 'cannot be had'] as const

const usual: readonly SchemeId[] = [
  'plug',
  'fed relay',
  'relay each',
  'own contact',
  'block',
  'ground side',
  'one relay',
  'staged',
  'ramp',
  'switched wire',
]

/**
 * Every way, those that do what is wanted first.
 * @see the-work: an existing plug if rated for it, else a fused feed with a relay
 */
export const judgeSchemes = (job: Job, shelf: Shelf): SchemeJudged[] =>
  usual.map((id) => judgeScheme(job, id, shelf)).sort((a, b) => order.indexOf(a.verdict) - order.indexOf(b.verdict))
