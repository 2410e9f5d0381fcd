'use client'

import { useRef, type KeyboardEvent } from 'react'
import { useDrag } from '@use-gesture/react'
import type { Job } from '@/core/job'
import { slideCollar } from '@/core/run'
import { say, spokenWord } from '@/core/words'

interface Slidable {
  readonly lowestC: number
  readonly highestC: number
  readonly stepK: number
  readonly movable: boolean
}

/** Where each key slides a collar to, °C: a step, five steps, or an end of what the controller can be set to. */
const collarKeys = (at: number, { lowestC, highestC, stepK }: Slidable): Readonly<Record<string, number>> => ({
  ArrowUp: at + stepK,
  ArrowRight: at + stepK,
  ArrowDown: at - stepK,
  ArrowLeft: at - stepK,
  PageUp: at + 5 * stepK,
  PageDown: at - 5 * stepK,
  Home: lowestC,
  End: highestC,
})

interface Asked {
  readonly collar: 'on' | 'off'
  /** where it stands, °C */
  readonly at: number
  readonly probe: Slidable
  /** in words, for whoever hears it */
  readonly says: string
  readonly kelvinPerPixel: () => number
  readonly onPreview: (change: (job: Job) => Job) => void
  readonly onSettle: (change: (job: Job) => Job) => void
}

/** A collar as a slider: dragged by the pointer, moved by the keys. @returns what its group in the drawing takes */
export function useCollar({ collar, at, probe, says, kelvinPerPixel, onPreview, onSettle }: Asked) {
  const { lowestC, highestC, movable } = probe
  const from = useRef(at)
  const bind = useDrag(
    ({ first, last, movement: [, dy] }) => {
      if (first) from.current = at
      const to = from.current - dy * kelvinPerPixel()
      const change = (job: Job): Job => slideCollar(job, collar, to)
      if (last) onSettle(change)
      else onPreview(change)
    },
    { enabled: movable, pointer: { keys: false }, filterTaps: true },
  )
  const keys = collarKeys(at, probe)
  return {
    ...bind(),
    className: 'collar',
    role: 'slider',
    tabIndex: movable ? 0 : -1,
    'aria-orientation': 'vertical',
    'aria-label': say`${spokenWord(collar)} collar`,
    'aria-valuemin': lowestC,
    'aria-valuemax': highestC,
    'aria-valuenow': at,
    'aria-valuetext': says,
    'aria-disabled': !movable,
    style: { cursor: movable ? 'ns-resize' : 'default', touchAction: 'none' },
    onKeyDown: (e: KeyboardEvent) => {
      const to = keys[e.key]
      if (to === undefined || !movable) return
      e.preventDefault()
      onSettle((job) => slideCollar(job, collar, to))
    },
  } as const
}
