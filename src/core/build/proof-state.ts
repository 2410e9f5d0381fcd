import type { Job } from '../job'
import { evaluateSome } from '../margins'
import { asPredicted, type Proof, proofsOf } from './proofs'
import { fixed } from '../units'
import { say } from '../words'

export type Answered = Job['proofs'][number]

/** How a proof stands. A figure that differs stays so until it is taken again or may stand, by name. */
export type ProofState = 'open' | 'as predicted' | 'noted' | 'proved' | 'differs' | 'accepted' | 'failed' | 'not proved'

export const answerTo = (job: Job, proof: Pick<Proof, 'id'>): Answered | undefined =>
  job.proofs.find((p) => p.id === proof.id)

/** What is said of a proof from what was found; what was accepted is that very value and no other. */
export function stateOfProof(job: Job, proof: Proof): ProofState {
  const found = answerTo(job, proof)
  if (!found) return 'open'
  if (found.notProved !== null) return 'not proved'
  if (found.answer === 'no') return 'failed'
  if (found.answer === 'yes') return 'proved'
  if (!found.measured) return 'open'
  if (!proof.predicted) return 'noted'
  if (asPredicted(proof.predicted, found.measured.value)) return 'as predicted'
  return found.accepted?.value === found.measured.value && mayStand(job, proof, found.measured.value).ok
    ? 'accepted'
    : 'differs'
}

/** Proofs that hold a signature and the covers: unanswered, failed, or other than predicted. */
export const unsettledProofs = (job: Job): { readonly proof: Proof; readonly state: ProofState }[] =>
  proofsOf(job)
    .map((proof) => ({ proof, state: stateOfProof(job, proof) }))
    .filter(({ state }) => state === 'open' || state === 'failed' || state === 'differs')

/** Heat that one joint may make before its plastic suffers, W (estimate). @see engineering §8 */
export const JOINT_W = 1

/**
 * A fan that takes what was measured instead of what its label leaves.
 * @param share measured over predicted
 */
const withFanOf = (job: Job, run: string | null, share: number, which: 'running' | 'starting'): Job => {
  const fan = job.runs.find((r) => r.id === run)?.fan
  const scaled = <Q extends { readonly value: number }>(q: Q): Q => ({ ...q, value: q.value * share })
  return {
    ...job,
    fans: job.fans.map((f) =>
      f.id === fan
        ? {
            ...f,
            part: {
              ...f.part,
              ...(which === 'running' ? { ratedA: scaled(f.part.ratedA) } : {}),
              lockedA: f.part.lockedA && scaled(f.part.lockedA),
            },
          }
        : f,
    ),
  }
}

/** Guards that would not hold at the current that was measured. */
function guardsBroken(job: Job, proof: Proof, measured: number, which: 'running' | 'starting'): string[] {
  const share = measured / proof.predicted!.value
  return evaluateSome(withFanOf(job, proof.run, share, which), ['wire', 'fuse', 'contacts'])
    .filter((m) => m.verdict !== 'holds')
    .map((m) => m.name)
}

/** Current of the fan of a proof: what was measured of it, else what is predicted. A */
export function ampsBeside(job: Job, proof: Proof): number {
  const amps = proofsOf(job).find((p) => p.run === proof.run && /^amps/.test(p.id))
  return (amps && answerTo(job, amps)?.measured?.value) ?? amps?.predicted?.value ?? 0
}

/** "18 W", "0.3 W": heat of one joint, that no table of kilowatts tells. */
export const wattsInWords = (watts: number): string => `${watts < 10 ? fixed(watts, 1) : Math.round(watts)} W`

/** Volts that are lost beyond what is predicted; 0 where none are. */
export function missingVolts(proof: Proof, measured: number): number {
  const p = proof.predicted
  if (!p || p.quantity !== 'voltage') return 0
  return Math.max(0, /^loss/.test(proof.id) ? measured - p.value : p.value - measured)
}

export type MayStand = { readonly ok: true } | { readonly ok: false; readonly why: string }
const refused = (why: string): MayStand => ({ ok: false, why })

/**
 * Whether a figure that differs may stand by name: only where nothing can burn. More current than predicted stands if
 * wire, fuse and contacts hold at it; volts that are missing, if what they heat is less than {@link JOINT_W}.
 * @see engineering §8
 */
export function mayStand(job: Job, proof: Proof, measured: number): MayStand {
  const p = proof.predicted
  if (!p) return { ok: true }
  if (p.quantity === 'voltage') {
    const watts = missingVolts(proof, measured) * ampsBeside(job, proof)
    return watts > JOINT_W
      ? refused(say`${wattsInWords(watts)} are lost somewhere on the way: a joint or wire gets that hot.`)
      : { ok: true }
  }
  const [which] = [
    /^amps/.test(proof.id) && ('running' as const),
    /^inrush/.test(proof.id) && ('starting' as const),
  ].filter((w) => w !== false)
  if (which && measured > p.high) {
    const broken = guardsBroken(job, proof, measured, which)
    if (broken.length) return refused(say`At that current ${broken.join(say` and `)} would not hold.`)
  }
  return { ok: true }
}
