'use client'

import { useState } from 'react'
import Button from 'react-bootstrap/Button'
import Form from 'react-bootstrap/Form'
import { bandInWords, observationWords, quantityOfSeen, stepsInWords } from '@/core/evidence/words'
import {
  addObservation,
  feltLevels,
  observationAsks,
  observationFigures,
  observationMayMiss,
  seenEnds,
  seenHow,
  seenStates,
} from '@/core/job'
import type { Look } from '@/core/margins'
import { workDefinitions } from '@/core/run/days'
import { ChoiceField, UnsaidField, YesNoField } from '@/ui/ChoiceField'
import { QuantityField } from '@/ui/QuantityField'
import type { StationProps } from '../station'
import { kindsFor, type Noting, observationFrom, ofKind, worksFor } from './noting'
import { Watch } from './Watch'
import { say } from '@/core/words'

type Props = Pick<StationProps, 'job' | 'settle' | 'now'> & {
  readonly note: Noting
  /** what it would show, where the tool proposed it */
  readonly look: Look | null
  readonly onChange: (note: Noting | null) => void
}

const named = <V extends string>(values: readonly V[], name: (v: V) => string): { value: V; name: string }[] =>
  values.map((value) => ({ value, name: name(value) }))

const askedFor = {
  fromC: { label: say`begins at`, quantity: 'temperature' },
  toC: { label: say`until it shows`, quantity: 'temperature' },
  forS: { label: say`watched for`, quantity: 'minutes' },
} as const

/** How it is taken, with what it may hurt, and what it would show. */
function Guide({ note, look, job }: Pick<Props, 'note' | 'look' | 'job'>) {
  return (
    <>
      <ol className="small ps-3 mb-1">
        {stepsInWords(note, job.units).map((s) => (
          <li key={s}>{s}</li>
        ))}
      </ol>
      <p className="say say-unsure">{observationWords[note.kind].caution}</p>
      {look && look.kind === note.kind && (
        <p className="small mb-1">
          {say`Predicted: ${bandInWords(quantityOfSeen(note.kind), look.predicted, job.units)}.`}
        </p>
      )}
    </>
  )
}

type Change = (part: Partial<Noting>) => void

/** Air, and what its kind asks for besides. */
function Circumstances({ note, job, change }: Pick<Props, 'note' | 'job'> & { readonly change: Change }) {
  const asks: readonly (keyof typeof askedFor)[] = [
    ...observationAsks[note.kind],
    ...(note.kind === 'hottest' && note.missed ? (['toC'] as const) : []),
  ]
  return (
    <>
      <ChoiceField
        label={say`While`}
        value={note.work}
        options={named(worksFor(job), (w) => workDefinitions[w].name)}
        onChange={(work) => change({ work })}
      />
      <ChoiceField
        label={say`The machine`}
        value={note.state}
        options={named(seenStates, (s) => s)}
        onChange={(state) => change({ state })}
      />
      <QuantityField
        name="seen.airC"
        label={say`air`}
        value={note.airC}
        quantity="temperature"
        system={job.units}
        range={seenEnds.airC}
        onSettle={(airC) => change({ airC })}
      />
      {asks.map((name) => (
        <QuantityField
          key={name}
          name={`seen.${name}`}
          label={note.kind === 'hottest' && name === 'toC' ? say`never above` : askedFor[name].label}
          value={note[name]}
          quantity={askedFor[name].quantity}
          system={job.units}
          range={seenEnds[name]}
          onSettle={(value) => change({ [name]: value })}
        />
      ))}
    </>
  )
}

/** What the air held, and where: an order, no figure. */
function FeltFields({ note, change }: Pick<Props, 'note'> & { readonly change: Change }) {
  return (
    <>
      <Form.Group controlId="seen-place" className="mb-2">
        <Form.Label className="mb-0">{say`Where, and how far away`}</Form.Label>
        <Form.Control
          value={note.place}
          maxLength={60}
          placeholder={say`front of the core, top left, a hand away`}
          onChange={(e) => change({ place: e.target.value })}
        />
      </Form.Group>
      <UnsaidField
        label={say`It`}
        value={note.seen === null ? null : String(note.seen)}
        options={feltLevels.map((name, i) => ({ value: String(i), name }))}
        onChange={(level) => change({ seen: Number(level), typed: feltLevels[Number(level)] ?? '' })}
      />
    </>
  )
}

/** What was seen: a figure, stopped or typed, or that it did not come to it. */
function Figure({ note, job, now, change }: Pick<Props, 'note' | 'job' | 'now'> & { readonly change: Change }) {
  const figure = observationFigures[note.kind]
  if (figure === 'level') return <FeltFields note={note} change={change} />
  return (
    <>
      {observationMayMiss.includes(note.kind) && (
        <YesNoField
          label={note.kind === 'boiled' ? say`It did not` : say`Only a bound: it was never above`}
          value={note.missed}
          onChange={(missed) => change({ missed })}
        />
      )}
      {!note.missed && (
        <>
          {figure === 'afterS' && (
            <Watch now={now} onStop={(seen) => change({ seen, how: 'by a watch', typed: `${seen} s` })} />
          )}
          <QuantityField
            name="seen.figure"
            label={say`seen`}
            value={note.seen}
            quantity={quantityOfSeen(note.kind)}
            system={job.units}
            range={seenEnds[figure]}
            onSettle={(seen, typed) => change({ seen, typed })}
          />
        </>
      )}
      <ChoiceField
        label={say`Taken`}
        value={note.how}
        options={named(seenHow, (h) => h)}
        onChange={(how) => change({ how })}
      />
    </>
  )
}

/** One thing that was seen, with its circumstances: typed, or stopped by the watch. */
export function NoteForm({ job, settle, now, note, look, onChange }: Props) {
  const [trouble, setTrouble] = useState<string | null>(null)
  const change: Change = (part) => {
    setTrouble(null)
    onChange({ ...note, ...part })
  }
  const keep = (): void => {
    const noted = observationFrom(note, now())
    if ('trouble' in noted) return setTrouble(noted.trouble)
    const added = addObservation(job, noted)
    if ('full' in added) return setTrouble(added.full)
    settle((j) => {
      const next = addObservation(j, noted)
      return 'full' in next ? j : next
    })
    onChange(null)
  }
  return (
    <div className="note-form" role="group" aria-label={say`Note what was seen`}>
      <ChoiceField
        label={say`What`}
        value={note.kind}
        options={named(kindsFor(job), (k) => observationWords[k].name)}
        onChange={(kind) => change(ofKind(note, kind))}
      />
      <Guide note={note} look={look} job={job} />
      <Circumstances note={note} job={job} change={change} />
      <Figure note={note} job={job} now={now} change={change} />
      {trouble && (
        <p className="below wrong" role="alert">
          {say`Not noted: ${trouble}. What you typed is kept.`}
        </p>
      )}
      <div className="d-flex gap-2 mt-2">
        <Button onClick={keep}>{say`Note it`}</Button>
        <Button variant="outline-dark" onClick={() => onChange(null)}>
          {say`Leave it`}
        </Button>
      </div>
    </div>
  )
}
