'use client'

import { usePathname } from 'next/navigation'
import type { Question } from '@/core/library/questions'
import { say } from '@/core/words'

/** Questions that come up here, answered on pages of their own with this job's figures. */
export function Asked({ questions }: { readonly questions: readonly Question[] }) {
  const job = usePathname().split('/')[2] ?? ''
  if (!questions.length) return null
  return (
    <p className="asked-often small">
      {questions.map((q) => (
        <a key={q.id} href={`/library/${q.id}?job=${encodeURIComponent(job)}`} target="library">
          {q.question}
          <span className="visually-hidden">{say`, in a page of its own`}</span>
        </a>
      ))}
    </p>
  )
}
