'use client'

import { type ReactNode, useEffect, useRef, useState } from 'react'
import { say } from '@/core/words'

/** A table that is moved sideways where a screen is narrower than it: then by keys too. */
export function Sideways({ children }: { readonly children: ReactNode }) {
  const ref = useRef<HTMLDivElement>(null)
  const [wider, setWider] = useState(false)
  useEffect(() => {
    const box = ref.current!
    const watch = new ResizeObserver(() => setWider(box.scrollWidth > box.clientWidth))
    watch.observe(box)
    return () => watch.disconnect()
  }, [])
  const keys = wider ? { role: 'group', tabIndex: 0, 'aria-label': say`Table, can be moved sideways` } : {}
  return (
    <div ref={ref} className="scroll-sideways" {...keys}>
      {children}
    </div>
  )
}
