'use client'

import { useEffect, useState } from 'react'
import Button from 'react-bootstrap/Button'
import type { Step } from '@/core/build'
import { waitFor } from '@/core/job'
import { timeInWords } from '@/ui/days'
import type { StationProps } from '../station'
import { say } from '@/core/words'

const MINUTE_MS = 60_000
const LOOK_MS = 5000

/** A wait that needs no hands: it is kept with the job, and so goes on while a phone sleeps or the page is closed. */
export function Wait({
  step,
  job,
  settle,
  now,
}: Pick<StationProps, 'job' | 'settle' | 'now'> & { readonly step: Step }) {
  const since = job.build.waits.find((w) => w.step === step.id)?.since
  const [, look] = useState(0)
  useEffect(() => {
    if (since === undefined) return undefined
    const timer = setInterval(() => look((n) => n + 1), LOOK_MS)
    return () => clearInterval(timer)
  }, [since])
  if (step.waitMinutes === undefined) return null
  const toggle = (): void => {
    const at = now().toISOString()
    settle((j) => waitFor(j, step.id, at))
  }
  if (since === undefined)
    return (
      <Button variant="outline-dark" className="mb-2" onClick={toggle}>
        {say`Start the wait, ${step.waitMinutes} min`}
      </Button>
    )
  const left = Math.ceil((Date.parse(since) + step.waitMinutes * MINUTE_MS - now().getTime()) / MINUTE_MS)
  return (
    <p role="timer" className="wait">
      {left > 0 ? (
        <>
          <strong className="figure-text">{left} min</strong>{' '}
          {say`left, since ${timeInWords(since)}; do something else meanwhile.`}
        </>
      ) : (
        <>{say`The wait is over, since ${timeInWords(since)}.`}</>
      )}{' '}
      <button type="button" className="word-button soft" onClick={toggle}>
        {say`stop it`}
      </button>
    </p>
  )
}
