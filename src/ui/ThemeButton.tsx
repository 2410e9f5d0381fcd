'use client'

import { useEffect, useState } from 'react'
import { useTheme } from 'next-themes'

/** Paper by day, slate in a dim garage. */
export function ThemeButton() {
  const { resolvedTheme, setTheme } = useTheme()
  // which one the browser is on is known only there
  const [known, setKnown] = useState(false)
  useEffect(() => setKnown(true), [])
  const dark = known && resolvedTheme === 'dark'
  return (
    <button
      type="button"
      className="word-button"
      aria-label={dark ? 'Light colours' : 'Dark colours'}
      onClick={() => setTheme(dark ? 'light' : 'dark')}
    >
      {dark ? 'light' : 'dark'}
    </button>
  )
}
