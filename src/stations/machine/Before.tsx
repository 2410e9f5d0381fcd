'use client'

import { answerCheck, choiceEnds, endings, type Job } from '@/core/job'
import { useState } from 'react'
import Button from 'react-bootstrap/Button'
import Form from 'react-bootstrap/Form'
import { cureChecks } from '@/core/plan'
import { ChoiceField } from '@/ui/ChoiceField'
import { useDraft } from '@/ui/drafts'
import { QuantityField } from '@/ui/QuantityField'
import type { StationProps } from '../station'
import { Day } from '@/ui/Day'
import { say, spokenWord } from '@/core/words'
import { same, Unfold, useText } from './Unfold'

type Props = Pick<StationProps, 'job' | 'settle' | 'now'>

const answersTo = ['ruled out', 'looks like it'] as const
const variants = { 'ruled out': 'primary', 'looks like it': 'danger' } as const
const leftToLook = (left: number, of: number): string =>
  left ? say`${left} of ${of} not looked at` : say`all ruled out`

/** What a fan would not cure, each ruled out or not; the job can end here. */
export function Cure({ job, settle, now }: Props) {
  const checks = cureChecks(job)
  const answers = checks.map((c) => job.checks.find((d) => d.id === c.id)?.found ?? null)
  const likely = answers.filter((a) => a === 'looks like it').length
  const left = answers.filter((a) => a === null).length
  const answer = (id: string, found: 'ruled out' | 'looks like it' | null): void => {
    const at = now().toISOString()
    settle((j) => answerCheck(j, id, found, at))
  }
  return (
    <Unfold
      title={say`Is a fan the cure?`}
      says={
        likely
          ? say`${likely} ${likely === 1 ? say`looks` : say`look`} like the cause`
          : leftToLook(left, checks.length)
      }
    >
      {checks.map((c, i) => (
        <div key={c.id} className="check-line" role="group" aria-label={c.name}>
          <span>
            <span className="fw-medium">{c.name}</span> <span className="soft small d-block">{c.looksLike}</span>
          </span>
          {answersTo.map((found) => (
            <Button
              key={found}
              size="sm"
              variant={answers[i] === found ? variants[found] : 'outline-dark'}
              aria-pressed={answers[i] === found}
              aria-label={`${c.name}: ${spokenWord(found)}`}
              onClick={() => answer(c.id, answers[i] === found ? null : found)}
            >
              {spokenWord(found)}
            </Button>
          ))}
        </div>
      ))}
      {likely > 0 && (
        <p className="say say-short">
          {say`Mend that first and run it again: a fan would only hide it. The job can end there.`}
        </p>
      )}
    </Unfold>
  )
}

/** How it ran before anything came apart. */
export function Baseline({ job, settle }: Props) {
  const { baseline, units: u } = job
  const change = (part: Partial<Job['baseline']>): void =>
    settle((j) => ({ ...j, baseline: { ...j.baseline, ...part } }))
  const reading = (value: number, typed: string) => ({ value, source: 'measured' as const, typed })
  const [load, setLoad] = useDraft('baseline.load')
  return (
    <Unfold
      title={say`Baseline`}
      says={baseline.state === 'not yet' ? say`not taken yet: it cannot be had afterwards` : spokenWord(baseline.state)}
    >
      <ChoiceField
        label={say`Baseline run`}
        value={baseline.state}
        options={same(['not yet', 'taken', 'cannot be had'])}
        onChange={(state) => change({ state })}
        tell={
          baseline.state === 'cannot be had'
            ? say`Before and after will not be comparable; the sheet says so.`
            : say`Same work, same load, same weather as the complaint: how hot, how soon, how long a hand can stay on
              it.`
        }
      />
      <QuantityField
        name="baseline.hot"
        label={say`got as hot as`}
        value={baseline.hotC?.value ?? null}
        quantity="temperature"
        system={u}
        onSettle={(v, t) => change({ hotC: reading(v, t) })}
        range={choiceEnds.baselineHotC}
      />
      <QuantityField
        name="baseline.air"
        label={say`surroundings then`}
        value={baseline.airC?.value ?? null}
        quantity="temperature"
        system={u}
        onSettle={(v, t) => change({ airC: reading(v, t) })}
        range={choiceEnds.baselineAirC}
      />
      <QuantityField
        name="baseline.touch"
        label={say`seat or panel could be touched for`}
        value={baseline.touchS?.value ?? null}
        quantity="seconds"
        system={u}
        onSettle={(v, t) => change({ touchS: reading(v, t) })}
        range={choiceEnds.baselineTouchS}
      />
      <Form.Group controlId="baseline-load" className="mt-2">
        <Form.Label className="mb-0">{say`Load, gear, bucket, what else was on`}</Form.Label>
        <Form.Control
          value={load ?? baseline.load}
          maxLength={160}
          onChange={(e) => setLoad(e.target.value)}
          onBlur={() => {
            if (load !== null && load !== baseline.load) change({ load })
            setLoad(null)
          }}
        />
      </Form.Group>
    </Unfold>
  )
}

/** A job may end without a fan; it can be taken up again. */
export function Ending({ job, settle, now }: Props) {
  const [why, setWhy] = useState<(typeof endings)[number]>(
    job.machine.hasBattery === false || job.machine.outputDc === false ? 'no direct current' : 'another cure',
  )
  const [note, setNote] = useText('ended.note')
  const [by, setBy] = useText('ended.by')
  if (job.ended) {
    return (
      <p className="say">
        {say`Ended without a fan: ${spokenWord(job.ended.why)}${job.ended.note ? `, ${job.ended.note}` : ''}
          (${job.ended.by},`}{' '}
        <Day at={job.ended.at} />
        ).{' '}
        <button type="button" className="word-button" onClick={() => settle((j) => ({ ...j, ended: null }))}>
          {say`Take the job up again`}
        </button>
      </p>
    )
  }
  return (
    <Unfold title={say`End the job here`} says={say`without a fan, and why`}>
      <form
        className="row g-2"
        onSubmit={(e) => {
          e.preventDefault()
          if (!by.trim()) return
          const at = now().toISOString()
          settle((j) => ({ ...j, ended: { why, note: note.trim(), by: by.trim(), at } }))
          setNote('')
          setBy('')
        }}
      >
        <div className="col-sm-4">
          <Form.Select aria-label={say`Why it ends`} value={why} onChange={(e) => setWhy(e.target.value as typeof why)}>
            {endings.map((w) => (
              <option key={w} value={w}>
                {spokenWord(w)}
              </option>
            ))}
          </Form.Select>
        </div>
        <div className="col-sm-4">
          <Form.Control
            aria-label={say`What was found or done`}
            placeholder={say`what was found or done`}
            maxLength={300}
            value={note}
            onChange={(e) => setNote(e.target.value)}
          />
        </div>
        <div className="col-sm-2">
          <Form.Control
            aria-label={say`Ended by`}
            placeholder={say`who`}
            maxLength={80}
            value={by}
            onChange={(e) => setBy(e.target.value)}
          />
        </div>
        <div className="col-sm-2">
          <Button type="submit" variant="outline-dark" disabled={!by.trim()}>
            {say`End it`}
          </Button>
        </div>
      </form>
    </Unfold>
  )
}
