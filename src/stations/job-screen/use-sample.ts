'use client'

import { useEffect, useState } from 'react'
import type { Job } from '@/core/job'
import type { Findings, SampledMargin } from '@/core/margins'
import { useCompute } from '../use-compute'

const PAUSE_MS = 120

/** Chances and what to measure next, from the worker; null until it has answered for this very job. */
export function useSample(job: Job, run: Findings | null): SampledMargin[] | null {
  const compute = useCompute()
  const [sampled, setSampled] = useState<SampledMargin[] | null>(null)
  useEffect(() => {
    let overtaken = false
    setSampled(null)
    const timer = setTimeout(() => {
      // a worker that does not come leaves the margins as they are, without their chances
      void compute()
        .sample(job, run)
        .then(
          (answer) => {
            if (!overtaken) setSampled(answer)
          },
          () => undefined,
        )
    }, PAUSE_MS)
    return () => {
      overtaken = true
      clearTimeout(timer)
    }
  }, [compute, job, run])
  return sampled
}
