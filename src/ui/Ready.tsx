'use client'

import { useEffect } from 'react'

/** Says that the page can be used. */
export function Ready() {
  useEffect(() => {
    document.documentElement.dataset.ready = 'yes'
  }, [])
  return null
}
