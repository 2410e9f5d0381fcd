'use client'

import { useState } from 'react'
import { useForm } from 'react-hook-form'
import Button from 'react-bootstrap/Button'
import Form from 'react-bootstrap/Form'
import { isDry, isTicked, openEntries, opensCoolant } from '@/core/build'
import { comeBack, type Job, leaveWork, type Leaving as Safe, leavings } from '@/core/job'
import { useName } from '@/ui/use-name'
import { FormLine, given } from '@/ui/FormLine'
import type { StationProps } from '../station'
import { useTaken } from '../use-taken'
import { Day } from '@/ui/Day'
import { say, spokenWord } from '@/core/words'

type Props = Pick<StationProps, 'job' | 'settle' | 'now'>
interface Fields {
  readonly why: string
  readonly awaits: string
  readonly by: string
}

/** What has to be safe as this job stands now: no fuel line on a trailer, no coolant in an air bay. */
const safeFor = (job: Job): Safe[] =>
  leavings.filter(
    (l) =>
      (l !== 'fuel shut and capped' || job.engine !== null) &&
      (l !== 'coolant caught, covered and labelled' || opensCoolant(job)) &&
      (l !== 'openings plugged' || isDry(job)),
  )

/** Leaves work lying: what must be safe first, why, and what is awaited. */
export function LeaveIt({ job, settle, now }: Props) {
  const [asking, setAsking] = useState(false)
  const [safe, setSafe] = useState<readonly Safe[]>([])
  const [name, remember] = useName()
  const { full, take } = useTaken({ job, settle })
  const {
    register,
    handleSubmit,
    formState: { errors },
  } = useForm<Fields>({ defaultValues: { why: '', awaits: '', by: name } })
  const must = safeFor(job)
  const unsafe = must.filter((m) => !safe.includes(m))
  if (!asking)
    return (
      <Button variant="outline-dark" onClick={() => setAsking(true)}>
        {say`Leave it here`}
      </Button>
    )
  return (
    <Form
      noValidate
      className="not-as-planned"
      onSubmit={handleSubmit(({ why, awaits, by }) => {
        if (unsafe.length) return
        const at = now().toISOString()
        remember(by.trim())
        const who = { by: by.trim(), at }
        if (!take((j) => leaveWork(j, why.trim(), awaits.trim(), safe, who))) return
        setAsking(false)
        setSafe([])
      })}
    >
      <h3>{say`Safe to leave?`}</h3>
      {must.map((m) => (
        <Form.Check
          key={m}
          id={`safe-${m}`}
          label={m}
          checked={safe.includes(m)}
          onChange={(e) => setSafe(e.target.checked ? [...safe, m] : safe.filter((s) => s !== m))}
        />
      ))}
      <FormLine
        id="leave-why"
        label={say`Why it is left`}
        most={300}
        field={register('why', { validate: given })}
        wrong={errors.why && say`Say why.`}
      />
      <FormLine id="leave-awaits" label={say`What is awaited`} most={200} field={register('awaits')} />
      <FormLine
        id="leave-by"
        label={say`Name`}
        most={80}
        field={register('by', { validate: given })}
        wrong={errors.by && say`Say who.`}
      />
      {full && <p className="say say-short">{say`It cannot be noted: ${full}.`}</p>}
      {unsafe.length > 0 && <p className="small mb-1">{say`Not yet said to be safe: ${unsafe.join('; ')}.`}</p>}
      <div className="d-flex gap-2">
        <Button type="submit" variant="outline-dark" disabled={unsafe.length > 0}>
          {say`Leave it`}
        </Button>
        <Button variant="link" onClick={() => setAsking(false)}>
          {say`Cancel`}
        </Button>
      </div>
    </Form>
  )
}

/** Work that was left lying: what was awaited, and what is open, before anything goes on. */
export function LeftLying({ job, settle, now }: Props) {
  const left = job.build.left.find((l) => l.backAt === null)
  if (!left) return null
  const open = openEntries(job)
  const off = isTicked(job, 'battery-off') && !isTicked(job, 'battery-on')
  return (
    <section className="big-step" aria-label={say`Left lying`}>
      <h2>
        {say`Left on`} <Day at={left.at} />
      </h2>
      <p>
        {left.why}
        {left.awaits && say`; awaits ${left.awaits}`} ({left.by}).
      </p>
      <ul>
        {isDry(job) && <li>{say`The coolant is out.`}</li>}
        {off && <li>{say`The battery is off.`}</li>}
        {open.map((e) => (
          <li key={e.id}>{say`Off: ${e.what}${e.smallParts && say`, small parts: ${e.smallParts}`}`}</li>
        ))}
        {left.safe.map((s) => (
          <li key={s} className="soft">
            {say`Left so: ${spokenWord(s)}.`}
          </li>
        ))}
      </ul>
      <Button
        onClick={() => {
          const at = now().toISOString()
          settle((j) => comeBack(j, at))
        }}
      >
        {say`Go on with it`}
      </Button>
    </section>
  )
}
