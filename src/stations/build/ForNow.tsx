'use client'

import { useState } from 'react'
import { useForm } from 'react-hook-form'
import Button from 'react-bootstrap/Button'
import Form from 'react-bootstrap/Form'
import { type Debt, debtAge, openDebts } from '@/core/build'
import { addDebt, payDebt } from '@/core/job'
import { ReasonForm } from '@/ui/ReasonForm'
import { useName } from '@/ui/use-name'
import { FormLine, given } from '@/ui/FormLine'
import type { StationProps } from '../station'
import { LooseJoints } from './LooseJoints'
import { useTaken } from '../use-taken'
import { calendarDay } from '@/core/units'
import { Day } from '@/ui/Day'
import { say } from '@/core/words'

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
  const { full, take } = useTaken({ job, settle })
  const nothing: Fields = { what: '', why: '', until: '', dangerous: false, by: name }
  const {
    register,
    handleSubmit,
    reset,
    formState: { errors },
  } = useForm<Fields>({ defaultValues: nothing, values: nothing, resetOptions: { keepDirtyValues: true } })
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
        if (!take((j) => addDebt(j, debt, by))) return
        remember(by.by)
        reset({ ...nothing, by: by.by })
      })}
    >
      <FormLine
        id="debt-what"
        label={say`What holds for now only`}
        most={120}
        placeholder={say`tie instead of the bracket’s third screw`}
        field={register('what', { validate: given })}
        wrong={errors.what && say`Say what it is.`}
      />
      <FormLine
        id="debt-why"
        label={say`Why`}
        most={300}
        field={register('why', { validate: given })}
        wrong={errors.why && say`Say why.`}
      />
      <FormLine id="debt-until" label={say`Until`} type="date" field={register('until')} />
      <FormLine
        id="debt-by"
        label={say`Name`}
        most={80}
        field={register('by', { validate: given })}
        wrong={errors.by && say`Say who.`}
      />
      <Form.Check id="debt-dangerous" label={say`nobody may drive with it`} {...register('dangerous')} />
      <Button type="submit" variant="outline-dark">
        {say`Note it`}
      </Button>
      {full && <p className="say say-short">{say`It cannot be noted: ${full}.`}</p>}
    </Form>
  )
}

function DebtLine({ debt, settle, now }: Omit<Props, 'job'> & { readonly debt: Debt }) {
  const [asking, setAsking] = useState(false)
  const { days, over } = debtAge(debt, calendarDay(now().toISOString()))
  return (
    <li>
      <span className="fw-medium">{debt.what}</span>{' '}
      {debt.dangerous && <span className="verdict-short">{say`nobody may drive with it`}</span>}
      <span className="small d-block">
        {debt.why} ({debt.by}, <Day at={debt.at} />
        {debt.paid ? '' : say`, ${days} ${days === 1 ? say`day` : say`days`} ago`})
        {debt.until && !debt.paid && (
          <span className={over ? 'verdict-short' : ''}>
            {' '}
            {over ? say`its day is past: ` : say`until `}
            {debt.until}
          </span>
        )}
      </span>
      {debt.paid && (
        <span className="small verdict-holds">
          {say`put right: ${debt.paid.how} (${debt.paid.by},`} <Day at={debt.paid.at} />)
        </span>
      )}
      {!debt.paid && asking && (
        <ReasonForm
          id={`paid-${debt.id}`}
          label={say`How it was put right`}
          act={say`It is right`}
          onCancel={() => setAsking(false)}
          onGive={(how, by) => {
            const at = now().toISOString()
            settle((j) => payDebt(j, debt.id, { how }, { by, at }))
            setAsking(false)
          }}
        />
      )}
      {!debt.paid && !asking && (
        <Button variant="outline-dark" aria-label={say`put right: ${debt.what}`} onClick={() => setAsking(true)}>
          {say`Put right`}
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
        {say`What is right for now only: it ages in the yard until it is put right. With what nobody may drive with,
          no job is signed.`}
      </p>
      <NewDebt {...props} />
      <ul className="ledger one">
        {[...open, ...job.debts.filter((d) => d.paid)].map((d) => (
          <DebtLine key={d.id} debt={d} settle={props.settle} now={props.now} />
        ))}
      </ul>
      <LooseJoints {...props} />
    </>
  )
}
