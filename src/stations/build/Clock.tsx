'use client'

import { useState } from 'react'
import Button from 'react-bootstrap/Button'
import { plannedMinutes, workedMinutes } from '@/core/schedule'
import { clockIn, removeHours } from '@/core/job'
import { calendarDay, format } from '@/core/units'
import { timeInWords } from '@/ui/days'
import { useName } from '@/ui/use-name'
import type { StationProps } from '../station'
import { useTaken } from '../use-taken'
import { Day } from '@/ui/Day'
import { say } from '@/core/words'

type Props = Pick<StationProps, 'job' | 'settle' | 'now'>

/** Hours at the job by the clock, beside what is planned of what is done. */
export function Clock({ job, settle, now }: Props) {
  const [name, remember] = useName()
  const [typed, setTyped] = useState<string | null>(null)
  const { full, take } = useTaken({ job, settle })
  const running = job.hours.find((h) => h.to === null)
  const minutes = (s: number): string => format(60 * Math.round(s), 'minutes', job.units, 3)
  const worked = workedMinutes(job, now().toISOString())
  const planned = plannedMinutes(job)
  const by = (typed ?? name).trim()
  return (
    <section aria-label={say`Hours`}>
      <p className="mb-2">
        {say`Planned ${minutes(planned.all)}, ${minutes(planned.done)} of it done; by the clock ${minutes(worked)}.`}
      </p>
      <div className="d-flex gap-2 flex-wrap align-items-center mb-2">
        {!running && (
          <label>
            {say`Name`}{' '}
            <input
              className="form-control d-inline-block"
              style={{ width: 180 }}
              value={typed ?? name}
              maxLength={80}
              onChange={(e) => setTyped(e.target.value)}
            />
          </label>
        )}
        <Button
          variant={running ? 'dark' : 'outline-dark'}
          disabled={!running && by === ''}
          onClick={() => {
            if (!running) remember(by)
            const at = now().toISOString()
            take((j) => clockIn(j, by, at))
          }}
        >
          {running ? say`Stop the clock, since ${timeInWords(running.from)}` : say`Start the clock`}
        </Button>
      </div>
      {full && <p className="say say-short">{say`It cannot be started: ${full}.`}</p>}
      {job.hours.map((h) => (
        <p key={h.id} className="small mb-1">
          <Day at={h.from} />, {timeInWords(h.from)} {h.to ? say`to ${timeInWords(h.to)}` : say`and still`}, {h.by}{' '}
          <button
            type="button"
            className="word-button soft"
            aria-label={say`take out: ${calendarDay(h.from)}, ${timeInWords(h.from)}`}
            onClick={() => settle((j) => removeHours(j, h.id))}
          >
            {say`take out`}
          </button>
        </p>
      ))}
    </section>
  )
}
