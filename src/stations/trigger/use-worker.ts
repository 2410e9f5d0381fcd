'use client'

import { useCallback, useEffect, useRef, useState } from 'react'

/** A question before it has its ticket, of each of its kinds. */
export type Untold<Q> = Q extends { readonly ticket: number } ? Omit<Q, 'ticket'> : never

/** A worker that answers one question at a time; asking again, or giving up, ends it and starts it anew. */
export function useWorker<Q extends { readonly ticket: number }, A extends { readonly ticket: number }>(
  make: () => Worker,
  onAnswer: (answer: A) => void,
): {
  readonly ask: (question: Untold<Q>) => void
  readonly stop: () => void
  readonly busy: boolean
  readonly settle: () => void
} {
  const worker = useRef<Worker | null>(null)
  const ticket = useRef(0)
  const [busy, setBusy] = useState(false)
  const tell = useRef(onAnswer)
  tell.current = onAnswer
  const begin = useRef(make)
  const start = useCallback((): Worker => {
    const made = begin.current()
    made.onmessage = ({ data }: MessageEvent<A>) => {
      if (data.ticket === ticket.current) tell.current(data)
    }
    worker.current = made
    return made
  }, [])
  useEffect(() => {
    start()
    return () => {
      worker.current?.terminate()
      worker.current = null
    }
  }, [start])
  const underWay = useRef(false)
  const mark = useCallback((is: boolean) => {
    underWay.current = is
    setBusy(is)
  }, [])
  const anew = useCallback(() => {
    worker.current?.terminate()
    start()
  }, [start])
  const stop = useCallback(() => {
    ticket.current++
    mark(false)
    anew()
  }, [mark, anew])
  const ask = useCallback(
    (question: Untold<Q>) => {
      if (underWay.current) anew()
      mark(true)
      worker.current?.postMessage({ ...question, ticket: ++ticket.current })
    },
    [mark, anew],
  )
  return { ask, stop, busy, settle: useCallback(() => mark(false), [mark]) }
}
