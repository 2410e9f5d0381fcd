'use client'

import { useEffect, useRef, useState } from 'react'
import { type Remote, wrap } from 'comlink'
import type { CircuitGraph, LaidOut } from '@/core/drawing'
import { useNarrow } from '@/ui/use-narrow'
import type { Layouts } from '@/workers/layout.worker'
import { languageSpoken } from '@/core/words'

/** layouts of this visit by their graph: what was laid out once is there at once */
const known = new Map<string, LaidOut | 'failed'>()

/**
 * A circuit's parts laid out in a worker; null until the first layout of this graph has come. States and readings
 * change no layout: only another way of wiring does.
 */
export function useLayout(
  graph: CircuitGraph,
  figures: boolean,
): { readonly laid: LaidOut | 'failed' | null; readonly narrow: boolean } {
  const worker = useRef<Worker | null>(null)
  const remote = useRef<Remote<Layouts> | null>(null)
  const [, setCount] = useState(0)
  const narrow = useNarrow()
  const text = JSON.stringify(graph)
  const key = `${narrow ? 'narrow' : 'wide'} ${figures ? 'figures ' : ''}${text}`
  useEffect(
    () => () => {
      worker.current?.terminate()
      worker.current = null
    },
    [],
  )
  useEffect(() => {
    if (known.has(key)) return
    if (!worker.current) {
      worker.current = new Worker(new URL('../../workers/layout.worker.ts', import.meta.url), {
        type: 'module',
        name: languageSpoken()?.address ?? '',
      })
      remote.current = wrap<Layouts>(worker.current)
    }
    void remote.current!.layOut(JSON.parse(text) as CircuitGraph, narrow, figures).then((laid) => {
      known.set(key, laid ?? 'failed')
      setCount((n) => n + 1)
    })
  }, [key, text, narrow, figures])
  return { laid: known.get(key) ?? null, narrow }
}
