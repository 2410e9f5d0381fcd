'use client'

import { allowances, type AlterationKind, alterationKinds } from '@/core/job'
import { useState } from 'react'
import Button from 'react-bootstrap/Button'
import Form from 'react-bootstrap/Form'
import { type Alteration, alterationsOf, alterationWords } from '@/core/plan'
import { UnsaidField } from '@/ui/ChoiceField'
import type { StationProps } from '../station'
import { say, spokenWord } from '@/core/words'
import { same, Unfold, useText } from './Unfold'

type Props = Pick<StationProps, 'job' | 'settle' | 'now'>

/** Every mark that the plan makes or somebody wrote down, held against what the owner allows. */
function Marks({ marks, settle }: Pick<Props, 'settle'> & { readonly marks: readonly Alteration[] }) {
  if (!marks.length) return <p className="soft mt-2 mb-1">{say`The plan leaves no mark on the machine.`}</p>
  return (
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
      <Marks marks={marks} settle={settle} />
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
