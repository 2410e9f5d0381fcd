'use client'

import { useCallback, useEffect, useMemo, useRef, useState } from 'react'
import type { Job } from '@/core/job'
import { afterwards, type Findings } from '@/core/margins'
import { type ChartedRuns, type Circumstances, runKey, runWaitsFor, type StopsIn, usualCircumstances } from '@/core/run'
import type { RunAnswer, RunQuestion } from '@/workers/run.worker'

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
export function useRun({ job, moving, charts, kept, now, onSettled }: Wanted): RunState {
  const worker = useRef<Worker | null>(null)
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

  useEffect(() => {
    const made = new Worker(new URL('../../workers/run.worker.ts', import.meta.url), { type: 'module' })
    made.onmessage = ({ data }: MessageEvent<RunAnswer>) => {
      if ('message' in data) {
        setAnswer({ runs: null, findings: null, stops: [], message: data.message })
        setProgress(null)
      } else if ('done' in data) setProgress(data.ticket === ticket.current ? data.done / data.of : null)
      else if ('settled' in data) {
        settled.current = data.findings
        setProgress(null)
        setAnswer((a) => (a.findings?.key === data.findings.key ? { ...a, findings: data.findings } : a))
        tell.current(data.findings)
      } else
        setAnswer((a) => ({
          runs: data.runs ?? a.runs,
          stops: data.stops ?? a.stops,
          message: null,
          findings: afterwards(data.findings, settled.current),
        }))
    }
    worker.current = made
    return () => {
      made.terminate()
      worker.current = null
    }
  }, [])

  const waits = runWaitsFor(job)
  useEffect(() => {
    if (waits !== null) return undefined
    const ask = (settle: boolean, quick: boolean): void => {
      const question: RunQuestion = {
        ticket: ++ticket.current,
        job,
        at: now().toISOString(),
        circumstances: charts ? circumstances : null,
        quick,
        settle,
      }
      worker.current?.postMessage(question)
    }
    const done = settled.current?.key === runKey(job)
    // first roughly, so that it follows; then in full
    if (!done || charts) ask(false, true)
    if (moving || (done && !charts)) return undefined
    const timer = setTimeout(
      () => {
        if (!done || charts) ask(!done, false)
      },
      done ? 60 : QUIET_MS,
    )
    return () => clearTimeout(timer)
  }, [job, moving, charts, circumstances, waits, now])

  const suppose = useCallback((change: Partial<Circumstances>) => setCircumstances((c) => ({ ...c, ...change })), [])
  const pending =
    waits === null && answer.message === null && !(answer.findings?.settled && answer.findings.key === runKey(job))
  return useMemo(
    () =>
      waits === null
        ? { ...answer, pending, progress, circumstances, suppose }
        : {
            runs: null,
            findings: null,
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
