'use client'

import { useId, useState } from 'react'
import Button from 'react-bootstrap/Button'
import Form from 'react-bootstrap/Form'
import { addDayLeg, chooseDay, dayLength, dayOf, daysFor, libraryDayOf, nameDay, takeDay } from '@/core/run'
import { format } from '@/core/units'
import { writeDayCsv } from '@/formats/day/day-csv'
import type { DayFile } from '@/formats/day'
import type { Days } from '@/workers/day.worker'
import { Readings } from '../Readings'
import type { StationProps } from '../station'
import { useTask } from '../use-task'
import { languageSpoken, say } from '@/core/words'
import { Leg } from './LegRow'

/** a day of more legs than this came from a track: nobody edits it leg by leg */
const MOST_EDITED = 40

const save = (name: string, text: string): void => {
  const url = URL.createObjectURL(new Blob([text], { type: 'text/csv' }))
  const a = document.createElement('a')
  a.href = url
  a.download = name
  a.click()
  URL.revokeObjectURL(url)
}

/** The day that a job is run through: chosen, put together leg by leg, or read from a track or a table. */
export function DayView(props: StationProps) {
  const { job, settle, run, preview } = props
  const u = job.units
  const id = useId()
  const day = dayOf(job)
  const [said, setSaid] = useState<{ readonly ok: boolean; readonly lines: readonly string[] } | null>(null)
  const { ask, stop, busy } = useTask<Days>(
    () =>
      new Worker(new URL('../../workers/day.worker.ts', import.meta.url), {
        type: 'module',
        name: languageSpoken()?.address ?? '',
      }),
  )
  const tellOne = (message: string): void => setSaid({ ok: false, lines: [message] })
  const take = (file: DayFile | null): void => {
    if (!file) return
    if (!file.ok) return tellOne(file.message)
    const { day: brought, notes } = file
    settle((j) => takeDay(j, brought))
    const legs = brought.legs.length
    const told = say`“${brought.name}” is the day now: ${legs} ${legs === 1 ? say`leg` : say`legs`}, `
    setSaid({ ok: true, lines: [`${told}${format(dayLength(brought), 'minutes', u, 3)}.`, ...notes] })
  }
  const read = (file: File | undefined): void => {
    if (!file) return
    setSaid(null)
    file
      .text()
      .then((text) => ask((days) => days.read(file.name, text, job.engine?.slowMs.value ?? 0)))
      .then(take, () => tellOne(say`This file could not be read.`))
  }
  const write = (): void => {
    setSaid(null)
    ask((days) => days.write(job, run.circumstances)).then(
      (answer) => {
        if (answer?.ok) save('run.csv', answer.csv)
        else if (answer) tellOne(answer.message)
      },
      () => tellOne(say`This run could not be written.`),
    )
  }
  const library = daysFor(job.machine.kind)
  const chosen = libraryDayOf(job)
  return (
    <>
      <h2>{say`The day it is run through`}</h2>
      <div className="suppose">
        <div className="choice">
          <label htmlFor={`${id}-day`}>{say`Day`}</label>
          <Form.Select
            id={`${id}-day`}
            value={chosen?.name ?? ''}
            onChange={(e) => {
              setSaid(null)
              settle((j) => chooseDay(j, e.target.value))
            }}
          >
            {!chosen && <option value="">{day.name}</option>}
            {library.map((d) => (
              <option key={d.name} value={d.name}>
                {d.name}
              </option>
            ))}
          </Form.Select>
        </div>
        <div className="choice">
          <label htmlFor={`${id}-file`}>{say`From a file`}</label>
          <Form.Control
            id={`${id}-file`}
            type="file"
            size="sm"
            accept=".gpx,.csv,.txt,.tsv"
            onChange={(e) => {
              const input = e.currentTarget as HTMLInputElement
              read(input.files?.[0])
              input.value = ''
            }}
          />
        </div>
      </div>
      <p className="soft small">
        {say`A GPX track (times and heights make speed, grade and load), or a table with minutes, speed_kmh,
          load_share, rpm, ambient_c, grade_pct.`}
      </p>
      {busy && (
        <p role="status" className="soft">
          {say`At work …`}{' '}
          <Button size="sm" variant="outline-dark" onClick={stop}>
            {say`Stop`}
          </Button>
        </p>
      )}
      {said && (
        <div className={`say ${said.ok ? 'say-holds' : 'say-short'}`} role={said.ok ? 'status' : 'alert'}>
          {said.lines.map((l) => (
            <p key={l} className="mb-1">
              {l}
            </p>
          ))}
        </div>
      )}
      <p>
        {say`${day.legs.length} ${day.legs.length === 1 ? say`leg` : say`legs`},
          ${format(dayLength(day), 'minutes', u, 3)} in all${
            day.from === 'track' ? say`, from a track` : ''
          }. Where nothing is written, the job’s own readings of that work count.`}
      </p>
      {day.legs.length > MOST_EDITED ? (
        <p className="soft">
          {say`So many legs are not changed one by one: change the track or table, and read it again.`}
        </p>
      ) : (
        <table className="plain-table legs">
          <thead>
            <tr>
              <th>{say`leg`}</th>
              <th>{say`work`}</th>
              <th>{say`time, min`}</th>
              <th>{say`travel, ${u === 'metric' ? 'km/h' : say`mph`}`}</th>
              <th>{say`load share`}</th>
              <th>{say`rpm`}</th>
              <th>{say`grade`}</th>
              <th>{say`air, ${u === 'metric' ? '°C' : '°F'}`}</th>
              <th>
                <span className="visually-hidden">{say`order`}</span>
              </th>
            </tr>
          </thead>
          <tbody>
            {day.legs.map((leg, i) => (
              <Leg key={leg.id} job={job} leg={leg} n={i + 1} of={day.legs.length} settle={settle} />
            ))}
          </tbody>
        </table>
      )}
      <div className="d-flex gap-2 flex-wrap mt-2">
        {day.legs.length <= MOST_EDITED && (
          <Button size="sm" variant="outline-dark" onClick={() => settle(addDayLeg)}>
            {say`Add a leg`}
          </Button>
        )}
        {day.from !== 'library' && (
          <Form.Control
            size="sm"
            style={{ maxWidth: 240 }}
            aria-label={say`name of the day`}
            defaultValue={day.name}
            key={day.name}
            maxLength={80}
            onBlur={(e) => {
              const name = e.target.value.trim()
              if (name && name !== day.name) settle((j) => nameDay(j, name))
            }}
          />
        )}
        <Button size="sm" variant="outline-dark" onClick={() => save('day.csv', writeDayCsv(day))}>
          {say`Day as CSV`}
        </Button>
        <Button size="sm" variant="outline-dark" disabled={run.runs === null} onClick={write}>
          {say`Run as CSV`}
        </Button>
      </div>
      {day.legs.some((l) => l.grade !== null) && (
        <Readings job={job} settle={settle} preview={preview} station="trigger" only={(a) => a === 'machine.massKg'} />
      )}
    </>
  )
}
