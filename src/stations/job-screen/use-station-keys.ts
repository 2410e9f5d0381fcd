'use client'

import { useEffect } from 'react'
import { type Station, stations } from '@/core/fields'
import { holdsDraft, typesInto } from '@/ui/keyboard'

interface Actions {
  readonly go: (station: Station) => void
  readonly undo: () => void
  readonly redo: () => void
  readonly swapUnits: () => void
  readonly help: () => void
  readonly close: () => void
}

/**
 * Ctrl+Z undoes and Ctrl+Shift+Z redoes, unless a field holds what is not settled yet. Digits go to stations, U swaps
 * units, ? shows the keys, Esc closes the working: only while no field has the focus.
 */
export function useStationKeys({ go, swapUnits, help, close, undo, redo }: Actions): void {
  useEffect(() => {
    const onKey = (event: KeyboardEvent): void => {
      const key = event.key.toLowerCase()
      if (
        (event.ctrlKey || event.metaKey) &&
        (key === 'z' || key === 'y') &&
        !holdsDraft(event.target) &&
        !document.querySelector('.modal.show')
      ) {
        event.preventDefault()
        if (key === 'y' || event.shiftKey) redo()
        else undo()
        return
      }
      if (
        event.ctrlKey ||
        event.metaKey ||
        event.altKey ||
        typesInto(event.target) ||
        document.querySelector('.modal.show')
      )
        return
      const station = /^[1-9]$/.test(event.key) ? stations[Number(event.key) - 1] : undefined
      if (station) go(station)
      else if (event.key === 'u' || event.key === 'U') swapUnits()
      else if (event.key === '?') help()
      else if (event.key === 'Escape') close()
    }
    window.addEventListener('keydown', onKey)
    return () => window.removeEventListener('keydown', onKey)
  }, [go, swapUnits, help, close, undo, redo])
}
