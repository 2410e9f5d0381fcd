'use client'

import { useEffect, useRef, useState } from 'react'
import { useGesture } from '@use-gesture/react'
import type { Drawing } from '@/core/drawing'
import { type KeySteps, keyStepsIn, wayOf } from './key-steps'
import { useWider } from './use-wider'
import { say } from '@/core/words'
import { One, keyOf, grouped } from './DrawnShapes'

/** Something in a drawing that can be moved, by the handle that its shapes carry. */
export interface Movable {
  readonly name: string
}
/** A move so far, in the drawing's millimetres. `free`: snapping is released. */
export type Moved = (
  handle: string,
  dxMm: number,
  dyMm: number,
  state: { readonly first: boolean; readonly last: boolean; readonly free: boolean },
) => void

interface Props {
  readonly drawing: Drawing
  readonly movable?: Readonly<Record<string, Movable>>
  readonly onMove?: Moved
  /** how far an arrow key moves what is movable, without and with Shift, mm */
  readonly keySteps?: KeySteps
  /** what can be chosen by a click, Enter or space, by the same handles */
  readonly pickable?: Readonly<Record<string, Movable>>
  readonly picked?: string | null
  readonly onPick?: (handle: string) => void
  readonly maxHeight?: number
  /** pixels that a millimetre has at least, so that words stay large enough: what is wider is scrolled */
  readonly leastScale?: number
}

interface Frame {
  readonly x: number
  readonly y: number
  readonly w: number
  readonly h: number
}

const MOST_ZOOM = 12
const none: Readonly<Record<string, Movable>> = {}

/** a drawing whose words must stay readable is shown at most so many times as large as it must be */
const LARGEST = 1.4

/** As wide as there is room, and as high as may be; where words must stay readable, as wide as they need. */
const sizeOf = (
  whole: Frame,
  maxHeight: number,
  leastScale: number | undefined,
  fitted: boolean,
): React.CSSProperties =>
  leastScale === undefined
    ? { maxHeight }
    : {
        maxHeight: 'none',
        width: fitted ? '100%' : `clamp(${whole.w * leastScale}px, 100%, ${whole.w * leastScale * LARGEST}px)`,
        touchAction: 'pan-x pan-y',
      }

/**
 * A drawing to scale: what may be moved is dragged, or moved by arrow keys; wheel with Ctrl, two fingers or the keys +
 * − 0 zoom.
 */
export function DrawingView({
  drawing,
  movable = none,
  onMove,
  keySteps = keyStepsIn.metric,
  pickable = none,
  picked = null,
  onPick,
  maxHeight = 430,
  leastScale,
}: Props) {
  const svg = useRef<SVGSVGElement>(null)
  // null: all of it
  const [view, setView] = useState<Frame | null>(null)
  // while something is dragged the frame stands still under the pointer
  const [held, setHeld] = useState<Frame | null>(null)
  // all of it although its words are small then
  const [fitted, setFitted] = useState(false)
  const whole: Frame = { x: drawing.x, y: drawing.y, w: drawing.w, h: drawing.h }
  const { place, wider } = useWider(leastScale === undefined ? null : whole.w * leastScale)
  const frame = held ?? view ?? whole
  const perPixel = (): number => 1 / (svg.current?.getScreenCTM()?.a ?? 1)
  const zoom = (by: number, at?: readonly [number, number]): void =>
    setView((now) => {
      const f = now ?? whole
      const w = Math.min(whole.w, Math.max(whole.w / MOST_ZOOM, f.w / by))
      if (w >= whole.w * 0.999) return null
      const share = w / f.w
      const [cx, cy] = at ?? [f.x + f.w / 2, f.y + f.h / 2]
      return { x: cx - (cx - f.x) * share, y: cy - (cy - f.y) * share, w, h: f.h * share }
    })
  const pointAt = (x: number, y: number): readonly [number, number] => {
    const m = svg.current?.getScreenCTM()
    if (!m) return [frame.x, frame.y]
    const p = new DOMPoint(x, y).matrixTransform(m.inverse())
    return [p.x, p.y]
  }
  useGesture(
    {
      onDrag: ({
        first,
        last,
        xy: [x, y],
        initial: [x0, y0],
        delta: [dx, dy],
        event,
        memo,
        altKey,
        pinching,
        cancel,
        tap,
      }) => {
        if (pinching) {
          cancel()
          return memo as unknown
        }
        const start = (memo as { handle: string | null; scale: number } | undefined) ?? {
          handle: (event.target as Element).closest('[data-movable]')?.getAttribute('data-movable') ?? null,
          scale: perPixel(),
        }
        if (start.handle && onMove) {
          if (first) setHeld(view ?? whole)
          if (last) setHeld(null)
          // from where it was taken hold of: what told it from a tap counts too
          if (!tap) onMove(start.handle, (x - x0) * start.scale, (y - y0) * start.scale, { first, last, free: altKey })
        } else if (view) setView({ ...view, x: view.x - dx * start.scale, y: view.y - dy * start.scale })
        return start
      },
      onPinch: ({ movement: [m], memo, origin, first }) => {
        const before = first || memo === undefined ? 1 : (memo as number)
        zoom(m / before, pointAt(...origin))
        return m
      },
      onWheel: ({ event, delta: [, dy] }) => {
        if (!event.ctrlKey && !event.metaKey) return
        event.preventDefault()
        zoom(dy < 0 ? 1.2 : 1 / 1.2, pointAt(event.clientX, event.clientY))
      },
    },
    {
      target: svg,
      eventOptions: { passive: false },
      drag: { filterTaps: true, pointer: { keys: false } },
      wheel: { preventDefault: false },
    },
  )
  // a finger on something movable moves it; anywhere else it scrolls the page
  useEffect(() => {
    const own = svg.current
    const hold = (e: TouchEvent): void => {
      if (e.touches.length === 1 && e.cancelable && (e.target as Element).closest('[data-movable]')) e.preventDefault()
    }
    own?.addEventListener('touchstart', hold, { passive: false })
    return () => own?.removeEventListener('touchstart', hold)
  }, [])
  const all = { ...movable, ...pickable }
  const named = Object.keys(all).length > 0
  const seen = new Set<string>()
  return (
    <figure className="drawing">
      <div ref={place} className={leastScale === undefined ? undefined : 'drawing-pan'}>
        <svg
          ref={svg}
          className="to-scale"
          viewBox={`${frame.x} ${frame.y} ${frame.w} ${frame.h}`}
          width="100%"
          style={{ aspectRatio: `${whole.w} / ${whole.h}`, ...sizeOf(whole, maxHeight, leastScale, fitted) }}
          role={named ? 'group' : 'img'}
          aria-label={drawing.says}
          onKeyDown={(e) => {
            if (e.key === '+' || e.key === '=') zoom(1.4)
            else if (e.key === '-') zoom(1 / 1.4)
            else if (e.key === '0') {
              e.stopPropagation()
              setView(null)
            }
          }}
        >
          {grouped(drawing.shapes, all).map(({ handle, shapes }, i) => {
            const inside = shapes.map((s, k) => <One key={keyOf(s, k)} shape={s} />)
            if (handle === null) return <g key={i}>{inside}</g>
            const firstOfIt = !seen.has(handle)
            seen.add(handle)
            if (pickable[handle]) {
              const pick = (): void => onPick?.(handle)
              return (
                <g
                  key={i}
                  className={`pickable${picked === handle ? ' picked' : ''}`}
                  onClick={pick}
                  {...(firstOfIt
                    ? {
                        tabIndex: 0,
                        role: 'button',
                        'aria-label': pickable[handle].name,
                        'aria-pressed': picked === handle,
                        onKeyDown: (e: React.KeyboardEvent) => {
                          if (e.key === 'Enter' || e.key === ' ') {
                            e.preventDefault()
                            e.stopPropagation()
                            pick()
                          }
                        },
                      }
                    : {})}
                >
                  {inside}
                </g>
              )
            }
            return (
              <g
                key={i}
                data-movable={handle}
                className="movable"
                {...(firstOfIt
                  ? {
                      tabIndex: 0,
                      role: 'button',
                      'aria-label': say`${movable[handle]!.name}: drag it, or arrow keys: ${keySteps.words}`,
                      onKeyDown: (e: React.KeyboardEvent) => {
                        const way = wayOf[e.key]
                        if (!way || !onMove) return
                        e.preventDefault()
                        e.stopPropagation()
                        const step = e.shiftKey ? keySteps.far : keySteps.near
                        onMove(handle, way[0] * step, way[1] * step, { first: true, last: true, free: true })
                      },
                    }
                  : {})}
              >
                {inside}
              </g>
            )
          })}
        </svg>
      </div>
      <figcaption>
        <span>
          {drawing.title}
          {wider && !fitted && view === null && (
            <span className="no-print">{say`, wider than the screen: move it sideways`}</span>
          )}
        </span>
        <span className="no-print">
          <button
            type="button"
            className="word-button"
            aria-label={say`Nearer: ${drawing.title}`}
            onClick={() => (wider && fitted && view === null ? setFitted(false) : zoom(1.5))}
          >
            {say`nearer`}
          </button>{' '}
          <button
            type="button"
            className="word-button"
            aria-label={say`All of it: ${drawing.title}`}
            disabled={view === null && (fitted || !wider)}
            onClick={() => {
              setView(null)
              setFitted(wider)
            }}
          >
            {say`all of it`}
          </button>
        </span>
      </figcaption>
    </figure>
  )
}
