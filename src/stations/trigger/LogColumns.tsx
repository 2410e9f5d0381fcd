'use client'

import { useId } from 'react'
import Form from 'react-bootstrap/Form'
import type { ColumnsChosen, ColumnsTaken, LogColumn } from '@/formats/day/log-csv'
import { say } from '@/core/words'

const names: Readonly<Record<LogColumn, string>> = {
  time: say`time`,
  coolant: say`coolant`,
  fan: say`fan, on or off`,
  volts: say`volts across the fan`,
  probe: say`what the probe shows`,
  air: say`air around it`,
  speed: say`speed`,
  rpm: say`engine speed`,
  load: say`load`,
}
const all = Object.keys(names) as LogColumn[]
const needed: readonly LogColumn[] = ['time', 'coolant']

/** Which column of a table is taken for what, in which unit; each can be chosen otherwise before anything is taken. */
export function LogColumns({
  headings,
  taken,
  open,
  chosen,
  onChoose,
}: {
  readonly headings: readonly string[]
  /** null where the table could not be read as a log yet */
  readonly taken: ColumnsTaken | null
  readonly open: boolean
  readonly chosen: ColumnsChosen
  readonly onChoose: (chosen: ColumnsChosen) => void
}) {
  const id = useId()
  const valueOf = (name: LogColumn): string => chosen[name] ?? taken?.[name]?.heading ?? ''
  const lacks = taken ? all.filter((n) => taken[n] === null && n !== 'volts') : []
  return (
    <details className="unfold" open={open}>
      <summary>
        <strong>{say`Its columns`}</strong>{' '}
        <span className="soft">
          {taken
            ? say`taken by their headings${lacks.length ? say`; none of ${lacks.map((n) => names[n]).join(', ')}` : ''}`
            : say`choose them`}
        </span>
      </summary>
      <div className="row g-2 pb-2">
        {all.map((name) => (
          <Form.Group key={name} className="col-6 col-sm-4" controlId={`${id}-${name}`}>
            <Form.Label className="mb-0 small">
              {names[name]}
              {taken?.[name]?.unit ? `, in ${taken[name].unit}` : ''}
            </Form.Label>
            <Form.Select
              size="sm"
              value={valueOf(name)}
              onChange={(e) => onChoose({ ...chosen, [name]: e.target.value || null })}
            >
              {(!needed.includes(name) || valueOf(name) === '') && <option value="">{say`none`}</option>}
              {headings.map((h) => (
                <option key={h} value={h}>
                  {h}
                </option>
              ))}
            </Form.Select>
          </Form.Group>
        ))}
      </div>
    </details>
  )
}
