'use client'

import { usePathname } from 'next/navigation'
import { useForm } from 'react-hook-form'
import Button from 'react-bootstrap/Button'
import Form from 'react-bootstrap/Form'
import { addDays, isDay } from '@/core/build'
import { addCare, careDays, changeCare, type Job, removeCare } from '@/core/job'
import { TextField } from '@/ui/TextField'
import { FormLine, given } from '@/ui/FormLine'
import type { StationProps } from '../station'
import { useTaken } from '../use-taken'
import { calendarDay } from '@/core/units'
import { say } from '@/core/words'

type Care = Job['after'][number]

/** One thing to look after: when, whether it was done, and what was found. */
function CareLine({
  care,
  today,
  settle,
}: { readonly care: Care; readonly today: string } & Pick<StationProps, 'settle'>) {
  const change = (part: Partial<Care>): void => settle((j) => changeCare(j, care.id, part))
  const days = careDays(care.id, today)
  return (
    <Form.Group controlId={`care-${care.id}`} className="border-bottom py-2">
      <Form.Label className="mb-1">{care.what}</Form.Label>
      <div className="d-flex gap-2 align-items-center flex-wrap">
        <Form.Control
          type="date"
          style={{ maxWidth: 165 }}
          value={care.dueOn ?? ''}
          onChange={(e) => {
            const day = e.target.value
            if (isDay(day) || day === '') change({ dueOn: day || null })
          }}
        />
        {care.dueOn === null ? (
          <button type="button" className="word-button" onClick={() => change({ dueOn: addDays(today, days) })}>
            {say`in ${days} d`}
          </button>
        ) : (
          <button
            type="button"
            className="word-button"
            aria-label={`${care.doneOn ? say`done ${care.doneOn}, take back` : say`done`}: ${care.what}`}
            onClick={() => change({ doneOn: care.doneOn ? null : today })}
          >
            {care.doneOn ? say`done ${care.doneOn}` : say`done`}
          </button>
        )}
        {care.id.startsWith('own') && (
          <button
            type="button"
            className="word-button soft"
            aria-label={say`take out: ${care.what}`}
            onClick={() => settle((j) => removeCare(j, care.id))}
          >
            {say`take out`}
          </button>
        )}
      </div>
      {care.doneOn && (
        <TextField
          name={`care-found.${care.id}`}
          label={say`what was found: ${care.what}`}
          hideLabel
          value={care.found}
          placeholder={say`what was found: level, torque, setting`}
          most={300}
          onSettle={(found) => change({ found })}
        />
      )}
    </Form.Group>
  )
}

interface Own {
  readonly what: string
  readonly dueOn: string
}

function OwnCare({ job, settle }: Pick<StationProps, 'job' | 'settle'>) {
  const { full, take } = useTaken({ job, settle })
  const {
    register,
    handleSubmit,
    reset,
    formState: { errors },
  } = useForm<Own>({ defaultValues: { what: '', dueOn: '' } })
  return (
    <Form
      noValidate
      className="take-off"
      onSubmit={handleSubmit(({ what, dueOn }) => {
        if (take((j) => addCare(j, what.trim(), isDay(dueOn) ? dueOn : null))) reset()
      })}
    >
      <FormLine
        id="own-care"
        label={say`Also to look after`}
        most={120}
        field={register('what', { validate: given })}
        wrong={errors.what && say`Say what.`}
      />
      <FormLine id="own-care-day" label={say`On`} type="date" field={register('dueOn')} />
      <Button type="submit" variant="outline-dark">
        {say`Add it`}
      </Button>
      {full && <p className="say say-short">{say`It cannot be added: ${full}.`}</p>}
    </Form>
  )
}

/** What is rung, checked or looked at once the machine is back at work; in any calendar as a file. */
export function DaysToCome({ job, settle, now }: StationProps) {
  const today = calendarDay(now().toISOString())
  const path = usePathname()
  return (
    <>
      <h2>{say`Days to come`}</h2>
      <p className="small soft">
        {say`Left empty, they are filled in when the job is signed.`}{' '}
        <a href={`/api${path}/after.ics`}>{say`As a calendar`}</a>
      </p>
      {job.after.map((care) => (
        <CareLine key={care.id} care={care} today={today} settle={settle} />
      ))}
      <OwnCare job={job} settle={settle} />
    </>
  )
}
