'use client'

import Link from 'next/link'
import { useEffect, useMemo, useRef, useState } from 'react'
import { addDays } from '@/core/build/days'
import { clockTime, type DayPlan, layOut, moved, pinsOf, stintsOf, type Work, worksOfDay } from '@/core/schedule'
import { longDayInWords } from '@/ui/days'
import { ThemeButton } from '@/ui/ThemeButton'
import { Agenda } from './Agenda'
import { Hours } from './Hours'
import { Lane, type LaneJob } from './Lane'
import { fixed } from '@/core/units'
import { say } from '@/core/words'

export interface DayWork extends Work {
  readonly title: string
  readonly promisedOn: string | null
}

interface Props {
  readonly day: string
  readonly today: string
  /** of the day, now */
  readonly minute: number
  readonly plan: DayPlan
  readonly works: readonly DayWork[]
  /** real minutes over planned ones, and how many jobs tell so; null: none does */
  readonly pace: { readonly times: number; readonly jobs: number } | null
}

type Kept = 'kept' | 'keeping' | 'not kept'

/** Keeps a plan once it rests; the newest goes last. */
function useKept(day: string, plan: DayPlan, first: DayPlan): Kept {
  const [state, setState] = useState<Kept>('kept')
  const last = useRef(first)
  useEffect(() => {
    if (plan === last.current) return undefined
    setState('keeping')
    const timer = setTimeout(() => {
      last.current = plan
      fetch('/api/day', {
        method: 'PUT',
        headers: { 'content-type': 'application/json' },
        body: JSON.stringify({ day, plan }),
      }).then(
        (answer) => setState(answer.ok ? 'kept' : 'not kept'),
        () => setState('not kept'),
      )
    }, 300)
    return () => clearTimeout(timer)
  }, [day, plan])
  return state
}

function Masthead({ day, today, kept }: Pick<Props, 'day' | 'today'> & { readonly kept: Kept }) {
  return (
    <header className="masthead">
      <Link href="/" className="wordmark" prefetch={false}>
        PYRAXIS
      </Link>
      <h1 suppressHydrationWarning>{longDayInWords(day)}</h1>
      <span className="under" role="status">
        {kept === 'not kept' ? say`not kept: the server is not to be reached` : ''}
      </span>
      <nav className="right" aria-label={say`Days`}>
        <Link href={`/day?on=${addDays(day, -1)}`} prefetch={false}>
          {say`day before`}
        </Link>
        {day !== today && (
          <Link href="/day" prefetch={false}>
            {say`today`}
          </Link>
        )}
        <Link href={`/day?on=${addDays(day, 1)}`} prefetch={false}>
          {say`day after`}
        </Link>
        <ThemeButton />
      </nav>
    </header>
  )
}

/** Where the minutes come from. */
const paceInWords = (pace: Props['pace']): string =>
  pace
    ? say`Minutes as planned, times ${fixed(pace.times, 2)}: what the clock showed on ${
        pace.jobs === 1 ? say`1 job` : say`${pace.jobs} jobs`
      }. `
    : say`Minutes as planned: no job has been clocked long enough to tell the pace here. `

/** What is left of every open job, laid out on one day at the bench; waits overlap with other work. */
export function Day({ day, today, minute, plan: first, works, pace }: Props) {
  const [plan, setPlan] = useState(first)
  const kept = useKept(day, plan, first)
  useEffect(() => {
    document.documentElement.dataset.ready = 'yes'
  }, [])
  const ordered = useMemo(() => worksOfDay({ ...plan, off: [] }, works) as DayWork[], [plan, works])
  // what is past of today is past: nothing is laid out there
  const begins = day === today ? Math.max(plan.from, Math.ceil(minute / 5) * 5) : plan.from
  const { placed, leftOver } = useMemo(
    () => layOut(worksOfDay(plan, works), { ...plan, from: begins }, pinsOf(plan)),
    [plan, works, begins],
  )
  const stints = useMemo(() => stintsOf(placed), [placed])
  const ids = ordered.map((w) => w.job)
  const titles = new Map(works.map((w) => [w.job, w.title]))
  const laneOf = (w: DayWork): LaneJob => ({
    job: w.job,
    title: w.title,
    promisedOn: w.promisedOn,
    off: plan.off.includes(w.job),
    stints: stints.filter((s) => s.job === w.job),
    left: leftOver.filter((l) => l.job === w.job).length,
  })
  return (
    <>
      <Masthead day={day} today={today} kept={kept} />
      <main className="day-page">
        <Hours plan={plan} onChange={setPlan} />
        {works.length === 0 && <p className="soft">{say`Nothing is left to do at the bench on any open job.`}</p>}
        {works.length > 0 && begins >= plan.until && (
          <p className="say">{say`The day is over at ${clockTime(plan.until)}: nothing is laid out any more.`}</p>
        )}
        {works.length > 0 && (
          <p className="small soft">
            {say`${paceInWords(pace)}A bar is dragged to a later hour, or moved with the arrow keys; Delete lets it
              begin as soon as it can.`}
          </p>
        )}
        <div className="day-lanes" role="group" aria-label={say`The day by job`}>
          {ordered.map((w, i) => (
            <Lane
              key={w.job}
              lane={laneOf(w)}
              plan={plan}
              now={day === today ? minute : null}
              first={i === 0}
              last={i === ordered.length - 1}
              onChange={setPlan}
              onMove={(by) => setPlan((p) => moved(p, ids, w.job, by))}
            />
          ))}
        </div>
        {placed.length + leftOver.length > 0 && (
          <Agenda stints={stints} titles={titles} people={plan.people} leftOver={leftOver} />
        )}
      </main>
    </>
  )
}
