'use client'

import { controlKindOf } from '@/core/control'
import { Coming, persistently } from '@/ui/persistently'
import { firstCircuit } from '@/core/fan-circuit'
import dynamic from 'next/dynamic'
import { useMemo, useState } from 'react'
import type { Job } from '@/core/job'
import { markRules } from '@/core/margins'
import {
  type ChartedRuns,
  momentAt,
  runInWords,
  runLadder,
  type Season,
  seasons,
  type WhatIf,
  whatIfs,
  withPresentFan,
} from '@/core/run'
import { format, percent } from '@/core/units'
import { ChoiceField } from '@/ui/ChoiceField'
import { useNarrow } from '@/ui/use-narrow'
import type { StationProps } from '../station'
import { say } from '@/core/words'

/** the chart package is only fetched when this station is looked at */
const RunChart = dynamic(() => persistently(() => import('./RunChart')), {
  ssr: false,
  loading: () => <Coming height={276} />,
})

const seasonNames: Readonly<Record<Season, string>> = {
  coldest: say`the coldest day`,
  usual: say`a usual day`,
  hottest: say`the hottest day`,
}
const seasonC = (job: Job, season: Season): number =>
  ({ coldest: job.surroundings.coldestC, usual: job.surroundings.usualC, hottest: job.surroundings.hottestC })[season]
    .value

/** What may be supposed of this job. */
function supposable(job: Job): WhatIf[] {
  const part = firstCircuit(job).controller?.part
  const decidedBy = part ? controlKindOf(part).decidedBy : 'temperature'
  return whatIfs.filter((w) => {
    if (w === 'as it is') return true
    if (w === 'hand switch off') return decidedBy === 'hand'
    if (w === 'override left on') return job.wiring.override !== 'none'
    return decidedBy === 'temperature'
  })
}

/** One moment of the run, in figures. */
function Moment({ job, runs, at }: { readonly job: Job; readonly runs: ChartedRuns; readonly at: number }) {
  const u = job.units
  const m = momentAt(runs, at)
  const c = (x: number): string => format(x, 'temperature', u, 3)
  return (
    <p className="moment figure-text" role="status">
      {say`${format(m.t, 'minutes', u, 3)}, ${m.leg}: ${job.bay ? say`bay` : say`coolant`}
        ${c(m.hotC)}${m.boiling ? say` boiling` : ''}${
          m.noneC === null ? '' : say` (without the fan ${c(m.noneC)})`
        }, ${job.engine ? say`metal ${c(m.metalC)}, ` : ''}${
          job.bay ? '' : say`outlet ${c(m.outletC)}, `
        }probe ${c(m.probeC)},`}{' '}
      {say`fan ${percent(m.fanSpeed)} of its speed, `}
      {say`${format(m.volts, 'voltage', u, 3)}, battery ${percent(m.charge)}${
        job.bay ? '' : say`, thermostat ${percent(m.opening)} open`
      }`}
    </p>
  )
}

/** The run of a day over its ladder, with what is supposed above it and what it comes to below. */
export function RunStage({ job, run, evaluation, settle, preview }: StationProps) {
  const rules = useMemo(() => markRules(evaluation), [evaluation])
  const narrow = useNarrow()
  const [at, look] = useState(0)
  const { runs, circumstances, suppose } = run
  const ladder = useMemo(() => runs && runLadder(job, runs), [job, runs])
  const says = useMemo(() => (runs ? runInWords(job, runs, circumstances, job.units) : []), [job, runs, circumstances])
  const u = job.units
  const length = runs?.proposed.lengthS ?? 0
  return (
    <>
      <div className="suppose">
        <ChoiceField
          label={say`On`}
          value={circumstances.season}
          options={seasons.map((value) => ({
            value,
            name: `${seasonNames[value]}, ${format(seasonC(job, value), 'temperature', u, 3)}`,
          }))}
          onChange={(season) => suppose({ season })}
        />
        <ChoiceField
          label={say`Suppose`}
          value={circumstances.whatIf}
          options={supposable(job).map((value) => ({ value, name: value }))}
          onChange={(whatIf) => suppose({ whatIf })}
        />
      </div>
      {run.message && (
        <p className="say say-short" role="alert">
          {run.message}
        </p>
      )}
      {runs && ladder ? (
        <>
          <p className="legend small">
            <span>
              <b className="stroke stroke-hot" />
              {say`${job.bay ? say`air of the bay` : say`coolant`}, with the proposed fan`}
            </span>
            <span>
              <b className="stroke stroke-probe" />
              {say`what the probe shows`}
            </span>
            <span>
              <b className="stroke stroke-none" />
              {say`without the fan`}
            </span>
            {withPresentFan(job) && (
              <span>
                <b className="stroke stroke-present" />
                {say`as it was`}
              </span>
            )}
          </p>
          <RunChart
            runs={runs}
            job={job}
            whatIf={circumstances.whatIf}
            ladder={ladder}
            system={u}
            narrow={narrow}
            says={says.join(' ')}
            rules={rules}
            at={Math.min(at, length)}
            onLook={look}
            onPreview={preview}
            onSettle={settle}
          />
          <label className="scrub">
            <span className="visually-hidden">{say`Moment of the run`}</span>
            <input
              type="range"
              min={0}
              max={Math.round(length)}
              step={1}
              value={Math.min(at, length)}
              onChange={(e) => look(Number(e.target.value))}
              aria-valuetext={format(at, 'minutes', u, 3)}
            />
          </label>
          <Moment job={job} runs={runs} at={Math.min(at, length)} />
          <p className="say run-says">{says.join(' ')}</p>
          {run.stops.length > 0 && (
            <p className="say">
              {say`To stop after switch-off on the hottest day, off has to stand at the probe at
                ${run.stops
                  .map((s) => say`${format(s.offC, 'temperature', u, 3)} for ${s.minutes} min`)
                  .join(', ')}: lower runs longer. As heat soaks out of the engine it may start once more.`}
            </p>
          )}
        </>
      ) : (
        !run.message && (
          <p className="soft" role="status">
            {say`Running the day …`}
          </p>
        )
      )}
      {run.progress !== null && (
        <p className="soft small" role="status">
          {say`How sure the margins are is being run through:`}{' '}
          <progress value={run.progress} max={1} aria-label={say`spreads run through`} />
        </p>
      )}
    </>
  )
}
