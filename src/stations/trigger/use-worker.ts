'use client'

import { useCallback, useEffect, useRef, useState } from 'react'

/** A worker that answers one question at a time; asking again, or giving up, ends it and starts it anew. */
export function useWorker<Q extends { readonly ticket: number }, A extends { readonly ticket: number }>(make: () => Worker, onAnswer: (answer: A) => void): { readonly ask: (question: Omit<Q, 'ticket'>) => void; readonly stop: () => void; readonly busy: boolean; readonly settle: () => void } {
  const worker = useRef<Worker | null>(null)
  const ticket = useRef(0)
  const [busy, setBusy] = useState(false)
  const tell = useRef(onAnswer)
  tell.current = onAnswer
  const begin = useRef(make)
  const start = useCallback((): Worker => {
    const made = begin.current()
    made.onmessage = ({ data }: MessageEvent<A>) => { if (data.ticket === ticket.current) tell.current(data) }
    worker.current = made
    return made
  }, [])
  useEffect(() => {
    start()
    return () => { worker.current?.terminate(); worker.current = null }
  }, [start])
  const stop = useCallback(() => {
    ticket.current++
    setBusy(false)
    worker.current?.terminate()
    start()
  }, [start])
  const ask = useCallback((question: Omit<Q, 'ticket'>) => {
    setBusy((was) => { if (was) { worker.current?.terminate(); start() } return true })
    worker.current?.postMessage({ ...question, ticket: ++ticket.current })
  }, [start])
  return { ask, stop, busy, settle: useCallback(() => setBusy(false), []) }
}
