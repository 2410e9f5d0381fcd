'use client'

import { Coming, persistently } from '@/ui/persistently'
import dynamic from 'next/dynamic'
import { useId, useState } from 'react'
import Button from 'react-bootstrap/Button'
import Form from 'react-bootstrap/Form'
import type { Work } from '@/core/job'
import { type Fit, type FitFactor, type LoggedRun, takeFit, workDefinitions, worksOf } from '@/core/run'
import { format, plainNumber, type UnitSystem, worded } from '@/core/units'
import { ChoiceField } from '@/ui/ChoiceField'
import { OneFile } from '@/ui/OneFile'
import type { ColumnsChosen, ColumnsTaken } from '@/formats/day/log-csv'
import type { LogRead, Logs } from '@/workers/calibrate.worker'
import type { StationProps } from '../station'
import { useTask } from '../use-task'
import { LogColumns } from './LogColumns'
import { languageSpoken, say } from '@/core/words'

const FitChart = dynamic(() => persistently(() => import('./FitChart')), {
  ssr: false,
  loading: () => <Coming height={260} />,
})

const factorNames: Readonly<Record<FitFactor, string>> = {
  heat: say`heat over brake power`,
  transfer: say`heat transfer of the core`,
  store: say`heat that the metal stores`,
  kappa: say`share that the probe sees`,
}
const MOST = 3

/** a fit that leaves more between log and model is of another machine, or of another day, K */
const MOST_LEFT_K = 1.5

type Logged = Extract<LogRead, { ok: true }> & { readonly name: string }

/** A table as it was opened: its columns can be chosen otherwise. */
interface Opened {
  readonly name: string
  readonly text: string
  readonly chosen: ColumnsChosen
  readonly headings: readonly string[]
  readonly columns: ColumnsTaken | null
}

/** What a fit gives may be taken, unless too much is left between log and model. */
function Offer({
  fit,
  system,
  taken,
  onTake,
}: {
  readonly fit: Fit
  readonly system: UnitSystem
  readonly taken: boolean
  readonly onTake: () => void
}) {
  if (fit.residualK > MOST_LEFT_K)
    return (
      <>
        {say`That is more than ${format(MOST_LEFT_K, 'temperatureDifference', system, 2)}: the log and this machine do
          not
          belong together yet, and nothing is taken from it. Look at its columns, what it was doing, and the air.`}
      </>
    )
  if (taken) return <>{say`Taken: these are measured readings of this machine now.`}</>
  return (
    <Button size="sm" variant="outline-dark" onClick={onTake}>
      {say`Take them as measured`}
    </Button>
  )
}

/** A logged run lined up with the model, and what it fixes of this machine. */
export function LogView({ job, settle }: StationProps) {
  const u = job.units
  const id = useId()
  const [logged, setLogged] = useState<Logged | null>(null)
  const [opened, setOpened] = useState<Opened | null>(null)
  const [factors, setFactors] = useState<readonly FitFactor[]>([])
  const [work, setWork] = useState<Work>('slow')
  const [fit, setFit] = useState<Fit | null>(null)
  const [message, setMessage] = useState<string | null>(null)
  const [taken, setTaken] = useState(false)
  const { ask, stop, busy } = useTask<Logs>(
    () =>
      new Worker(new URL('../../workers/calibrate.worker.ts', import.meta.url), {
        type: 'module',
        name: languageSpoken()?.address ?? '',
      }),
  )
  const brokeOff = (): void => setMessage(say`This log could not be run through.`)
  const take = (from: string, read: LogRead | null): void => {
    if (!read) return
    if (!read.ok) return setMessage(read.message)
    setLogged({ ...read, name: from })
    setFactors(read.can.slice(0, 2))
  }
  const fitTo = (log: LoggedRun): void => {
    anew()
    ask((logs) => logs.fit(job, log, factors, work)).then((calibration) => {
      if (!calibration) return
      if (calibration.ok) setFit(calibration.fit)
      else setMessage(worded(calibration.message, u))
    }, brokeOff)
  }
  const anew = (): void => {
    setMessage(null)
    setFit(null)
    setTaken(false)
  }
  const read = (file: File): void => {
    anew()
    setLogged(null)
    void file.text().then(
      (text) => open({ name: file.name, text, chosen: {}, headings: [], columns: null }),
      () => setMessage(say`This file could not be read.`),
    )
  }
  const open = (table: Opened): void => {
    anew()
    setLogged(null)
    void ask((logs) => logs.read(job, table.text, table.chosen)).then((answer) => {
      const headings = answer?.headings ?? table.headings
      setOpened(headings.length ? { ...table, headings, columns: answer?.columns ?? null } : null)
      take(table.name, answer)
    }, brokeOff)
  }
  const minutes = logged ? logged.log.t[logged.log.t.length - 1]! : 0
  const tellsWork = logged !== null && logged.log.loadShare !== null
  return (
    <>
      <h2>{say`Learn from a log`}</h2>
      <p className="soft small">
        {say`A table with a time and the coolant’s temperature, from a logger or typed off the gauge; better with the
          fan (on, off, or volts across it), speed, and the air around it. The log is not kept: what it fixes becomes
          measured readings of this machine.`}
      </p>
      <div className="d-flex gap-2 flex-wrap align-items-center mb-2">
        <OneFile label={say`Log, as CSV`} accept=".csv,.txt,.tsv" onOpen={read} />
        <Button
          size="sm"
          variant="outline-dark"
          onClick={() => {
            anew()
            setLogged(null)
            setOpened(null)
            ask((logs) => logs.simulate(job)).then((answer) => take(say`a simulated log`, answer), brokeOff)
          }}
        >
          {say`Try with a simulated log`}
        </Button>
        {busy && (
          <>
            <span role="status" className="soft">
              {say`At work …`}
            </span>
            <Button size="sm" variant="outline-dark" onClick={stop}>
              {say`Stop`}
            </Button>
          </>
        )}
      </div>
      {opened && (
        <LogColumns
          headings={opened.headings}
          taken={opened.columns}
          open={logged === null}
          chosen={opened.chosen}
          onChoose={(chosen) => open({ ...opened, chosen })}
        />
      )}
      {logged && (
        <>
          <p className="say">
            {say`${logged.name}: ${logged.log.t.length} lines over ${format(minutes, 'minutes', u, 3)}, coolant
              ${format(Math.min(...logged.log.coolantC), 'temperature', u, 3)} to
              ${format(Math.max(...logged.log.coolantC), 'temperature', u, 3)}; ${
                logged.log.fan
                  ? say`with the fan’s state`
                  : say`without the fan’s state: the thermostat is taken to switch it as set`
              }${
                logged.log.airC
                  ? ''
                  : say`; air taken as on a usual day, ${format(job.surroundings.usualC.value, 'temperature', u, 3)}`
              }.`}
            {logged.notes.map((n) => ` ${n}`)}
          </p>
          {!tellsWork && (
            <ChoiceField
              label={say`It was doing`}
              value={work}
              options={worksOf(job)
                .filter((w) => w !== 'off')
                .map((value) => ({ value, name: workDefinitions[value].name }))}
              onChange={(w) => {
                anew()
                setWork(w)
              }}
              {...(logged.log.speedMs ? { tell: say`while it moved; standing counts as idling` } : {})}
            />
          )}
          <fieldset className="mb-2">
            <legend className="fs-6">{say`What it is to fix, three at most`}</legend>
            {logged.can.map((f) => (
              <Form.Check
                key={f}
                id={`${id}-${f}`}
                type="checkbox"
                label={factorNames[f]}
                checked={factors.includes(f)}
                disabled={!factors.includes(f) && factors.length >= MOST}
                onChange={(e) => {
                  anew()
                  setFactors(e.target.checked ? [...factors, f] : factors.filter((x) => x !== f))
                }}
              />
            ))}
          </fieldset>
          <Button size="sm" variant="dark" disabled={busy || factors.length === 0} onClick={() => fitTo(logged.log)}>
            {say`Fit the model to it`}
          </Button>
        </>
      )}
      {message && (
        <p className="say say-short mt-2" role="alert">
          {message}
        </p>
      )}
      {fit && (
        <>
          <FitChart fit={fit} system={u} />
          <table className="plain-table mt-2">
            <thead>
              <tr>
                <th>{say`reading`}</th>
                <th>{say`before`}</th>
                <th>{say`as the log fixes it`}</th>
              </tr>
            </thead>
            <tbody>
              {fit.factors.map((f) => (
                <tr key={f.factor}>
                  <th scope="row">{f.label}</th>
                  <td className="figure-text">{plainNumber(f.before, 3)}</td>
                  <td className="figure-text">
                    {plainNumber(f.value, 3)} ±{plainNumber(f.plusMinus, 2)}
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
          <p className={`say ${fit.residualK > MOST_LEFT_K ? 'say-short' : 'say-holds'}`} role="status">
            {say`The model was off by ${format(fit.residualBeforeK, 'temperatureDifference', u, 2)} (root mean
              square); `}
            {say`now ${format(fit.residualK, 'temperatureDifference', u, 2)} are left. `}
            <Offer
              fit={fit}
              system={u}
              taken={taken}
              onTake={() => {
                settle((j) => takeFit(j, fit))
                setTaken(true)
              }}
            />
          </p>
        </>
      )}
    </>
  )
}
