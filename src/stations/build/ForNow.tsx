'use client'

import { useState } from 'react'
import { useForm } from 'react-hook-form'
import Button from 'react-bootstrap/Button'
import Form from 'react-bootstrap/Form'
import { type Debt, debtAge, openDebts } from '@/core/build'
import { addDebt, payDebt } from '@/core/job'
import { ReasonForm } from '@/ui/ReasonForm'
import { useName } from '@/ui/use-name'
import type { StationProps } from '../station'

type Props = Pick<StationProps, 'job' | 'settle' | 'now'>
interface Fields {
  readonly what: string
  readonly why: string
  readonly until: string
  readonly dangerous: boolean
  readonly by: string
}

function NewDebt({ job, settle, now }: Props) {
  const [name, remember] = useName()
  const [full, setFull] = useState<string | null>(null)
  const nothing: Fields = { what: '', why: '', until: '', dangerous: false, by: name }
  const {
    register,
    handleSubmit,
    reset,
    formState: { errors },
  } = useForm<Fields>({ defaultValues: nothing, values: nothing, resetOptions: { keepDirtyValues: true } })
  const given = (v: string): boolean => v.trim() !== ''
  return (
    <Form
      noValidate
      className="take-off"
      onSubmit={handleSubmit((typed) => {
        const by = { by: typed.by.trim(), at: now().toISOString() }
        const debt = {
          what: typed.what.trim(),
          why: typed.why.trim(),
          dangerous: typed.dangerous,
          until: typed.until || null,
        }
        const next = addDebt(job, debt, by)
        if ('full' in next) {
          setFull(next.full)
          return
        }
        remember(by.by)
        settle((j) => {
          const noted = addDebt(j, debt, by)
          return 'full' in noted ? j : noted
        })
        reset({ ...nothing, by: by.by })
      })}
    >
      <Form.Group controlId="debt-what">
        <Form.Label className="mb-0">What holds for now only</Form.Label>
        <Form.Control
          maxLength={120}
          isInvalid={!!errors.what}
          placeholder="tie instead of the bracket’s third screw"
          {...register('what', { validate: given })}
        />
        <Form.Control.Feedback type="invalid">Say what it is.</Form.Control.Feedback>
      </Form.Group>
      <Form.Group controlId="debt-why">
        <Form.Label className="mb-0">Why</Form.Label>
        <Form.Control maxLength={300} isInvalid={!!errors.why} {...register('why', { validate: given })} />
        <Form.Control.Feedback type="invalid">Say why.</Form.Control.Feedback>
      </Form.Group>
      <Form.Group controlId="debt-until">
        <Form.Label className="mb-0">Until</Form.Label>
        <Form.Control type="date" {...register('until')} />
      </Form.Group>
      <Form.Group controlId="debt-by">
        <Form.Label className="mb-0">Name</Form.Label>
        <Form.Control maxLength={80} isInvalid={!!errors.by} {...register('by', { validate: given })} />
        <Form.Control.Feedback type="invalid">Say who.</Form.Control.Feedback>
      </Form.Group>
      <Form.Check id="debt-dangerous" label="nobody may drive with it" {...register('dangerous')} />
      <Button type="submit" variant="outline-dark">
        Note it
      </Button>
      {full && <p className="say say-short">It cannot be noted: {full}.</p>}
    </Form>
  )
}

function DebtLine({ debt, settle, now }: Omit<Props, 'job'> & { readonly debt: Debt }) {
  const [asking, setAsking] = useState(false)
  const { days, over } = debtAge(debt, now().toISOString().slice(0, 10))
  return (
    <li>
      <span className="fw-medium">{debt.what}</span>{' '}
      {debt.dangerous && <span className="verdict-short">nobody may drive with it</span>}
      <span className="small d-block">
        {debt.why} ({debt.by}, {debt.at.slice(0, 10)}
        {debt.paid ? '' : `, ${days} ${days === 1 ? 'day' : 'days'} ago`})
        {debt.until && !debt.paid && (
          <span className={over ? 'verdict-short' : ''}>
            {' '}
            {over ? 'its day is past: ' : 'until '}
            {debt.until}
          </span>
        )}
      </span>
      {debt.paid && (
        <span className="small verdict-holds">
          put right: {debt.paid.how} ({debt.paid.by}, {debt.paid.at.slice(0, 10)})
        </span>
      )}
      {!debt.paid && asking && (
        <ReasonForm
          id={`paid-${debt.id}`}
          label="How it was put right"
          act="It is right"
          onCancel={() => setAsking(false)}
          onGive={(how, by) => {
            const at = now().toISOString()
            settle((j) => payDebt(j, debt.id, { how }, { by, at }))
            setAsking(false)
          }}
        />
      )}
      {!debt.paid && !asking && (
        <Button variant="outline-dark" aria-label={`put right: ${debt.what}`} onClick={() => setAsking(true)}>
          Put right
        </Button>
      )}
    </li>
  )
}

/** Fixes for now: why, how bad, until when, and how each was put right. */
export function ForNow(props: Props) {
  const { job } = props
  const open = openDebts(job)
  return (
    <>
      <p className="small soft">
        What is right for now only: it ages in the yard until it is put right. With what nobody may drive with, no job
        is signed.
      </p>
      <NewDebt {...props} />
      <ul className="ledger one">
        {[...open, ...job.debts.filter((d) => d.paid)].map((d) => (
          <DebtLine key={d.id} debt={d} settle={props.settle} now={props.now} />
        ))}
      </ul>
    </>
  )
}
