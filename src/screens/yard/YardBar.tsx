'use client'

import { useRef } from 'react'
import { useRouter } from 'next/navigation'
import type { MachineKind } from '@/core/job/choices'
import { addressOf, type Looking } from './address'
import { say } from '@/core/words'

const shows: Readonly<Record<Looking['show'], string>> = {
  all: say`all in the yard`,
  open: say`open`,
  signed: say`signed`,
  ended: say`ended without a fan`,
  archived: say`archived`,
  deleted: say`deleted`,
}
const sorts: Readonly<Record<Looking['sort'], string>> = {
  promise: say`the day promised`,
  worst: say`the worst margin`,
  due: say`what is due`,
  machine: say`machine`,
  owner: say`owner`,
  newest: say`the newest first`,
}

export interface KindName {
  readonly kind: MachineKind
  readonly name: string
}

function Choice({
  label,
  value,
  names,
  onChange,
}: {
  readonly label: string
  readonly value: string
  readonly names: Readonly<Record<string, string>>
  readonly onChange: (value: string) => void
}) {
  return (
    <label>
      {label}
      <select className="form-select" value={value} onChange={(e) => onChange(e.target.value)}>
        {Object.entries(names).map(([each, name]) => (
          <option key={each} value={each}>
            {name}
          </option>
        ))}
      </select>
    </label>
  )
}

/** What of the yard is shown, and in what order. */
export function YardBar({ looking, kinds }: { readonly looking: Looking; readonly kinds: readonly KindName[] }) {
  const router = useRouter()
  const field = useRef<HTMLInputElement>(null)
  const look = (change: Partial<Looking>): void => {
    router.push(addressOf({ ...looking, text: field.current?.value.trim() ?? '', ...change, from: 0 }))
  }
  return (
    <form
      className="yard-bar"
      role="search"
      onSubmit={(e) => {
        e.preventDefault()
        look({})
      }}
    >
      <Choice
        label={say`Show`}
        value={looking.show}
        names={shows}
        onChange={(show) => look({ show: show as Looking['show'] })}
      />
      <Choice
        label={say`By`}
        value={looking.sort}
        names={sorts}
        onChange={(sort) => look({ sort: sort as Looking['sort'] })}
      />
      <Choice
        label={say`Kind`}
        value={looking.kind ?? ''}
        names={{ '': say`every kind`, ...Object.fromEntries(kinds.map(({ kind, name }) => [kind, name])) }}
        onChange={(kind) => look({ kind: (kind || null) as MachineKind | null })}
      />
      <label>
        {say`Holds`}
        <input
          ref={field}
          className="form-control"
          defaultValue={looking.text}
          key={looking.text}
          maxLength={80}
          placeholder={say`job, machine or owner`}
          enterKeyHint="search"
        />
      </label>
      <button type="submit" className="visually-hidden-focusable word-button">
        {say`Show these`}
      </button>
    </form>
  )
}
