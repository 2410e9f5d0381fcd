'use client'

import { useId } from 'react'
import Form from 'react-bootstrap/Form'
import { say, spokenWord } from '@/core/words'

interface Props<V extends string> {
  readonly label: string
  readonly value: V
  readonly options: readonly { readonly value: V; readonly name: string }[]
  readonly onChange: (value: V) => void
  readonly tell?: string
}

/** A choice out of a few, as one line of the tray. */
export function ChoiceField<V extends string>({ label, value, options, onChange, tell }: Props<V>) {
  const id = useId()
  return (
    <div className="choice">
      <label htmlFor={id}>{label}</label>
      <Form.Select
        id={id}
        value={value}
        onChange={(e) => onChange(e.target.value as V)}
        aria-describedby={tell ? `${id}-tell` : undefined}
      >
        {options.map((o) => (
          <option key={o.value} value={o.value}>
            {spokenWord(o.name)}
          </option>
        ))}
      </Form.Select>
      {tell && (
        <div id={`${id}-tell`} className="soft small">
          {tell}
        </div>
      )}
    </div>
  )
}

/** yes or no as a choice */
export function YesNoField({
  label,
  value,
  onChange,
  tell,
}: {
  readonly label: string
  readonly value: boolean
  readonly onChange: (value: boolean) => void
  readonly tell?: string
}) {
  return (
    <ChoiceField
      label={label}
      value={value ? 'yes' : 'no'}
      options={[
        { value: 'yes', name: say`yes` },
        { value: 'no', name: say`no` },
      ]}
      onChange={(v) => onChange(v === 'yes')}
      {...(tell === undefined ? {} : { tell })}
    />
  )
}

/** A choice that nobody has made yet stands as such until somebody does. */
export function UnsaidField<V extends string>({
  label,
  value,
  options,
  onChange,
}: Omit<Props<V>, 'value' | 'tell'> & { readonly value: V | null }) {
  const id = useId()
  return (
    <div className="choice">
      <label htmlFor={id}>{label}</label>
      <Form.Select
        id={id}
        value={value ?? ''}
        onChange={(e) => {
          if (e.target.value) onChange(e.target.value as V)
        }}
      >
        {value === null && <option value="">{say`not said yet`}</option>}
        {options.map((o) => (
          <option key={o.value} value={o.value}>
            {spokenWord(o.name)}
          </option>
        ))}
      </Form.Select>
    </div>
  )
}
