'use client'

import { usePathname } from 'next/navigation'
import { useState } from 'react'
import { useForm } from 'react-hook-form'
import Button from 'react-bootstrap/Button'
import Form from 'react-bootstrap/Form'
import { signing, takenOn, type ToAccept } from '@/core/plan'
import { EvidenceStrip } from '../evidence/EvidenceStrip'
import type { StationProps, StationView } from '../station'
import { BeforeAfter } from './BeforeAfter'
import { Claims } from './Claims'
import { DaysToCome } from './DaysToCome'
import { SettingsLeft } from './SettingsLeft'
import { Trouble } from '@/ui/Trouble'
import { Day } from '@/ui/Day'
import { say } from '@/core/words'

function Acceptances({
  open,
  settle,
  now,
}: { readonly open: readonly ToAccept[] } & Pick<StationProps, 'settle' | 'now'>) {
  const {
    register,
    handleSubmit,
    reset,
    formState: { errors },
  } = useForm<{ who: string; why: string }>({ defaultValues: { who: '', why: '' } })
  const [chosen, setChosen] = useState<Readonly<Record<string, boolean>>>({})
  const keyOf = (a: ToAccept): string => `${a.margin}/${a.part}/${a.verdict}`
  const picked = open.filter((a) => chosen[keyOf(a)])
  return (
    <Form
      noValidate
      onSubmit={handleSubmit(({ who, why }) => {
        const at = now().toISOString()
        settle((j) => ({
          ...j,
          acceptances: [
            ...j.acceptances,
            ...picked.map(({ margin, part, verdict, worst }) => ({
              margin,
              part,
              verdict,
              worst,
              who: who.trim(),
              why: why.trim(),
              at,
            })),
          ],
        }))
        setChosen({})
        reset({ who, why: '' })
      })}
    >
      <h2 className="mt-3">{say`To be accepted, with who and why`}</h2>
      {open.map((a, n) => (
        <Form.Check
          key={keyOf(a)}
          id={`accept-${n}`}
          label={a.text}
          checked={chosen[keyOf(a)] ?? false}
          onChange={(e) => setChosen({ ...chosen, [keyOf(a)]: e.target.checked })}
        />
      ))}
      <div className="row g-2 mt-1">
        <Form.Group className="col-sm-4" controlId="accept-who">
          <Form.Label className="mb-0">{say`Who`}</Form.Label>
          <Form.Control
            maxLength={80}
            isInvalid={!!errors.who}
            {...register('who', { validate: (v) => v.trim() !== '' })}
          />
          <Form.Control.Feedback type="invalid">{say`Say who accepts it.`}</Form.Control.Feedback>
        </Form.Group>
        <Form.Group className="col-sm-8" controlId="accept-why">
          <Form.Label className="mb-0">{say`Why it may stand, and what the owner was told`}</Form.Label>
          <Form.Control
            maxLength={400}
            isInvalid={!!errors.why}
            {...register('why', { validate: (v) => v.trim() !== '' })}
          />
          <Form.Control.Feedback type="invalid">{say`Say why it may stand.`}</Form.Control.Feedback>
        </Form.Group>
      </div>
      <Button type="submit" variant="outline-dark" className="mt-2" disabled={picked.length === 0}>
        {say`Accept what is ticked`}
      </Button>
    </Form>
  )
}

function Signature({ ready, sign }: { readonly ready: boolean } & Pick<StationProps, 'sign'>) {
  const {
    register,
    handleSubmit,
    formState: { errors, isSubmitting },
  } = useForm<{ by: string }>({ defaultValues: { by: '' } })
  const [trouble, setTrouble] = useState<string | null>(null)
  return (
    <Form noValidate className="mt-3" onSubmit={handleSubmit(async ({ by }) => setTrouble(await sign(by.trim())))}>
      <Form.Group controlId="sign-by">
        <Form.Label className="mb-0">{say`Signed by`}</Form.Label>
        <Form.Control
          style={{ maxWidth: 320 }}
          maxLength={80}
          isInvalid={!!errors.by}
          {...register('by', { validate: (v) => v.trim() !== '' })}
        />
        <Form.Control.Feedback type="invalid">{say`Write your name.`}</Form.Control.Feedback>
      </Form.Group>
      <Button type="submit" className="mt-2" disabled={!ready || isSubmitting}>
        {say`Sign the job`}
      </Button>
      <Trouble words={trouble} />
    </Form>
  )
}

/** Margins that what was seen since the signature makes short. */
const shortSince = ({ job, evaluation }: Pick<StationProps, 'job' | 'evaluation'>): string[] =>
  job.signature && job.observations.some((o) => o.at > job.signature!.at)
    ? evaluation.margins.filter((m) => m.verdict === 'short').map((m) => m.name)
    : []

function Stage(props: StationProps) {
  const { job, evaluation, run, settle, now, sign } = props
  const short = shortSince(props)
  const path = usePathname()
  const { blockers, toAccept, ready } = signing(job, evaluation)
  const open = toAccept.filter((a) => !a.accepted)
  // what is to be accepted is told from draws: until they are made for this very job it may change
  const waiting = run.pending || evaluation.margins.some((m) => m.toldFrom === undefined || m.soft)
  return (
    <>
      <h2>{job.signature ? say`Signed` : say`What stands before the signature`}</h2>
      {job.signature ? (
        <p className="say say-holds">
          {say`Signed by ${job.signature.by} on`} <Day at={job.signature.at} />
          {say`. The evaluation and the bench sheet are kept as they were then; a change from here on opens the job
            again and leaves them untouched. What is seen of the machine and what is claimed of it may be noted below
            all the same.`}
        </p>
      ) : (
        <>
          {blockers.map((b) => (
            <p key={b} className="say say-short">
              {b}
            </p>
          ))}
          {!waiting && blockers.length === 0 && open.length === 0 && (
            <p className="say say-holds">{say`Nothing. It can be signed.`}</p>
          )}
          {waiting && (
            <p className="say" role="status">
              {say`The day is still being run through: wait with what is to be accepted, it may change.`}{' '}
              <progress value={run.progress ?? 0} max={1} aria-label={say`spreads run through`} />
            </p>
          )}
          <fieldset disabled={waiting}>
            {open.length > 0 && <Acceptances open={open} settle={settle} now={now} />}
            <Signature ready={ready} sign={sign} />
          </fieldset>
        </>
      )}
      <p className="mt-3 d-flex gap-3 flex-wrap">
        <a href={`${path}/card`}>{say`Owner’s card`}</a>
        <a href={`${path}/built`}>{say`As built`}</a>
        <a href={`${path}/life`}>{say`The machine’s life`}</a>
      </p>
      {short.length > 0 && (
        <p className="say say-short" role="status">
          {say`By what was seen since the signature ${short.join(', ')} ${short.length === 1 ? say`is` : say`are`}
            short.`}
        </p>
      )}
      {job.acceptances.length > 0 && (
        <>
          <h2 className="mt-4">{say`Accepted`}</h2>
          <ul className="plain-list small">
            {takenOn(job, evaluation).map((a) => (
              <li key={`${a.margin}${a.part}${a.at}`} className="mb-1">
                {a.what}.{' '}
                <span className="soft">
                  {a.who}, <Day at={a.at} />: {a.why}
                </span>
              </li>
            ))}
          </ul>
        </>
      )}
      <div className="mt-4">
        <EvidenceStrip {...props} />
      </div>
      <BeforeAfter job={job} />
      <Claims {...props} />
    </>
  )
}

function Tray(props: StationProps) {
  return (
    <>
      <DaysToCome {...props} />
      <SettingsLeft {...props} />
    </>
  )
}

export const afterStation: StationView = { Stage, Tray }
