'use client'

import { useEffect, useRef, useState, useTransition } from 'react'
import { proxy } from 'comlink'
import { useRouter } from 'next/navigation'
import type { Job } from '@/core/job'
import type { Findings } from '@/core/margins'
import { useCompute } from '@/stations/use-compute'
import type { RunNews } from '@/workers/compute.worker'
import { keepRun } from './server-calls'
import { say } from '@/core/words'

interface Props {
  readonly id: string
  readonly job: Job
  /** when, ISO */
  readonly at: string
}

type State = { readonly share: number } | { readonly trouble: string } | { readonly kept: true }

const CHANGED = say`It could not be kept, or the job has changed meanwhile: load this page again.`

/**
 * Makes the run that a sheet waits for, keeps it and has the sheet told anew; until then the sheet says rule of thumb,
 * and so does this.
 */
export function RunFirst({ id, job, at }: Props) {
  const compute = useCompute()
  const router = useRouter()
  const [, tellAnew] = useTransition()
  const [state, setState] = useState<State>({ share: 0 })
  // of the job as it was opened: where what is kept is of another state of it, asking again would not help
  const asked = useRef({ job, at })
  useEffect(() => {
    const keep = async (findings: Findings): Promise<void> => {
      await keepRun(id, findings)
      // both come to the screen together
      tellAnew(() => {
        router.refresh()
        setState({ kept: true })
      })
    }
    const take = (news: RunNews): void => {
      if ('message' in news) setState({ trouble: news.message })
      else if ('share' in news) setState({ share: news.share })
      else if ('settled' in news) void keep(news.findings)
    }
    const question = { ...asked.current, fan: 0, circumstances: null, quick: false, settle: true, evidence: null }
    void compute().run(question, proxy(take))
  }, [id, compute, router])
  if ('trouble' in state || 'kept' in state)
    return (
      <p className="say no-print" role="status">
        {'trouble' in state ? state.trouble : CHANGED}
      </p>
    )
  return (
    <p className="say no-print" role="status">
      {say`The day is being run: until it has been, margins that hang on it are rules of thumb.`}{' '}
      <progress value={'share' in state ? state.share : 1} max={1} aria-label={say`run of the day`} />
    </p>
  )
}
