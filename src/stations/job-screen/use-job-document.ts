'use client'

import { useCallback, useEffect, useRef, useState } from 'react'
import type { Job } from '@/core/job'
import { withoutStaleSignature } from '@/core/plan'
import { Saver, type PendingSave, type SaveAnswer, type SaverState } from './saver'
import { openWaitingRoom } from './waiting-room'

export interface Opened { readonly id: string; readonly revision: number; readonly savedAt: string; readonly job: Job }

export interface JobDocument {
  /** what is shown: the settled job, or a preview while something is typed or dragged */
  readonly job: Job
  readonly state: SaverState
  /** one settled change: a field left, Enter, the end of a drag, a tick */
  readonly settle: (change: (job: Job) => Job) => void
  /** what would be if the change were settled; null ends it */
  readonly preview: (change: ((job: Job) => Job) | null) => void
  readonly resolve: (choice: 'mine' | 'theirs') => void
  /** takes up what the server has made of the job, for instance a signature */
  readonly takeUp: (opened: Opened) => void
  readonly revision: () => number
}

/** The job as one immutable document that saves itself. */
export function useJobDocument(opened: Opened, send: (id: string, save: PendingSave) => Promise<SaveAnswer>): JobDocument {
  const [settled, setSettled] = useState(opened.job)
  const [shown, setShown] = useState<Job | null>(null)
  const [state, setState] = useState<SaverState>({ kind: 'saved', at: opened.savedAt })
  const [base, setBase] = useState(opened)
  const newest = useRef(opened.job)
  const saver = useRef<Saver | null>(null)
  const early = useRef<Job | null>(null)

  useEffect(() => {
    let ended = false
    let made: Saver | null = null
    void openWaitingRoom(base.id).then((room) => {
      if (ended) return
      made = new Saver({
        revision: base.revision, savedAt: base.savedAt, room, newKey: () => crypto.randomUUID(), retryMs: 1500, onState: setState,
        send: (save) => send(base.id, save),
      })
      saver.current = made
      const unsaved = made.unsaved
      if (unsaved && !early.current) {
        newest.current = unsaved
        setSettled(unsaved)
      }
      made.start()
      if (early.current) made.settle(early.current)
      early.current = null
    })
    return () => {
      ended = true
      made?.stop()
      saver.current = null
    }
  }, [base, send])

  const settle = useCallback((change: (job: Job) => Job) => {
    const before = newest.current
    const after = withoutStaleSignature(before, change(before))
    setShown(null)
    if (after === before) return
    newest.current = after
    setSettled(after)
    if (saver.current) saver.current.settle(after)
    else early.current = after
  }, [])
  const preview = useCallback((change: ((job: Job) => Job) | null) => setShown(change ? change(newest.current) : null), [])
  const resolve = useCallback((choice: 'mine' | 'theirs') => {
    const job = saver.current!.resolve(choice)
    newest.current = job
    setSettled(job)
  }, [])
  const takeUp = useCallback((next: Opened) => {
    newest.current = next.job
    setSettled(next.job)
    setState({ kind: 'saved', at: next.savedAt })
    setBase(next)
  }, [])
  return { job: shown ?? settled, state, settle, preview, resolve, takeUp, revision: useCallback(() => saver.current?.revision ?? base.revision, [base]) }
}
