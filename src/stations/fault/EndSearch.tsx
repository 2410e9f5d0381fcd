'use client'

import { useState } from 'react'
import { useForm } from 'react-hook-form'
import Button from 'react-bootstrap/Button'
import Form from 'react-bootstrap/Form'
import { askedFirst, type Cause, type Found, type Move, type Standing, type Table, usually } from '@/core/diagnose'
import type { Search } from '@/core/job'
import type { UnitSystem } from '@/core/units'
import { FormLine, given } from '@/ui/FormLine'
import { useName } from '@/ui/use-name'
import { inWords } from './say'
import { say } from '@/core/words'

const OFFERED = 10

interface Fields {
  readonly repair: string
  readonly proof: string
  readonly by: string
}

/** What was complained of, and has to be seen again once it is mended. */
function complained(table: Table, found: readonly Found[]): Move[] {
  const asked = askedFirst(table).flatMap((a) => a.moves)
  return asked.filter((m) => found.some((f) => f.move === m.id && f.found !== usually(table, m.id)))
}

type Props = {
  readonly table: Table
  readonly standing: Standing
  readonly search: Search
  readonly units: UnitSystem
  readonly now: () => Date
  readonly onEnd: (ended: NonNullable<Search['ended']>) => void
}

/** What was complained of, asked again now that it is mended. */
function SeenNow({
  moves,
  seen,
  onSee,
}: {
  readonly moves: readonly Move[]
  readonly seen: Readonly<Record<string, string>>
  readonly onSee: (move: string, found: string) => void
}) {
  return moves.map((m) => (
    <Form.Group key={m.id} controlId={`now-${m.id.replaceAll(':', '-')}`}>
      <Form.Label className="mb-0">{say`Now, ${m.title.charAt(0).toLowerCase() + m.title.slice(1)}`}</Form.Label>
      <Form.Select value={seen[m.id] ?? ''} onChange={(e) => onSee(m.id, e.target.value)}>
        <option value="" disabled>
          {say`look, and say`}
        </option>
        {m.answers!.map((a) => (
          <option key={a.id} value={a.id}>
            {a.words}
          </option>
        ))}
      </Form.Select>
    </Form.Group>
  ))
}

/** Why a search cannot end yet: something was not looked at again, or is as it was. Null where it can. */
function notYet(table: Table, again: readonly Move[], seen: Readonly<Record<string, string>>): string | null {
  const open = again.filter((m) => seen[m.id] === undefined)
  if (open.length) return say`Say what it does now: ${open.map((m) => m.title).join('; ')}.`
  const still = again.filter((m) => seen[m.id] !== usually(table, m.id))
  return still.length
    ? say`It is not put right: ${still.map((m) => m.title).join('; ')}. Note that above and go on.`
    : null
}

function WhatItWas({
  offered,
  chosen,
  onChoose,
}: {
  readonly offered: readonly Cause[]
  readonly chosen: Cause
  readonly onChoose: (cause: Cause) => void
}) {
  return (
    <Form.Group controlId="end-cause">
      <Form.Label className="mb-0">{say`What it was`}</Form.Label>
      <Form.Select value={chosen.id} onChange={(e) => onChoose(offered.find((c) => c.id === e.target.value) ?? chosen)}>
        {offered.map((c) => (
          <option key={c.id} value={c.id}>
            {c.words}
          </option>
        ))}
      </Form.Select>
    </Form.Group>
  )
}

/** What it was, how it was put right, what it does now: it ends only with that as it should be. */
function EndForm({ table, standing, search, units, now, onEnd }: Props) {
  const [name, remember] = useName()
  // as they stood when it was opened: what is typed is not taken away by a later answer
  const [offered] = useState(() => standing.ranked.slice(0, OFFERED).map((r) => r.cause))
  const first = offered[0]!
  const [chosen, setChosen] = useState<Cause>(first)
  const [seen, setSeen] = useState<Readonly<Record<string, string>>>({})
  const [wrong, setWrong] = useState<string | null>(null)
  const {
    register,
    handleSubmit,
    setValue,
    formState: { errors },
  } = useForm<Fields>({ defaultValues: { repair: first.repair.step, proof: '', by: name } })
  // where nothing was wrong it does what it did
  const again = chosen.id === 'nothing' ? [] : complained(table, search.found)
  const submit = ({ repair, proof, by }: Fields): void => {
    const why = notYet(table, again, seen)
    setWrong(why)
    if (why !== null) return
    remember(by.trim())
    const told = again.map((m) => `${m.title}: ${inWords(m, seen[m.id] ?? null, units)}`)
    onEnd({
      cause: chosen.id.slice(0, 120),
      words: chosen.words.slice(0, 300),
      repair: repair.trim().slice(0, 400),
      proof: [...told, proof.trim()].join('; ').slice(0, 300),
      by: by.trim(),
      at: now().toISOString(),
    })
  }
  return (
    <Form noValidate onSubmit={handleSubmit(submit)} className="reason-form">
      <WhatItWas
        offered={offered}
        chosen={chosen}
        onChoose={(cause) => {
          setChosen(cause)
          setValue('repair', cause.repair.step)
        }}
      />
      <FormLine
        id="end-repair"
        label={say`How it was put right`}
        most={400}
        field={register('repair', { validate: given })}
        wrong={errors.repair && say`Say how.`}
      />
      {chosen.repair.parts.length > 0 && (
        <p className="small soft mb-1">{say`It takes: ${chosen.repair.parts.join(', ')}.`}</p>
      )}
      <p className="small mb-1">{say`Shown by: ${chosen.repair.proof}`}</p>
      <SeenNow
        moves={again}
        seen={seen}
        onSee={(move, found) => {
          setWrong(null)
          setSeen({ ...seen, [move]: found })
        }}
      />
      <FormLine
        id="end-proof"
        label={say`What showed it`}
        most={200}
        field={register('proof', { validate: given })}
        wrong={errors.proof && say`Say what showed that it is right.`}
      />
      <FormLine
        id="end-by"
        label={say`Name`}
        most={80}
        field={register('by', { validate: given })}
        wrong={errors.by && say`Say who.`}
      />
      {wrong && <p className="say say-short">{wrong}</p>}
      <Button type="submit" variant="outline-dark">
        {say`End the search`}
      </Button>
    </Form>
  )
}

/** The end of a search, folded until it is there. */
export function EndSearch(props: Props) {
  const [open, setOpen] = useState(false)
  return (
    <details className="end-search" onToggle={(e) => setOpen(e.currentTarget.open)}>
      <summary>{say`It is found and put right`}</summary>
      {open && <EndForm {...props} />}
    </details>
  )
}
