'use client'

import type { KeptAside } from './waiting-room'
import { say } from '@/core/words'

/** Why the last change does not stand; gone with the next one that does. */
export function NotTaken({ why }: { readonly why: string | null }) {
  return (
    why && (
      <p className="save-trouble" role="alert">
        {say`That change was not taken, and nothing else was touched: ${why}.`}
      </p>
    )
  )
}

interface AsideProps {
  readonly aside: readonly KeptAside[]
  readonly onDrop: (one: KeptAside) => void
}

/** What somebody changed and this version cannot read: to be taken out as a file, never thrown away by itself. */
export function AsideNotes({ aside, onDrop }: AsideProps) {
  return aside.map((one) => (
    <p key={one.key} className="say say-short" role="alert">
      {say`A change of this job waits in this browser and cannot be read by this Pyraxis.`}{' '}
      <a
        href={`data:application/json;charset=utf-8,${encodeURIComponent(one.text)}`}
        download="unread-change.json"
        className="me-2"
      >
        {say`Take it out as a file`}
      </a>
      <button type="button" className="word-button" onClick={() => onDrop(one)}>
        {say`throw it away`}
      </button>
    </p>
  ))
}
