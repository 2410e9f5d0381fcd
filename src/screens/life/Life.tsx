'use client'

import Link from 'next/link'
import { useEffect, useState } from 'react'
import { lifeKinds } from '@/core/sheets/life-events'
import type { LifeEvent } from '@/core/sheets'
import { calendarDay } from '@/core/units'
import { say, spokenWord } from '@/core/words'

interface Props {
  readonly id: string
  readonly machine: string
  readonly events: readonly LifeEvent[]
}

/** A machine's life on one line, over all of its jobs, the newest first. */
export function Life({ id, machine, events }: Props) {
  const [only, setOnly] = useState<string>('')
  useEffect(() => {
    document.documentElement.dataset.ready = 'yes'
  }, [])
  const shown = events.filter((e) => only === '' || e.kind === only)
  return (
    <main className="history">
      <p>
        <Link href={`/jobs/${id}?station=after`} prefetch={false}>
          {say`Back to the job`}
        </Link>
      </p>
      <h1>{say`${machine}: its life here`}</h1>
      <p className="no-print">
        <label>
          {say`Show`}{' '}
          <select className="form-select d-inline-block w-auto" value={only} onChange={(e) => setOnly(e.target.value)}>
            <option value="">{say`all of it`}</option>
            {lifeKinds
              .filter((k) => events.some((e) => e.kind === k))
              .map((k) => (
                <option key={k} value={k}>
                  {spokenWord(k)}
                </option>
              ))}
          </select>
        </label>
      </p>
      <ol className="life">
        {shown.map((e, i) => (
          <li key={`${e.at} ${i}`} data-kind={e.kind}>
            <span className="figure-text soft">
              {calendarDay(shown[i - 1]?.at ?? '') === calendarDay(e.at) ? '' : calendarDay(e.at)}
            </span>
            <span className="life-kind">{spokenWord(e.kind)}</span>
            <span>
              {e.what}
              {e.about && <span className="soft">, {e.about}</span>}
              {e.job !== id && (
                <>
                  {' '}
                  <Link href={`/jobs/${e.job}`} prefetch={false} className="small">
                    {e.title}
                  </Link>
                </>
              )}
            </span>
          </li>
        ))}
      </ol>
    </main>
  )
}
