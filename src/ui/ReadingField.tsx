'use client'

import { useId, useRef, useState } from 'react'
import type { PlacedField } from '@/core/job'
import { asTyped, retyped, withSource, type Reading } from '@/core/reading'
import { format, formatSpread, parse, shown, type UnitSystem, worded } from '@/core/units'
import { useDraft } from './drafts'
import { SourceMark } from './SourceMark'
import { say } from '@/core/words'

interface Props {
  readonly field: PlacedField
  readonly system: UnitSystem
  /** said under its name, whatever has the focus */
  readonly note?: string | undefined
  /** while typing: what the margins would say; null ends it */
  readonly onPreview: (reading: Reading | null) => void
  /** one settled change: Enter, or the field left */
  readonly onSettle: (reading: Reading) => void
}

/** The text of a reading as it stands in its field: it parses back to itself. */
function textOf({ reading, quantity, wish }: PlacedField, system: UnitSystem): string {
  const own = asTyped(reading, quantity, system)
  if (own !== null) return own
  const { number } = shown(reading.value, quantity, system)
  if (reading.spread === undefined || wish || !/±|\+\/?-/.test(reading.typed ?? '')) return number
  return `${number} ±${formatSpread(reading.spread, quantity, system).number}`
}

/** The unit beside the figure; where the figure stands in another one as it was typed, what it is in the shown one. */
function unitOf({ reading, quantity }: PlacedField, system: UnitSystem, standing: boolean): string {
  const { unit } = shown(reading.value, quantity, system)
  return standing && asTyped(reading, quantity, system) !== null ? `= ${format(reading.value, quantity, system)}` : unit
}

function understood(
  text: string,
  { quantity, limits, wish }: PlacedField,
  system: UnitSystem,
): { reading: Reading } | { message: string } {
  const parsed = parse(text, quantity, system)
  if (!parsed.ok) return { message: parsed.message }
  if (parsed.value < limits.min || parsed.value > limits.max) {
    return {
      message: say`This is between ${format(limits.min, quantity, system)} and
        ${format(limits.max, quantity, system)}. What you typed is kept; the old value still counts.`,
    }
  }
  return { reading: retyped(text.trim(), parsed.value, wish ? undefined : parsed.spread) }
}

/**
 * One line of the tray: how it is known, its name, its value with unit; a message beside it where it is not understood.
 */
export function ReadingField({ field, system, note, onPreview, onSettle }: Props) {
  const id = useId()
  const [draft, setDraft] = useDraft(field.address)
  const [focused, setFocused] = useState(false)
  const standing = textOf(field, system)
  const text = draft ?? standing
  const result = draft === null ? null : understood(draft, field, system)
  const message = result && 'message' in result ? result.message : null

  // what stood here before typing began: while a preview runs, `field` already shows what is being typed
  const before = useRef(standing)
  // settled once: Enter moves the focus on, and the field it leaves is blurred with the same text
  const unsettled = useRef(draft)
  unsettled.current = draft

  const type = (next: string): void => {
    if (draft === null) before.current = standing
    setDraft(next)
    const now = understood(next, field, system)
    onPreview('reading' in now ? now.reading : null)
  }
  const drop = (): void => {
    unsettled.current = null
    setDraft(null)
    onPreview(null)
  }
  /** Enter confirms even the figure that stood there: what was a guess is then measured. */
  const settle = (confirmed: boolean): void => {
    const typed = unsettled.current
    if (typed === null) return
    onPreview(null)
    if (!confirmed && typed.trim() === before.current) return drop()
    const now = understood(typed, field, system)
    if (!('reading' in now)) return
    drop()
    onSettle(now.reading)
  }
  return (
    <div className="reading" data-address={field.address}>
      {field.wish ? (
        <span />
      ) : (
        <SourceMark
          source={field.reading.source}
          name={field.label}
          onChange={(source) => onSettle(withSource(field.reading, source))}
        />
      )}
      <label htmlFor={id}>{field.label}</label>
      <span className="value">
        <input
          id={id}
          value={text}
          inputMode="text"
          autoComplete="off"
          spellCheck={false}
          maxLength={400}
          data-draft={draft === null ? 'no' : 'yes'}
          aria-invalid={message !== null && !focused ? true : undefined}
          aria-describedby={message || (focused && field.tell) ? `${id}-below` : undefined}
          onChange={(e) => type(e.target.value)}
          onFocus={(e) => {
            setFocused(true)
            e.target.select()
          }}
          onClick={(e) => {
            if (draft === null) e.currentTarget.select()
          }}
          onBlur={() => {
            setFocused(false)
            settle(false)
          }}
          onKeyDown={(e) => {
            if (e.key === 'Enter') {
              settle(true)
              nextField(e.currentTarget)
            }
            if (e.key === 'Escape') {
              drop()
              e.currentTarget.blur()
            }
          }}
        />
        <span className="unit">{unitOf(field, system, draft === null)}</span>
      </span>
      {note && !message && <div className="firms">{note}</div>}
      {message && (
        <div className="below wrong" id={`${id}-below`} role="alert">
          {message}
        </div>
      )}
      {!message && focused && field.tell && (
        <div className="below" id={`${id}-below`}>
          {worded(field.tell, system)}
        </div>
      )}
    </div>
  )
}

/** Enter goes on to the next reading, so that a sheet can be typed in without the pointer. */
function nextField(input: HTMLInputElement): void {
  const all = [...document.querySelectorAll<HTMLInputElement>('.reading input')]
  all[all.indexOf(input) + 1]?.focus()
}
