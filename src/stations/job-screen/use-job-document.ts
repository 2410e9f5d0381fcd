'use client'

import { useCallback, useEffect, useMemo, useRef, useState } from 'react'
import { createStore } from 'zustand/vanilla'
import { temporal } from 'zundo'
import { changeInWords, differences, type Job } from '@/core/job'
import type { Findings } from '@/core/margins'
import { withoutStaleSignature } from '@/core/plan'
import { newerThan, noteLast } from './last-known'
import { fetchReader, refusalOf } from './reader'
import { Saver, type PendingSave, type SaveAnswer, type SaverState } from './saver'
import {
  dropAside,
  isBehind,
  keptAside,
  type KeptAside,
  newKey,
  noteAcknowledged,
  openWaitingRoom,
} from './waiting-room'
import { calendarDay } from '@/core/units'
import { say } from '@/core/words'

export interface Opened {
  readonly id: string
  readonly revision: number
  readonly savedAt: string
  readonly job: Job
  /** what its runs came to, where they are kept */ readonly findings?: Findings | null
}

/** A signed job that somebody is about to change. */
export interface Reopening {
  readonly by: string
  /** day of the signature, 2026-01-31 */
  readonly on: string
  /** opens the job again with the change that was made, or leaves it signed as it is */
  readonly answer: (reopen: boolean) => void
}

export interface JobDocument {
  /** what is shown: the settled job, or a preview while something is typed or dragged */
  readonly job: Job
  readonly state: SaverState
  /** one settled change: a field left, Enter, the end of a drag, a tick */
  readonly settle: (change: (job: Job) => Job) => void
  /** what would be if the change were settled; null ends it */
  readonly preview: (change: ((job: Job) => Job) | null) => void
  /** a change that would take the signature off, waiting for a word; null: none does */
  readonly reopening: Reopening | null
  /** why the last change was not taken, in words; null once one is */
  readonly notTaken: string | null
  /** waiting changes that cannot be read any more */
  readonly aside: readonly KeptAside[]
  readonly dropAside: (one: KeptAside) => void
  /** a preview is shown */
  readonly moving: boolean
  /** ends a conflict with the version that is to stand */
  readonly resolve: (chosen: Job) => void
  /**
   * steps back or forward through what was settled here; each step is a revision of its own.
   * @returns what it changed, in words
   */
  readonly undo: () => string | null
  readonly redo: () => string | null
  readonly steps: { readonly back: number; readonly forward: number }
  /** takes up what the server has made of the job, for instance a signature */
  readonly takeUp: (opened: Opened) => void
  readonly revision: () => number
}

const STEPS_KEPT = 200

/** What was settled in this window, to step back and forward through. */
const historyOf = (job: Job) =>
  createStore<{ job: Job }>()(temporal(() => ({ job }), { limit: STEPS_KEPT, equality: (a, b) => a.job === b.job }))

/** The job as one immutable document that saves itself. */
export function useJobDocument(
  opened: Opened,
  send: (id: string, save: PendingSave) => Promise<SaveAnswer>,
): JobDocument {
  const [settled, setSettled] = useState(opened.job)
  const [shown, setShown] = useState<Job | null>(null)
  const [state, setState] = useState<SaverState>({ kind: 'saved', at: opened.savedAt })
  const [notTaken, setNotTaken] = useState<string | null>(null)
  const [aside, setAside] = useState<readonly KeptAside[]>([])
  const [base, setBase] = useState(opened)
  const [asked, setAsked] = useState<Job | null>(null)
  const newest = useRef(opened.job)
  const saver = useRef<Saver | null>(null)
  const early = useRef<Job | null>(null)
  const [history] = useState(() => historyOf(opened.job))
  const [steps, setSteps] = useState({ back: 0, forward: 0 })
  const countSteps = useCallback(() => {
    const { pastStates, futureStates } = history.temporal.getState()
    setSteps({ back: pastStates.length, forward: futureStates.length })
  }, [history])
  /** begins the history anew: what another window did is not undone from here */
  const beginHistory = useCallback(
    (job: Job) => {
      history.setState({ job })
      history.temporal.getState().clear()
      countSteps()
    },
    [history, countSteps],
  )

  const takeUp = useCallback(
    (next: Opened) => {
      newest.current = next.job
      setSettled(next.job)
      setState({ kind: 'saved', at: next.savedAt })
      setBase(next)
      noteLast({ id: next.id, revision: next.revision, savedAt: next.savedAt, job: next.job })
      beginHistory(next.job)
    },
    [beginHistory],
  )

  useEffect(() => {
    let ended = false
    let made: Saver | null = null
    const idle = window.requestIdleCallback ?? ((then: () => void) => window.setTimeout(then, 200))
    idle(() => void fetchReader())
    void Promise.all([openWaitingRoom(base.id), newerThan(base.id, base.revision)]).then(([room, newer]) => {
      if (ended) return
      // what was settled on the older page meanwhile goes out from that one: the server tells that two versions met
      if (newer && !early.current) {
        takeUp(newer)
        return
      }
      if (isBehind(base.id, base.revision)) {
        window.location.reload()
        return
      }
      made = new Saver({
        revision: base.revision,
        savedAt: base.savedAt,
        room,
        newKey,
        retryMs: 1500,
        onState: (next) => {
          // both windows did the same: nobody has to choose
          if (next.kind === 'stale' && differences(next.mine, next.theirs.job).length === 0)
            queueMicrotask(() => made?.resolve(next.theirs.job))
          else {
            if (next.kind === 'saved' && made) {
              noteAcknowledged(base.id, made.revision)
              const [revision, savedAt] = [made.revision, next.at]
              // once whoever asked for it has taken up what stands
              queueMicrotask(() => noteLast({ id: base.id, revision, savedAt, job: newest.current }))
            }
            setState(next)
          }
        },
        send: (save) => send(base.id, save),
      })
      saver.current = made
      setAside(keptAside(base.id))
      const unsaved = made.unsaved
      if (unsaved && !early.current) {
        newest.current = unsaved
        setSettled(unsaved)
        beginHistory(unsaved)
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
  }, [base, send, beginHistory, takeUp])

  const stand = useCallback((after: Job) => {
    newest.current = after
    setSettled(after)
    if (saver.current) saver.current.settle(after)
    else {
      early.current = after
      setState({ kind: 'saving' })
    }
  }, [])
  /** what a save would refuse is refused here, before it stands */
  const take = useCallback(
    (after: Job) => {
      const wrong = refusalOf(after)
      setNotTaken(wrong)
      if (wrong) return
      history.setState({ job: after })
      countSteps()
      stand(after)
    },
    [history, countSteps, stand],
  )
  const settle = useCallback(
    (change: (job: Job) => Job) => {
      const before = newest.current
      const after = withoutStaleSignature(before, change(before))
      setShown(null)
      if (after === before) return
      // a slip does not take a signature off: somebody says so first
      if (before.signature && !after.signature) {
        setAsked(after)
        return
      }
      take(after)
    },
    [take],
  )
  const reopening = useMemo(
    () =>
      asked && newest.current.signature
        ? {
            by: newest.current.signature.by,
            on: calendarDay(newest.current.signature.at),
            answer: (reopen: boolean) => {
              setAsked(null)
              if (reopen) take(asked)
            },
          }
        : null,
    [asked, take],
  )
  const step = useCallback(
    (way: 'undo' | 'redo'): string | null => {
      const { pastStates, futureStates, undo, redo } = history.temporal.getState()
      if (!(way === 'undo' ? pastStates : futureStates).length) return null
      const before = newest.current
      if (way === 'undo') undo()
      else redo()
      countSteps()
      // what was settled here before had the signature it has: a step back brings it back with its very state
      const after = history.getState().job
      setShown(null)
      stand(after)
      const [first, ...more] = differences(before, after)
      return first ? `${changeInWords(first)}${more.length ? say`, and ${more.length} more` : ''}` : null
    },
    [history, countSteps, stand],
  )
  const preview = useCallback(
    (change: ((job: Job) => Job) | null) => setShown(change ? change(newest.current) : null),
    [],
  )
  const resolve = useCallback(
    (chosen: Job) => {
      const wrong = refusalOf(chosen)
      setNotTaken(wrong)
      if (wrong) return
      const job = saver.current!.resolve(chosen)
      newest.current = job
      setSettled(job)
      beginHistory(job)
    },
    [beginHistory],
  )
  const undo = useCallback(() => step('undo'), [step])
  const redo = useCallback(() => step('redo'), [step])
  const drop = useCallback(
    (one: KeptAside) => {
      dropAside(one)
      setAside(keptAside(base.id))
    },
    [base.id],
  )
  return {
    notTaken,
    reopening,
    aside,
    dropAside: drop,
    job: shown ?? settled,
    moving: shown !== null,
    state,
    settle,
    preview,
    resolve,
    undo,
    redo,
    steps,
    takeUp,
    revision: useCallback(() => saver.current?.revision ?? base.revision, [base]),
  }
}
