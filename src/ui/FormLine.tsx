'use client'

import Form from 'react-bootstrap/Form'
import type { UseFormRegisterReturn } from 'react-hook-form'

/** A line of words that must be given: spaces alone are nothing. */
export const given = (words: string): boolean => words.trim() !== ''

/** One line of a form: its name above, what is wrong with it below. */
export function FormLine({
  id,
  label,
  field,
  most,
  wrong,
  ...input
}: {
  readonly id: string
  readonly label: string
  /** as the form has registered it */
  readonly field: UseFormRegisterReturn
  readonly most?: number
  /** what is said where it is not as it must be; null where it is */
  readonly wrong?: string | null | undefined
  readonly placeholder?: string
  readonly type?: 'date'
  readonly list?: string
  readonly inputMode?: 'decimal'
}) {
  return (
    <Form.Group controlId={id} className="form-line">
      <Form.Label className="mb-0">{label}</Form.Label>
      <Form.Control maxLength={most} isInvalid={!!wrong} {...input} {...field} />
      {wrong && <Form.Control.Feedback type="invalid">{wrong}</Form.Control.Feedback>}
    </Form.Group>
  )
}
