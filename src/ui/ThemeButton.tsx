'use client'

import { useEffect, useState } from 'react'
import { useTheme } from 'next-themes'
import { say } from '@/core/words'

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
      aria-label={dark ? say`Light colours` : say`Dark colours`}
      onClick={() => setTheme(dark ? 'light' : 'dark')}
    >
      {dark ? say`light` : say`dark`}
    </button>
  )
}
