'use client'

import { useCallback, useEffect, useRef, useState } from 'react'
import dynamic from 'next/dynamic'
import { typesInto } from './keyboard'
import { persistently } from './persistently'
import { say } from '@/core/words'

const loadDialog = () => persistently(() => import('./FindDialog'))
const FindDialog = dynamic(() => loadDialog().then((m) => m.FindDialog), { ssr: false })

const withoutModifiers = (e: KeyboardEvent): boolean => !e.ctrlKey && !e.metaKey && !e.altKey

/**
 * Find, by its button or by `/` while no field has the focus. Letters typed before its field is there are kept for it.
 */
export function FindButton() {
  const [open, setOpen] = useState(false)
  /** letters on their way to a field that is not there yet; null where there is one, or nothing was asked */
  const early = useRef<string | null>(null)
  const hide = useCallback(() => {
    early.current = null
    setOpen(false)
  }, [])
  const begin = useCallback(() => {
    early.current = ''
    setOpen(true)
  }, [])
  /** the field has the focus: what was typed before is its own, what follows comes by itself */
  const takeOver = useCallback(() => {
    const letters = early.current ?? ''
    early.current = null
    return letters
  }, [])
  useEffect(() => {
    const onKey = (event: KeyboardEvent): void => {
      if (early.current !== null) {
        if (event.key === 'Escape') hide()
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
  }, [begin, hide])
  return (
    <>
      <button
        type="button"
        className="word-button"
        aria-label={say`Find`}
        aria-keyshortcuts="/"
        onPointerEnter={() => void loadDialog()}
        onClick={begin}
      >
        {say`find`}
      </button>
      {open && <FindDialog takeOver={takeOver} onHide={hide} />}
    </>
  )
}
