'use client'

import { useId, useState } from 'react'
import type { PlacedField } from '@/core/job'
import { retyped, withSource, type Reading } from '@/core/reading'
import { format, formatSpread, parse, shown, type UnitSystem } from '@/core/units'
import { useDraft } from './drafts'
import { SourceMark } from './SourceMark'

interface Props {
  readonly field: PlacedField
  readonly system: UnitSystem
  /** while typing: what the margins would say; null ends it */
  readonly onPreview: (reading: Reading | null) => void
  /** one settled change: Enter, or the field left */
  readonly onSettle: (reading: Reading) => void
}

/** The text of a reading as it stands in its field: it parses back to itself. */
function textOf({ reading, quantity, wish }: PlacedField, system: UnitSystem): string {
  const { number } = shown(reading.value, quantity, system)
  if (reading.spread === undefined || wish || !/±|\+\/?-/.test(reading.typed ?? '')) return number
  return `${number} ±${formatSpread(reading.spread, quantity, system).number}`
}

function understood(text: string, { quantity, limits, wish }: PlacedField, system: UnitSystem): { reading: Reading } | { message: string } {
  const parsed = parse(text, quantity, system)
  if (!parsed.ok) return { message: parsed.message }
  if (parsed.value < limits.min || parsed.value > limits.max) {
    return { message: `This is between ${format(limits.min, quantity, system)} and ${format(limits.max, quantity, system)}. What you typed is kept; the old value still counts.` }
  }
  return { reading: retyped(text.trim(), parsed.value, wish ? undefined : parsed.spread) }
}

/** One line of the tray: how it is known, its name, its value with unit; a message beside it where it is not understood. */
export function ReadingField({ field, system, onPreview, onSettle }: Props) {
  const id = useId()
  const [draft, setDraft] = useDraft(field.address)
  const [focused, setFocused] = useState(false)
  const standing = textOf(field, system)
  const text = draft ?? standing
  const result = draft === null ? null : understood(draft, field, system)
  const message = result && 'message' in result ? result.message : null

  const type = (next: string): void => {
    setDraft(next)
    const now = understood(next, field, system)
    onPreview('reading' in now ? now.reading : null)
  }
  const settle = (): void => {
    if (draft === null) return
    onPreview(null)
    if (draft.trim() === standing) setDraft(null)
    else if (result && 'reading' in result) {
      setDraft(null)
      onSettle(result.reading)
    }
  }
  return (
    <div className="reading" data-address={field.address}>
      {field.wish ? <span /> : <SourceMark source={field.reading.source} name={field.label} onChange={(source) => onSettle(withSource(field.reading, source))} />}
      <label htmlFor={id}>{field.label}</label>
      <span className="value">
        <input
          id={id} value={text} inputMode="text" autoComplete="off" spellCheck={false} maxLength={400}
          aria-invalid={message !== null && !focused ? true : undefined} aria-describedby={message || (focused && field.tell) ? `${id}-below` : undefined}
          onChange={(e) => type(e.target.value)}
          onFocus={(e) => { setFocused(true); e.target.select() }}
          onBlur={() => { setFocused(false); settle() }}
          onKeyDown={(e) => {
            if (e.key === 'Enter') { settle(); nextField(e.currentTarget) }
            if (e.key === 'Escape') { setDraft(null); onPreview(null); e.currentTarget.blur() }
          }}
        />
        <span className="unit">{shown(field.reading.value, field.quantity, system).unit}</span>
      </span>
      {message
        ? <div className="below wrong" id={`${id}-below`} role="alert">{message}</div>
        : focused && field.tell ? <div className="below" id={`${id}-below`}>{field.tell}</div> : null}
    </div>
  )
}

/** Enter goes on to the next reading, so that a sheet can be typed in without the pointer. */
function nextField(input: HTMLInputElement): void {
  const all = [...document.querySelectorAll<HTMLInputElement>('.reading input')]
  all[all.indexOf(input) + 1]?.focus()
}
