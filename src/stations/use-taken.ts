'use client'

import { useState } from 'react'
import type { Job } from '@/core/job'
import type { StationProps } from './station'

/** A change that a job may have no more room for. */
export type MayBeFull = (job: Job) => Job | { readonly full: string }

/**
 * Settles changes that a job may have no room for, and says where it has none.
 * @returns why the last one was not taken, and a way to take one that says whether it was
 */
export function useTaken({ job, settle }: Pick<StationProps, 'job' | 'settle'>): {
  readonly full: string | null
  readonly take: (change: MayBeFull) => boolean
} {
  const [full, setFull] = useState<string | null>(null)
  const take = (change: MayBeFull): boolean => {
    const next = change(job)
    const why = 'full' in next ? next.full : null
    setFull(why)
    if (why !== null) return false
    settle((j) => {
      const then = change(j)
      return 'full' in then ? j : then
    })
    return true
  }
  return { full, take }
}
