'use client'

import { type DutyLeg, fieldsOf, type Job, legEnds, LONGEST_DAY, type Work } from '@/core/job'
import Form from 'react-bootstrap/Form'
import { changeDayLeg, dayLength, dayOf, moveDayLeg, removeDayLeg, workDefinitions, worksOf } from '@/core/run'
import { format, plainNumber } from '@/core/units'
import { CellField } from '@/ui/CellField'
import type { StationProps } from '../station'
import { say } from '@/core/words'

/** What a leg's figure is where none is written: the reading of its work. */
function otherwise(job: Job, leg: DutyLeg, of: 'share' | 'rpm' | 'speed'): string {
  const work = workDefinitions[leg.work]
  const from = work[of]
  if (of === 'share' && leg.grade !== null) return say`by grade`
  if (typeof from === 'number') return plainNumber(from)
  const field = from === null ? undefined : fieldsOf(job).get(from)
  return field ? format(field.reading.value, field.quantity, job.units, 2).replace(/ .*/, '') : '–'
}

interface InDay {
  readonly n: number
  readonly of: number
  readonly settle: StationProps['settle']
}

function LegButton({
  words,
  n,
  off,
  onPress,
}: {
  readonly words: string
  readonly n: number
  readonly off: boolean
  readonly onPress: () => void
}) {
  return (
    <button type="button" className="word-button" disabled={off} onClick={onPress} aria-label={say`${words}, leg ${n}`}>
      {words}
    </button>
  )
}

/** Up, down and away. */
function LegButtons({ id, n, of, settle }: InDay & { readonly id: string }) {
  return (
    <td className="row-buttons">
      <LegButton words={say`up`} n={n} off={n === 1} onPress={() => settle((j) => moveDayLeg(j, id, -1))} />
      <LegButton words={say`down`} n={n} off={n === of} onPress={() => settle((j) => moveDayLeg(j, id, 1))} />
      <LegButton words={say`remove`} n={n} off={of === 1} onPress={() => settle((j) => removeDayLeg(j, id))} />
    </td>
  )
}

/** What a leg is called, and what is done in it. */
function LegWork({
  job,
  leg,
  n,
  change,
}: {
  readonly job: Job
  readonly leg: DutyLeg
  readonly n: number
  readonly change: (part: Partial<DutyLeg>) => void
}) {
  return (
    <>
      <td data-label={say`leg`}>
        <Form.Control
          size="sm"
          aria-label={say`name, leg ${n}`}
          defaultValue={leg.name}
          key={leg.name}
          maxLength={40}
          onBlur={(e) => {
            const name = e.target.value.trim()
            if (name && name !== leg.name) change({ name })
          }}
          onKeyDown={(e) => {
            if (e.key === 'Enter') e.currentTarget.blur()
          }}
        />
      </td>
      <td data-label={say`work`}>
        <Form.Select
          size="sm"
          aria-label={say`work, leg ${n}`}
          value={leg.work}
          onChange={(e) => change({ work: e.target.value as Work })}
        >
          {worksOf(job).map((w) => (
            <option key={w} value={w}>
              {workDefinitions[w].name}
            </option>
          ))}
        </Form.Select>
      </td>
    </>
  )
}

/** A leg of the day as a row: what is left empty is told by the readings of its work. */
export function Leg({ job, leg, n, of, settle }: InDay & { readonly job: Job; readonly leg: DutyLeg }) {
  const u = job.units
  const change = (part: Partial<DutyLeg>): void => settle((j) => changeDayLeg(j, leg.id, part))
  const cell = (
    key: 'speedMs' | 'loadShare' | 'rpm' | 'airC' | 'grade',
    label: string,
    quantity: 'speed' | 'share' | 'engineSpeed' | 'temperature',
    empty: string,
  ) => (
    <td data-label={label}>
      <CellField
        name={`duty.${leg.id}.${key}`}
        label={say`${label}, leg ${n}`}
        value={leg[key]}
        quantity={quantity}
        system={u}
        range={legEnds[key]}
        otherwise={empty}
        onSettle={(v) => change({ [key]: v })}
      />
    </td>
  )
  return (
    <tr>
      <LegWork job={job} leg={leg} n={n} change={change} />
      <td data-label={say`time`}>
        <CellField
          name={`duty.${leg.id}.seconds`}
          label={say`time, leg ${n}`}
          value={leg.seconds}
          quantity="minutes"
          system={u}
          range={[0, LONGEST_DAY - dayLength(dayOf(job)) + leg.seconds]}
          onSettle={(v) => {
            if (v !== null) change({ seconds: v })
          }}
        />
      </td>
      {workDefinitions[leg.work].running ? (
        <>
          {cell('speedMs', say`travel`, 'speed', otherwise(job, leg, 'speed'))}
          {cell('loadShare', say`load share`, 'share', otherwise(job, leg, 'share'))}
          {job.engine ? cell('rpm', say`engine speed`, 'engineSpeed', otherwise(job, leg, 'rpm')) : <td />}
          {job.engine && job.cooling ? cell('grade', say`grade`, 'share', say`level`) : <td />}
        </>
      ) : (
        <td colSpan={4} className="soft small">
          {say`pump and engine stand`}
        </td>
      )}
      {cell(
        'airC',
        say`air, usual day`,
        'temperature',
        format(job.surroundings.usualC.value, 'temperature', u, 2).replace(/ .*/, ''),
      )}
      <LegButtons id={leg.id} n={n} of={of} settle={settle} />
    </tr>
  )
}
