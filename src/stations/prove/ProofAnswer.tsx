'use client'

import { useState } from 'react'
import Button from 'react-bootstrap/Button'
import { answerTo, explanations, mayStand, type Proof, proofLock, stateOfProof } from '@/core/build'
import { foundByProof } from '@/core/diagnose'
import { acceptProof, answerProof, beginSearch, choiceEnds, type ProofAnswer as Answer, proofWords } from '@/core/job'
import { QuantityField } from '@/ui/QuantityField'
import { ReasonForm } from '@/ui/ReasonForm'
import { TextField } from '@/ui/TextField'
import { GoPast } from '../GoPast'
import { Photos } from '../Photos'
import type { StationProps } from '../station'
import { useTaken } from '../use-taken'
import { calendarDay } from '@/core/units'
import { Day } from '@/ui/Day'
import { say, spokenWord } from '@/core/words'

type Props = Pick<StationProps, 'job' | 'settle' | 'now' | 'goTo'> & {
  readonly proof: Proof
  /** goes to the search for a fault, with what this proof says to it */
  readonly onSeek: () => void
}
const nothing: Answer = { measured: null, answer: null, notProved: null }

/** Goes on from here to what is wrong, with what this proof found already in. */
function Seek({ proof, job, settle, now, onSeek }: Props) {
  const { full, take } = useTaken({ job, settle })
  return (
    <p className="mb-1">
      <button
        type="button"
        className="word-button"
        aria-label={say`find the fault: ${proof.name}`}
        onClick={() => {
          const at = now().toISOString()
          const known = foundByProof(job, proof)
          if (take((j) => beginSearch(j, known ? [known] : [], at))) onSeek()
        }}
      >
        {say`Find the fault`}
      </button>
      {full && <span className="say-short"> {say`It cannot be begun: ${full}.`}</span>}
    </p>
  )
}

/** A figure that is not as predicted: what would explain it, and what may be done about it. */
function Differs(props: Props) {
  const { proof, job, settle, now, goTo } = props
  const [asking, setAsking] = useState(false)
  const measured = answerTo(job, proof)?.measured?.value
  if (measured === undefined) return null
  const stand = mayStand(job, proof, measured)
  return (
    <div className="say say-short">
      <p className="mb-1">{say`Not as predicted. What would explain it:`}</p>
      <ul className="mb-1">
        {explanations(job, proof).map((e) => (
          <li key={e}>{e}</li>
        ))}
      </ul>
      <p className="mb-1">
        {say`Put it right and prove it again: the field takes the new figure, the old one stays in the record.`}{' '}
        <button type="button" className="word-button" onClick={() => goTo('wire')}>
          {say`Try a fault in the circuit`}
        </button>
      </p>
      <Seek {...props} />
      {!stand.ok && <p className="mb-0">{say`It cannot stand: ${stand.why}`}</p>}
      {stand.ok && asking && (
        <ReasonForm
          id={`stand-${proof.id}`}
          label={say`Why it may stand, and what the owner was told`}
          act={say`Let it stand`}
          onCancel={() => setAsking(false)}
          onGive={(why, by) => {
            const at = now().toISOString()
            settle((j) => acceptProof(j, proof.id, why, { by, at }))
          }}
        />
      )}
      {stand.ok && !asking && (
        <button
          type="button"
          className="word-button"
          aria-label={say`let it stand by name: ${proof.name}`}
          onClick={() => setAsking(true)}
        >
          {say`let it stand by name`}
        </button>
      )}
    </div>
  )
}

type Say = (answer: Answer | null) => void

/** Yes or no, pressed as it was found. */
function YesNo({ proof, found, tell }: { readonly proof: Proof; readonly found: string | null; readonly tell: Say }) {
  const pressed = { yes: 'primary', no: 'danger' } as const
  return (['yes', 'no'] as const).map((a) => (
    <Button
      key={a}
      variant={found === a ? pressed[a] : 'outline-dark'}
      aria-pressed={found === a}
      aria-label={`${spokenWord(a)}: ${proof.name}`}
      onClick={() => tell({ ...nothing, answer: a })}
    >
      {spokenWord(a)}
    </Button>
  ))
}

/** The answer itself: yes and no or a figure, what was seen besides, and ways to take it back. */
function Found({ proof, job, settle, now, tell, onNot }: Props & { readonly tell: Say; readonly onNot: () => void }) {
  const done = answerTo(job, proof)
  return (
    <div className="d-flex gap-2 flex-wrap align-items-center">
      {proof.kind === 'yes or no' && <YesNo proof={proof} found={done?.answer ?? null} tell={tell} />}
      {proof.predicted && (
        <QuantityField
          name={`proof.${proof.id}`}
          label={say`measured`}
          value={done?.measured?.value ?? null}
          quantity={proof.predicted.quantity}
          system={job.units}
          range={choiceEnds.proof}
          onSettle={(value, typed) => tell({ ...nothing, measured: { value, typed } })}
        />
      )}
      {!done && (
        <button type="button" className="word-button soft" aria-label={say`not proved: ${proof.name}`} onClick={onNot}>
          {say`not proved`}
        </button>
      )}
      {done && (
        <>
          <TextField
            name={`proof-words.${proof.id}`}
            label={say`what was seen: ${proof.name}`}
            hideLabel
            value={done.words}
            placeholder={say`what was seen, by what`}
            most={300}
            onSettle={(words) => settle((j) => proofWords(j, proof.id, words))}
          />
          <Photos job={job} settle={settle} now={now} of={`proof:${proof.id}`} name={proof.name} />
          <button
            type="button"
            className="word-button soft"
            aria-label={say`take back: ${proof.name}`}
            onClick={() => tell(null)}
          >
            {say`take back`}
          </button>
        </>
      )}
    </div>
  )
}

/** What was found before, and by whom what differs may stand. */
function Record({ proof, job }: Pick<Props, 'proof' | 'job'>) {
  const done = answerTo(job, proof)
  if (!done) return null
  return (
    <>
      {done.earlier.length > 0 && (
        <div className="small soft">
          {say`Before: ${done.earlier.map((e) => `${e.found} (${calendarDay(e.at)})`).join(', ')}.`}
        </div>
      )}
      {done.accepted && stateOfProof(job, proof) === 'accepted' && (
        <p className="small mb-0">
          {say`Differs, and stands: ${done.accepted.by},`} <Day at={done.accepted.at} />: {done.accepted.why}
        </p>
      )}
    </>
  )
}

/** Yes, no, a figure, or why it was not proved; with what was seen besides, and what to do where it differs. */
export function ProofAnswer(props: Props) {
  const { proof, job, settle, now } = props
  const done = answerTo(job, proof)
  const [asking, setAsking] = useState(false)
  const lock = done ? null : proofLock(job, proof)
  const tell: Say = (answer) => {
    const at = now().toISOString()
    settle((j) => answerProof(j, proof.id, answer, at))
  }
  if (lock)
    return <GoPast lock={lock} what={`proof:${proof.id}`} name={proof.name} job={job} settle={settle} now={now} />
  if (asking)
    return (
      <ReasonForm
        id={`unproved-${proof.id}`}
        label={say`Why it is not proved`}
        act={say`Note it`}
        onCancel={() => setAsking(false)}
        onGive={(why, by) => {
          tell({ ...nothing, notProved: `${why} (${by})`.slice(0, 300) })
          setAsking(false)
        }}
      />
    )
  if (done?.notProved != null)
    return (
      <div>
        {say`Not proved: ${done.notProved}`}{' '}
        <button type="button" className="word-button" onClick={() => tell(null)}>
          {say`take back`}
        </button>
      </div>
    )
  return (
    <>
      <Found {...props} tell={tell} onNot={() => setAsking(true)} />
      <Record proof={proof} job={job} />
      {stateOfProof(job, proof) === 'differs' && <Differs {...props} />}
      {stateOfProof(job, proof) === 'failed' && <Seek {...props} />}
    </>
  )
}
