'use client'

import { type RefObject, useEffect, useRef, useState } from 'react'

/**
 * Whether something is wider than the place where it stands.
 * @param pixels its width; null where it takes what there is
 */
export function useWider(pixels: number | null): {
  readonly place: RefObject<HTMLDivElement | null>
  readonly wider: boolean
} {
  const place = useRef<HTMLDivElement>(null)
  const [room, setRoom] = useState<number | null>(null)
  useEffect(() => {
    const watch = new ResizeObserver(([entry]) => setRoom(entry!.contentRect.width))
    watch.observe(place.current!)
    return () => watch.disconnect()
  }, [])
  return { place, wider: pixels !== null && room !== null && pixels > room + 1 }
}
