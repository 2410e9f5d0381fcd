import { asPredicted, answerTo, type Proof } from '../build'
import { motorsOf } from '../circuit'
import { circuitsOf } from '../fan-circuit'
import type { Job } from '../job'
import { netlistOf } from '../wiring'
import type { Found } from './table'

const figures: Readonly<Record<string, string>> = { amps: 'amps', volts: 'plug' }

/**
 * What a proof that is not as predicted says to a search: its figure at the same place of the circuit, or what the fan
 * did.
 * @returns null where the proof is answered as it should be, or says nothing that a search asks
 */
export function foundByProof(job: Job, proof: Proof): (Found & { readonly typed: string }) | null {
  const answer = answerTo(job, proof)
  const n = circuitsOf(job).findIndex((c) => c.run.id === proof.run)
  const motor = motorsOf(netlistOf(job)).find((m) => (m.run ?? 0) === Math.max(0, n))
  if (!answer || !motor) return null
  const kind = proof.id.split('-')[0]!
  if (answer.measured && proof.predicted) {
    const { value, typed } = answer.measured
    if (asPredicted(proof.predicted, value)) return null
    if (figures[kind]) return { move: `${figures[kind]}:${motor.name}`, found: Math.abs(value), typed }
    return kind === 'starts' && value > proof.predicted.high ? { move: 'cooling', found: 'late', typed } : null
  }
  if (answer.answer !== 'no') return null
  if (proof.turns) return { move: `fan:called:${motor.name}`, found: 'backwards', typed: '' }
  return kind === 'turns' ? { move: `fan:called:${motor.name}`, found: 'stands', typed: '' } : null
}
