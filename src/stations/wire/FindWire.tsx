'use client'

import { type Job, mostOf, type Unknown } from '@/core/job'
import { useState } from 'react'
import Button from 'react-bootstrap/Button'
import Form from 'react-bootstrap/Form'
import { relayTests, wireTests } from '@/core/circuit'
import { addUnknown, dropUnknown, takeBackReading } from '@/core/wiring'
import type { StationProps } from '../station'
import { UnknownRelay } from './UnknownRelay'
import { UnknownWires } from './UnknownWires'
import { say } from '@/core/words'

const kinds = {
  plug: say`an existing plug`,
  pigtail: say`a pigtail with several wires`,
  relay: say`a relay without a diagram`,
} as const

function One({
  job,
  unknown,
  settle,
}: { readonly job: Job; readonly unknown: Unknown } & Pick<StationProps, 'settle'>) {
  const mark = (id: string | null): string => unknown.wires.find((w) => w.id === id)?.mark ?? ''
  const title = (test: string): string => [...wireTests, ...relayTests].find((t) => t.id === test)?.title ?? test
  return (
    <section className="unknown" aria-label={unknown.name}>
      <h2 className="mt-3">
        {unknown.name}{' '}
        <button type="button" className="word-button" onClick={() => settle((j) => dropUnknown(j, unknown.id))}>
          {say`forget it`}
          <span className="visually-hidden">: {unknown.name}</span>
        </button>
      </h2>
      {unknown.kind === 'relay' ? (
        <UnknownRelay job={job} unknown={unknown} settle={settle} />
      ) : (
        <UnknownWires job={job} unknown={unknown} settle={settle} />
      )}
      {unknown.readings.length > 0 && (
        <details>
          <summary>
            {say`${unknown.readings.length} ${unknown.readings.length === 1 ? say`reading` : say`readings`} noted`}
          </summary>
          <ul className="plain-list">
            {unknown.readings.map((r, i) => (
              <li key={i}>
                {title(r.test)}, {mark(r.wire)}
                {r.to ? say` to ${mark(r.to)}` : ''}: <span className="figure-text">{r.typed}</span>{' '}
                <button
                  type="button"
                  className="word-button"
                  onClick={() => settle((j) => takeBackReading(j, unknown.id, i))}
                >
                  {say`take back`}
                  <span className="visually-hidden"> {say`reading ${i + 1}`}</span>
                </button>
              </li>
            ))}
          </ul>
        </details>
      )}
    </section>
  )
}

const namesIn = (marks: string): readonly string[] =>
  marks
    .split(/[,;]/)
    .map((m) => m.trim())
    .filter(Boolean)

/** Unknown wires and relays of the machine, found out with a meter in the safest order. */
export function FindWire({ job, settle }: Pick<StationProps, 'job' | 'settle'>) {
  const [kind, setKind] = useState<keyof typeof kinds>('pigtail')
  const [marks, setMarks] = useState('')
  const [wrong, setWrong] = useState<string | null>(null)
  const add = (): void => {
    const list = namesIn(marks)
    const [least, most] = kind === 'relay' ? [4, 5] : [2, 8]
    if (list.length < least || list.length > most) {
      setWrong(
        say`Name ${least} to ${most} ${kind === 'relay' ? say`pins` : say`wires`}, with commas between:
          ${kind === 'relay' ? 'a, b, c, d' : say`red, black, yellow/blue`}.`,
      )
      return
    }
    if (list.some((m) => m.length > 30)) {
      setWrong(say`A name has at most 30 letters.`)
      return
    }
    setWrong(null)
    setMarks('')
    settle((j) => addUnknown(j, kind, list))
  }
  return (
    <>
      <p className="say">
        {say`For a plug, pigtail or relay that nobody has a diagram of: the tests come in the safest order, each with
          what every candidate would show.`}
      </p>
      <Form
        className="new-unknown"
        onSubmit={(e) => {
          e.preventDefault()
          add()
        }}
      >
        <Form.Group controlId="unknown-kind">
          <Form.Label>{say`There is`}</Form.Label>
          <Form.Select
            value={kind}
            onChange={(e) => {
              setKind(e.target.value as keyof typeof kinds)
              setWrong(null)
            }}
          >
            {(Object.keys(kinds) as (keyof typeof kinds)[]).map((k) => (
              <option key={k} value={k}>
                {kinds[k]}
              </option>
            ))}
          </Form.Select>
        </Form.Group>
        <Form.Group controlId="unknown-marks">
          <Form.Label>
            {kind === 'relay' ? say`Its pins, as marked or a, b, c …` : say`Its wires, by colour`}
          </Form.Label>
          <Form.Control
            value={marks}
            onChange={(e) => setMarks(e.target.value)}
            isInvalid={wrong !== null}
            aria-describedby={wrong ? 'unknown-wrong' : undefined}
            maxLength={200}
          />
        </Form.Group>
        <Button type="submit" variant="outline-dark" disabled={job.wiring.unknowns.length >= mostOf('unknowns')}>
          {say`Find out`}
        </Button>
        {wrong && (
          <div id="unknown-wrong" className="verdict-short">
            {wrong}
          </div>
        )}
      </Form>
      {job.wiring.unknowns.map((x) => (
        <One key={x.id} job={job} unknown={x} settle={settle} />
      ))}
    </>
  )
}
