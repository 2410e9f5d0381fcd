import { type Station, stations } from '@/core/fields'
import type { Job } from '@/core/job'
import { evaluate, type Evaluation, type Findings } from '@/core/margins'
import { type Filled, filled } from '@/core/plan'

/** What a job comes to, and how far each station is filled. */
export interface Judged {
  readonly evaluation: Evaluation
  readonly filled: Readonly<Record<Station, Filled>>
}

export const filledOf = (job: Job): Judged['filled'] =>
  Object.fromEntries(stations.map((s) => [s, filled(job, s)])) as Judged['filled']

export { evaluate }

/** An evaluation as a page is first drawn with it: without its workings, which are nine tenths of it. */
export function firstJudged(job: Job, findings: Findings | null): Judged {
  const evaluation = evaluate(job, findings)
  return {
    evaluation: {
      ...evaluation,
      margins: evaluation.margins.map((m) => ({
        ...m,
        working: [],
        parts: m.parts.map((p) => ({ ...p, working: [] })),
      })),
    },
    filled: filledOf(job),
  }
}
