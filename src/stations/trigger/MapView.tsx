'use client'

import { controlKindOf } from '@/core/control'
import { firstCircuit, inNumber, isThermostat } from '@/core/fan-circuit'
import { useMemo, useState } from 'react'
import { proxy } from 'comlink'
import Button from 'react-bootstrap/Button'
import { type MapCell, mapKey, mapWaitsFor, type SettingMap, withCell } from '@/core/advice'
import { runKey } from '@/core/run'
import { format, plainNumber, type UnitSystem, percent } from '@/core/units'
import { ChoiceField } from '@/ui/ChoiceField'
import type { Sweep } from '@/workers/sweep.worker'
import type { StationProps } from '../station'
import { Switches } from './Switches'
import { useTask } from '../use-task'
import { languageSpoken, say } from '@/core/words'

const views = {
  left: {
    name: say`degrees left`,
    of: (c: MapCell, u: UnitSystem) => format(c.leftK, 'temperatureDifference', u, 2),
    weight: (c: MapCell) => -c.leftK,
  },
  worse: {
    name: say`degrees left, readings half-way to their bad ends`,
    of: (c: MapCell, u: UnitSystem) => format(c.leftWorstK, 'temperatureDifference', u, 2),
    weight: (c: MapCell) => -c.leftWorstK,
  },
  peak: {
    name: 'peak',
    of: (c: MapCell, u: UnitSystem) => format(c.peakC, 'temperature', u, 3),
    weight: (c: MapCell) => c.peakC,
  },
  fan: {
    name: say`fan on, of a usual day`,
    of: (c: MapCell) => `${percent(c.fanShare)}`,
    weight: (c: MapCell) => c.fanShare,
  },
  starts: { name: say`starts an hour`, of: (c: MapCell) => plainNumber(c.starts, 2), weight: (c: MapCell) => c.starts },
  battery: {
    name: say`battery at the end`,
    of: (c: MapCell) => `${percent(c.endCharge)}`,
    weight: (c: MapCell) => -c.endCharge,
  },
} as const
type View = keyof typeof views

const rowNames: Readonly<Record<SettingMap['rowOf'], string>> = {
  band: say`band`,
  span: say`span to full`,
  second: say`second fan later by`,
}

/** What one setting comes to, in a line. */
const cellInWords = (c: MapCell, u: UnitSystem): string =>
  say`peaks at ${format(c.peakC, 'temperature', u, 3)}, ${format(c.leftK, 'temperatureDifference', u, 2)} left; fan on
    ${percent(c.fanShare)} of a usual day (${plainNumber(c.fanHours, 2)} h), at most ${plainNumber(c.starts, 2)}
    starts an hour, battery ${percent(c.endCharge)} at the end${c.breaks.length ? `; ${c.breaks.join('; ')}` : ''}`

/** Every setting worth trying, as one map; what is recommended is outlined, and nothing is set until it is chosen. */
export function MapView({ job: seen, run, shelf, settle }: StationProps) {
  // which fan comes on first is a rule of the whole job, whichever is looked at
  const job = useMemo(() => inNumber(seen), [seen])
  const u = job.units
  const [drawn, setDrawn] = useState<{ readonly map: SettingMap; readonly key: string } | null>(null)
  const [progress, setProgress] = useState<number | null>(null)
  const [message, setMessage] = useState<string | null>(null)
  const [view, setView] = useState<View>('left')
  const [looked, look] = useState<MapCell | null>(null)
  const { ask, stop, busy } = useTask<Sweep>(
    () =>
      new Worker(new URL('../../workers/sweep.worker.ts', import.meta.url), {
        type: 'module',
        name: languageSpoken()?.address ?? '',
      }),
  )
  const waits = mapWaitsFor(job)
  const own = firstCircuit(seen).controller?.part
  if (own && isThermostat(own) && !controlKindOf(own).settable)
    return <Switches job={seen} shelf={shelf} settle={settle} />
  if (waits)
    return (
      <>
        <p className="say">{say`No map yet: ${waits}.`}</p>
        <Switches job={seen} shelf={shelf} settle={settle} />
      </>
    )
  const propose = (): void => {
    setMessage(null)
    setProgress(0)
    const tell = proxy((done: number, of: number) => setProgress(done / of))
    ask((sweep) => sweep.map(job, run.findings?.settled ? run.findings : null, tell)).then(
      (answer) => {
        setProgress(null)
        if (answer && !answer.ok) setMessage(answer.message)
        if (!answer?.ok) return
        setDrawn({ map: answer.map, key: mapKey(job, answer.map) })
        look(answer.map.best)
      },
      () => setMessage(say`This could not be run through.`),
    )
  }
  const map = drawn?.map ?? null
  const stale = drawn !== null && mapKey(job, drawn.map) !== drawn.key
  const controller = firstCircuit(job).controller!
  const present = map?.cells.find(
    (c) => c.setC === controller.setC && runKey(withCell(job, map.rowOf, c)) === runKey(job),
  )
  const values = map ? map.cells.map(views[view].weight) : []
  const [low, high] = [Math.min(...values), Math.max(...values)]
  return (
    <>
      <h2>{say`Which setting`}</h2>
      <p className="soft small">
        {say`Runs every setting worth trying through the coldest, a usual and the hottest day, and the hottest once
          more with all readings half-way to their bad ends.`}
      </p>
      <div className="d-flex gap-2 align-items-center flex-wrap mb-2">
        <Button size="sm" variant="dark" disabled={busy} onClick={propose}>
          {map ? say`Propose again` : say`Propose a setting`}
        </Button>
        {busy && (
          <>
            <progress value={progress ?? 0} max={1} aria-label={say`settings run through`} />
            <Button
              size="sm"
              variant="outline-dark"
              onClick={() => {
                stop()
                setProgress(null)
              }}
            >
              {say`Stop`}
            </Button>
          </>
        )}
      </div>
      {message && (
        <p className="say say-short" role="alert">
          {message}
        </p>
      )}
      {stale && (
        <p className="say say-unsure" role="status">
          {say`The job has changed since this map was drawn: propose again.`}
        </p>
      )}
      {map && (
        <>
          <ChoiceField
            label={say`Shown`}
            value={view}
            options={(Object.keys(views) as View[]).map((value) => ({ value, name: views[value].name }))}
            onChange={setView}
          />
          <div className="map-scroll">
            <table className="setting-map">
              <caption className="visually-hidden">
                {say`Rows: ${rowNames[map.rowOf]}. Columns: set point at the probe.`}
              </caption>
              <thead>
                <tr>
                  <th scope="col">
                    {rowNames[map.rowOf]} \ {map.rowOf === 'second' ? say`first one set` : say`set`}
                  </th>
                  {map.setsC.map((c) => (
                    <th key={c} scope="col">
                      {format(c, 'temperature', u).replace(/ .*/, '')}
                    </th>
                  ))}
                </tr>
              </thead>
              <tbody>
                {map.rows.map((row) => (
                  <tr key={row}>
                    <th scope="row">{format(row, 'temperatureDifference', u)}</th>
                    {map.setsC.map((setC) => {
                      const c = map.cells.find((x) => x.setC === setC && x.row === row)!
                      const share = high > low ? (views[view].weight(c) - low) / (high - low) : 0
                      return (
                        <td
                          key={setC}
                          className={
                            `${c.recommended ? 'recommended' : ''} ${c.feasible ? '' : 'barred'} ` +
                            `${c === looked ? 'looked' : ''}`
                          }
                        >
                          <button
                            type="button"
                            aria-pressed={c === looked}
                            aria-label={say`${views[view].of(c, u)}, set ${format(setC, 'temperature', u)},
                              ${rowNames[map.rowOf]} ${format(row, 'temperatureDifference', u)}${
                                c.recommended ? say`, recommended` : ''
                              }${
                                c.feasible ? '' : say`, does not keep the rules or what is allowed`
                              }${c === present ? say`, as it is set` : ''}`}
                            onClick={() => look(c)}
                          >
                            <span className="tell" style={{ height: `${Math.round(4 + 24 * share)}px` }} />
                            {views[view].of(c, u).replace(/ .*/, '')}
                            {c === present ? ' ◂' : ''}
                          </button>
                        </td>
                      )
                    })}
                  </tr>
                ))}
              </tbody>
            </table>
          </div>
          <p className="legend small">
            <span>
              <b className="key-box recommended" />
              {say`recommended`}
            </span>
            <span>
              <b className="key-box barred" />
              {say`breaks a rule, or gets too hot`}
            </span>
            <span>{say`◂ as it is set`}</span>
            <span>{say`taller bar: more of what is not wanted`}</span>
          </p>
          <p className="say">{map.why}</p>
          {looked && (
            <p className={`say ${looked.feasible ? 'say-holds' : 'say-short'}`} role="status">
              {map.rowOf === 'second' ? say`The first one set` : say`Set`} {format(looked.setC, 'temperature', u)},{' '}
              {rowNames[map.rowOf]} {format(looked.row, 'temperatureDifference', u)}: {cellInWords(looked, u)}.{' '}
              {looked === present ? (
                say`It is set so.`
              ) : (
                <Button
                  size="sm"
                  variant="outline-dark"
                  onClick={() => settle((j) => withCell(inNumber(j), map.rowOf, looked))}
                >
                  {say`Set it so`}
                </Button>
              )}
            </p>
          )}
        </>
      )}
    </>
  )
}
