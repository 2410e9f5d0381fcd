'use client'

import { useEffect, useMemo, useRef, useState } from 'react'
import type { Job } from '@/core/job'
import { type Evaluation, type Findings, type SampledMargin, softly, withSample } from '@/core/margins'
import { useCompute } from '../use-compute'

const PAUSE_MS = 120

interface Answer {
  readonly job: Job
  readonly findings: Findings | null
  readonly sampled: readonly SampledMargin[]
}

/**
 * An evaluation with its chances, and what to measure next, from the worker. Until it has answered for this very job
 * the whiskers of before move with the figures.
 */
export function useJudged(job: Job, findings: Findings | null, evaluation: Evaluation): Evaluation {
  const compute = useCompute()
  const [answer, setAnswer] = useState<Answer | null>(null)
  const last = useRef<Evaluation | null>(null)
  useEffect(() => {
    let overtaken = false
    const timer = setTimeout(() => {
      // a worker that does not come leaves the margins as they are, without their chances
      void compute()
        .sample(job, findings)
        .then(
          (sampled) => {
            if (!overtaken) setAnswer({ job, findings, sampled })
          },
          () => undefined,
        )
    }, PAUSE_MS)
    return () => {
      overtaken = true
      clearTimeout(timer)
    }
  }, [compute, job, findings])
  return useMemo(() => {
    if (answer?.job === job && answer.findings === findings) {
      const judged = withSample(evaluation, answer.sampled)
      last.current = judged
      return judged
    }
    return last.current ? softly(evaluation, last.current) : evaluation
  }, [answer, job, findings, evaluation])
}
