'use client'

import { useCallback, useEffect, useRef, useState } from 'react'
import type { Job } from '@/core/job'
import type { FanPart } from '@/core/parts'
import type { Placement } from '@/core/placing'
import type { PlacementAnswer } from '@/workers/placement.worker'

export interface PlacementSearch {
  /** best first; null until a search has ended */
  readonly found: readonly Placement[] | null
  /** while it runs: how much of it is done */
  readonly running: { readonly done: number; readonly of: number } | null
  readonly message: string | null
  readonly search: () => void
  readonly cancel: () => void
}

/** The search for the best places, in a worker that can be stopped; begun anew when the job has settled. */
export function usePlacements(job: Job, fans: readonly FanPart[]): PlacementSearch {
  const worker = useRef<Worker | null>(null)
  const ticket = useRef(0)
  const [found, setFound] = useState<readonly Placement[] | null>(null)
  const [running, setRunning] = useState<PlacementSearch['running']>(null)
  const [message, setMessage] = useState<string | null>(null)
  const stop = useCallback(() => {
    worker.current?.terminate()
    worker.current = null
  }, [])
  const cancel = useCallback(() => {
    ticket.current++
    stop()
    setRunning(null)
    setMessage('The search was stopped.')
  }, [stop])
  const latest = useRef({ job, fans })
  latest.current = { job, fans }
  const search = useCallback(() => {
    stop()
    const mine = ++ticket.current
    const made = new Worker(new URL('../../workers/placement.worker.ts', import.meta.url), { type: 'module' })
    worker.current = made
    setMessage(null)
    setRunning({ done: 0, of: 0 })
    made.onmessage = ({ data }: MessageEvent<PlacementAnswer>) => {
      if (data.ticket !== ticket.current) return
      if ('done' in data) return setRunning({ done: data.done, of: data.of })
      setRunning(null)
      stop()
      if ('found' in data) setFound(data.found)
      else setMessage(data.message)
    }
    made.onerror = () => {
      if (mine === ticket.current) {
        setRunning(null)
        setMessage('The search broke off. Search again.')
      }
    }
    made.postMessage({ ticket: mine, job: latest.current.job, fans: latest.current.fans })
  }, [stop])
  useEffect(() => stop, [stop])
  return { found, running, message, search, cancel }
}
