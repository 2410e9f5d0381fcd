'use client'

import { useEffect, useRef } from 'react'
import { type Remote, transfer, wrap } from 'comlink'
import type { Compute } from '@/workers/compute.worker'

interface Shared {
  readonly workers: Worker[]
  readonly remote: Remote<Compute>
}

/** one worker for all that a job page has computed beside it, for as long as anything on the page asks */
let shared: Shared | null = null
let users = 0

const begin = (): Worker => new Worker(new URL('../workers/compute.worker.ts', import.meta.url), { type: 'module' })

function begun(): Shared {
  if (!shared) {
    const worker = begin()
    shared = { workers: [worker], remote: wrap<Compute>(worker) }
  }
  return shared
}

/** A second worker for what takes seconds, where there is a second core; begun once, with the first such question. */
function helped({ workers, remote }: Shared): void {
  if (workers.length > 1 || navigator.hardwareConcurrency < 2) return
  const helper = begin()
  workers.push(helper)
  const { port1, port2 } = new MessageChannel()
  void wrap<Compute>(helper).help(transfer(port1, [port1]))
  void remote.helpedBy(transfer(port2, [port2]))
}

/** @param heavy it takes seconds: a second worker helps */
function asked(heavy = false): Remote<Compute> {
  const found = begun()
  if (heavy) helped(found)
  return found.remote
}

/** @returns the page's worker, begun with the first question */
export function useCompute(): (heavy?: boolean) => Remote<Compute> {
  useEffect(() => {
    users++
    return () => {
      if (--users > 0) return
      for (const worker of shared?.workers ?? []) worker.terminate()
      shared = null
    }
  }, [])
  return useRef(asked).current
}
