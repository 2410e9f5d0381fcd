'use client'

import { useCallback, useEffect, useState } from 'react'

/**
 * Something small that this browser keeps: what cannot be read back is as if there were nothing.
 * @param read makes of what was kept what it should be, or null
 */
export function useStored<T>(key: string, read: (kept: unknown) => T | null): [T | null, (value: T | null) => void] {
  const [value, setValue] = useState<T | null>(null)
  useEffect(() => {
    try {
      setValue(read(JSON.parse(localStorage.getItem(key) ?? 'null')))
    } catch {
      setValue(null)
    }
  }, [key, read])
  const keep = useCallback(
    (next: T | null) => {
      setValue(next)
      try {
        if (next === null) localStorage.removeItem(key)
        else localStorage.setItem(key, JSON.stringify(next))
      } catch {
        // full or forbidden: it stays on the page all the same
      }
    },
    [key],
  )
  return [value, keep]
}
