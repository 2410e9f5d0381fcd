'use client'

import { useForm } from 'react-hook-form'
import Button from 'react-bootstrap/Button'
import Form from 'react-bootstrap/Form'
import { engineHeld, openEntries, smallPartsOut } from '@/core/build'
import { changeEntry, comingOff, removeEntry, takeOff } from '@/core/job'
import { Photos } from '../Photos'
import { FormLine, given } from '@/ui/FormLine'
import type { StationProps } from '../station'
import { useTaken } from '../use-taken'
import { calendarDay } from '@/core/units'
import { say, spokenWord } from '@/core/words'

type Props = Pick<StationProps, 'job' | 'settle' | 'now'>
type Fields = Parameters<typeof takeOff>[1]
const nothing: Fields = { what: '', kind: 'hose', way: '', smallParts: '' }

function TakeOff({ job, settle, now }: Props) {
  const { full, take } = useTaken({ job, settle })
  const {
    register,
    handleSubmit,
    reset,
    setFocus,
    formState: { errors },
  } = useForm<Fields>({ defaultValues: nothing })
  return (
    <Form
      noValidate
      className="take-off"
      onSubmit={handleSubmit((typed) => {
        const at = now().toISOString()
        const entry = {
          what: typed.what.trim(),
          kind: typed.kind,
          way: typed.way.trim(),
          smallParts: typed.smallParts.trim(),
        }
        if (!take((j) => takeOff(j, entry, at))) return
        reset({ ...nothing, kind: typed.kind })
        setFocus('what')
      })}
    >
      <FormLine
        id="off-what"
        label={say`What comes off`}
        most={80}
        placeholder={say`lower hose, at the core`}
        field={register('what', { validate: given })}
        wrong={errors.what && say`Say what it is.`}
      />
      <Form.Group controlId="off-kind">
        <Form.Label className="mb-0">{say`It is a`}</Form.Label>
        <Form.Select {...register('kind')}>
          {comingOff.map((k) => (
            <option key={k} value={k}>
              {spokenWord(k)}
            </option>
          ))}
        </Form.Select>
      </Form.Group>
      <FormLine
        id="off-way"
        label={say`Which way round`}
        most={160}
        placeholder={say`short leg to the core, clip from below`}
        field={register('way')}
      />
      <FormLine
        id="off-small"
        label={say`Its small parts lie`}
        most={160}
        placeholder={say`washer and nut, lid of the tool box`}
        field={register('smallParts')}
      />
      <Button type="submit" variant="outline-dark">
        {say`Note it`}
      </Button>
      {full && <p className="say say-short">{say`It cannot be noted: ${full}.`}</p>}
    </Form>
  )
}

/** Everything that came off, until it is back; what of it holds the engine. */
export function TakenOff(props: Props) {
  const { job, settle, now } = props
  const open = openEntries(job)
  const held = engineHeld(job)
  return (
    <>
      {held.length > 0 && (
        <p className="say say-short" role="status">
          {say`The engine must not run: ${held.join('; ')}.`}
        </p>
      )}
      {smallPartsOut(job).length > 0 && (
        <p className="small">{say`Small parts out: ${smallPartsOut(job).join('; ')}.`}</p>
      )}
      <TakeOff {...props} />
      {job.ledger.length > 0 && (
        <h3 className="mt-3">
          {open.length === 0 ? say`All of it is back` : say`${open.length} of ${job.ledger.length} still off`}
        </h3>
      )}
      <ul className="ledger">
        {job.ledger.map((e) => (
          <li key={e.id}>
            <span>
              <span className="fw-medium">{e.what}</span> <span className="soft small">{spokenWord(e.kind)}</span>
              {(e.way || e.smallParts) && (
                <span className="small d-block">
                  {[e.way, e.smallParts && say`small parts: ${e.smallParts}`].filter(Boolean).join('; ')}
                </span>
              )}
            </span>
            <Button
              variant={e.backAt ? 'primary' : 'outline-dark'}
              aria-pressed={e.backAt !== null}
              aria-label={say`back on: ${e.what}`}
              onClick={() => {
                const at = now().toISOString()
                settle((j) => changeEntry(j, e.id, { backAt: e.backAt ? null : at }))
              }}
            >
              {e.backAt ? say`back ${calendarDay(e.backAt)}` : say`back on`}
            </Button>
            <Photos job={job} of={`off:${e.id}`} name={e.what} settle={settle} now={now} />
            <button
              type="button"
              className="word-button soft"
              aria-label={say`never came off: ${e.what}`}
              onClick={() => settle((j) => removeEntry(j, e.id))}
            >
              {say`take out`}
            </button>
          </li>
        ))}
      </ul>
    </>
  )
}
