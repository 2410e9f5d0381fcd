import { withFaults } from '../circuit'
import type { Job } from '../job'
import { netlistOf } from './netlist'
import { type JobProof, proofOf, provedCircuit } from './proof'

/**
 * A job's circuit with faults put into it, held against its intent: what they would do.
 * @param faults as of `faultsAt`: "open:feed1_b"
 */
export function provedWithFaults(job: Job, faults: readonly string[]): JobProof {
  if (!faults.length) return provedCircuit(job)
  const whole = netlistOf(job)
  return proofOf(job, { ...withFaults(whole, faults), nodes: whole.nodes, problems: whole.problems })
}
