'use client'

import { useCallback, useSyncExternalStore } from 'react'

const KEY = 'pyraxis-name'
const changed = new Set<() => void>()
const listen = (call: () => void): (() => void) => {
  changed.add(call)
  return () => changed.delete(call)
}
const stored = (): string => {
  try {
    return window.localStorage.getItem(KEY) ?? ''
  } catch {
    return ''
  }
}
let unstored = ''

/** The name that this browser writes under a note: asked once, remembered here, changed by typing another. */
export function useName(): readonly [name: string, remember: (name: string) => void] {
  const name = useSyncExternalStore(
    listen,
    () => stored() || unstored,
    () => '',
  )
  const remember = useCallback((next: string) => {
    unstored = next
    try {
      window.localStorage.setItem(KEY, next)
    } catch {
      // a browser that keeps nothing still signs with what was typed in this page
    }
    for (const call of changed) call()
  }, [])
  return [name, remember]
}
