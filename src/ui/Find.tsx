'use client'

import { useCallback, useEffect, useState } from 'react'
import dynamic from 'next/dynamic'
import { typesInto } from './keyboard'
import { persistently } from './persistently'

const FindDialog = dynamic(() => persistently(() => import('./FindDialog')).then((m) => m.FindDialog), { ssr: false })

/** Find, by its button or by `/` while no field has the focus. */
export function FindButton() {
  const [open, setOpen] = useState(false)
  const hide = useCallback(() => setOpen(false), [])
  useEffect(() => {
    const onKey = (event: KeyboardEvent): void => {
      if (
        event.key !== '/' ||
        event.ctrlKey ||
        event.metaKey ||
        event.altKey ||
        typesInto(event.target) ||
        document.querySelector('.modal.show')
      )
        return
      event.preventDefault()
      setOpen(true)
    }
    window.addEventListener('keydown', onKey)
    return () => window.removeEventListener('keydown', onKey)
  }, [])
  return (
    <>
      <button
        type="button"
        className="word-button"
        aria-label="Find"
        aria-keyshortcuts="/"
        onClick={() => setOpen(true)}
      >
        find
      </button>
      {open && <FindDialog onHide={hide} />}
    </>
  )
}
