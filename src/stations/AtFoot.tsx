'use client'

import { useEffect, useState } from 'react'
import Button from 'react-bootstrap/Button'
import Form from 'react-bootstrap/Form'
import { addNote, type Job, removeNote } from '@/core/job'
import type { NextThing } from '@/core/plan'
import { stationNames } from '@/core/fields'
import { persistently } from '@/ui/persistently'
import { dayInWords } from '@/ui/days'
import { useName } from '@/ui/use-name'
import { Photos } from './Photos'
import type { StationProps } from './station'
import { useTaken } from './use-taken'
import { calendarDay } from '@/core/units'
import { say } from '@/core/words'

/** what comes next is worked out once a change has settled for so long, ms */
const STILL_MS = 400

/** The next thing to do with the job, wherever one is. */
function Next({ job, evaluation, station, now, goTo }: StationProps) {
  const [next, setNext] = useState<NextThing | null>(null)
  useEffect(() => {
    let current = true
    const timer = setTimeout(() => {
      // what it weighs is fetched once the page stands
      void persistently(() => import('@/core/plan/next')).then(({ nextThing }) => {
        if (current) setNext(nextThing(job, evaluation, calendarDay(now().toISOString())))
      })
    }, STILL_MS)
    return () => {
      current = false
      clearTimeout(timer)
    }
  }, [job, evaluation, now])
  if (!next) return null
  return (
    <p className="next-thing" data-testid="next">
      {say`Next: ${next.text}`}
      {next.station !== station && (
        <>
          {' '}
          <button type="button" className="word-button" onClick={() => goTo(next.station)}>
            {say`go to ${stationNames[next.station]}`}
          </button>
        </>
      )}
    </p>
  )
}

function Notes({
  job,
  of,
  about,
  settle,
  now,
}: Pick<StationProps, 'job' | 'settle' | 'now'> & { readonly of: string; readonly about: string }) {
  const { full, take } = useTaken({ job, settle })
  const [words, setWords] = useState('')
  const [by] = useName()
  const own = job.notes.filter((n) => n.of === of)
  const add = (): void => {
    const text = words.trim()
    if (text && take((j: Job) => addNote(j, { of, words: text, by, at: now().toISOString() }))) setWords('')
  }
  return (
    <>
      {own.map((n) => (
        <p key={n.id} className="mb-1">
          {n.words}{' '}
          <span className="soft small">
            {n.by && `${n.by}, `}
            {dayInWords(n.at)}
          </span>{' '}
          <button
            type="button"
            className="word-button soft"
            aria-label={say`take out: ${n.words.slice(0, 40)}`}
            onClick={() => settle((j) => removeNote(j, n.id))}
          >
            {say`take out`}
          </button>
        </p>
      ))}
      <div className="d-flex gap-2 align-items-start">
        <Form.Control
          as="textarea"
          rows={1}
          aria-label={say`Note on ${about}`}
          placeholder={say`a note of your own`}
          maxLength={1000}
          value={words}
          onChange={(e) => setWords(e.target.value)}
        />
        <Button variant="outline-dark" disabled={words.trim() === ''} onClick={add}>
          {say`Keep the note`}
        </Button>
      </div>
      {full && <p className="say say-short">{say`It cannot be noted: ${full}.`}</p>}
    </>
  )
}

/** What stands at the foot of every station: what comes next, and notes and pictures of one's own. */
export function AtFoot(props: StationProps) {
  const { job, station, settle, now } = props
  const of = station === 'machine' ? 'machine' : `station:${station}`
  const about = station === 'machine' ? say`the machine` : stationNames[station]
  return (
    <section className="at-foot" aria-label={say`Notes on ${about}`}>
      <Next {...props} />
      <h2>{say`Notes`}</h2>
      <Notes job={job} of={of} about={about} settle={settle} now={now} />
      <Photos job={job} of={of} name={about} settle={settle} now={now} />
    </section>
  )
}
