'use client'

import { useId, useRef, useState } from 'react'
import { format, parse, shown, type Quantity, type UnitSystem } from '@/core/units'
import { useDraft } from './drafts'
import { say } from '@/core/words'

interface Props {
  readonly name: string
  readonly label: string
  readonly value: number | null
  readonly quantity: Quantity
  readonly system: UnitSystem
  readonly onSettle: (value: number, typed: string) => void
  /** lowest and highest value there can be, SI */
  readonly range?: readonly [number, number]
}

/** What is said of a value outside its range; null inside. */
export function outside(
  value: number,
  range: readonly [number, number] | undefined,
  quantity: Quantity,
  system: UnitSystem,
): string | null {
  if (!range || (value >= range[0] && value <= range[1])) return null
  return say`Between ${shown(range[0], quantity, system).number} and ${format(range[1], quantity, system)}.`
}

/** A quantity that is chosen or noted, not a reading: typed in any unit, settled by Enter or by leaving. */
export function QuantityField({ name, label, value, quantity, system, onSettle, range }: Props) {
  const id = useId()
  const [draft, setDraft] = useDraft(name)
  const [focused, setFocused] = useState(false)
  const standing = value === null ? '' : shown(value, quantity, system).number
  const parsed = draft === null || (draft.trim() === '' && standing === '') ? null : parse(draft, quantity, system)
  const message = parsed?.ok ? outside(parsed.value, range, quantity, system) : (parsed?.message ?? null)
  // settled once: Enter and the blur that follows it carry the same text
  const unsettled = useRef(draft)
  unsettled.current = draft
  const settle = (): void => {
    const typed = unsettled.current
    if (typed === null || (typed.trim() !== standing && (!parsed?.ok || message !== null))) return
    unsettled.current = null
    setDraft(null)
    if (typed.trim() !== standing && parsed?.ok) onSettle(parsed.value, typed.trim())
  }
  return (
    <div className="reading">
      <span />
      <label htmlFor={id}>{label}</label>
      <span className="value">
        <input
          id={id}
          value={draft ?? standing}
          autoComplete="off"
          spellCheck={false}
          maxLength={400}
          data-draft={draft === null ? 'no' : 'yes'}
          aria-invalid={message !== null && !focused ? true : undefined}
          aria-describedby={message ? `${id}-below` : undefined}
          onChange={(e) => setDraft(e.target.value)}
          onFocus={(e) => {
            setFocused(true)
            e.target.select()
          }}
          onClick={(e) => {
            if (draft === null) e.currentTarget.select()
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
        <span className="unit">{shown(0, quantity, system).unit}</span>
      </span>
      {message && (
        <div className="below wrong" id={`${id}-below`} role="alert">
          {message}
        </div>
      )}
    </div>
  )
}
