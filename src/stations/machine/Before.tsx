'use client'

import {
  allowances,
  type AlterationKind,
  alterationKinds,
  answerCheck,
  blowsOnto,
  changeGround,
  choiceEnds,
  endings,
  grounds,
  ingressNeeds,
  type Job,
  jobKinds,
  type LivesIn,
} from '@/core/job'
import { useState } from 'react'
import Button from 'react-bootstrap/Button'
import Form from 'react-bootstrap/Form'
import { alterationsOf, alterationWords, cureChecks, planWarnings } from '@/core/plan'
import { ChoiceField, UnsaidField, YesNoField } from '@/ui/ChoiceField'
import { useDraft } from '@/ui/drafts'
import { QuantityField } from '@/ui/QuantityField'
import type { StationProps } from '../station'
import { Day } from '@/ui/Day'
import { say, spokenWord } from '@/core/words'

const same = <const V extends string>(values: readonly V[]): { value: V; name: V }[] =>
  values.map((value) => ({ value, name: value }))

/** A part of the machine's story that unfolds; what it comes to stands in its heading. */
export function Unfold({
  title,
  says,
  open,
  children,
}: {
  readonly title: string
  readonly says: string
  readonly open?: boolean
  readonly children: React.ReactNode
}) {
  return (
    <details className="unfold" open={open}>
      <summary>
        <strong>{title}</strong> <span className="soft">{says}</span>
      </summary>
      <div className="pb-3">{children}</div>
    </details>
  )
}

type Props = Pick<StationProps, 'job' | 'settle' | 'now'>

/** Text that is not settled yet: it outlives a change of station and a reload. */
function useText(field: string): [string, (text: string) => void] {
  const [draft, setDraft] = useDraft(field)
  return [draft ?? '', (text) => setDraft(text === '' ? null : text)]
}

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
          : left
            ? say`${left} of ${checks.length} not looked at`
            : say`all ruled out`
      }
    >
      {checks.map((c, i) => (
        <div key={c.id} className="check-line" role="group" aria-label={c.name}>
          <span>
            <span className="fw-medium">{c.name}</span> <span className="soft small d-block">{c.looksLike}</span>
          </span>
          {(['ruled out', 'looks like it'] as const).map((found) => (
            <Button
              key={found}
              size="sm"
              variant={answers[i] === found ? (found === 'ruled out' ? 'primary' : 'danger') : 'outline-dark'}
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

/** What the owner lets be done, and every mark the plan makes, held against it. */
export function Allowed({ job, settle }: Props) {
  const [kind, setKind] = useState<AlterationKind>('hole')
  const [what, setWhat] = useText('alterations.what')
  const marks = alterationsOf(job)
  const clashing = marks.filter((m) => m.clashes).length
  const newId = (): string =>
    `mark${Math.max(0, ...job.alterations.map((a) => Number(/\d+$/.exec(a.id)?.[0] ?? 0))) + 1}`
  return (
    <Unfold
      title={say`What the owner allows`}
      says={
        clashing
          ? say`${clashing} ${clashing === 1 ? say`mark goes` : say`marks go`} too far`
          : spokenWord(job.machine.ownerAllows ?? 'not asked')
      }
    >
      <UnsaidField
        label={say`The owner allows`}
        value={job.machine.ownerAllows}
        options={same(allowances)}
        onChange={(ownerAllows) => settle((j) => ({ ...j, machine: { ...j.machine, ownerAllows } }))}
      />
      {marks.length === 0 ? (
        <p className="soft mt-2 mb-1">{say`The plan leaves no mark on the machine.`}</p>
      ) : (
        <ul className="list-unstyled mt-2 mb-1">
          {marks.map((m) => (
            <li key={m.id} className="d-flex gap-2 align-items-center border-bottom">
              <span className="flex-grow-1">
                {alterationWords[m.kind].name}: {m.what}{' '}
                <span className="soft small">
                  {m.undoable ? say`can be undone` : say`stays`}
                  {m.fromPlan ? say`, by the plan` : ''}
                </span>
              </span>
              {m.clashes && <span className="verdict-short">{say`not allowed`}</span>}
              {!m.fromPlan && (
                <button
                  type="button"
                  className="word-button"
                  aria-label={say`Take away: ${m.what}`}
                  onClick={() => settle((j) => ({ ...j, alterations: j.alterations.filter((a) => a.id !== m.id) }))}
                >
                  {say`take away`}
                </button>
              )}
            </li>
          ))}
        </ul>
      )}
      <form
        className="d-flex gap-2 flex-wrap"
        onSubmit={(e) => {
          e.preventDefault()
          if (!what.trim()) return
          const entry = { id: newId(), kind, what: what.trim() }
          settle((j) => ({ ...j, alterations: [...j.alterations, entry] }))
          setWhat('')
        }}
      >
        <Form.Select
          aria-label={say`Kind of mark`}
          style={{ width: 'auto' }}
          value={kind}
          onChange={(e) => setKind(e.target.value as AlterationKind)}
        >
          {alterationKinds.map((k) => (
            <option key={k} value={k}>
              {alterationWords[k].name}
            </option>
          ))}
        </Form.Select>
        <Form.Control
          aria-label={say`What and where`}
          placeholder={say`what and where`}
          maxLength={120}
          style={{ maxWidth: 260 }}
          value={what}
          onChange={(e) => setWhat(e.target.value)}
        />
        <Button type="submit" variant="outline-dark" disabled={!what.trim()}>
          {say`Add`}
        </Button>
      </form>
    </Unfold>
  )
}

/** Water, mud, and what the hot air will land on. */
export function Lives({ job, settle }: Props) {
  const { livesIn, shielded } = job.surroundings
  const change = (part: Partial<Job['surroundings']>): void =>
    settle((j) => ({ ...j, surroundings: { ...j.surroundings, ...part } }))
  const warnings = planWarnings(job).filter((w) => w.id.startsWith('ingress') || w.id === 'blows on')
  return (
    <Unfold
      title={say`Where it lives, what the hot air meets`}
      says={
        warnings.length
          ? `${warnings.length} ${warnings.length === 1 ? say`warning` : say`warnings`}`
          : livesIn
            ? spokenWord(livesIn)
            : say`not said yet`
      }
    >
      <UnsaidField
        label={say`It lives`}
        value={livesIn}
        options={(Object.keys(ingressNeeds) as LivesIn[]).map((value) => ({
          value,
          name: `${spokenWord(value)} (${ingressNeeds[value]})`,
        }))}
        onChange={(v) => change({ livesIn: v })}
      />
      <YesNoField
        label={say`Fan and controller behind a shield`}
        value={shielded}
        onChange={(v) => change({ shielded: v })}
      />
      {jobKinds[job.kind].mountsFan && job.cooling && (
        <UnsaidField
          label={say`It works on`}
          value={job.surroundings.ground}
          options={same(grounds)}
          onChange={(ground) => settle((j) => changeGround(j, ground))}
        />
      )}
      {jobKinds[job.kind].mountsFan && (
        <UnsaidField
          label={say`The hot air will blow on`}
          value={job.place.blowsOn}
          options={same(blowsOnto)}
          onChange={(blowsOn) => settle((j) => ({ ...j, place: { ...j.place, blowsOn } }))}
        />
      )}
      {warnings.map((w) => (
        <p key={w.id} className="say say-unsure">
          {w.text} {w.helps}
        </p>
      ))}
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
              <option key={w}>{spokenWord(w)}</option>
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
