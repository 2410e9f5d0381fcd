'use client'

import Form from 'react-bootstrap/Form'
import { choiceEnds, complaintSigns, type Job } from '@/core/job'
import { QuantityField } from '@/ui/QuantityField'
import type { StationProps } from '../station'
import { Unfold } from './Unfold'
import { say, spokenWord } from '@/core/words'

function howOften(times: number | null): string {
  if (times === null) return say`not said how often`
  return times === 1 ? say`1 time` : say`${times} times`
}

/** What was noticed with the complaint, and how often. */
export function Noticed({ job, settle }: Pick<StationProps, 'job' | 'settle'>) {
  const { signs, times } = job.complaint
  const change = (part: Partial<Job['complaint']>): void =>
    settle((j) => ({ ...j, complaint: { ...j.complaint, ...part } }))
  const often = howOften(times)
  return (
    <Unfold
      title={say`What was noticed, and how often`}
      says={signs.length ? `${signs.map((sign) => spokenWord(sign)).join(', ')}; ${often}` : often}
    >
      <fieldset>
        <legend className="fs-6">{say`Noticed as well`}</legend>
        {complaintSigns.map((sign) => (
          <Form.Check
            key={sign}
            id={`sign-${sign.replaceAll(' ', '-')}`}
            label={spokenWord(sign)}
            checked={signs.includes(sign)}
            onChange={(e) =>
              change({ signs: complaintSigns.filter((s) => (s === sign ? e.target.checked : signs.includes(s))) })
            }
          />
        ))}
      </fieldset>
      <QuantityField
        name="complaint.times"
        label={say`how many times`}
        value={times}
        quantity="count"
        system={job.units}
        range={choiceEnds.complaintTimes}
        onSettle={(value) => change({ times: Math.round(value) })}
      />
    </Unfold>
  )
}
