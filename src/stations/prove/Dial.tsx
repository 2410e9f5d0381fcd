'use client'

import { useState } from 'react'
import { useForm } from 'react-hook-form'
import Button from 'react-bootstrap/Button'
import Form from 'react-bootstrap/Form'
import { dialFor } from '@/core/control'
import { eachOnce, isSettable } from '@/core/fan-circuit'
import { addDialPoint, choiceEnds, removeDialPoint } from '@/core/job'
import { format, parse } from '@/core/units'
import { outside } from '@/ui/QuantityField'
import type { StationProps } from '../station'
import { say } from '@/core/words'

type Props = Pick<StationProps, 'job' | 'settle' | 'now'> & { readonly controller: string; readonly setC: number }
interface Fields {
  readonly position: string
  readonly starts: string
}

/** "5 o’clock", "half past 4": where a mark of a dial points. */
function byTheClock(position: number): string {
  const halves = Math.round(position * 2)
  const hour = Math.floor(halves / 2) || 12
  return halves % 2 ? say`half past ${hour}` : say`${hour} o’clock`
}

/** Points of one dial, where it must stand for the wanted start, and a way to note another. */
function DialOf({ job, settle, now, controller, setC }: Props) {
  const [trouble, setTrouble] = useState<string | null>(null)
  const { register, handleSubmit, reset } = useForm<Fields>({ defaultValues: { position: '', starts: '' } })
  const points = job.dial.filter((d) => d.controller === controller)
  const answer = dialFor(points, setC)
  const celsius = (c: number): string => format(c, 'temperature', job.units)
  return (
    <>
      {points.map((p) => (
        <p key={p.id} className="mb-1 small">
          {say`${byTheClock(p.position)}: starts at ${celsius(p.startsC)}`}{' '}
          <button
            type="button"
            className="word-button soft"
            aria-label={say`take out: ${byTheClock(p.position)}`}
            onClick={() => settle((j) => removeDialPoint(j, p.id))}
          >
            {say`take out`}
          </button>
        </p>
      ))}
      <p className="say" role="status">
        {answer.kind === 'position'
          ? say`For ${celsius(setC)}: ${byTheClock(answer.position)}, give or take
            ${format(answer.offK, 'temperatureDifference', job.units, 2)}. Prove it there.`
          : answer.why}
      </p>
      <Form
        noValidate
        className="take-off"
        onSubmit={handleSubmit(({ position, starts }) => {
          const at = Number(position.replace(',', '.'))
          const read = parse(starts, 'temperature', job.units)
          const [low, high] = choiceEnds.dialPosition
          if (position.trim() === '' || !(at >= low && at <= high)) {
            setTrouble(say`Where the mark points, as on a clock: 0 to 12, halves too.`)
            return
          }
          const wrong = read.ok ? outside(read.value, choiceEnds.setC, 'temperature', job.units) : read.message
          if (!read.ok || wrong) {
            setTrouble(wrong)
            return
          }
          const moment = now().toISOString()
          settle((j) => {
            const next = addDialPoint(j, { controller, position: at, startsC: read.value }, moment)
            setTrouble('full' in next ? next.full : null)
            return 'full' in next ? j : next
          })
          reset()
        })}
      >
        <Form.Group controlId={`dial-at-${controller}`}>
          <Form.Label className="mb-0">{say`The mark points to, by the clock`}</Form.Label>
          <Form.Control inputMode="decimal" maxLength={10} {...register('position')} />
        </Form.Group>
        <Form.Group controlId={`dial-starts-${controller}`}>
          <Form.Label className="mb-0">{say`There it starts at`}</Form.Label>
          <Form.Control maxLength={20} {...register('starts')} />
        </Form.Group>
        {trouble && (
          <p className="say say-short mb-0" role="alert">
            {trouble}
          </p>
        )}
        <Button type="submit" variant="outline-dark">
          {say`Note the point`}
        </Button>
      </Form>
    </>
  )
}

/** A dial without a scale, found out by heating: for each controller that can be set. */
export function Dial(props: Pick<StationProps, 'job' | 'settle' | 'now'>) {
  const set = eachOnce(props.job, 'controller').filter(([c]) => isSettable(c.part))
  return set.map(([c, { suffix }]) => (
    <details key={c.id} className="mt-3">
      <summary>{say`A dial without a scale${suffix}`}</summary>
      <DialOf {...props} controller={c.id} setC={c.setC} />
    </details>
  ))
}
