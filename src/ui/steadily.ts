'use client'

import { useEffect, useRef, useState } from 'react'

/** so long is worked at a stretch, so that keys and fingers come in between, ms */
const STRETCH_MS = 12

/**
 * Works a long sum out in short stretches, beside what the page does.
 * @param key what it hangs on; another begins anew
 * @param begin the sum as a generator of the share that is done; null: there is nothing to work out
 * @returns its answer, once it is there, and the share done until then
 */
export function useSteadily<T>(
  key: string,
  begin: (() => Generator<number, T>) | null,
): { readonly value: T | null; readonly share: number } {
  const [state, setState] = useState<{ readonly of: string; readonly value: T | null; readonly share: number }>({
    of: key,
    value: null,
    share: 0,
  })
  const now = useRef(begin)
  now.current = begin
  useEffect(() => {
    const steps = now.current?.()
    if (!steps) return undefined
    let timer: ReturnType<typeof setTimeout>
    const go = (): void => {
      const until = performance.now() + STRETCH_MS
      for (;;) {
        const step = steps.next()
        if (step.done) return setState({ of: key, value: step.value, share: 1 })
        if (performance.now() < until) continue
        const share = step.value
        setState({ of: key, value: null, share })
        timer = setTimeout(go)
        return undefined
      }
    }
    timer = setTimeout(go)
    return () => clearTimeout(timer)
  }, [key])
  return state.of === key ? state : { value: null, share: 0 }
}
