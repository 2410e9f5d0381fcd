'use client'

import { firstCircuit } from '@/core/fan-circuit'
import { useState } from 'react'
import Button from 'react-bootstrap/Button'
import Form from 'react-bootstrap/Form'
import { conductorName, type HarnessEdit, type Job, mostOf, tooMany, wiresInUse } from '@/core/job'
import {
  addSecondFan,
  dropSecondFan,
  editBarred,
  editInWords,
  editKinds,
  editStep,
  makeEdit,
  movesBarred,
  undoEdit,
  type WantedEdit,
} from '@/core/wiring'
import { bladeRatings } from '@/core/electrical'
import { format, parse, sizesOf, type WireSize } from '@/core/units'
import { PartPicker } from '../PartPicker'
import { Kit } from './Kit'
import type { StationProps } from '../station'
import { say, spokenWord } from '@/core/words'

type Kind = HarnessEdit['kind']

type Moves = Extract<HarnessEdit, { kind: 'move pins' }>['moves']

/** "1: red > black", a hole a line; what is empty is written as nothing or a dash. */
function readMoves(text: string): Moves | string {
  const lines = text.split('\n').filter((l) => l.trim() !== '')
  const moves = lines.map((line) => {
    const read = /^\s*([^:]{1,20}?)\s*:\s*(.*?)\s*>\s*(.*?)\s*$/.exec(line)
    const wire = (words: string): string => (/^[-–—]?$/.test(words) ? '' : words.slice(0, 40))
    return read ? { cavity: read[1]!, before: wire(read[2]!), after: wire(read[3]!) } : line
  })
  const wrong = moves.find((m) => typeof m === 'string')
  if (wrong !== undefined) return say`“${wrong}” cannot be read: write hole: before > after, “2: red > black”.`
  if (!moves.length) return say`Write one hole a line: “2: red > black”.`
  if (moves.length > mostOf('marks')) return `${tooMany('marks')[0]!.toUpperCase()}${tooMany('marks').slice(1)}.`
  const barred = movesBarred(moves as Moves)
  return barred ? `${barred[0]!.toUpperCase()}${barred.slice(1)}.` : (moves as Moves)
}

/** What is asked for each kind of change, and the change itself or why it is not one yet. */
function NewEdit({ job, settle }: Pick<StationProps, 'job' | 'settle'>) {
  const [kind, setKind] = useState<Kind>('length')
  const wires = wiresInUse(job)
  const [wire, setWire] = useState(wires[0]?.id ?? '')
  const [more, setMore] = useState<readonly string[]>([])
  const [text, setText] = useState('')
  const [holes, setHoles] = useState('')
  const [size, setSize] = useState<WireSize>(sizesOf(job.units)[4]!)
  const [rating, setRating] = useState(15)
  const [message, setMessage] = useState<string | null>(null)
  const barred = editBarred(job, kind)
  const conductor = job.conductors.find((c) => c.id === wire)
  const wanted = (): WantedEdit | string => {
    switch (kind) {
      case 'length': {
        const read = parse(text, 'run', job.units)
        if (!read.ok) return read.message
        if (read.value < 0.02 || read.value > 60)
          return say`A wire is ${format(0.02, 'run', job.units)} to ${format(60, 'run', job.units)} long.`
        return conductor
          ? {
              kind,
              conductor: conductor.id,
              fromM: conductor.lengthM.value,
              toM: read.value,
              was: conductor.lengthM,
            }
          : say`Choose the wire.`
      }
      case 'thicken': {
        const ids = [...new Set([wire, ...more])]
        return {
          kind,
          conductors: ids,
          from: ids.map((id) => job.conductors.find((c) => c.id === id)?.size ?? null),
          to: size,
        }
      }
      case 'swap leads':
        return { kind, fan: firstCircuit(job).fan!.id }
      case 'cut loop off':
        return text.trim() ? { kind, what: text.trim().slice(0, 80) } : say`Say what is cut off.`
      case 'second relay':
        return { kind }
      case 'breaker to fuse': {
        const breaker = job.fuses.find((f) => f.kind === 'breaker')!
        return { kind, fuse: breaker.id, ratingA: rating, wasA: breaker.ratingA }
      }
      case 'move pins': {
        const moves = readMoves(holes)
        if (typeof moves === 'string') return moves
        return text.trim() ? { kind, what: text.trim().slice(0, 80), moves } : say`Say which connector.`
      }
      case 'connector':
        return text.trim() ? { kind, what: text.trim().slice(0, 80), crimps: 2 } : say`Say which connector, and where.`
    }
  }
  const make = (): void => {
    const edit = wanted()
    if (typeof edit === 'string') {
      setMessage(edit)
      return
    }
    setMessage(null)
    setText('')
    setHoles('')
    settle((j) => makeEdit(j, edit))
  }
  return (
    <Form
      className="new-edit"
      onSubmit={(e) => {
        e.preventDefault()
        if (!barred) make()
      }}
    >
      <Form.Group controlId="edit-kind">
        <Form.Label>{say`What is changed`}</Form.Label>
        <Form.Select
          value={kind}
          onChange={(e) => {
            setKind(e.target.value as Kind)
            setMessage(null)
          }}
        >
          {editKinds.map((k) => (
            <option key={k.kind} value={k.kind}>
              {k.name}
            </option>
          ))}
        </Form.Select>
      </Form.Group>
      {(kind === 'length' || kind === 'thicken') && (
        <Form.Group controlId="edit-wire">
          <Form.Label>{say`Wire`}</Form.Label>
          <Form.Select value={wire} onChange={(e) => setWire(e.target.value)}>
            {wires.map((c) => (
              <option key={c.id} value={c.id}>
                {say`${conductorName(job, c.id)}, now ${format(c.lengthM.value, 'run', job.units)},
                  ${c.size ?? say`no size`}`}
              </option>
            ))}
          </Form.Select>
        </Form.Group>
      )}
      {kind === 'thicken' && (
        <>
          <Form.Group controlId="edit-also">
            <Form.Label>{say`And this one`}</Form.Label>
            <Form.Select value={more[0] ?? ''} onChange={(e) => setMore(e.target.value ? [e.target.value] : [])}>
              <option value="">{say`no other`}</option>
              {wires
                .filter((c) => c.id !== wire)
                .map((c) => (
                  <option key={c.id} value={c.id}>
                    {conductorName(job, c.id)}
                  </option>
                ))}
            </Form.Select>
          </Form.Group>
          <Form.Group controlId="edit-size">
            <Form.Label>{say`Now`}</Form.Label>
            <Form.Select value={size} onChange={(e) => setSize(e.target.value as WireSize)}>
              {sizesOf(job.units).map((s) => (
                <option key={s} value={s}>
                  {spokenWord(s)}
                </option>
              ))}
            </Form.Select>
          </Form.Group>
        </>
      )}
      {kind === 'breaker to fuse' && (
        <Form.Group controlId="edit-rating">
          <Form.Label>{say`Fuse`}</Form.Label>
          <Form.Select value={rating} onChange={(e) => setRating(Number(e.target.value))}>
            {bladeRatings.map((r) => (
              <option key={r} value={r}>
                {r} A
              </option>
            ))}
          </Form.Select>
        </Form.Group>
      )}
      {(kind === 'length' || kind === 'cut loop off' || kind === 'connector' || kind === 'move pins') && (
        <Form.Group controlId="edit-text">
          <Form.Label>{kind === 'length' ? say`New length` : whichOne(kind)}</Form.Label>
          <Form.Control
            value={text}
            onChange={(e) => setText(e.target.value)}
            isInvalid={message !== null}
            aria-describedby={message ? 'edit-message' : undefined}
            maxLength={80}
          />
        </Form.Group>
      )}
      {kind === 'move pins' && (
        <Form.Group controlId="edit-holes">
          <Form.Label>{say`Each hole: before > after`}</Form.Label>
          <Form.Control
            as="textarea"
            rows={4}
            value={holes}
            onChange={(e) => setHoles(e.target.value)}
            isInvalid={message !== null}
            aria-describedby={message ? 'edit-message' : undefined}
            placeholder={'1: red > black\n2: black > red\n3: - > -'}
            maxLength={800}
          />
        </Form.Group>
      )}
      {message && (
        <p id="edit-message" className="verdict-short mb-1">
          {message}
        </p>
      )}
      {barred ? (
        <p className="soft mb-1">{say`Not here: ${barred}.`}</p>
      ) : (
        <Button type="submit" variant="outline-dark">
          {say`Change it`}
        </Button>
      )}
      <p className="soft small mb-0">{editKinds.find((k) => k.kind === kind)!.tell}.</p>
    </Form>
  )
}

const whichOne = (kind: Kind): string =>
  kind === 'connector' || kind === 'move pins' ? say`Which connector, and where` : say`What is cut off`

/** What a second fan shares with the first. */
function howItHangs(job: Job, second: Job['runs'][number]): string {
  const { run } = firstCircuit(job)
  if (second.relay === run.relay) return say`on the first fan’s relay or contact`
  return second.controller === run.controller
    ? say`on its own relay, triggers joined`
    : say`on its own relay and thermostat`
}

/** Changes to a kit's or a machine's harness: made, proved again, and listed for the bench. */
export function Harness({ job, shelf, settle }: Pick<StationProps, 'job' | 'shelf' | 'settle'>) {
  const second = job.runs[1]
  return (
    <>
      <Kit job={job} shelf={shelf} settle={settle} />
      <h2 className="mt-3">{say`Changes to the harness`}</h2>
      {job.wiring.edits.length === 0 ? (
        <p className="soft">{say`None yet: the harness is used as it came.`}</p>
      ) : (
        <ol className="edits">
          {job.wiring.edits.map((e) => (
            <li key={e.id}>
              <span className="fw-medium">{editInWords(job, e)}</span>
              <div className="small">{editStep(job, e)}</div>
              <button type="button" className="word-button" onClick={() => settle((j) => undoEdit(j, e.id))}>
                {say`take it back`}
                <span className="visually-hidden">: {editInWords(job, e)}</span>
              </button>
            </li>
          ))}
        </ol>
      )}
      <NewEdit job={job} settle={settle} />
      <h2 className="mt-3">{say`Second fan`}</h2>
      {second && (
        <p className="mb-1">
          {job.fans.find((f) => f.id === second.fan)?.part.name}: {howItHangs(job, second)}.{' '}
          <button type="button" className="word-button" onClick={() => settle(dropSecondFan)}>
            {say`take the second fan off`}
          </button>
        </p>
      )}
      {!second && job.fans.length === 0 && (
        <p className="soft">{say`Choose the first fan (station 3), then a second.`}</p>
      )}
      {job.fans.length > 0 && (
        <PartPicker
          system={job.units}
          kind="fan"
          label={second ? say`Another second fan` : say`Add a second fan`}
          shelf={shelf}
          chosen={second ? (job.fans.find((f) => f.id === second.fan)?.part ?? null) : null}
          onChoose={(part) => settle((j) => addSecondFan(j, part))}
        />
      )}
    </>
  )
}
