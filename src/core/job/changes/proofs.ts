import type { Job } from '../document'
import { mostOf } from '../limits'
import type { By } from './bench'
import { say } from '../../words'

type Found = Job['proofs'][number]
export type ProofAnswer = Pick<Found, 'measured' | 'answer' | 'notProved'>

/** What was found, in a few words: kept when it is proved again. */
const foundInWords = ({ measured, answer, notProved }: Found): string => {
  if (measured) return measured.typed || String(measured.value)
  return (notProved === null ? answer : say`not proved: ${notProved}`) ?? 'nothing'
}

/** Answers a proof, or takes its answer away; what was found before stays readable. */
export function answerProof(job: Job, id: string, answer: ProofAnswer | null, at: string): Job {
  const before = job.proofs.find((p) => p.id === id)
  const others = job.proofs.filter((p) => p.id !== id)
  if (!answer) return { ...job, proofs: others }
  const same = before && JSON.stringify(answer) === JSON.stringify(answerOf(before))
  if (same) return job
  const earlier = before
    ? [...before.earlier, { found: foundInWords(before).slice(0, 160), at: before.at }].slice(-mostOf('earlierProofs'))
    : []
  return {
    ...job,
    proofs: [...others, { id, ...answer, words: before?.words ?? '', accepted: null, earlier, at }],
  }
}

const answerOf = ({ measured, answer, notProved }: Found): ProofAnswer => ({ measured, answer, notProved })

const changeProof = (job: Job, id: string, change: Partial<Found>): Job => ({
  ...job,
  proofs: job.proofs.map((p) => (p.id === id ? { ...p, ...change } : p)),
})

/** What was seen besides. */
export const proofWords = (job: Job, id: string, words: string): Job => changeProof(job, id, { words })

/** Lets a figure that differs stand by name: this very value, and no other. */
export const acceptProof = (job: Job, id: string, why: string, by: By): Job => {
  const value = job.proofs.find((p) => p.id === id)?.measured?.value
  return value === undefined ? job : changeProof(job, id, { accepted: { value, why, ...by } })
}
