'use client'

import { useEffect } from 'react'
import { stations, type Station } from '@/core/job'

interface Actions { readonly go: (station: Station) => void; readonly swapUnits: () => void; readonly help: () => void; readonly close: () => void }

const typesInto = (target: EventTarget | null): boolean => target instanceof HTMLElement && (/^(INPUT|TEXTAREA|SELECT)$/.test(target.tagName) || target.isContentEditable)

/** Digits go to stations, U swaps units, ? shows the keys, Esc closes the working: only while no field has the focus. */
export function useStationKeys({ go, swapUnits, help, close }: Actions): void {
  useEffect(() => {
    const onKey = (event: KeyboardEvent): void => {
      if (event.ctrlKey || event.metaKey || event.altKey || typesInto(event.target) || document.querySelector('.modal.show')) return
      const station = /^[1-9]$/.test(event.key) ? stations[Number(event.key) - 1] : undefined
      if (station) go(station)
      else if (event.key === 'u' || event.key === 'U') swapUnits()
      else if (event.key === '?') help()
      else if (event.key === 'Escape') close()
    }
    window.addEventListener('keydown', onKey)
    return () => window.removeEventListener('keydown', onKey)
  }, [go, swapUnits, help, close])
}
