'use client'

import { useMemo } from 'react'
import { sideAdvice } from '@/core/advice'
import { changePlace } from '@/core/job'
import { format } from '@/core/units'
import type { StationProps } from '../station'
import { say } from '@/core/words'

const names = { puller: say`behind the core, pulling`, pusher: say`before the core, pushing` } as const

/** Which face of the core the fan goes on, and what speaks for each. */
export function SideAdvice({ job, settle }: Pick<StationProps, 'job' | 'settle'>) {
  const advice = useMemo(() => sideAdvice(job), [job])
  if (!advice) return null
  const { sides, better, why } = advice
  return (
    <section aria-label={say`Which face of the core`}>
      <h2 className="mt-3">{say`Which face of the core`}</h2>
      <p className="say">
        {better === null ? say`Neither` : <strong className="fw-medium">{names[better]}</strong>}: {why}.{' '}
        {better !== null && better !== job.place.side && (
          <button type="button" className="word-button" onClick={() => settle((j) => changePlace(j, { side: better }))}>
            {say`put it there`}
          </button>
        )}
      </p>
      <ul className="plain-list">
        {sides.map((s) => (
          <li key={s.side}>
            <span className="fw-medium">{names[s.side]}</span>
            {s.chosen ? say` (chosen)` : ''}:{' '}
            <span className={s.spareM < 0 ? 'verdict-short' : ''}>
              {format(Math.abs(s.spareM), 'length', job.units, 2)}{' '}
              {s.spareM < 0 ? say`too little room` : say`over what it needs`}
              {s.tightest && `, ${s.tightest}`}
            </span>
            ; <span className="soft">{s.reasons.join('; ')}</span>
          </li>
        ))}
      </ul>
    </section>
  )
}
