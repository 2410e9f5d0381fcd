import {
  answerTo,
  coolantAccount,
  openEntries,
  plannedSteps,
  type Proof,
  type ProofState,
  proofsOf,
  stateOfProof,
} from '../build'
import type { Job } from '../job'
import { calendarDay, format, type UnitSystem } from '../units'
import { type Section, section } from './section'
import { say, spokenWord } from '../words'

/** What should be found, in words: a figure with its band, or yes. */
export function predictedInWords(proof: Proof, units: UnitSystem): string {
  const p = proof.predicted
  if (!p) return proof.kind === 'figure' ? say`not worked out` : say`yes`
  const said = (v: number): string => format(v, p.quantity, units, 3)
  return say`${said(p.value)} (${said(p.low)} to ${said(p.high)})`
}

/** states that the figure beside them says already */
const silent: ReadonlySet<ProofState> = new Set(['proved', 'noted', 'open'])

/** What was found, with what it took and what stands of it. */
export function foundInWords(job: Job, proof: Proof, units: UnitSystem): readonly [found: string, verdict: string] {
  const found = answerTo(job, proof)
  if (!found) return ['', '']
  const state = stateOfProof(job, proof)
  const words = found.words ? `, ${found.words}` : ''
  if (found.notProved !== null) return [say`not proved`, found.notProved]
  const figure =
    found.measured && proof.predicted
      ? format(found.measured.value, proof.predicted.quantity, units)
      : (found.measured?.typed ?? spokenWord(found.answer ?? ''))
  if (state === 'accepted' && found.accepted)
    return [`${figure}${words}`, say`differs, stands by ${found.accepted.by}: ${found.accepted.why}`]
  return [`${figure}${words}`, silent.has(state) ? '' : spokenWord(state)]
}

/** Every proof with what was predicted, what was found, and what was found before. */
export function proofSection(job: Job, units: UnitSystem): Section {
  const rows = proofsOf(job).map((p) => [p.name, predictedInWords(p, units), ...foundInWords(job, p, units)])
  const before = job.proofs
    .filter((p) => p.earlier.length)
    .map((p) => {
      const name = proofsOf(job).find((o) => o.id === p.id)?.name ?? p.id
      return say`${name}, found before: ${p.earlier.map((e) => `${e.found} (${calendarDay(e.at)})`).join(', ')}.`
    })
  return section(say`Proof against prediction`, before, [say`proof`, say`predicted`, say`found`, say`verdict`], rows)
}

/** A fix for now, with why, until when or how it was put right. */
function debtInWords(d: Job['debts'][number]): string {
  const ends = d.paid
    ? say` Put right: ${d.paid.how} (${d.paid.by}, ${calendarDay(d.paid.at)}).`
    : d.until && say` Until ${d.until}.`
  const danger = d.dangerous ? say`, NOBODY DRIVES WITH IT` : ''
  return say`For now only${danger}: ${d.what}. ${d.why} (${d.by}, ${calendarDay(d.at)}).${ends ?? ''}`
}

/** What happened at the bench besides the steps: what is off, coolant, fixes for now, locks gone past. */
export function benchSection(job: Job, units: UnitSystem): Section | null {
  const title = (id: string): string =>
    plannedSteps(job).find((s) => s.id === id)?.title ?? id.replace('proof:', 'proof ')
  const account = coolantAccount(job)
  const lines = [
    ...openEntries(job).map(
      (e) =>
        say`Off: ${[e.what, e.way, e.smallParts && say`small parts: ${e.smallParts}`].filter(Boolean).join('; ')}.`,
    ),
    ...(account && account.outM3 !== null
      ? [
          say`Coolant: ${format(account.outM3, 'volume', units, 3)} came out${
            account.inM3 === null ? '' : say`, ${format(account.inM3, 'volume', units, 3)} went in`
          }. ${account.words}`,
        ]
      : []),
    ...job.debts.map((d) => debtInWords(d)),
    ...job.build.have
      .filter((h) => !h.here && h.why)
      .map((h) => say`Without ${h.need.slice(2)}: ${h.why} (${h.by}, ${calendarDay(h.at)}).`),
    ...job.build.passed.map((p) => say`Gone past a lock, ${title(p.what)}: ${p.why} (${p.by}, ${calendarDay(p.at)}).`),
    ...job.build.unplanned.map(
      (u) => say`Not as planned, ${spokenWord(u.what)}: ${u.words} (${u.by}, ${calendarDay(u.at)}).`,
    ),
    ...job.build.torques.map(
      (t) => say`${title(t.step)}: ${format(t.newtonMetres, 'torque', units, 2)}, as its maker gives it.`,
    ),
    ...job.build.left.map(
      (l) =>
        say`Left lying ${calendarDay(l.at)}${
          l.backAt ? say` to ${calendarDay(l.backAt)}` : say`, still`
        }: ${l.why} (${l.by}).`,
    ),
  ]
  return lines.length ? section(say`At the bench`, lines) : null
}
