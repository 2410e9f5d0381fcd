'use client'

import { useEffect, useState } from 'react'
import { say } from '@/core/words'

const AGAIN_MS = 1500
/** how long something may take before it is said that it is still to come */
const SAID_MS = 800

/**
 * Loads a part of the page that comes later, again and again until it is there: where the server is away the part waits
 * alone, and comes when the server does.
 */
export async function persistently<T>(load: () => Promise<T>): Promise<T> {
  for (;;) {
    try {
      return await load()
    } catch {
      await new Promise((resolve) => setTimeout(resolve, AGAIN_MS))
    }
  }
}

/** Stands where a part is still to come, on a slow line or with the server away; says so once that is noticed. */
export function Coming({ height = 120 }: { readonly height?: number }) {
  const [late, setLate] = useState(false)
  useEffect(() => {
    const timer = setTimeout(() => setLate(true), SAID_MS)
    return () => clearTimeout(timer)
  }, [])
  return (
    <div style={{ minHeight: height }} role="status" data-coming>
      {late && (
        <p className="say">{say`This part is on its way. If Pyraxis does not answer, it comes when Pyraxis does.`}</p>
      )}
    </div>
  )
}
