'use client'

import { useCallback, useRef, useState } from 'react'
import { proxy } from 'comlink'
import { firstCircuit, inNumber } from '@/core/fan-circuit'
import type { Job } from '@/core/job'
import type { FanPart } from '@/core/parts'
import type { Placement } from '@/core/placing'
import type { Placing } from '@/workers/placement.worker'
import { useTask } from '../use-task'
import { languageSpoken, say } from '@/core/words'

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
  const { ask, stop, busy } = useTask<Placing>(
    () =>
      new Worker(new URL('../../workers/placement.worker.ts', import.meta.url), {
        type: 'module',
        name: languageSpoken()?.address ?? '',
      }),
  )
  const [found, setFound] = useState<readonly Placement[] | null>(null)
  const [progress, setProgress] = useState({ done: 0, of: 0 })
  const [message, setMessage] = useState<string | null>(null)
  const latest = useRef({ job, fans })
  latest.current = { job, fans }
  const search = useCallback(() => {
    setMessage(null)
    setProgress({ done: 0, of: 0 })
    const tell = proxy((done: number, of: number) => setProgress({ done, of }))
    const { job: seen, fans: parts } = latest.current
    const fan = firstCircuit(seen).number - 1
    void ask((placing) => placing.search(inNumber(seen), fan, parts, tell)).then(
      (answer) => {
        if (answer) setFound(answer)
      },
      () => setMessage(say`The search broke off. Search again.`),
    )
  }, [ask])
  const cancel = useCallback(() => {
    stop()
    setMessage(say`The search was stopped.`)
  }, [stop])
  return { found, running: busy ? progress : null, message, search, cancel }
}
