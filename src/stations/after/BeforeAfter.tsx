'use client'

import { beforeAndAfter } from '@/core/evidence/before-after'
import { pairInWords } from '@/core/evidence/before-after-words'
import type { Job } from '@/core/job'
import { say } from '@/core/words'

const marks = { better: '↑', worse: '↓', 'no difference': '=', 'not comparable': '–' } as const

/** What was seen with the fan beside what is most like it from before. */
export function BeforeAfter({ job }: { readonly job: Job }) {
  const pairs = beforeAndAfter(job)
  return (
    <section aria-label={say`Before and after`}>
      <h2 className="mt-4">{say`Before and after`}</h2>
      {pairs.length === 0 ? (
        <p className="soft small">
          {say`Nothing to compare yet: it takes the same thing seen as it came and again as fitted, at the same work
            and in like air.`}
        </p>
      ) : (
        <ul className="seen-lines">
          {pairs.map((pair) => {
            const { before, after, verdict, change } = pairInWords(pair, job.units)
            return (
              <li key={`${pair.before.id} ${pair.after.id}`}>
                <span aria-hidden="true" className="seen-mark">
                  {marks[pair.told]}
                </span>
                <span>
                  <strong className="fw-medium">{verdict}</strong>: {change}
                  <span className="soft small d-block">{say`before: ${before}`}</span>
                  <span className="soft small d-block">{say`now: ${after}`}</span>
                </span>
              </li>
            )
          })}
        </ul>
      )}
    </section>
  )
}
