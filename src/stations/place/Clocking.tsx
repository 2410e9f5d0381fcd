'use client'

import { useState } from 'react'
import Form from 'react-bootstrap/Form'
import { clocking } from '@/core/fit'
import type { Job } from '@/core/job'
import { format, parse } from '@/core/units'
import { say, spokenWord } from '@/core/words'

const asked = [
  ['lugs', 'Lugs of the motor, at', '0, 120, 240'],
  ['posts', 'Ribs and posts of the housing, at', '20, 110, 200, 290'],
  ['radius', 'They pass each other at a radius of', '45 mm'],
  ['lug', 'A lug is wide', '12 mm'],
  ['post', 'A rib is wide', '5 mm'],
] as const
type Asked = (typeof asked)[number][0]

/** Angles as they are typed: numbers with anything between them; null where one is none. */
function anglesOf(text: string): number[] | null {
  const parts = text.split(/[\s,;°]+/).filter(Boolean)
  const angles = parts.map(Number)
  return angles.length && angles.every((a) => Number.isFinite(a) && Math.abs(a) <= 720) ? angles : null
}

/** Which way round, said as soon as all of it is given. */
function answer(typed: Readonly<Record<Asked, string>>, units: Job['units']): string {
  if (asked.some(([k]) => typed[k].trim() === '')) return say`Degrees clockwise from any mark; all five, and it says.`
  const [lugs, posts] = [anglesOf(typed.lugs), anglesOf(typed.posts)]
  if (!lugs || !posts) return say`Angles are numbers of degrees, up to once or twice round: 0, 120, 240.`
  const read = [typed.radius, typed.lug, typed.post].map((t) => parse(t, 'length', units))
  const wrong = read.find((r) => !r.ok)
  if (wrong && !wrong.ok) return wrong.message
  const [radiusM, lugM, postM] = read.map((r) => (r.ok ? r.value : 0)) as [number, number, number]
  if (!(radiusM > 0 && lugM >= 0 && postM >= 0))
    return say`A radius is more than nothing, and nothing is less wide than that.`
  const { turnDeg, leftM } = clocking(lugs, posts, { radiusM, lugM, postM })
  const turn = say`Turned by ${Math.round(turnDeg * 10) / 10}° clockwise`
  return leftM >= 0
    ? say`${turn} it keeps ${format(leftM, 'length', units, 2)} from everything, evenly.`
    : say`${turn} it meets least, by ${format(-leftM, 'length', units, 2)}: narrow a rib, or take another housing.`
}

/** A foreign motor in a housing that was made for another: the turn at which it touches nothing. */
export function Clocking({ job }: { readonly job: Pick<Job, 'units'> }) {
  const [typed, setTyped] = useState<Readonly<Record<Asked, string>>>({
    lugs: '',
    posts: '',
    radius: '',
    lug: '',
    post: '',
  })
  return (
    <details className="mt-2">
      <summary>{say`A foreign motor in this housing: which way round`}</summary>
      {asked.map(([key, label, example]) => (
        <Form.Group key={key} controlId={`clock-${key}`} className="mb-1">
          <Form.Label className="mb-0">{spokenWord(label)}</Form.Label>
          <Form.Control
            placeholder={example}
            maxLength={120}
            value={typed[key]}
            onChange={(e) => setTyped({ ...typed, [key]: e.target.value })}
          />
        </Form.Group>
      ))}
      <p className="small soft mb-1" role="status">
        {answer(typed, job.units)}
      </p>
    </details>
  )
}
