'use client'

import { useMemo } from 'react'
import { sideAdvice } from '@/core/advice'
import { changePlace } from '@/core/job'
import { format } from '@/core/units'
import type { StationProps } from '../station'

const names = { puller: 'behind the core, pulling', pusher: 'before the core, pushing' } as const

/** Which face of the core the fan goes on, and what speaks for each. */
export function SideAdvice({ job, settle }: Pick<StationProps, 'job' | 'settle'>) {
  const advice = useMemo(() => sideAdvice(job), [job])
  if (!advice) return null
  const { sides, better, why } = advice
  return (
    <section aria-label="Which face of the core">
      <h2 className="mt-3">Which face of the core</h2>
      <p className="say">
        {better === null ? 'Neither' : <strong className="fw-medium">{names[better]}</strong>}: {why}.{' '}
        {better !== null && better !== job.place.side && (
          <button type="button" className="word-button" onClick={() => settle((j) => changePlace(j, { side: better }))}>
            put it there
          </button>
        )}
      </p>
      <ul className="plain-list">
        {sides.map((s) => (
          <li key={s.side}>
            <span className="fw-medium">{names[s.side]}</span>
            {s.chosen ? ' (chosen)' : ''}:{' '}
            <span className={s.spareM < 0 ? 'verdict-short' : ''}>
              {format(Math.abs(s.spareM), 'length', job.units, 2)}{' '}
              {s.spareM < 0 ? 'too little room' : 'over what it needs'}
              {s.tightest && `, ${s.tightest}`}
            </span>
            ; <span className="soft">{s.reasons.join('; ')}</span>
          </li>
        ))}
      </ul>
    </section>
  )
}
