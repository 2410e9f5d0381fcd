'use client'

import { proxy } from 'comlink'
import { useEffect, useRef, useState } from 'react'
import { type Found, type Table } from '@/core/diagnose'
import type { Job } from '@/core/job'
import { runKey } from '@/core/run'
import { useCompute } from '../use-compute'
import { say } from '@/core/words'

export interface SearchTable {
  readonly table: Table | null
  /** share of the working out that is done */
  readonly share: number
  readonly message: string | null
}

const BROKEN = say`What may be wrong could not be worked out: look again at the circuit, in Wire.`

/** The table of causes and moves of a job, worked out in the page's worker whenever its circuit or machine changes. */
export function useTable(job: Job): SearchTable {
  const compute = useCompute()
  const [state, setState] = useState<SearchTable>({ table: null, share: 0, message: null })
  const now = useRef(job)
  now.current = job
  // searching notes into the job; what is worked out does not hang on that
  const key = runKey(job)
  useEffect(() => {
    let over = false
    const told = (more: Partial<SearchTable>): void => {
      if (!over) setState((s) => ({ ...s, ...more }))
    }
    void compute()
      .seek(
        now.current,
        proxy((share: number) => told({ share })),
      )
      .then(
        (table) => table && told({ table, message: null }),
        () => told({ table: null, message: BROKEN }),
      )
    return () => {
      over = true
    }
  }, [compute, key])
  return state
}

/**
 * The same with pairs of causes, where no single one makes all that was found.
 * @param wanted whether that is so
 */
export function usePairs(job: Job, table: Table | null, found: readonly Found[], wanted: boolean): Table | null {
  const compute = useCompute()
  const [made, setMade] = useState<{ readonly of: string; readonly table: Table } | null>(null)
  const of = JSON.stringify(found)
  const now = useRef({ job, found })
  now.current = { job, found }
  useEffect(() => {
    if (!wanted || !table) return undefined
    let over = false
    void compute()
      .pairs(
        now.current.job,
        table,
        now.current.found,
        proxy(() => undefined),
      )
      .then(
        (more) => {
          if (more && !over) setMade({ of, table: more })
        },
        () => undefined,
      )
    return () => {
      over = true
    }
  }, [compute, table, of, wanted])
  return made && made.of === of ? made.table : null
}
