'use client'

import { useCallback, useEffect, useMemo, useRef, useState } from 'react'
import { proxy } from 'comlink'
import type { Job } from '@/core/job'
import { afterwards, type Findings, ranOf } from '@/core/margins'
import { type ChartedRuns, type Circumstances, runKey, runWaitsFor, type StopsIn, usualCircumstances } from '@/core/run'
import type { RunNews, RunQuestion } from '@/workers/compute.worker'
import { useCompute } from '../use-compute'

/** how long nothing must change before the spreads are run through as well */
const QUIET_MS = 900

/** What the stations know of the runs of a job. */
export interface RunState {
  /** the runs to draw; null until the first have come, or where none can be made */
  readonly runs: ChartedRuns | null
  readonly findings: Findings | null
  /** off points at which the fan stops some minutes after switch-off */
  readonly stops: readonly StopsIn[]
  /** a run can be made, and its spreads have not been run through yet for this state of the job */
  readonly pending: boolean
  /** share of the spreads that has been run through; null when nothing is under way */
  readonly progress: number | null
  /** why there is no run */
  readonly message: string | null
  readonly circumstances: Circumstances
  readonly suppose: (change: Partial<Circumstances>) => void
}

interface Wanted {
  readonly job: Job
  /** which fan the chart is looked at from, 0 the first */
  readonly fan: number
  /** something is being typed or dragged */
  readonly moving: boolean
  readonly charts: boolean
  /** findings that were kept with the job */
  readonly kept: Findings | null
  readonly now: () => Date
  readonly onSettled: (findings: Findings) => void
}

/**
 * Runs a job through its day in a worker: at once for every change, so that chart and margins follow what is dragged;
 * with the spreads of its readings once nothing has changed for a while.
 */
export function useRun({ job, fan, moving, charts, kept, now, onSettled }: Wanted): RunState {
  const compute = useCompute()
  const ticket = useRef(0)
  const settled = useRef<Findings | null>(kept)
  const [circumstances, setCircumstances] = useState<Circumstances>(usualCircumstances)
  const [answer, setAnswer] = useState<{
    readonly runs: ChartedRuns | null
    readonly findings: Findings | null
    readonly stops: readonly StopsIn[]
    readonly message: string | null
  }>({ runs: null, findings: kept, stops: [], message: null })
  const [progress, setProgress] = useState<number | null>(null)
  const tell = useRef(onSettled)
  tell.current = onSettled

  const take = useCallback((news: RunNews, isNewest: boolean) => {
    if ('message' in news) {
      setAnswer({ runs: null, findings: null, stops: [], message: news.message })
      setProgress(null)
    } else if ('share' in news) setProgress(isNewest ? news.share : null)
    else if ('settled' in news) {
      settled.current = news.findings
      setProgress(null)
      setAnswer((a) =>
        a.findings === null || a.findings.key === news.findings.key || isNewest ? { ...a, findings: news.findings } : a,
      )
      tell.current(news.findings)
    } else
      setAnswer((a) => ({
        runs: news.runs ?? a.runs,
        stops: news.stops ?? a.stops,
        message: null,
        findings: afterwards(news.findings, settled.current),
      }))
  }, [])

  const waits = runWaitsFor(job)
  const known = useRef<Findings | null>(kept)
  known.current = answer.findings
  useEffect(() => {
    const ask = (settle: boolean, quick: boolean): void => {
      const mine = ++ticket.current
      const question: RunQuestion = {
        job,
        fan,
        at: now().toISOString(),
        circumstances: charts ? circumstances : null,
        quick,
        settle,
        evidence: known.current?.evidence ?? null,
      }
      void compute().run(
        question,
        proxy((news: RunNews) => take(news, mine === ticket.current)),
      )
    }
    const done = settled.current?.key === runKey(job)
    // first roughly, so that it follows; then in full
    if (waits === null && (!done || charts)) ask(false, true)
    if (moving || (done && !charts)) return undefined
    const timer = setTimeout(
      () => {
        if (!done || charts) ask(!done, false)
      },
      done ? 60 : QUIET_MS,
    )
    return () => clearTimeout(timer)
  }, [job, fan, moving, charts, circumstances, waits, now, compute, take])

  const suppose = useCallback((change: Partial<Circumstances>) => setCircumstances((c) => ({ ...c, ...change })), [])
  const pending =
    waits === null && answer.message === null && !(answer.findings?.settled && answer.findings.key === runKey(job))
  return useMemo(
    () =>
      waits === null
        ? { ...answer, pending, progress, circumstances, suppose }
        : {
            runs: null,
            findings: ranOf(answer.findings) ? null : answer.findings,
            stops: [],
            pending: false,
            progress: null,
            message: null,
            circumstances,
            suppose,
          },
    [answer, pending, progress, circumstances, suppose, waits],
  )
}
