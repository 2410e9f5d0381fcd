import { type Conditions, LIVE_V, type ProvedState, stateInWords } from '../core/circuit'
import type { Job } from '../core/job'
import { gapsOf, guardsOf, isOfLoom, type JobProof, provedCircuit } from '../core/wiring'

const rounded = (value: number): number => Number(value.toPrecision(6))

/** One state as it is printed: what was switched, what the fans do, what of the loom is live. */
function stateJson(proof: JobProof, s: ProvedState, from: Conditions | null): object {
  const fanOf = (name: string): string => {
    const motor = proof.net.elements.find((e) => e.name === name)
    return motor?.kind === 'motor' ? motor.fan : name
  }
  return {
    conditions: s.conditions,
    from,
    fans: s.fans.map((f) => ({ id: fanOf(f.name), speed: rounded(f.speed), amps: rounded(f.amps) })),
    live: [...s.solution.volts]
      .filter(([node, v]) => v > LIVE_V && !s.solution.floating.includes(node) && isOfLoom(proof.net, node))
      .map(([node]) => node),
    asAsked: s.mismatch === null,
    words: `${stateInWords(s.conditions, proof.net)}: ${s.mismatch ?? 'as asked'}`,
  }
}

/**
 * A job's circuit held against what was asked of it, as data: every state from everything off and every one that holds
 * itself, what no fuse guards, and terminals that no wire of the cut list leads to.
 * @returns amps, metres; live nodes by their names in the circuit
 */
export function proofJson(job: Job): object {
  const proof = provedCircuit(job)
  const latches = proof.latches.map((l) => stateJson(proof, l, l.from))
  return {
    asAsked: proof.mismatches.length === 0 && proof.net.problems.every((p) => p.level !== 'refused'),
    problems: proof.net.problems.map((p) => p.text),
    mismatches: proof.mismatches.map((m) => m.text),
    states: [...proof.rows.flatMap((r) => r.states.map((s) => stateJson(proof, s, null))), ...latches],
    latches,
    unguarded: guardsOf(job)
      .filter((g) => g.verdict === 'unguarded' || g.verdict === 'unknown')
      .map((g) => ({
        conductor: g.conductor,
        name: g.name,
        from: g.from,
        lengthM: rounded(g.lengthM),
        wouldCarryA: rounded(g.wouldCarryA),
        allowedA: rounded(g.allowedA),
      })),
    cutListGaps: gapsOf(job, proof.net),
  }
}
