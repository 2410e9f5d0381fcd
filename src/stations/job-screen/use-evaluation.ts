'use client'

import { useEffect, useMemo, useState } from 'react'
import type { Job } from '@/core/job'
import type { Findings } from '@/core/margins'
import { persistently } from '@/ui/persistently'
import type * as Judge from './judge'

/** the core, once it is here: a page is drawn, and can be used, before it is */
let core: typeof Judge | null = null
const fetchCore = (): Promise<typeof Judge> => persistently(() => import('./judge'))

export interface Evaluated extends Judge.Judged {
  /** the core has not come yet: what is told may be of the job as it was opened, and has no workings */
  readonly waits: boolean
}

/**
 * What a job comes to. The server's word stands until the core, which comes behind the page, tells the same; what is
 * changed before that is told as soon as it is there.
 * @param first what the server made of the job as it was opened
 */
export function useEvaluation(job: Job, findings: Findings | null, moving: boolean, first: Judge.Judged): Evaluated {
  const [judge, setJudge] = useState<typeof Judge | null>(core)
  useEffect(() => {
    let gone = false
    void fetchCore().then((it) => {
      core = it
      if (!gone) setJudge(it)
    })
    return () => {
      gone = true
    }
  }, [])
  const evaluation = useMemo(
    () => judge?.evaluate(job, findings, { quickly: moving }) ?? first.evaluation,
    [judge, job, findings, moving, first],
  )
  const filled = useMemo(() => judge?.filledOf(job) ?? first.filled, [judge, job, first])
  return useMemo(() => ({ evaluation, filled, waits: judge === null }), [evaluation, filled, judge])
}
