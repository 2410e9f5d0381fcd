'use client'

import { useEffect, useState } from 'react'
import { say } from '@/core/words'

const AGAIN_MS = 1500

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

/** Stands where a part is still to come; says so once that takes longer than anybody would notice. */
export function Coming({ height = 120 }: { readonly height?: number }) {
  const [late, setLate] = useState(false)
  useEffect(() => {
    const timer = setTimeout(() => setLate(true), 2 * AGAIN_MS)
    return () => clearTimeout(timer)
  }, [])
  return (
    <div style={{ minHeight: height }} role="status" data-coming>
      {late && (
        <p className="say">{say`This part has not come yet: Pyraxis does not answer. It comes when Pyraxis does.`}</p>
      )}
    </div>
  )
}
