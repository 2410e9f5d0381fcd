import { circuitsOf } from '../fan-circuit'
import { addDays } from './days'
import { NOT_FED_BACK, type Proof, proofsOf } from '../build'
import { stepsOf } from '../build'
import { planWarnings } from './warnings'
import { careDays, type Job, type MarginId, wiresInUse } from '../job'
import {
  CORE_VERSION,
  type Evaluation,
  isFuseMissing,
  isGuardPart,
  type MarginResult,
  type PartResult,
} from '../margins'
import { mismatchInWords } from '../circuit'
import { provedCircuit } from '../wiring'

/** Something that must be accepted by name before a job is signed. */
export interface ToAccept {
  readonly margin: MarginId | 'plan'
  readonly part: string
  readonly verdict: 'unsure' | 'open' | 'warning'
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

const signedUnder = ({ signature }: Job, [major, minor]: readonly [number, number]): boolean => {
  if (!signature) return true
  const [theirs = 0, patch = 0] = signature.coreVersion.split('.').map(Number)
  return theirs > major || (theirs === major && patch >= minor)
}
const circuitAsked = (job: Job): boolean => signedUnder(job, CIRCUIT_CORE)
/** Proofs that a job's signature stands for. */
const provenBy = (job: Job): Proof[] =>
  proofsOf(job).filter(
    (p) =>
      (p.id !== NOT_FED_BACK || signedUnder(job, GUARD_CORE)) &&
      (signedUnder(job, EACH_FAN_CORE) || !circuitsOf(job).some((c, n) => n > 0 && p.id.endsWith(`-${c.run.id}`))),
  )

/** What a signature of an older core never answered for, and a run without a fuse, which has its own words. */
const toldAlready = (job: Job, part: PartResult): boolean =>
  (!signedUnder(job, GUARD_CORE) && isGuardPart(part)) || isFuseMissing(part)

/** "Fuse is short." and what of it is short without a figure. */
const shortInWords = (m: MarginResult): string => {
  const words = m.parts.flatMap((p) => (p.verdict === 'short' && p.words && !isFuseMissing(p) ? [p.words] : []))
  return `${m.name} is short${words.length ? `: ${words.join('; ')}` : ''}.`
}

/**
 * Whether a job may be signed. A missing fuse blocks it and nothing overrides that; so does any short margin, an unmade
 * step, an unanswered proof and a test setting. Unsure and open margins and warnings can be accepted, with who, when
 * and why.
 */
export function signing(job: Job, evaluation: Evaluation): Signing {
  const blockers: string[] = []
  if (job.ended) blockers.push('The job has ended without a fan.')
  if (job.machine.hasBattery === null || job.machine.outputDc === null)
    blockers.push('Nobody has said whether there is a battery and its output is direct current.')
  if (job.runs.some((r) => r.fan !== null && r.fuse === null))
    blockers.push('No fuse fitted. A job is not signed off without its fuse; there is no way round this.')
  if (!job.fans.length) blockers.push('No fan chosen.')
  if (!job.controllers.length) blockers.push('No controller chosen.')
  for (const m of evaluation.margins)
    if (m.parts.some((p) => !p.warns && p.verdict === 'short' && !toldAlready(job, p))) blockers.push(shortInWords(m))
  if (wiresInUse(job).some((c) => c.size === null)) blockers.push('A conductor has no size.')
  const unmade = stepsOf(job).filter((s) => !job.build.done.some((d) => d.step === s.id))
  if (unmade.length)
    blockers.push(
      `${unmade.length} build ${unmade.length === 1 ? 'step' : 'steps'} not ticked: ` +
        `${unmade[0]!.title}${unmade.length > 1 ? ' …' : '.'}`,
    )
  const unproved = provenBy(job).filter((p) => !job.proofs.some((d) => d.id === p.id))
  if (unproved.length)
    blockers.push(
      `${unproved.length} ${unproved.length === 1 ? 'proof' : 'proofs'} not answered: ` +
        `${unproved[0]!.name}${unproved.length > 1 ? ' …' : '.'}`,
    )
  const failed = provenBy(job).filter((p) => job.proofs.some((d) => d.id === p.id && d.answer === 'no'))
  for (const f of failed) blockers.push(`Proof failed: ${f.name}.`)
  const asked = circuitAsked(job)
  if (asked && job.fans.length && job.controllers.length) {
    const { net, mismatches } = provedCircuit(job)
    for (const p of net.problems.filter((x) => x.level === 'refused')) blockers.push(p.text)
    for (const m of mismatches)
      blockers.push(`The circuit does not do what you asked for. ${capital(mismatchInWords(net, m))}.`)
  }
  if (job.setting.state === 'test')
    blockers.push('The controller is on its test setting: put back the working setting.')
  // what was accepted covers what is no worse; a change for the worse must be accepted anew. What an older core signed
  // is
  // not held against figures of this one
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
      .filter((p) => !p.warns && (p.verdict === 'unsure' || p.verdict === 'open'))
      .filter((p) => !toldAlready(job, p))
      .map((p) => {
        const verdict = p.verdict as 'unsure' | 'open'
        return {
          margin: m.id,
          part: p.id,
          verdict,
          worst: p.worst,
          text: verdict === 'open' ? `${m.name} ${p.name}: open, needs ${p.words ?? ''}` : `${m.name} unsure ${p.name}`,
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

/** A signed job without what was seen of the machine since: its signature never answered for that. */
export const asSigned = (job: Job): Job => {
  const at = job.signature?.at
  return at === undefined || job.observations.every((o) => o.at <= at)
    ? job
    : { ...job, observations: job.observations.filter((o) => o.at <= at) }
}

/** What a signature stands for: everything but the signature itself, what is looked after and what is seen later. */
const signedContent = (job: Job, at: string): string =>
  JSON.stringify({
    ...job,
    observations: job.observations.filter((o) => o.at <= at),
    claims: [],
    signature: null,
    after: [],
  })

/** A job without what was seen since an older version of it: whatever a clock says, that was not there to be signed. */
const withoutNewlySeen = (job: Job, before: Job): Job => ({
  ...job,
  observations: job.observations.filter((o) => before.observations.some((b) => b.id === o.id)),
})

/**
 * Whether the next version of a job may carry the signature it has: none, or the same with nothing that was signed
 * changed.
 */
export const keepsSignature = (before: Job, after: Job): boolean =>
  after.signature === null ||
  (JSON.stringify(after.signature) === JSON.stringify(before.signature) &&
    signedContent(before, after.signature.at) === signedContent(withoutNewlySeen(after, before), after.signature.at))

/** The next version of a job: a change to anything that was signed takes the signature off it. */
export const withoutStaleSignature = (before: Job, after: Job): Job =>
  keepsSignature(before, after) ? after : { ...after, signature: null }

/**
 * The signed job: signature set and the days of aftercare filled in where nobody chose them.
 * @param at moment of signing, ISO
 */
export function signed(job: Job, by: string, at: string): Job {
  const day = at.slice(0, 10)
  return {
    ...job,
    after: job.after.map((a) => (a.dueOn === null ? { ...a, dueOn: addDays(day, careDays(a.id, day)) } : a)),
    signature: { by, at, coreVersion: CORE_VERSION },
  }
}
