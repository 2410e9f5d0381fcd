'use client'

import { useId, useRef, useState } from 'react'
import { parse, shown, type Quantity, type UnitSystem } from '@/core/units'
import { useDraft } from './drafts'
import { outside } from './QuantityField'

interface Props {
  /** what its draft is kept under */
  readonly name: string
  readonly label: string
  readonly value: number | null
  readonly quantity: Quantity
  readonly system: UnitSystem
  readonly range: readonly [number, number]
  /** shown where nothing is written: what counts then */
  readonly otherwise?: string
  /** null: emptied */
  readonly onSettle: (value: number | null) => void
}

/** A figure in a cell of a table, typed in any unit; emptied, what is written small in it counts. */
export function CellField({ name, label, value, quantity, system, range, otherwise, onSettle }: Props) {
  const id = useId()
  const [draft, setDraft] = useDraft(name)
  const [focused, setFocused] = useState(false)
  const standing = value === null ? '' : shown(value, quantity, system).number
  const empty = draft !== null && draft.trim() === ''
  const parsed = draft === null || empty ? null : parse(draft, quantity, system)
  const message = ((): string | null => {
    if (empty && otherwise === undefined && standing !== '') return outside(Number.NaN, range, quantity, system)
    if (parsed === null) return null
    return parsed.ok ? outside(parsed.value, range, quantity, system) : parsed.message
  })()
  const unsettled = useRef(draft)
  unsettled.current = draft
  const settle = (): void => {
    const typed = unsettled.current
    if (typed === null || message !== null) return
    unsettled.current = null
    setDraft(null)
    if (typed.trim() === standing) return
    onSettle(parsed?.ok ? parsed.value : null)
  }
  return (
    <span className="cell-field">
      <input
        id={id}
        aria-label={label}
        value={draft ?? standing}
        placeholder={otherwise}
        autoComplete="off"
        spellCheck={false}
        maxLength={60}
        aria-invalid={message !== null && !focused ? true : undefined}
        aria-describedby={message ? `${id}-below` : undefined}
        onChange={(e) => setDraft(e.target.value)}
        onFocus={(e) => {
          setFocused(true)
          e.target.select()
        }}
        onBlur={() => {
          setFocused(false)
          settle()
        }}
        onKeyDown={(e) => {
          if (e.key === 'Enter') settle()
          if (e.key === 'Escape') {
            unsettled.current = null
            setDraft(null)
            e.currentTarget.blur()
          }
        }}
      />
      {message && (
        <span className="below wrong" id={`${id}-below`} role="alert">
          {message}
        </span>
      )}
    </span>
  )
}
