'use client'

import { useCallback, useEffect, useRef, useState } from 'react'
import dynamic from 'next/dynamic'
import { typesInto } from './keyboard'
import { persistently } from './persistently'

const loadDialog = () => persistently(() => import('./FindDialog'))
const FindDialog = dynamic(() => loadDialog().then((m) => m.FindDialog), { ssr: false })

const withoutModifiers = (e: KeyboardEvent): boolean => !e.ctrlKey && !e.metaKey && !e.altKey

/** Find, by its button or by `/` while no field has the focus. Letters typed before its field is there are kept for it. */
export function FindButton() {
  const [open, setOpen] = useState(false)
  const early = useRef('')
  const there = useRef(false)
  const hide = useCallback(() => setOpen(false), [])
  const begin = useCallback(() => {
    early.current = ''
    there.current = false
    setOpen(true)
  }, [])
  const begun = useCallback(() => {
    there.current = true
    return early.current
  }, [])
  useEffect(() => {
    const onKey = (event: KeyboardEvent): void => {
      if (open && !there.current) {
        if (event.key === 'Escape') setOpen(false)
        else if (event.key === 'Backspace') early.current = early.current.slice(0, -1)
        else if (event.key.length === 1 && withoutModifiers(event)) early.current += event.key
        else return
        event.preventDefault()
        event.stopImmediatePropagation()
        return
      }
      const asked = event.key === '/' && withoutModifiers(event) && !typesInto(event.target)
      if (!asked || document.querySelector('.modal.show')) return
      event.preventDefault()
      begin()
    }
    // before any other keys of the page: what is typed on its way to the field is for the field
    window.addEventListener('keydown', onKey, { capture: true })
    return () => window.removeEventListener('keydown', onKey, { capture: true })
  }, [open, begin])
  return (
    <>
      <button
        type="button"
        className="word-button"
        aria-label="Find"
        aria-keyshortcuts="/"
        onPointerEnter={() => void loadDialog()}
        onClick={begin}
      >
        find
      </button>
      {open && <FindDialog begun={begun} onHide={hide} />}
    </>
  )
}
