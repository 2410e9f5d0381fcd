'use client'

import { worded } from '@/core/units'
import { useForm } from 'react-hook-form'
import Button from 'react-bootstrap/Button'
import Form from 'react-bootstrap/Form'
import { isTicked, type Step, stepsOf, unplannedMeans } from '@/core/build'
import { type Job, noteUnplanned, type UnplannedKind, unplannedKinds } from '@/core/job'
import { stationNames } from '@/core/fields'
import { useName } from '@/ui/use-name'
import { FormLine, given } from '@/ui/FormLine'
import { Slot } from './Slot'
import type { StationProps } from '../station'
import { useTaken } from '../use-taken'
import { say, spokenWord } from '@/core/words'

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
  const { full, take } = useTaken({ job, settle })
  const {
    register,
    watch,
    handleSubmit,
    formState: { errors },
  } = useForm<Fields>({ defaultValues: { what: unplannedKinds[0], words: '', by: name } })
  const means = unplannedMeans[watch('what')]
  const again = stepsOf(job).filter((s) => means.again.includes(s.id) && isTicked(job, s.id))
  return (
    <Form
      noValidate
      className="not-as-planned"
      onSubmit={handleSubmit(({ what, words, by }) => {
        const at = now().toISOString()
        remember(by.trim())
        const ids = again.map((s) => s.id)
        const noted = take((j) => {
          const next = noteUnplanned(j, step.id, what, words.trim(), { by: by.trim(), at })
          return 'full' in next ? next : withoutTicks(next, ids)
        })
        if (!noted) return
        onClose()
        if (means.station !== 'build') goTo(means.station)
      })}
    >
      <h3>{say`Not as planned`}</h3>
      <Form.Group controlId="unplanned-what">
        <Form.Label className="mb-0">{say`What`}</Form.Label>
        <Form.Select {...register('what')}>
          {unplannedKinds.map((k) => (
            <option key={k} value={k}>
              {spokenWord(k)}
            </option>
          ))}
        </Form.Select>
      </Form.Group>
      <FormLine
        id="unplanned-words"
        label={say`In a few words`}
        most={300}
        field={register('words', { validate: given })}
        wrong={errors.words && say`Say what is otherwise.`}
      />
      <FormLine
        id="unplanned-by"
        label={say`Name`}
        most={80}
        field={register('by', { validate: given })}
        wrong={errors.by && say`Say who.`}
      />
      {watch('what') === 'a hole does not line up' && <Slot job={job} />}
      <p className="small mb-1">
        {worded(means.tell, job.units)}
        {again.length > 0 && say` To be done again: ${again.map((s) => s.title).join(', ')}.`}
      </p>
      {full && <p className="say say-short">{say`It cannot be noted: ${full}.`}</p>}
      <div className="d-flex gap-2 flex-wrap">
        <Button type="submit" variant="outline-dark">
          {means.station === 'build' ? say`Note it` : say`Note it, and change it in ${stationNames[means.station]}`}
        </Button>
        <Button variant="link" onClick={onClose}>
          {say`Cancel`}
        </Button>
      </div>
    </Form>
  )
}
