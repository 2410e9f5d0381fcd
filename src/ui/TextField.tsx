'use client'

import { useId, useRef } from 'react'
import Form from 'react-bootstrap/Form'
import { useDraft } from './drafts'

/** A line of words that settles by Enter or by leaving; what is typed outlives a reload. */
export function TextField({
  name,
  label,
  value,
  placeholder,
  most,
  hideLabel = false,
  onSettle,
}: {
  /** what its draft is kept under */
  readonly name: string
  readonly label: string
  readonly value: string
  readonly placeholder?: string
  readonly most: number
  readonly hideLabel?: boolean
  readonly onSettle: (words: string) => void
}) {
  const id = useId()
  const [draft, setDraft] = useDraft(name)
  const unsettled = useRef(draft)
  unsettled.current = draft
  const settle = (): void => {
    const typed = unsettled.current
    if (typed === null) return
    unsettled.current = null
    setDraft(null)
    if (typed.trim() !== value) onSettle(typed.trim())
  }
  return (
    <Form.Group controlId={id} className="text-field">
      <Form.Label visuallyHidden={hideLabel} className="mb-0">
        {label}
      </Form.Label>
      <Form.Control
        value={draft ?? value}
        placeholder={placeholder}
        maxLength={most}
        autoComplete="off"
        onChange={(e) => setDraft(e.target.value)}
        onBlur={settle}
        onKeyDown={(e) => {
          if (e.key === 'Enter') settle()
        }}
      />
    </Form.Group>
  )
}
