'use client'

import { useCallback, useEffect, useState } from 'react'
import { usePathname } from 'next/navigation'

/**
 * Text that outlives a closed page and a sleeping phone, until it is dropped.
 * @param name what it is kept under, within this job
 */
export function useKept(name: string): [string | null, (text: string | null) => void] {
  const key = `pyraxis-seen-${usePathname().split('/')[2] ?? ''}-${name}`
  const [text, setText] = useState<string | null>(null)
  useEffect(() => {
    try {
      setText(localStorage.getItem(key))
    } catch {
      setText(null)
    }
  }, [key])
  const keep = useCallback(
    (next: string | null) => {
      setText(next)
      try {
        if (next === null) localStorage.removeItem(key)
        else localStorage.setItem(key, next)
      } catch {
        // full or forbidden: it stays on the page all the same
      }
    },
    [key],
  )
  return [text, keep]
}
