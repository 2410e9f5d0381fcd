'use client'

import { cautions } from '@/core/job'
import { useState } from 'react'
import Button from 'react-bootstrap/Button'
import { handsOnMinutes, stepsOf } from '@/core/build'
import type { StationProps, StationView } from '../station'

function Stage({ job, settle, now, goTo }: StationProps) {
  const steps = stepsOf(job)
  const isDone = (id: string): boolean => job.build.done.some((d) => d.step === id)
  const first = steps.findIndex((s) => !isDone(s.id))
  const [picked, setPicked] = useState<number | null>(null)
  const at = picked ?? first
  const step = steps[at]
  const tick = (id: string): void => {
    const moment = now().toISOString()
    settle((j) => ({
      ...j,
      build: {
        done: isDone(id) ? j.build.done.filter((d) => d.step !== id) : [...j.build.done, { step: id, at: moment }],
      },
    }))
    setPicked(null)
  }
  return (
    <>
      {step ? (
        <section className="big-step" aria-label={`Step ${at + 1} of ${steps.length}`}>
          <div className="soft">
            Step {at + 1} of {steps.length}
            {step.waitMinutes ? ` · wait about ${step.waitMinutes} min` : ` · ${step.minutes} min`}
          </div>
          <h2>{step.title}</h2>
          <p>{step.tell}</p>
          {step.cautions.map((c) => (
            <p key={c} className="caution">
              {cautions[c]}
            </p>
          ))}
          <Button variant="primary" onClick={() => tick(step.id)}>
            {isDone(step.id) ? 'Not done after all' : 'Done'}
          </Button>
        </section>
      ) : (
        <section className="big-step">
          <h2>Every step is done</h2>
          <p>Now prove it, before covers go back.</p>
          <Button variant="primary" onClick={() => goTo('prove')}>
            Go to Prove
          </Button>
        </section>
      )}
      <h2>All steps, {handsOnMinutes(steps)} min of hands</h2>
      <ol className="step-list">
        {steps.map((s, i) => (
          <li key={s.id}>
            <span className="figure-text soft">{i + 1}</span>
            <button
              type="button"
              className="plain-button"
              aria-current={i === at ? 'step' : undefined}
              onClick={() => setPicked(i)}
            >
              {s.title}
            </button>
            <span className={isDone(s.id) ? 'verdict-holds' : 'soft'}>
              {isDone(s.id) ? 'done' : s.waitMinutes ? 'wait' : `${s.minutes} min`}
            </span>
          </li>
        ))}
      </ol>
    </>
  )
}

function Tray({ job }: StationProps) {
  return (
    <>
      <h2>Before the first bolt</h2>
      <p className="small">
        {job.baseline.state === 'taken'
          ? 'The baseline is taken.'
          : job.baseline.state === 'cannot be had'
            ? 'There is no baseline: before and after will not be comparable.'
            : 'No baseline yet: take it before the first bolt, it cannot be had afterwards.'}
      </p>
      <h2>Cautions</h2>
      <p className="caution small">{cautions.surprise}</p>
      <p className="caution small">{cautions.battery}</p>
      <p className="caution small">{cautions.hotCoolant}</p>
      <p className="small soft">{cautions.maker}</p>
    </>
  )
}

export const buildStation: StationView = { Stage, Tray }
