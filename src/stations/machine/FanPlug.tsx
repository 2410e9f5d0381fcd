'use client'

import Form from 'react-bootstrap/Form'
import { plugPlaces } from '@/core/plan'
import { ChoiceField } from '@/ui/ChoiceField'
import type { StationProps } from '../station'
import { Unfold } from './Unfold'
import { say } from '@/core/words'

const says = {
  'not looked': say`not looked for: it may save the feed`,
  none: say`none in the loom`,
  found: say`there is one`,
} as const

/** A plug that the maker laid for a fan: looked for before a feed of its own is planned. */
export function FanPlug({ job, settle }: Pick<StationProps, 'job' | 'settle'>) {
  if (job.engine === null) return null
  const { fanPlug } = job.machine
  const change = (part: Partial<typeof fanPlug>): void =>
    settle((j) => ({ ...j, machine: { ...j.machine, fanPlug: { ...j.machine.fanPlug, ...part } } }))
  return (
    <Unfold title={say`Has the loom a fan’s plug?`} says={says[fanPlug.search]}>
      <p className="mb-1">{say`Makers often lay one loom for all models. Look, battery off:`}</p>
      <ul>
        {plugPlaces(job).map((p) => (
          <li key={p}>{p}</li>
        ))}
      </ul>
      <ChoiceField
        label={say`Fan’s plug in the loom`}
        value={fanPlug.search}
        options={[
          { value: 'not looked', name: say`not looked for yet` },
          { value: 'none', name: say`looked, there is none` },
          { value: 'found', name: say`found` },
        ]}
        onChange={(search) => change({ search })}
      />
      {fanPlug.search === 'found' && (
        <>
          <Form.Group controlId="plug-where" className="choice">
            <Form.Label className="mb-0">{say`Where, and its colours`}</Form.Label>
            <Form.Control
              key={fanPlug.where}
              defaultValue={fanPlug.where}
              maxLength={160}
              onBlur={(e) => {
                if (e.target.value.trim() !== fanPlug.where) change({ where: e.target.value.trim() })
              }}
            />
          </Form.Group>
          <p className="say">{say`Station 5, unknown wires: the meter says what each of its pins is and may carry.`}</p>
        </>
      )}
    </Unfold>
  )
}
