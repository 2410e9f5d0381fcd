'use client'

import { useMemo, useState } from 'react'
import { usePathname } from 'next/navigation'
import Button from 'react-bootstrap/Button'
import { expectedAmps, proofsOf, readTrace, type Sample, samplesOf, traceAnswers, traceOf } from '@/core/build'
import { circuitsOf } from '@/core/fan-circuit'
import { keepTrace, removeTrace, type Trace } from '@/core/job'
import { proofId } from '@/core/wiring'
import { format, type Quantity } from '@/core/units'
import { ChoiceField } from '@/ui/ChoiceField'
import { OneFile } from '@/ui/OneFile'
import type { StationProps } from '../station'
import { useTaken } from '../use-taken'
import { TraceAnswers } from './TraceAnswers'
import { TraceChart } from './TraceChart'
import { type Live, useLive } from './use-live'
import { Day } from '@/ui/Day'
import { say } from '@/core/words'

type Props = Pick<StationProps, 'job' | 'settle' | 'now'>

/** Lines that are shown, and whose fan they are of. */
interface ShownTrace {
  readonly samples: readonly Sample[]
  readonly name: string
  readonly run: string
}

const stateWords: Readonly<Record<Live['state'], string>> = {
  off: '',
  waits: say`Asking the logger …`,
  here: say`It speaks.`,
  away: say`Nothing speaks there. It is asked again by itself; what came before stays.`,
}

/** What could not be used of what came. */
const unused = ({ followed, nonsense }: Live): string =>
  [
    nonsense ? say`${nonsense} ${nonsense === 1 ? say`line was` : say`lines were`} no reading and left out.` : '',
    followed.backward ? say`${followed.backward} stood at a time that was already past, and were left out.` : '',
    followed.begunAnew
      ? say`Its clock began anew ${followed.begunAnew === 1 ? say`once` : say`${followed.begunAnew} times`}.`
      : '',
  ]
    .filter(Boolean)
    .join(' ')

/** The last line of all that came, large enough for the other side of the bench. */
function NowShown({ sample, job }: { readonly sample: Sample | undefined } & Pick<Props, 'job'>) {
  if (!sample) return null
  const shown: readonly (readonly [string, number | null, Quantity])[] = [
    [say`probe`, sample.probeC, 'temperature'],
    [say`clamp`, sample.amps, 'current'],
    [say`battery`, sample.batteryV, 'voltage'],
    [say`fan`, sample.fanV, 'voltage'],
  ]
  return (
    <dl className="now-shown">
      {shown.map(([name, value, quantity]) => (
        <div key={name}>
          <dt>{name}</dt>
          <dd className="figure-text">{value === null ? '–' : format(value, quantity, job.units, 3)}</dd>
        </div>
      ))}
    </dl>
  )
}

/** Traces that were kept with the job. */
function Kept({ job, settle, onOpen }: Pick<Props, 'job' | 'settle'> & { readonly onOpen: (trace: Trace) => void }) {
  const path = usePathname()
  return job.traces.map((trace) => (
    <p key={trace.id} className="mb-1 small">
      {trace.name}, <Day at={trace.at} />, {format(trace.t.at(-1)! - trace.t.at(0)!, 'minutes', job.units, 2)}{' '}
      <button type="button" className="word-button" onClick={() => onOpen(trace)}>
        {say`show it`}
      </button>{' '}
      <a href={`/api${path}/trace.csv?trace=${trace.id}`}>{say`as CSV`}</a>{' '}
      <button
        type="button"
        className="word-button soft"
        aria-label={say`take out: ${trace.name}`}
        onClick={() => settle((j) => removeTrace(j, trace.id))}
      >
        {say`take out`}
      </button>
    </p>
  ))
}

interface SourceProps {
  readonly live: Live
  readonly listen: () => void
  readonly stop: () => void
  readonly onTable: (name: string, samples: readonly Sample[]) => void
}

/** Where the lines come from: the logger as it speaks, or a table. */
function Source({ live, listen, stop, onTable }: SourceProps) {
  const [message, setMessage] = useState<string | null>(null)
  const open = (file: File): void => {
    void Promise.all([file.text(), import('@/formats/trace-csv')]).then(
      ([text, { readTraceCsv }]) => {
        const got = readTraceCsv(text)
        if (!got.ok) return setMessage(`${file.name}: ${got.message}`)
        setMessage(got.unread ? say`${got.unread} lines could not be used.` : null)
        onTable(file.name, got.samples)
      },
      () => setMessage(say`This file could not be read.`),
    )
  }
  return (
    <>
      <div className="d-flex gap-2 flex-wrap align-items-center mb-2">
        {live.state === 'off' ? (
          <Button variant="dark" onClick={listen}>
            {say`Listen to the logger`}
          </Button>
        ) : (
          <Button variant="outline-dark" onClick={stop}>
            {say`Stop listening`}
          </Button>
        )}
        <OneFile label={say`or a table (CSV)`} accept=".csv,.txt" onOpen={open} />
      </div>
      <p role="status" className="small mb-1">
        {stateWords[live.state]} {unused(live)}
      </p>
      {message && (
        <p className="say say-short" role="alert">
          {message}
        </p>
      )}
    </>
  )
}

/** The trace over what was predicted, the proofs that it answers, and a place for it in the job. */
function Shown({ job, settle, now, samples, name, run }: Props & ShownTrace) {
  const { full, take } = useTaken({ job, settle })
  const read = useMemo(() => readTrace(samples, expectedAmps(job, run)), [samples, job, run])
  const answers = useMemo(() => traceAnswers(job, run, read), [job, run, read])
  const n = circuitsOf(job).findIndex((c) => c.run.id === run)
  const proofs = proofsOf(job)
  const predicted = (kind: string) =>
    proofs.find((p) => p.id === proofId(kind, circuitsOf(job)[n]!, n))?.predicted ?? null
  return (
    <>
      <TraceChart
        samples={samples}
        read={read}
        expected={{ starts: predicted('starts'), stops: predicted('stops'), amps: predicted('amps') }}
        system={job.units}
      />
      <TraceAnswers answers={answers} job={job} settle={settle} now={now} />
      <Button
        variant="outline-dark"
        className="mt-2"
        onClick={() => {
          const at = now().toISOString()
          take((j) => keepTrace(j, traceOf(samples, { name: name.slice(0, 80), run, at }, read)))
        }}
      >
        {say`Keep the trace with the job`}
      </Button>
      {full && <p className="say say-short">{say`It cannot be kept: ${full}.`}</p>}
    </>
  )
}

/** A logger followed as it speaks, or a table of it: what it shows, and which proofs it answers. */
export default function Logger({ job, settle, now }: Props) {
  const circuits = circuitsOf(job)
  const [chosen, setChosen] = useState<string | null>(null)
  const [table, setTable] = useState<{ name: string; samples: readonly Sample[] } | null>(null)
  const { live, listen, stop } = useLive()
  const run = (circuits.find((c) => c.run.id === chosen) ?? circuits.at(0))?.run.id
  if (run === undefined) return null
  const samples = table?.samples ?? live.followed.samples
  const show = (name: string, of: readonly Sample[]): void => {
    stop()
    setTable({ name, samples: of })
  }
  return (
    <section aria-label={say`From a logger`} className="py-2">
      <h2 className="mt-3">{say`From a logger`}</h2>
      <p className="small soft">
        {say`A clamp, a probe and two volt readings, line by line: on and off are recognised, and answer proofs.
          Without one at hand,`}{' '}
        <q>npm run stand-in</q> {say`plays a bench.`}
      </p>
      {circuits.length > 1 && (
        <ChoiceField
          label={say`The clamp is on`}
          value={run}
          options={circuits.map((c, i) => ({ value: c.run.id, name: c.fan?.part.name ?? say`fan ${i + 1}` }))}
          onChange={setChosen}
        />
      )}
      <Source
        live={live}
        stop={stop}
        onTable={show}
        listen={() => {
          setTable(null)
          listen()
        }}
      />
      {live.state !== 'off' && !table && <NowShown sample={samples.at(-1)} job={job} />}
      {samples.length > 1 && (
        <Shown
          job={job}
          settle={settle}
          now={now}
          samples={samples}
          name={table?.name ?? say`by the logger`}
          run={run}
        />
      )}
      <Kept job={job} settle={settle} onOpen={(trace) => show(trace.name, samplesOf(trace))} />
    </section>
  )
}
