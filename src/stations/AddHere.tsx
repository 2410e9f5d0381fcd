'use client'

import { useForm, type UseFormRegisterReturn } from 'react-hook-form'
import { useState } from 'react'
import Button from 'react-bootstrap/Button'
import Form from 'react-bootstrap/Form'
import Modal from 'react-bootstrap/Modal'
import { boxLines, type FormLine, type Part, partKinds, type QuickKind, quickPart } from '@/core/parts'
import type { UnitSystem } from '@/core/units'
import { troubleOf } from '@/ui/ask-server'
import { Trouble } from '@/ui/Trouble'
import { say, spokenWord } from '@/core/words'

interface Props {
  readonly kind: QuickKind
  readonly system: UnitSystem
  readonly onHide: () => void
  readonly onAdded: (part: Part) => void
}

/** a form's field names may not hold dots: they would be nested */
const fieldOf = (path: string): string => path.replaceAll('.', '/')

/** One line of a box. */
function BoxLine({
  line,
  field,
  wrong,
}: {
  readonly line: FormLine
  readonly field: UseFormRegisterReturn
  readonly wrong: string | undefined
}) {
  return (
    <Form.Group controlId={`add-${fieldOf(line.path)}`} className="mb-2">
      <Form.Label className="mb-0">
        {line.label}
        {line.path === 'name' ? say` (needed)` : ''}
      </Form.Label>
      {line.kind === 'choice' ? (
        <Form.Select {...field}>
          {line.options!.map((o) => (
            <option key={o.value} value={o.value}>
              {spokenWord(o.name)}
            </option>
          ))}
        </Form.Select>
      ) : (
        <Form.Control
          maxLength={80}
          autoComplete="off"
          required={line.path === 'name'}
          isInvalid={wrong !== undefined}
          {...field}
        />
      )}
      {wrong !== undefined && (
        <div className="verdict-short small" role="alert">
          {wrong}
        </div>
      )}
      {line.path === 'ratedA' && <div className="soft small">{say`in amperes, or watts: 80 W at 12 V`}</div>}
    </Form.Group>
  )
}

/** A part that the shelf does not have, from what stands on its box; what that does not say is typical. */
export function AddHere({ kind, system, onHide, onAdded }: Props) {
  const lines = boxLines(kind)
  const [trouble, setTrouble] = useState<string | null>(null)
  const {
    register,
    handleSubmit,
    setError,
    watch,
    formState: { errors, isSubmitting },
  } = useForm<Record<string, string>>()
  const band = watch('band')
  const asked = lines.filter((l) => {
    if (l.path.startsWith('fixed.')) return band === 'fixed'
    return !l.path.startsWith('range.') || !['fixed', 'hand', 'always'].includes(band ?? '')
  })
  const add = async (fields: Record<string, string>): Promise<void> => {
    const texts = Object.fromEntries(asked.map((l) => [l.path, fields[fieldOf(l.path)] ?? '']))
    const id = `${kind}-${crypto.randomUUID?.().slice(0, 8) ?? Math.random().toString(36).slice(2, 10)}`
    const read = quickPart(kind, id, texts, system)
    if (!read.ok) {
      for (const [path, message] of Object.entries(read.problems))
        if (asked.some((l) => l.path === path)) setError(fieldOf(path), { message })
        else setTrouble(message)
      return
    }
    const message = await troubleOf('/api/parts', { part: read.part, isNew: true })
    if (message === null) onAdded(read.part)
    else setTrouble(message)
  }
  return (
    <Modal show onHide={onHide} animation={false} aria-labelledby="add-here-title">
      <Form
        noValidate
        onSubmit={(e) => {
          // it stands inside a station's own form: that is not sent with it
          e.stopPropagation()
          void handleSubmit(add)(e)
        }}
      >
        <Modal.Header closeButton>
          <Modal.Title as="h2" id="add-here-title">
            {say`A ${partKinds[kind].name} that is not on the shelf`}
          </Modal.Title>
        </Modal.Header>
        <Modal.Body>
          <p className="soft small">
            {say`What its box says. Leave empty what it does not say: that is typical until it is measured.`}
          </p>
          {asked.map((line) => (
            <BoxLine
              key={line.path}
              line={line}
              field={register(fieldOf(line.path))}
              wrong={errors[fieldOf(line.path)]?.message}
            />
          ))}
          <Trouble words={trouble} />
        </Modal.Body>
        <Modal.Footer>
          <Button variant="outline-dark" onClick={onHide}>
            {say`Leave it`}
          </Button>
          <Button type="submit" disabled={isSubmitting}>
            {say`Put it on the shelf and take it`}
          </Button>
        </Modal.Footer>
      </Form>
    </Modal>
  )
}
