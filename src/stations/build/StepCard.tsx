'use client'

import { useEffect, useState } from 'react'
import dynamic from 'next/dynamic'
import Button from 'react-bootstrap/Button'
import { isTicked, lockOf, proofsOf, type Step } from '@/core/build'
import { questionsAtStep } from '@/core/library/questions'
import { cautionInWords, choiceEnds, noteTorque, tickStep } from '@/core/job'
import { format } from '@/core/units'
import { Coming, persistently } from '@/ui/persistently'
import { QuantityField } from '@/ui/QuantityField'
import { ProofAnswer } from '../prove/ProofAnswer'
import { Asked } from '../Asked'
import type { StationProps } from '../station'
import { Photos } from '../Photos'
import { Lock } from './Lock'
import { NotAsPlanned } from './NotAsPlanned'
import { Wait } from './Wait'
import { say } from '@/core/words'

const StepDrawing = dynamic(() => persistently(() => import('./StepDrawing')), {
  ssr: false,
  loading: () => <Coming height={200} />,
})

type Props = Pick<StationProps, 'job' | 'settle' | 'now' | 'goTo'> & {
  readonly step: Step
  readonly at: number
  readonly of: number
  readonly onDone: () => void
}

/** two taps of one thumb come within this */
const TWICE_MS = 350

/** The maker's torque where somebody gave it, else ours with what it is: a guess by size. */
function Torque({ step, job, settle }: Pick<Props, 'step' | 'job' | 'settle'>) {
  const guess = step.torque
  if (!guess) return null
  const maker = job.build.torques.find((t) => t.step === step.id)
  return (
    <div className="torque">
      <p className="mb-0">
        {maker ? (
          <>
            <strong className="figure-text">{format(maker.newtonMetres, 'torque', job.units, 2)}</strong>
            {say`, as its maker gives it`}
          </>
        ) : (
          <>
            <strong className="figure-text">{format(guess.newtonMetres, 'torque', job.units, 2)}</strong>{' '}
            {say`for ${guess.of}: a guess by size. The maker’s figure comes before it.`}
          </>
        )}
      </p>
      <QuantityField
        name={`torque.${step.id}`}
        label={say`maker’s torque`}
        value={maker?.newtonMetres ?? null}
        quantity="torque"
        system={job.units}
        range={choiceEnds.torqueNm}
        onSettle={(newtonMetres, typed) => settle((j) => noteTorque(j, step.id, { newtonMetres, typed }))}
      />
    </div>
  )
}

/** Where the step is done: on the drawing of the core, or in the circuit. */
function Where({ step, job, goTo }: Pick<Props, 'step' | 'job' | 'goTo'>) {
  const [open, setOpen] = useState(false)
  if (step.seenIn === 'circuit')
    return (
      <p className="mb-1">
        <button type="button" className="word-button" onClick={() => goTo('wire')}>
          {say`see it in the circuit`}
        </button>
      </p>
    )
  if (step.seenIn === null || !job.fans.length) return null
  return (
    <details className="mb-2" onToggle={(e) => setOpen(e.currentTarget.open)}>
      <summary>{say`on the drawing`}</summary>
      {open && <StepDrawing job={job} />}
    </details>
  )
}

/** One step, large: what, why, what it waits for, and one big button. */
export function StepCard({ step, at, of, onDone, ...props }: Props) {
  const { job, settle, now } = props
  const [otherwise, setOtherwise] = useState(false)
  const [fresh, setFresh] = useState(true)
  // a thumb that taps twice ticks one step: the next takes nothing in its first moment
  useEffect(() => {
    const timer = setTimeout(() => setFresh(false), TWICE_MS)
    return () => clearTimeout(timer)
  }, [])
  const done = isTicked(job, step.id)
  const lock = done ? null : lockOf(job, step)
  const asked = proofsOf(job).filter((p) => step.asks.includes(p.id))
  const minutes = step.waitMinutes ? say`wait about ${step.waitMinutes} min` : `${step.minutes} min`
  return (
    <section className="big-step at-work" aria-label={say`Step ${at + 1} of ${of}`}>
      <div className="soft">
        {say`Step ${at + 1} of ${of} · ${minutes}`}
        {done && <span className="verdict-holds"> {say`· done`}</span>}
      </div>
      <h2>{step.title}</h2>
      <p className="why soft">{step.why}</p>
      <p>{step.tell}</p>
      <Asked questions={questionsAtStep(step.id)} />
      <Torque step={step} job={job} settle={settle} />
      <Where step={step} job={job} goTo={props.goTo} />
      {step.cautions.map((c) => (
        <p key={c} className="caution">
          {cautionInWords(c, job.units)}
        </p>
      ))}
      {!done && <Wait {...props} step={step} />}
      {asked.map((proof) => (
        <div key={proof.id} className="asked" role="group" aria-label={proof.name}>
          <span className="fw-medium">{say`${proof.name}: as it should be?`}</span>
          <ProofAnswer {...props} proof={proof} onSeek={() => props.goTo('prove')} />
        </div>
      ))}
      <Photos {...props} of={`step:${step.id}`} name={step.title} />
      {!done && <Lock {...props} step={step} />}
      <div className="step-buttons">
        <Button
          variant={done ? 'outline-dark' : 'primary'}
          disabled={lock !== null || fresh}
          onClick={() => {
            const moment = now().toISOString()
            settle((j) => tickStep(j, step.id, moment))
            onDone()
          }}
        >
          {done ? say`Not done after all` : say`Done`}
        </Button>
        <Button variant="outline-dark" aria-expanded={otherwise} onClick={() => setOtherwise(!otherwise)}>
          {say`Not as planned`}
        </Button>
      </div>
      {otherwise && <NotAsPlanned {...props} step={step} onClose={() => setOtherwise(false)} />}
    </section>
  )
}
