'use client'

import Button from 'react-bootstrap/Button'
import ButtonGroup from 'react-bootstrap/ButtonGroup'
import { circuitsOf } from '@/core/fan-circuit'
import { jobKinds } from '@/core/job'
import { addSecondFan, dropSecondFan } from '@/core/wiring'
import type { StationProps } from '../station'
import { say } from '@/core/words'

interface Props extends Pick<StationProps, 'job' | 'fan' | 'settle' | 'station'> {
  readonly onChoose: (fan: number) => void
}

/** Which of several fans is looked at, and a second one to add or to take off. */
export function FanChoice({ job, fan, settle, station, onChoose }: Props) {
  const circuits = circuitsOf(job)
  const [{ fan: first }] = circuits as [(typeof circuits)[number]]
  if (circuits.length < 2)
    return first && station === 'place' && jobKinds[job.kind].mountsFan ? (
      <p className="fan-choice">
        <button
          type="button"
          className="word-button"
          onClick={() => {
            settle((j) => addSecondFan(j, first.part))
            onChoose(1)
          }}
        >
          {say`add a second fan like it`}
        </button>
      </p>
    ) : null
  return (
    <div className="fan-choice">
      <ButtonGroup size="sm" aria-label={say`Which fan is looked at`}>
        {circuits.map((c, n) => (
          <Button
            key={c.run.id}
            variant={n === fan ? 'dark' : 'outline-dark'}
            aria-pressed={n === fan}
            onClick={() => onChoose(n)}
          >
            {say`Fan ${n + 1}${c.fan ? `: ${c.fan.part.name}` : ''}`}
          </Button>
        ))}
      </ButtonGroup>{' '}
      <button
        type="button"
        className="word-button"
        onClick={() => {
          onChoose(0)
          settle(dropSecondFan)
        }}
      >
        {say`take the second fan off`}
      </button>
    </div>
  )
}
