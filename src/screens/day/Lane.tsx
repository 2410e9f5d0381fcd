'use client'

import Link from 'next/link'
import { useRef, useState } from 'react'
import { useDrag } from '@use-gesture/react'
import { clockTime, type DayPlan, pinKey, type Stint, withPin } from '@/core/schedule'
import { dayInWords } from '@/ui/days'
import { say } from '@/core/words'

export interface LaneJob {
  readonly job: string
  readonly title: string
  readonly promisedOn: string | null
  readonly off: boolean
  readonly stints: readonly Stint[]
  /** blocks that no longer fit */
  readonly left: number
}

/** a bar moves by so many minutes */
const STEP = 5

interface BarProps {
  readonly stint: Stint
  readonly title: string
  readonly plan: DayPlan
  readonly onChange: (change: (plan: DayPlan) => DayPlan) => void
}

const share = (plan: DayPlan, minute: number): string =>
  `${(100 * (Math.min(plan.until, Math.max(plan.from, minute)) - plan.from)) / (plan.until - plan.from)}%`
const width = (plan: DayPlan, from: number, to: number): string =>
  `${(100 * Math.max(0, Math.min(plan.until, to) - from)) / (plan.until - plan.from)}%`

/** One stretch of work of a job: it is dragged, or moved by keys, to no earlier than some minute. */
function Bar({ stint, title, plan, onChange }: BarProps) {
  const bar = useRef<HTMLButtonElement>(null)
  const [shift, setShift] = useState<number | null>(null)
  const [begun, ended] = [stint.placed.at(0)!, stint.placed.at(-1)!]
  const key = pinKey(stint.job, begun.block.id)
  const pinned = plan.pins.some(([k]) => k === key)
  const pin = (minute: number | null): void => onChange((p) => withPin(p, key, minute))
  const to = (minute: number): void => {
    const at = Math.round(minute / STEP) * STEP
    pin(at <= plan.from ? null : Math.min(1440, at))
  }
  const slide = ({ movement: [x], last, tap }: { movement: [number, number]; last: boolean; tap: boolean }): void => {
    if (tap) return
    const lane = bar.current?.parentElement?.clientWidth ?? 0
    if (!lane) return
    const minutes = (x / lane) * (plan.until - plan.from)
    setShift(last ? null : minutes)
    if (last && Math.abs(minutes) >= STEP / 2) to(stint.from + minutes)
  }
  // keys move it by minutes, not by pixels
  const drag = useDrag(slide, { pointer: { keys: false } })
  const from = stint.from + (shift ?? 0)
  const many = stint.placed.length - 1
  return (
    <>
      <button
        ref={bar}
        type="button"
        {...drag()}
        className={`day-bar${stint.person ? ' second' : ''}${shift === null ? '' : ' held'}`}
        style={{ left: share(plan, from), width: width(plan, stint.from, stint.to) }}
        aria-label={say`${title}, ${clockTime(stint.from)} to ${clockTime(stint.to)}:
          ${begun.block.title}${many ? say` and ${many} more` : ''}${pinned ? say`, held` : ''}`}
        onKeyDown={(e) => {
          if (e.key === 'ArrowRight') to(stint.from + STEP)
          else if (e.key === 'ArrowLeft') to(stint.from - STEP)
          else if (e.key === 'Delete' || e.key === 'Backspace') pin(null)
          else return
          e.preventDefault()
        }}
      >
        <span>
          {pinned ? '▏' : ''}
          {begun.block.title}
        </span>
      </button>
      {ended.waitTo > ended.to && (
        <span
          className="day-wait"
          style={{ left: share(plan, ended.to), width: width(plan, ended.to, ended.waitTo) }}
          title={say`${ended.block.title}: waits until ${clockTime(ended.waitTo)}`}
        />
      )}
    </>
  )
}

interface LaneProps {
  readonly lane: LaneJob
  readonly plan: DayPlan
  /** minute of the day; null on another day */
  readonly now: number | null
  readonly first: boolean
  readonly last: boolean
  readonly onChange: (change: (plan: DayPlan) => DayPlan) => void
  readonly onMove: (by: -1 | 1) => void
}

const hoursOf = ({ from, until }: DayPlan): number[] =>
  Array.from({ length: Math.floor(until / 60) - Math.ceil(from / 60) + 1 }, (_, i) => 60 * (Math.ceil(from / 60) + i))

/** A job's day: what is done when, what waits meanwhile, and its place among the others. */
export function Lane({ lane, plan, now, first, last, onChange, onMove }: LaneProps) {
  const { job, title } = lane
  return (
    <div className="day-lane">
      <div className="day-name">
        <label>
          <input
            type="checkbox"
            checked={!lane.off}
            aria-label={say`work at ${title}`}
            onChange={() =>
              onChange((p) => ({ ...p, off: lane.off ? p.off.filter((o) => o !== job) : [...p.off, job] }))
            }
          />
        </label>
        <Link href={`/jobs/${job}?station=build`} prefetch={false}>
          {title}
        </Link>
        <span className="soft small">
          {lane.promisedOn ? say`for ${dayInWords(lane.promisedOn)}` : say`no day`}
          {lane.left ? say`, ${lane.left} left over` : ''}
        </span>
        <span className="day-order">
          <button
            type="button"
            className="word-button"
            disabled={first}
            aria-label={say`sooner: ${title}`}
            onClick={() => onMove(-1)}
          >
            ↑
          </button>
          <button
            type="button"
            className="word-button"
            disabled={last}
            aria-label={say`later: ${title}`}
            onClick={() => onMove(1)}
          >
            ↓
          </button>
        </span>
      </div>
      <div className="day-bars">
        {hoursOf(plan).map((m) => (
          <span key={m} className="day-hour" style={{ left: share(plan, m) }}>
            {first && <i>{clockTime(m)}</i>}
          </span>
        ))}
        {plan.pause && (
          <span
            className="day-pause"
            style={{ left: share(plan, plan.pause.from), width: width(plan, plan.pause.from, plan.pause.until) }}
          />
        )}
        {now !== null && now > plan.from && now < plan.until && (
          <span className="day-now" style={{ left: share(plan, now) }} />
        )}
        {lane.stints.map((s) => (
          <Bar key={s.placed.at(0)!.block.id} stint={s} title={title} plan={plan} onChange={onChange} />
        ))}
      </div>
    </div>
  )
}
