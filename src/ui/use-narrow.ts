'use client'

import { useEffect, useState } from 'react'

/** Whether the screen is as narrow as a phone's: then drawings fold and their words are shorter. */
export function useNarrow(): boolean {
  const [narrow, setNarrow] = useState(false)
  useEffect(() => {
    const query = window.matchMedia('(max-width: 860px)')
    const look = (): void => setNarrow(query.matches)
    look()
    query.addEventListener('change', look)
    return () => query.removeEventListener('change', look)
  }, [])
  return narrow
}
