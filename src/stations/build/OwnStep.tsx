'use client'

import { useForm } from 'react-hook-form'
import Button from 'react-bootstrap/Button'
import Form from 'react-bootstrap/Form'
import { closers, stepsOf } from '@/core/build'
import { addOwnStep } from '@/core/job'
import type { StationProps } from '../station'
import { useTaken } from '../use-taken'
import { say } from '@/core/words'

interface Fields {
  readonly title: string
  readonly before: string
}
/** what is worth doing while it is open (not more than a list to think along) */
const worthIt = [
  say`coolant is due: new one`,
  say`guard for the core`,
  say`seal of the pump or shaft`,
  say`hoses and clips`,
  say`bent fins`,
] as const
const MINUTES = 15

/** Work that is done while it is open, before what closes the way to it. */
export function OwnStep({ job, settle }: Pick<StationProps, 'job' | 'settle'>) {
  const {
    register,
    handleSubmit,
    reset,
    formState: { errors },
  } = useForm<Fields>({ defaultValues: { title: '', before: 'covers' } })
  const { full, take } = useTaken({ job, settle })
  const closing = stepsOf(job).filter((s) => closers.some((c) => c === s.id))
  return (
    <Form
      noValidate
      className="take-off"
      onSubmit={handleSubmit(({ title, before }) => {
        if (take((j) => addOwnStep(j, title.trim(), before, MINUTES))) reset({ title: '', before })
      })}
    >
      <Form.Group controlId="own-title">
        <Form.Label className="mb-0">{say`While it is open, also`}</Form.Label>
        <Form.Control
          maxLength={120}
          list="worth-it"
          isInvalid={!!errors.title}
          {...register('title', { validate: (v) => v.trim() !== '' })}
        />
        <datalist id="worth-it">
          {worthIt.map((w) => (
            <option key={w} value={w} />
          ))}
        </datalist>
        <Form.Control.Feedback type="invalid">{say`Say what.`}</Form.Control.Feedback>
      </Form.Group>
      <Form.Group controlId="own-before">
        <Form.Label className="mb-0">{say`Before`}</Form.Label>
        <Form.Select {...register('before')}>
          {closing.map((s) => (
            <option key={s.id} value={s.id}>
              {s.title}
            </option>
          ))}
        </Form.Select>
      </Form.Group>
      <Button type="submit" variant="outline-dark">
        {say`Add it`}
      </Button>
      {full && <p className="say say-short">{say`It cannot be added: ${full}.`}</p>}
    </Form>
  )
}
