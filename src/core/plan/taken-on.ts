import type { Job } from '../job'
import type { Evaluation } from '../margins'
import { signing } from './sign'
import { say, spokenWord } from '../words'

type Acceptance = Job['acceptances'][number]

/** Something that somebody took on by name, and what it was. */
export interface TakenOn extends Acceptance {
  /** "Air unsure moving, slow work", or a warning's own words */
  readonly what: string
}

/** What was accepted of a job, in the words in which it was asked, as far as the evaluation still knows it. */
export function takenOn(job: Job, evaluation: Evaluation): TakenOn[] {
  if (!job.acceptances.length) return []
  const { toAccept } = signing(job, evaluation)
  return job.acceptances.map((a) => {
    const margin = evaluation.margins.find((m) => m.id === a.margin)
    const part = margin?.parts.find((p) => p.id === a.part)
    const warned = toAccept.find((t) => t.verdict === 'warning' && t.margin === a.margin && t.part === a.part)
    if (a.verdict === 'warning')
      return { ...a, what: warned?.text.replace(/\.$/, '') ?? say`A warning that does not stand any more (${a.part})` }
    return {
      ...a,
      what: `${margin?.name ?? a.margin} ${spokenWord(a.verdict)} ${
        part?.name ??
        say`in what is not there any more
        (${a.part})`
      }`,
    }
  })
}
