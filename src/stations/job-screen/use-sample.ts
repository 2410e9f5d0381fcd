'use client'

import { useEffect, useRef, useState } from 'react'
import type { Job } from '@/core/job'
import type { Findings, SampledMargin } from '@/core/margins'

const PAUSE_MS = 120

/** Chances and what to measure next, from the worker; null until it has answered for this very job. */
export function useSample(job: Job, run: Findings | null): SampledMargin[] | null {
  const worker = useRef<Worker | null>(null)
  const ticket = useRef(0)
  const [answer, setAnswer] = useState<{ ticket: number; sampled: SampledMargin[] } | null>(null)
  useEffect(() => {
    const made = new Worker(new URL('../../workers/sample.worker.ts', import.meta.url), { type: 'module' })
    made.onmessage = (event: MessageEvent<{ ticket: number; sampled?: SampledMargin[] }>) => {
      if (event.data.sampled) setAnswer({ ticket: event.data.ticket, sampled: event.data.sampled })
    }
    worker.current = made
    return () => {
      made.terminate()
      worker.current = null
    }
  }, [])
  useEffect(() => {
    const mine = ++ticket.current
    const timer = setTimeout(() => worker.current?.postMessage({ ticket: mine, job, run }), PAUSE_MS)
    return () => clearTimeout(timer)
  }, [job, run])
  const [current, setCurrent] = useState<SampledMargin[] | null>(null)
  useEffect(() => {
    setCurrent(answer && answer.ticket === ticket.current ? answer.sampled : null)
  }, [answer, job, run])
  return current
}
