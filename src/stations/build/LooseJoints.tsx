'use client'

import { useForm } from 'react-hook-form'
import Button from 'react-bootstrap/Button'
import { addLooseJoint, removeLooseJoint } from '@/core/job'
import { FormLine, given } from '@/ui/FormLine'
import type { StationProps } from '../station'
import { useTaken } from '../use-taken'
import { say } from '@/core/words'

/** Joints that hold by friction alone: nothing clicks, so somebody looks at them again. */
export function LooseJoints({ job, settle, now }: Pick<StationProps, 'job' | 'settle' | 'now'>) {
  const { full, take } = useTaken({ job, settle })
  const {
    register,
    handleSubmit,
    reset,
    formState: { errors },
  } = useForm<{ where: string }>({ defaultValues: { where: '' } })
  return (
    <section aria-label={say`Joints without a catch`}>
      <h3 className="mt-3">{say`Joints without a catch`}</h3>
      <p className="small soft">
        {say`Pushed together and held by friction only: named when connectors are looked at again.`}
      </p>
      {job.looseJoints.map((j) => (
        <p key={j.id} className="mb-1">
          {j.where}{' '}
          <button
            type="button"
            className="word-button soft"
            aria-label={say`take out: ${j.where}`}
            onClick={() => settle((x) => removeLooseJoint(x, j.id))}
          >
            {say`take out`}
          </button>
        </p>
      ))}
      <form
        noValidate
        className="take-off"
        onSubmit={handleSubmit(({ where }) => {
          const at = now().toISOString()
          if (take((j) => addLooseJoint(j, where.trim(), at))) reset()
        })}
      >
        <FormLine
          id="loose-where"
          label={say`Which joint, and where`}
          most={120}
          placeholder={say`blade terminals behind the headlamp`}
          field={register('where', { validate: given })}
          wrong={errors.where && say`Say which.`}
        />
        <Button type="submit" variant="outline-dark">
          {say`Note the joint`}
        </Button>
        {full && <p className="say say-short">{say`It cannot be noted: ${full}.`}</p>}
      </form>
    </section>
  )
}
