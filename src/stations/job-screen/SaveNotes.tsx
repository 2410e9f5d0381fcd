'use client'

import type { KeptAside } from './waiting-room'

/** What somebody changed and this version cannot read: to be taken out as a file, never thrown away by itself. */
export function SaveNotes({
  notTaken,
  aside,
  onDrop,
}: {
  readonly notTaken: string | null
  readonly aside: readonly KeptAside[]
  readonly onDrop: (one: KeptAside) => void
}) {
  return (
    <>
      {notTaken && (
        <p className="save-trouble" role="alert">
          {`That change was not taken, and nothing else was touched: ${notTaken}.`}
        </p>
      )}
      {aside.map((one) => (
        <p key={one.key} className="save-trouble" role="alert">
          A change of this job waits in this browser and cannot be read by this Pyraxis.{' '}
          <a
            href={`data:application/json;charset=utf-8,${encodeURIComponent(one.text)}`}
            download="unread-change.json"
            className="me-2"
          >
            Take it out as a file
          </a>
          <button type="button" className="word-button" onClick={() => onDrop(one)}>
            throw it away
          </button>
        </p>
      ))}
    </>
  )
}
