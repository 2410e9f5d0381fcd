'use client'

import { useState } from 'react'
import Form from 'react-bootstrap/Form'
import { clockTime, type DayPlan, minuteOf } from '@/core/schedule'
import { say } from '@/core/words'

interface TimeProps {
  readonly label: string
  readonly value: number | null
  /** what is wrong with a time here; null where nothing is */
  readonly wrong: (minute: number) => string | null
  readonly onSettle: (minute: number | null) => void
  /** it may be left empty */
  readonly optional?: boolean
}

/** A time of day that settles by Enter or by leaving; what cannot be taken stays, with what is wrong. */
function TimeField({ label, value, wrong, onSettle, optional = false }: TimeProps) {
  const [typed, setTyped] = useState<string | null>(null)
  const id = `day-${label.replaceAll(' ', '-')}`
  const empty = optional && typed?.trim() === ''
  const minute = typed === null || empty ? null : minuteOf(typed)
  const reads = minute === null ? say`A time of day: 8, 8:05.` : wrong(minute)
  const message = typed === null || empty ? null : reads
  const settle = (): void => {
    if (typed === null || message !== null) return
    setTyped(null)
    onSettle(minute)
  }
  return (
    <Form.Group controlId={id}>
      <Form.Label className="mb-0">{label}</Form.Label>
      <Form.Control
        style={{ width: 92 }}
        value={typed ?? (value === null ? '' : clockTime(value))}
        isInvalid={message !== null}
        onChange={(e) => setTyped(e.target.value)}
        onBlur={settle}
        onKeyDown={(e) => {
          if (e.key === 'Enter') settle()
        }}
      />
      {message && <Form.Control.Feedback type="invalid">{message}</Form.Control.Feedback>}
    </Form.Group>
  )
}

/** Hours of the day, its pause, and how many work. */
export function Hours({ plan, onChange }: { readonly plan: DayPlan; readonly onChange: (plan: DayPlan) => void }) {
  const { from, until, pause } = plan
  return (
    <form className="d-flex gap-3 flex-wrap align-items-start mb-3" onSubmit={(e) => e.preventDefault()}>
      <TimeField
        label={say`From`}
        value={from}
        wrong={(m) => (m < until ? null : say`Before the day ends.`)}
        onSettle={(m) => m !== null && onChange({ ...plan, from: m })}
      />
      <TimeField
        label={say`Until`}
        value={until}
        wrong={(m) => (m > from ? null : say`After the day began.`)}
        onSettle={(m) => m !== null && onChange({ ...plan, until: m })}
      />
      <TimeField
        label={say`Pause from`}
        value={pause?.from ?? null}
        optional
        wrong={(m) => (pause === null || m < pause.until ? null : say`Before the pause ends.`)}
        onSettle={(m) =>
          onChange({ ...plan, pause: m === null ? null : { from: m, until: pause?.until ?? Math.min(1440, m + 30) } })
        }
      />
      {pause && (
        <TimeField
          label={say`Pause until`}
          value={pause.until}
          wrong={(m) => (m > pause.from ? null : say`After it began.`)}
          onSettle={(m) => m !== null && onChange({ ...plan, pause: { ...pause, until: m } })}
        />
      )}
      <Form.Group controlId="day-people">
        <Form.Label className="mb-0">{say`At work`}</Form.Label>
        <Form.Select
          style={{ width: 130 }}
          value={plan.people}
          onChange={(e) => onChange({ ...plan, people: e.target.value === '2' ? 2 : 1 })}
        >
          <option value="1">{say`one`}</option>
          <option value="2">{say`two`}</option>
        </Form.Select>
      </Form.Group>
    </form>
  )
}
