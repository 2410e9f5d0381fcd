'use client'

import { useEffect, useRef } from 'react'
import { type Remote, wrap } from 'comlink'
import type { Compute } from '@/workers/compute.worker'
import { languageSpoken } from '@/core/words'

/** one worker for all that a job page has computed beside it, for as long as anything on the page asks */
let shared: { readonly worker: Worker; readonly remote: Remote<Compute> } | null = null
let users = 0

function begun(): Remote<Compute> {
  if (!shared) {
    const worker = new Worker(new URL('../workers/compute.worker.ts', import.meta.url), {
      type: 'module',
      name: languageSpoken()?.address ?? '',
    })
    shared = { worker, remote: wrap<Compute>(worker) }
  }
  return shared.remote
}

/** @returns the page's worker, begun with the first question */
export function useCompute(): () => Remote<Compute> {
  useEffect(() => {
    users++
    return () => {
      if (--users > 0) return
      shared?.worker.terminate()
      shared = null
    }
  }, [])
  return useRef(begun).current
}
