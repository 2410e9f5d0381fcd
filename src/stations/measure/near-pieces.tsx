'use client'

import { useState } from 'react'
import Form from 'react-bootstrap/Form'
import { fieldsOf, withReading } from '@/core/job'
import { ReadingField } from '@/ui/ReadingField'
import type { StationProps } from '../station'

export type Props = Pick<StationProps, 'job' | 'settle' | 'preview'>

/** The readings of one thing in a list, beside what is chosen about it. */
export function OwnReadings({
  job,
  settle,
  preview,
  prefix,
  leave = [],
}: Props & { readonly prefix: string; readonly leave?: readonly string[] }) {
  return (
    <div className="own-readings">
      {[...fieldsOf(job).values()]
        .filter((f) => f.address.startsWith(prefix) && !leave.includes(f.address.slice(prefix.length)))
        .map((field) => (
          // its name stands above already
          <ReadingField
            key={field.address}
            field={{ ...field, label: field.label.replace(/^.*?, /, '') }}
            system={job.units}
            onPreview={(reading) => preview(reading ? (j) => withReading(j, field.address, reading) : null)}
            onSettle={(reading) => settle((j) => withReading(j, field.address, reading))}
          />
        ))}
    </div>
  )
}

/** A name that is settled when the field is left. */
export function NameField({
  value,
  label,
  onSettle,
}: {
  readonly value: string
  readonly label: string
  readonly onSettle: (name: string) => void
}) {
  const [text, setText] = useState<string | null>(null)
  const settle = (): void => {
    if (text !== null && text.trim() && text.trim() !== value) onSettle(text.trim())
    setText(null)
  }
  return (
    <Form.Control
      aria-label={label}
      size="sm"
      style={{ maxWidth: 190 }}
      maxLength={40}
      value={text ?? value}
      onChange={(e) => setText(e.target.value)}
      onBlur={settle}
      onKeyDown={(e) => {
        if (e.key === 'Enter') {
          settle()
          e.currentTarget.blur()
        }
        if (e.key === 'Escape') {
          setText(null)
          e.currentTarget.blur()
        }
      }}
    />
  )
}
