'use client'

import type { Source } from '@/core/reading'
import { say } from '@/core/words'

const words: Readonly<Record<Source, string>> = {
  measured: say`measured`,
  label: say`from a label`,
  seen: say`told by what was seen of this machine`,
  typical: say`typical, a guess`,
}

/** Filled disc measured, half disc label, ring with a point seen, ring typical. */
export function SourceDisc({ source }: { readonly source: Source }) {
  return (
    <svg width="14" height="14" viewBox="0 0 14 14" aria-hidden="true">
      <circle
        cx="7"
        cy="7"
        r="5.6"
        fill={source === 'measured' ? 'currentColor' : 'none'}
        stroke="currentColor"
        strokeWidth="1.6"
      />
      {source === 'seen' && <circle cx="7" cy="7" r="2.2" fill="currentColor" />}
      {source === 'label' && <path d="M7 1.4 A5.6 5.6 0 0 0 7 12.6 Z" fill="currentColor" />}
    </svg>
  )
}

/** The disc as a control: each press goes on to the next way of knowing. */
export function SourceMark({
  source,
  name,
  onChange,
}: {
  readonly source: Source
  readonly name: string
  readonly onChange: (next: Source) => void
}) {
  const next: Readonly<Record<Source, Source>> = {
    typical: 'measured',
    seen: 'measured',
    measured: 'label',
    label: 'typical',
  }
  return (
    <button
      type="button"
      className="source-mark"
      aria-label={say`${name} is ${words[source]}; change`}
      title={words[source]}
      onClick={() => onChange(next[source])}
    >
      <SourceDisc source={source} />
    </button>
  )
}
