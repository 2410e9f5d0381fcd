'use client'

import { useCallback, useEffect, useRef, useState } from 'react'
import { type Remote, wrap } from 'comlink'

export interface Task<T> {
  /**
   * Asks; what is still under way is ended first.
   * @returns the answer; null where the question was given up, or another asked
   * @throws where the worker broke off
   */
  readonly ask: <A extends Promise<unknown>>(question: (remote: Remote<T>) => A) => Promise<Awaited<A> | null>
  /** gives up what is under way */
  readonly stop: () => void
  readonly busy: boolean
}

/** A worker that answers one question at a time; asking again, or giving up, ends it and starts it anew. */
export function useTask<T>(make: () => Worker): Task<T> {
  // kept together: a worker whose remote nobody holds any more is let go, and answers nothing
  const made = useRef<{ readonly worker: Worker; readonly remote: Remote<T> } | null>(null)
  const ticket = useRef(0)
  const underWay = useRef(false)
  const begin = useRef(make)
  const [busy, setBusy] = useState(false)
  const mark = useCallback((is: boolean) => {
    underWay.current = is
    setBusy(is)
  }, [])
  const end = useCallback(() => {
    made.current?.worker.terminate()
    made.current = null
  }, [])
  useEffect(() => end, [end])
  const stop = useCallback(() => {
    ticket.current++
    if (underWay.current) end()
    mark(false)
  }, [end, mark])
  const ask = useCallback(
    async <A extends Promise<unknown>>(question: (remote: Remote<T>) => A): Promise<Awaited<A> | null> => {
      if (underWay.current) end()
      const mine = ++ticket.current
      mark(true)
      if (!made.current) {
        const worker = begin.current()
        made.current = { worker, remote: wrap<T>(worker) }
      }
      const { worker, remote } = made.current
      const broken = new Promise<never>((_, reject) => {
        worker.addEventListener('error', () => reject(new Error('the worker broke off')), { once: true })
      })
      try {
        const answer = await Promise.race([question(remote), broken])
        return mine === ticket.current ? answer : null
      } finally {
        if (mine === ticket.current) mark(false)
      }
    },
    [end, mark],
  )
  return { ask, stop, busy }
}
