'use client'

import { cautions } from '@/core/job'
import { choiceEnds, type Job } from '@/core/job'
import { useState } from 'react'
import Button from 'react-bootstrap/Button'
import Form from 'react-bootstrap/Form'
import { asPredicted, proofsOf, wrongWayAdvice, type Proof } from '@/core/build'
import { format } from '@/core/units'
import { ChoiceField } from '@/ui/ChoiceField'
import { QuantityField } from '@/ui/QuantityField'
import type { StationProps, StationView } from '../station'

type Answer = Omit<Job['proofs'][number], 'id' | 'at'>

const answered = (job: Job, id: string, answer: Answer | null, at: string): Job => ({
  ...job,
  proofs: [...job.proofs.filter((p) => p.id !== id), ...(answer ? [{ id, at, ...answer }] : [])],
})
const nothing: Answer = { measured: null, answer: null, notProved: null }

function Found({ proof, job, settle, now }: Pick<StationProps, 'job' | 'settle' | 'now'> & { readonly proof: Proof }) {
  const done = job.proofs.find((p) => p.id === proof.id)
  const [why, setWhy] = useState<string | null>(null)
  const say = (answer: Answer | null): void => {
    const at = now().toISOString()
    settle((j) => answered(j, proof.id, answer, at))
  }
  if (why !== null) {
    return (
      <form
        className="d-flex gap-2 flex-wrap"
        onSubmit={(e) => {
          e.preventDefault()
          if (why.trim()) {
            say({ ...nothing, notProved: why.trim() })
            setWhy(null)
          }
        }}
      >
        <Form.Control
          style={{ maxWidth: 260 }}
          value={why}
          maxLength={300}
          onChange={(e) => setWhy(e.target.value)}
          placeholder="why it was not proved"
          aria-label={`Why not proved: ${proof.name}`}
        />
        <Button type="submit" variant="outline-dark" disabled={!why.trim()}>
          Note it
        </Button>
        <Button variant="link" onClick={() => setWhy(null)}>
          Cancel
        </Button>
      </form>
    )
  }
  if (done?.notProved != null)
    return (
      <div>
        Not proved: {done.notProved}{' '}
        <button type="button" className="word-button" onClick={() => say(null)}>
          take back
        </button>
      </div>
    )
  return (
    <div className="d-flex gap-2 flex-wrap align-items-center">
      {proof.kind === 'yes or no' &&
        (['yes', 'no'] as const).map((a) => (
          <Button
            key={a}
            variant={done?.answer === a ? (a === 'yes' ? 'primary' : 'danger') : 'outline-dark'}
            aria-pressed={done?.answer === a}
            aria-label={`${a}: ${proof.name}`}
            onClick={() => say({ ...nothing, answer: a })}
          >
            {a}
          </Button>
        ))}
      {proof.predicted && (
        <QuantityField
          name={`proof.${proof.id}`}
          label="measured"
          value={done?.measured?.value ?? null}
          quantity={proof.predicted.quantity}
          system={job.units}
          range={choiceEnds.proof}
          onSettle={(value, typed) => say({ ...nothing, measured: { value, typed } })}
        />
      )}
      {!done && (
        <button
          type="button"
          className="word-button soft"
          aria-label={`not proved: ${proof.name}`}
          onClick={() => setWhy('')}
        >
          not proved
        </button>
      )}
    </div>
  )
}

function Stage(props: StationProps) {
  const { job } = props
  return (
    <>
      <h2>Proof against prediction, before covers go back</h2>
      <p className="caution">
        {cautions.surprise} {cautions.fumes}
      </p>
      {proofsOf(job).map((proof) => {
        const done = job.proofs.find((p) => p.id === proof.id)
        const p = proof.predicted
        const verdict =
          done?.measured && p
            ? asPredicted(p, done.measured.value)
              ? 'as predicted'
              : 'differs: find out why'
            : done?.answer === 'no'
              ? 'failed'
              : done?.answer === 'yes'
                ? 'proved'
                : ''
        return (
          <section key={proof.id} className="border-bottom py-2" aria-label={proof.name}>
            <div className="d-flex justify-content-between gap-2">
              <strong className="fw-medium">{proof.name}</strong>
              <span className={/differs|failed/.test(verdict) ? 'verdict-short' : 'verdict-holds'}>{verdict}</span>
            </div>
            <div className="small soft">
              {proof.how}
              {p
                ? ` Predicted ${format(p.value, p.quantity, job.units, 3)}, between ` +
                  `${format(p.low, p.quantity, job.units, 3)} and ${format(p.high, p.quantity, job.units, 3)}.`
                : proof.kind === 'figure'
                  ? ' Not predicted until every choice is made.'
                  : ''}
            </div>
            {proof.turns && done?.answer === 'no' && <p className="say say-short">{wrongWayAdvice(proof.turns)}</p>}
            <Found {...props} proof={proof} />
          </section>
        )
      })}
    </>
  )
}

function Tray({ job, settle }: StationProps) {
  return (
    <>
      <h2>The controller stands on</h2>
      <ChoiceField
        label="Setting"
        value={job.setting.state}
        options={[
          { value: 'test', name: 'its test setting' },
          { value: 'working', name: 'the working setting' },
        ]}
        onChange={(state) => settle((j) => ({ ...j, setting: { state } }))}
        tell={job.setting.state === 'test' ? 'A job never closes on a test setting.' : ''}
      />
      <p className="small soft mt-3">
        A figure within its band is as predicted; one outside it tells of a poor joint, a wrong reading or a different
        part. What cannot be proved is noted with its reason and listed as such.
      </p>
    </>
  )
}

export const proveStation: StationView = { Stage, Tray }
