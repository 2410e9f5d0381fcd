'use client'

import { useEffect } from 'react'

/** Lets pages that were opened here open again while the server is away, where this browser can keep them. */
export function useServiceWorker(): void {
  useEffect(() => {
    if (process.env.NODE_ENV !== 'production' || !('serviceWorker' in navigator)) return
    // first the page itself: keeping files for later can wait
    const idle = window.requestIdleCallback ?? ((then: () => void) => window.setTimeout(then, 2000))
    idle(() => void navigator.serviceWorker.register('/sw.js').catch(() => null))
  }, [])
}
