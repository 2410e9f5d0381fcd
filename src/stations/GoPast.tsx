'use client'

import { useState } from 'react'
import type { Lock } from '@/core/build'
import { passLock } from '@/core/job'
import { ReasonForm } from '@/ui/ReasonForm'
import type { StationProps } from './station'
import { useTaken } from './use-taken'
import { say } from '@/core/words'

/** What is waited for, and a way past it by name, where nothing was tried and failed. */
export function GoPast({
  lock,
  what,
  name,
  job,
  settle,
  now,
}: Pick<StationProps, 'job' | 'settle' | 'now'> & {
  readonly lock: Lock
  /** what is gone past: a step's id, or a proof's behind "proof:" */
  readonly what: string
  readonly name: string
}) {
  const [asking, setAsking] = useState(false)
  const { full, take } = useTaken({ job, settle })
  return (
    <div className="lock" role="status">
      <p className="mb-1">
        <span className="lock-word">{say`waits`}</span> {lock.waits.join('; ')}.
      </p>
      {lock.firm && <p className="small mb-0">{say`Nobody goes past that: put it right first.`}</p>}
      {!lock.firm && !asking && (
        <button
          type="button"
          className="word-button soft"
          aria-label={say`go past it by name: ${name}`}
          onClick={() => setAsking(true)}
        >
          {say`go past it by name`}
        </button>
      )}
      {!lock.firm && asking && (
        <ReasonForm
          id={`pass-${what.replace(':', '-')}`}
          label={say`Why it is done all the same`}
          act={say`Go past it`}
          onCancel={() => setAsking(false)}
          onGive={(why, by) => {
            take((j) => passLock(j, what, why, { by, at: now().toISOString() }))
          }}
        />
      )}
      {full && <p className="say say-short">{say`It cannot be noted: ${full}.`}</p>}
    </div>
  )
}
