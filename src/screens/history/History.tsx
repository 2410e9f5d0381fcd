'use client'

import { useEffect, useState } from 'react'
import { momentInWords } from '@/ui/days'
import Link from 'next/link'
import { useRouter } from 'next/navigation'
import { z } from 'zod'
import { Trouble } from '@/ui/Trouble'
import { say } from '@/core/words'

const answerSchema = z.discriminatedUnion('ok', [
  z.object({ ok: z.literal(true) }),
  z.object({ ok: z.literal(false), message: z.string() }),
])
/** One settled change as it is told. */
interface PastChange {
  readonly number: number
  readonly madeAt: string
  readonly changes: readonly string[]
  readonly sealed: boolean
}

interface Props {
  readonly id: string
  readonly title: string
  readonly newest: number
  readonly revisions: readonly PastChange[]
}

/** Every settled change of a job, newest first; any can be looked at and brought back. */
export function History({ id, title, newest, revisions }: Props) {
  const router = useRouter()
  // the time of day is the browser's own, so it is written only there
  const [inBrowser, setInBrowser] = useState(false)
  const [trouble, setTrouble] = useState<string | null>(null)
  useEffect(() => {
    setInBrowser(true)
    document.documentElement.dataset.ready = 'yes'
  }, [])
  const bring = async (number: number): Promise<void> => {
    try {
      const answer = answerSchema.parse(
        await (await fetch(`/api/jobs/${encodeURIComponent(id)}/revisions/${number}`, { method: 'POST' })).json(),
      )
      if (answer.ok) router.push(`/jobs/${id}`)
      else setTrouble(answer.message)
    } catch {
      setTrouble(say`Pyraxis does not answer. Nothing was changed; try again.`)
    }
  }
  const last = revisions.at(-1)
  return (
    <main className="history">
      <p>
        <Link href={`/jobs/${id}`} prefetch={false}>
          {say`Back to the job`}
        </Link>
      </p>
      <h1>{say`${title}: what was changed, and when`}</h1>
      <Trouble words={trouble} />
      <ol className="list-unstyled">
        {revisions.map((r) => (
          <li key={r.number} className="history-line">
            <span className="figure-text">{r.number}</span>
            <span>
              <span className="soft small d-block" suppressHydrationWarning>
                {inBrowser ? momentInWords(r.madeAt) : r.madeAt.slice(0, 10)}
                {r.sealed ? say` · signed here: evaluation and sheet are kept` : ''}
                {r.number === newest ? say` · stands now` : ''}
              </span>
              {r.changes.length === 0
                ? say`nothing that is told`
                : r.changes.map((c) => (
                    <span key={c} className="d-block">
                      {c}
                    </span>
                  ))}
            </span>
            <span className="text-nowrap">
              <Link
                className="me-3"
                href={`/jobs/${id}/history/${r.number}`}
                prefetch={false}
                aria-label={say`Look at revision ${r.number}`}
              >
                {say`look`}
              </Link>
              {r.number !== newest && (
                <button
                  type="button"
                  className="word-button"
                  aria-label={say`Bring back revision ${r.number}`}
                  onClick={() => void bring(r.number)}
                >
                  {say`bring back`}
                </button>
              )}
            </span>
          </li>
        ))}
      </ol>
      {last && last.number > 1 && (
        <p>
          <Link href={`/jobs/${id}/history?before=${last.number}`} prefetch={false}>
            {say`Older`}
          </Link>
        </p>
      )}
    </main>
  )
}
