'use client'

import Form from 'react-bootstrap/Form'
import { lookAtHold, takesMechanicalFan } from '@/core/job'
import { holdsOf, holdWords } from '@/core/build'
import { UnsaidField, YesNoField } from '@/ui/ChoiceField'
import type { StationProps } from '../station'
import { Unfold } from './Unfold'
import { say } from '@/core/words'

const yesNo = [
  { value: 'yes', name: 'yes' },
  { value: 'no', name: 'no' },
] as const

const said = (held: boolean | null): 'yes' | 'no' | null => {
  if (held === null) return null
  return held ? 'yes' : 'no'
}

/** A fan that the engine turns and that comes off: what it held besides is made good, or it is missed later. */
export function MechanicalFan({ job, settle }: Pick<StationProps, 'job' | 'settle'>) {
  if (job.engine === null) return null
  const holds = holdsOf(job)
  const unseen = holds.filter((h) => h.holds === null).length
  const left = unseen ? say`${unseen} of ${holds.length} not looked at` : say`all looked at`
  const says = job.mechanicalFan ? say`comes off; ${left}` : say`none comes off`
  return (
    <Unfold title={say`A fan that the engine turns`} says={says}>
      <YesNoField
        label={say`A mechanical fan comes off`}
        value={job.mechanicalFan !== null}
        onChange={(comesOff) => settle((j) => takesMechanicalFan(j, comesOff))}
        tell={say`What was seen with it on tells nothing of the heat then: what it moved is not known.`}
      />
      {holds.map(({ id, holds: held, madeGood }) => (
        <div key={id} role="group" aria-label={holdWords[id].asks}>
          <UnsaidField
            label={holdWords[id].asks}
            value={said(held)}
            options={yesNo}
            onChange={(v) => settle((j) => lookAtHold(j, id, { holds: v === 'yes' }))}
          />
          {held && (
            <Form.Group controlId={`hold-${id}`} className="mb-2">
              <Form.Label className="mb-0 small">{say`Made good by: ${holdWords[id].good}`}</Form.Label>
              <Form.Control
                key={madeGood}
                defaultValue={madeGood}
                maxLength={160}
                onBlur={(e) => {
                  const text = e.target.value.trim()
                  if (text !== madeGood) settle((j) => lookAtHold(j, id, { madeGood: text }))
                }}
              />
            </Form.Group>
          )}
        </div>
      ))}
    </Unfold>
  )
}
