'use client'

import { useState } from 'react'
import { useForm } from 'react-hook-form'
import Button from 'react-bootstrap/Button'
import Form from 'react-bootstrap/Form'
import { isTicked, type Step, stepsOf, unplannedMeans } from '@/core/build'
import { type Job, noteUnplanned, type UnplannedKind, unplannedKinds } from '@/core/job'
import { stationNames } from '@/core/plan'
import { useName } from '@/ui/use-name'
import type { StationProps } from '../station'

type Props = Pick<StationProps, 'job' | 'settle' | 'now' | 'goTo'> & {
  readonly step: Step
  readonly onClose: () => void
}
interface Fields {
  readonly what: UnplannedKind
  readonly words: string
  readonly by: string
}

const withoutTicks = (job: Job, ids: readonly string[]): Job => ({
  ...job,
  build: { ...job.build, done: job.build.done.filter((d) => !ids.includes(d.step)) },
})

/** What turned out otherwise: noted with who and when, steps that it undoes unticked, and where it is chosen anew. */
export function NotAsPlanned({ step, job, settle, now, goTo, onClose }: Props) {
  const [name, remember] = useName()
  const [full, setFull] = useState<string | null>(null)
  const {
    register,
    watch,
    handleSubmit,
    formState: { errors },
  } = useForm<Fields>({ defaultValues: { what: unplannedKinds[0], words: '', by: name } })
  const means = unplannedMeans[watch('what')]
  const again = stepsOf(job).filter((s) => means.again.includes(s.id) && isTicked(job, s.id))
  const given = (v: string): boolean => v.trim() !== ''
  return (
    <Form
      noValidate
      className="not-as-planned"
      onSubmit={handleSubmit(({ what, words, by }) => {
        const at = now().toISOString()
        remember(by.trim())
        const next = noteUnplanned(job, step.id, what, words.trim(), { by: by.trim(), at })
        if ('full' in next) {
          setFull(next.full)
          return
        }
        const ids = again.map((s) => s.id)
        settle((j) => {
          const noted = noteUnplanned(j, step.id, what, words.trim(), { by: by.trim(), at })
          return 'full' in noted ? j : withoutTicks(noted, ids)
        })
        onClose()
        if (means.station !== 'build') goTo(means.station)
      })}
    >
      <h3>Not as planned</h3>
      <Form.Group controlId="unplanned-what">
        <Form.Label className="mb-0">What</Form.Label>
        <Form.Select {...register('what')}>
          {unplannedKinds.map((k) => (
            <option key={k}>{k}</option>
          ))}
        </Form.Select>
      </Form.Group>
      <Form.Group controlId="unplanned-words">
        <Form.Label className="mb-0">In a few words</Form.Label>
        <Form.Control maxLength={300} isInvalid={!!errors.words} {...register('words', { validate: given })} />
        <Form.Control.Feedback type="invalid">Say what is otherwise.</Form.Control.Feedback>
      </Form.Group>
      <Form.Group controlId="unplanned-by">
        <Form.Label className="mb-0">Name</Form.Label>
        <Form.Control maxLength={80} isInvalid={!!errors.by} {...register('by', { validate: given })} />
        <Form.Control.Feedback type="invalid">Say who.</Form.Control.Feedback>
      </Form.Group>
      <p className="small mb-1">
        {means.tell}
        {again.length > 0 && ` To be done again: ${again.map((s) => s.title).join(', ')}.`}
      </p>
      {full && <p className="say say-short">It cannot be noted: {full}.</p>}
      <div className="d-flex gap-2 flex-wrap">
        <Button type="submit" variant="outline-dark">
          {means.station === 'build' ? 'Note it' : `Note it, and change it in ${stationNames[means.station]}`}
        </Button>
        <Button variant="link" onClick={onClose}>
          Cancel
        </Button>
      </div>
    </Form>
  )
}
