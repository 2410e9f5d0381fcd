import { circuitsOf } from '../fan-circuit'
import {
  coreOff,
  dangerousDebts,
  isDry,
  NOT_FED_BACK,
  openEntries,
  type Proof,
  proofsOf,
  type ProofState,
  stateOfProof,
  plannedSteps,
} from '../build'
import { planWarnings } from './warnings'
import { faultSought, type Job, type MarginId, outlivesKey, wiresInUse } from '../job'
import {
  AFTER_SWITCH_OFF,
  CORE_VERSION,
  type Evaluation,
  isFuseMissing,
  isGuardPart,
  type MarginResult,
  type PartResult,
} from '../margins'
import { mismatchInWords } from '../circuit'
import { provedCircuit } from '../wiring'
import { say } from '../words'

/** Something that must be accepted by name before a job is signed. */
export interface ToAccept {
  readonly margin: MarginId | 'plan'
  readonly part: string
  readonly verdict: 'unsure' | 'open' | 'warning' | 'short'
  readonly worst: number | null
  readonly text: string
  readonly accepted: boolean
}

const ROUNDING = 1e-9
const capital = (words: string): string => words.charAt(0).toUpperCase() + words.slice(1)

/** What stands between a job and its signature. */
export interface Signing {
  /** no acceptance lifts these */
  readonly blockers: readonly string[]
  readonly toAccept: readonly ToAccept[]
  readonly ready: boolean
}

/**
 * The core that first asked what a circuit does: a job signed under an older one is not held against questions that
 * nobody put then.
 */
const CIRCUIT_CORE = [1, 3] as const
/** the core that first asked proofs of every fan, not of the first alone */
const EACH_FAN_CORE = [1, 5] as const
/** the core that first asked what guards every conductor */
const GUARD_CORE = [1, 6] as const
/** the core that first kept what came off, held proofs against what differs, and put covers back */
const BENCH_CORE = [1, 11] as const
/** the core that first asked the battery for what goes on after the key against what is wanted */
const AFTER_KEY_CORE = [1, 12] as const

const signedUnder = ({ signature }: Job, [major, minor]: readonly [number, number]): boolean => {
  if (!signature) return true
  const [theirs = 0, patch = 0] = signature.coreVersion.split('.').map(Number)
  return theirs > major || (theirs === major && patch >= minor)
}
const circuitAsked = (job: Job): boolean => signedUnder(job, CIRCUIT_CORE)
/** Steps and proofs that no core before {@link BENCH_CORE} had. */
const newAtTheBench = /^(fuel|pin-hole|working-setting|covers|last-look|continuity|insulation|states|inrush.*|loss-.*)$/
/** asked before only where the core came off */
const withCoreOff: ReadonlySet<string> = new Set(['drain', 'refill', 'leaks'])

/** Whether a step or a proof was asked of whoever signed. */
const askedThen = (job: Job, id: string): boolean =>
  signedUnder(job, BENCH_CORE) || !(newAtTheBench.test(id) || (withCoreOff.has(id) && !coreOff(job)))

/** Proofs that a job's signature stands for. */
const provenBy = (job: Job): Proof[] =>
  proofsOf(job).filter(
    (p) =>
      askedThen(job, p.id) &&
      (p.id !== NOT_FED_BACK || signedUnder(job, GUARD_CORE)) &&
      (signedUnder(job, EACH_FAN_CORE) || !circuitsOf(job).some((c, n) => n > 0 && p.id.endsWith(`-${c.run.id}`))),
  )

/** Margins that may be short by name, where the owner was told: nothing burns of them and nothing is touched. */
const mayBeShort: ReadonlySet<MarginId> = new Set<MarginId>(['air', 'supply', 'charge', 'battery', 'trigger', 'boil'])

/** What is open at the bench: things off, coolant out, fixes nobody may drive with, work left lying. */
function benchBlockers(job: Job): string[] {
  if (!signedUnder(job, BENCH_CORE)) return []
  const left = job.build.left.find((l) => l.backAt === null)
  return [
    ...openEntries(job).map((e) => say`Not back yet: ${e.what}.`),
    ...(isDry(job) ? [say`The coolant is out.`] : []),
    ...dangerousDebts(job).map((d) => say`Nobody may drive with this fix for now: ${d.what}.`),
    ...(left ? [say`Work was left lying: ${left.why}.`] : []),
    // what is sought after it was signed, the signature never answered for
    ...(!job.signature && faultSought(job) ? [say`A fault is being sought: end the search, in Prove.`] : []),
  ]
}

/** "3 proofs not answered: It turns …". */
const countInWords = (list: readonly string[], one: string, many: string, not: string): string[] =>
  list.length
    ? [`${list.length} ${list.length === 1 ? one : many} ${not}: ${list[0]}${list.length > 1 ? ' …' : '.'}`]
    : []

/** Steps that are not ticked and proofs that are not settled. */
function workBlockers(job: Job): string[] {
  const unmade = plannedSteps(job).filter((s) => askedThen(job, s.id) && !job.build.done.some((d) => d.step === s.id))
  const stood = provenBy(job).map((proof) => ({ name: proof.name, state: stateOfProof(job, proof) }))
  const named = (state: ProofState): string[] => stood.flatMap((p) => (p.state === state ? [p.name] : []))
  return [
    ...countInWords(
      unmade.map((s) => s.title),
      say`build step`,
      say`build steps`,
      say`not ticked`,
    ),
    ...countInWords(named('open'), say`proof`, say`proofs`, say`not answered`),
    ...named('failed').map((name) => say`Proof failed: ${name}.`),
    ...(signedUnder(job, BENCH_CORE) ? named('differs') : []).map(
      (name) => say`${name} is not as predicted: put it right and prove it again, or say in Prove why it may stand.`,
    ),
  ]
}

/** What a signature of an older core never answered for, and a run without a fuse, which has its own words. */
const toldAlready = (job: Job, part: PartResult): boolean =>
  (!signedUnder(job, GUARD_CORE) && isGuardPart(part)) ||
  (!signedUnder(job, AFTER_KEY_CORE) && part.id === AFTER_SWITCH_OFF && !outlivesKey(job)) ||
  isFuseMissing(part)

/** "Fuse is short." and what of it is short without a figure. */
const shortInWords = (m: MarginResult): string => {
  const words = m.parts.flatMap((p) => (p.verdict === 'short' && p.words && !isFuseMissing(p) ? [p.words] : []))
  return say`${m.name} is short${words.length ? `: ${words.join('; ')}` : ''}.`
}

/** "Boil is short, at the peak: it can stand only if the owner was told". */
function toAcceptInWords(margin: string, part: PartResult, verdict: 'unsure' | 'open' | 'short'): string {
  if (verdict === 'open') return say`${margin} ${part.name}: open, needs ${part.words ?? ''}`
  return verdict === 'short'
    ? say`${margin} is SHORT, ${part.name}: only if the owner was told, and what`
    : say`${margin} unsure ${part.name}`
}

/**
 * Whether a job may be signed. A missing fuse blocks it and nothing overrides that; so does any short margin, an unmade
 * step, an unanswered proof and a test setting. Unsure and open margins and warnings can be accepted, with who, when
 * and why.
 */
export function signing(job: Job, evaluation: Evaluation): Signing {
  const blockers: string[] = []
  if (job.ended) blockers.push(say`The job has ended without a fan.`)
  if (job.machine.hasBattery === null || job.machine.outputDc === null)
    blockers.push(say`Nobody has said whether there is a battery and its output is direct current.`)
  if (job.runs.some((r) => r.fan !== null && r.fuse === null))
    blockers.push(say`No fuse fitted. A job is not signed off without its fuse; there is no way round this.`)
  if (!job.fans.length) blockers.push(say`No fan chosen.`)
  if (!job.controllers.length) blockers.push(say`No controller chosen.`)
  const isShort = (p: PartResult): boolean => !p.warns && p.verdict === 'short' && !toldAlready(job, p)
  for (const m of evaluation.margins) if (!mayBeShort.has(m.id) && m.parts.some(isShort)) blockers.push(shortInWords(m))
  if (wiresInUse(job).some((c) => c.size === null)) blockers.push(say`A conductor has no size.`)
  blockers.push(...workBlockers(job), ...benchBlockers(job))
  const asked = circuitAsked(job)
  if (asked && job.fans.length && job.controllers.length) {
    const { net, mismatches } = provedCircuit(job)
    for (const p of net.problems.filter((x) => x.level === 'refused')) blockers.push(p.text)
    for (const m of mismatches)
      blockers.push(say`The circuit does not do what you asked for. ${capital(mismatchInWords(net, m))}.`)
  }
  if (job.setting.state === 'test')
    blockers.push(say`The controller is on its test setting: put back the working setting.`)
  // what was accepted covers what is no worse; a change for the worse must be accepted anew. What an older core signed
  // is not held against figures of this one
  const older = job.signature !== null && job.signature.coreVersion !== CORE_VERSION
  const accepted = (
    margin: MarginId | 'plan',
    part: string,
    verdict: ToAccept['verdict'],
    worst: number | null,
  ): boolean =>
    job.acceptances.some(
      (a) =>
        a.margin === margin &&
        a.part === part &&
        a.verdict === verdict &&
        (older || worst === null || (a.worst !== null && worst >= a.worst - ROUNDING)),
    )
  const margins = evaluation.margins.flatMap((m): ToAccept[] => [
    ...m.parts
      .filter(
        (p) =>
          !p.warns &&
          !toldAlready(job, p) &&
          (p.verdict === 'unsure' || p.verdict === 'open' || (mayBeShort.has(m.id) && isShort(p))),
      )
      .map((p) => {
        const verdict = p.verdict as 'unsure' | 'open' | 'short'
        return {
          margin: m.id,
          part: p.id,
          verdict,
          worst: p.worst,
          text: toAcceptInWords(m.name, p, verdict),
          accepted: accepted(m.id, p.id, verdict, p.worst),
        }
      }),
    ...m.warnings.map((w) => {
      const worst = m.parts.find((p) => p.id === w.part)?.worst ?? null
      return {
        margin: m.id,
        part: w.part,
        verdict: 'warning' as const,
        worst,
        text: w.text,
        accepted: accepted(m.id, w.part, 'warning', worst),
      }
    }),
  ])
  const plan = planWarnings(job)
    .filter((w) => asked || !/^(circuit |owner key-wire)/.test(w.id))
    .map((w): ToAccept => ({
      margin: 'plan',
      part: w.id,
      verdict: 'warning',
      worst: null,
      text: w.text,
      accepted: accepted('plan', w.id, 'warning', null),
    }))
  const toAccept = [...margins, ...plan]
  return { blockers, toAccept, ready: blockers.length === 0 && toAccept.every((a) => a.accepted) }
}
