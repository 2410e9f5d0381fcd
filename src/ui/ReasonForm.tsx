'use client'

import { useEffect } from 'react'
import { useForm } from 'react-hook-form'
import Button from 'react-bootstrap/Button'
import Form from 'react-bootstrap/Form'
import { FormLine, given } from './FormLine'
import { useName } from './use-name'
import { say } from '@/core/words'

interface Fields {
  readonly why: string
  readonly by: string
}

/** Something that stands by name only: why, who, and a way out. Both are asked for; what was typed stays. */
export function ReasonForm({
  id,
  label,
  act,
  most = 300,
  onGive,
  onCancel,
}: {
  readonly id: string
  /** what the reason is for */
  readonly label: string
  /** the word on the button */
  readonly act: string
  readonly most?: number
  readonly onGive: (why: string, by: string) => void
  readonly onCancel: () => void
}) {
  const [name, remember] = useName()
  const {
    register,
    handleSubmit,
    setFocus,
    formState: { errors },
  } = useForm<Fields>({ defaultValues: { why: '', by: name } })
  // it opens where something was just pressed: typing goes on there
  useEffect(() => setFocus('why'), [setFocus])
  return (
    <Form
      noValidate
      className="reason-form"
      onSubmit={handleSubmit(({ why, by }) => {
        remember(by.trim())
        onGive(why.trim(), by.trim())
      })}
    >
      <FormLine
        id={`${id}-why`}
        label={label}
        most={most}
        field={register('why', { validate: given })}
        wrong={errors.why && say`Say why.`}
      />
      <FormLine
        id={`${id}-by`}
        label={say`Name`}
        most={80}
        field={register('by', { validate: given })}
        wrong={errors.by && say`Say who.`}
      />
      <div className="d-flex gap-2">
        <Button type="submit" variant="outline-dark">
          {act}
        </Button>
        <Button variant="link" onClick={onCancel}>
          {say`Cancel`}
        </Button>
      </div>
    </Form>
  )
}
