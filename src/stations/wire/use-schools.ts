'use client'

import { useEffect, useRef, useState } from 'react'
import type { SchoolJudged } from '@/core/advice'
import type { Job } from '@/core/job'
import type { Part } from '@/core/parts'
import type { SchoolsAnswer } from '@/workers/schools.worker'

const PAUSE_MS = 150

/** Every way of wiring the job, judged in a worker; null until it has answered for this job. */
export function useSchools(
  job: Job,
  shelf: readonly Part[],
): { readonly judged: readonly SchoolJudged[] | null; readonly message: string | null } {
  const worker = useRef<Worker | null>(null)
  const ticket = useRef(0)
  const [answer, setAnswer] = useState<SchoolsAnswer | null>(null)
  useEffect(() => {
    const made = new Worker(new URL('../../workers/schools.worker.ts', import.meta.url), { type: 'module' })
    made.onmessage = ({ data }: MessageEvent<SchoolsAnswer>) => {
      if (data.ticket === ticket.current) setAnswer(data)
    }
    worker.current = made
    return () => {
      made.terminate()
      worker.current = null
    }
  }, [])
  useEffect(() => {
    const mine = ++ticket.current
    const timer = setTimeout(() => worker.current?.postMessage({ ticket: mine, job, shelf }), PAUSE_MS)
    return () => clearTimeout(timer)
  }, [job, shelf])
  return {
    judged: answer && 'judged' in answer ? answer.judged : null,
    message: answer && 'message' in answer ? answer.message : null,
  }
}
