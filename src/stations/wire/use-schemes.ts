'use client'

import { useEffect, useState } from 'react'
import type { SchemeJudged } from '@/core/advice'
import type { Job } from '@/core/job'
import type { Part } from '@/core/parts'
import { useCompute } from '../use-compute'
import { say } from '@/core/words'

const PAUSE_MS = 150

/** Every way of wiring the job, judged in the page's worker; null until it has answered once. */
export function useSchemes(
  job: Job,
  shelf: readonly Part[],
): { readonly judged: readonly SchemeJudged[] | null; readonly message: string | null } {
  const compute = useCompute()
  const [judged, setJudged] = useState<readonly SchemeJudged[] | null>(null)
  const [message, setMessage] = useState<string | null>(null)
  useEffect(() => {
    let overtaken = false
    const timer = setTimeout(() => {
      void compute()
        .judge(job, shelf)
        .then(
          (answer) => {
            if (overtaken) return
            setJudged(answer)
            setMessage(null)
          },
          () => {
            if (!overtaken)
              setMessage(say`The ways to wire it could not be worked out. Change something, and it is tried again.`)
          },
        )
    }, PAUSE_MS)
    return () => {
      overtaken = true
      clearTimeout(timer)
    }
  }, [compute, job, shelf])
  return { judged, message }
}
