'use client'

import Button from 'react-bootstrap/Button'
import { type SchemeJudged, wiredAs } from '@/core/advice'
import type { StationProps } from '../station'
import { useSchemes } from './use-schemes'
import { say, spokenWord } from '@/core/words'

const look = {
  fits: 'verdict-holds',
  'needs more': 'verdict-unsure',
  'does not do it': 'verdict-short',
  'cannot be had': 'soft',
} as const

function actionOf(s: SchemeJudged): string {
  if (s.lacks) return say`Add what it lacks`
  return s.resized ? say`Size it anew` : say`Wire it so`
}

/**
 * The ways people wire a fan, each held against what is wanted here, what the parts can do and what is on the shelf.
 */
export function Ways({ job, shelf, settle }: Pick<StationProps, 'job' | 'shelf' | 'settle'>) {
  const { judged, message } = useSchemes(job, shelf)
  if (message) return <p className="say say-short">{message}</p>
  if (!judged)
    return (
      <p className="soft" role="status">
        {say`Every way is being tried …`}
      </p>
    )
  return (
    <ul className="ways" aria-label={say`Ways to wire it`}>
      {judged.map((s) => (
        <li key={s.id} aria-current={s.inUse}>
          <div>
            <strong className="fw-medium">{s.name}</strong> ·{' '}
            <span className={look[s.verdict]}>{spokenWord(s.verdict)}</span>
            {s.lacks && <span className="verdict-unsure"> {say`· wired so, but not with all that was asked`}</span>}
            {s.resized && <span className="verdict-unsure"> {say`· in use, with other sizes`}</span>}
            <div className="soft small">{s.tell}</div>
            {s.why.slice(0, 4).map((w) => (
              <div key={w} className="small">
                {w.charAt(0).toUpperCase() + w.slice(1)}.
              </div>
            ))}
            {s.why.length > 4 && <div className="small">{say`And ${s.why.length - 4} more.`}</div>}
          </div>
          {s.inUse && !s.resized && <span className="fw-medium">{say`in use`}</span>}
          {!(s.inUse && !s.resized) && s.verdict !== 'cannot be had' && (
            <Button
              size="sm"
              variant="outline-dark"
              aria-label={`${actionOf(s)}: ${s.name}`}
              onClick={() => settle((j) => wiredAs(j, s.id, shelf))}
            >
              {actionOf(s)}
            </Button>
          )}
        </li>
      ))}
    </ul>
  )
}
