'use client'

import dynamic from 'next/dynamic'
import { useState } from 'react'
import Tab from 'react-bootstrap/Tab'
import Tabs from 'react-bootstrap/Tabs'
import { answerTo, type Proof, proofsOf, stateOfProof, stateRows, wrongWayAdvice } from '@/core/build'
import { cautions, openSearch } from '@/core/job'
import { format } from '@/core/units'
import { ChoiceField } from '@/ui/ChoiceField'
import { Coming, persistently } from '@/ui/persistently'
import type { StationProps, StationView } from '../station'
import { Dial } from './Dial'
import { ProofAnswer } from './ProofAnswer'
import { say, spokenWord } from '@/core/words'

const Logger = dynamic(() => persistently(() => import('./Logger')), {
  ssr: false,
  loading: () => <Coming height={160} />,
})

const Fault = dynamic(() => persistently(() => import('../fault').then((m) => m.Fault)), {
  ssr: false,
  loading: () => <Coming height={240} />,
})

const shortStates: ReadonlySet<string> = new Set(['differs', 'failed'])

/** What a figure should be, with the band that the readings leave it. */
function Predicted({ proof, job }: Pick<StationProps, 'job'> & { readonly proof: Proof }) {
  const p = proof.predicted
  if (!p) return proof.kind === 'figure' ? <> {say`Not predicted until every choice is made.`}</> : null
  const said = (v: number): string => format(v, p.quantity, job.units, 3)
  return <>{say` Predicted ${said(p.value)}, between ${said(p.low)} and ${said(p.high)}.`}</>
}

const runsOrStands = (runs: boolean): string => (runs ? say`runs` : say`stands`)

/** Every row of the circuit's own table, to be tried one after the other. */
function StateRows({ job }: Pick<StationProps, 'job'>) {
  const rows = stateRows(job)
  if (!rows.length) return <p className="small soft mb-1">{say`No circuit to try yet.`}</p>
  return (
    <details className="small">
      <summary>{say`${rows.length} rows`}</summary>
      <ul className="state-rows">
        {rows.map(({ when, runs }) => (
          <li key={when}>
            <span>{when}</span>
            <span className={runs ? 'fw-medium' : 'soft'}>{runs === null ? say`either` : runsOrStands(runs)}</span>
          </li>
        ))}
      </ul>
    </details>
  )
}

/** Every proof with its answer. */
function Proofs({ onSeek, ...props }: StationProps & { readonly onSeek: () => void }) {
  const { job } = props
  return (
    <>
      <h2>{say`Proof against prediction, before covers go back`}</h2>
      <p className="caution">
        {cautions.surprise} {cautions.fumes}
      </p>
      {proofsOf(job).map((proof) => {
        const state = stateOfProof(job, proof)
        return (
          <section key={proof.id} className="proof border-bottom py-2" aria-label={proof.name}>
            <div className="d-flex justify-content-between gap-2">
              <strong className="fw-medium">{proof.name}</strong>
              <span className={shortStates.has(state) ? 'verdict-short' : 'verdict-holds'}>
                {state !== 'open' && (state === 'accepted' ? say`differs, stands by name` : spokenWord(state))}
              </span>
            </div>
            <div className="small soft">
              {proof.how}
              <Predicted proof={proof} job={job} />
            </div>
            {proof.states && <StateRows job={job} />}
            {proof.turns && answerTo(job, proof)?.answer === 'no' && (
              <p className="say say-short">{wrongWayAdvice(proof.turns)}</p>
            )}
            <ProofAnswer {...props} proof={proof} onSeek={onSeek} />
          </section>
        )
      })}
      <Logger {...props} />
    </>
  )
}

function Stage(props: StationProps) {
  const sought = openSearch(props.job) !== null
  const [view, setView] = useState(sought ? 'fault' : 'proofs')
  return (
    <Tabs
      activeKey={view}
      onSelect={(key) => setView(key ?? 'proofs')}
      id="prove-views"
      mountOnEnter
      unmountOnExit
      transition={false}
      className="mb-2"
    >
      <Tab eventKey="proofs" title={say`Proofs`}>
        <Proofs {...props} onSeek={() => setView('fault')} />
      </Tab>
      <Tab eventKey="fault" title={sought ? say`Find the fault: under way` : say`Find the fault`}>
        <Fault {...props} />
      </Tab>
    </Tabs>
  )
}

function Tray(props: StationProps) {
  const { job, settle } = props
  return (
    <>
      <h2>{say`The controller stands on`}</h2>
      <ChoiceField
        label={say`Setting`}
        value={job.setting.state}
        options={[
          { value: 'test', name: say`its test setting` },
          { value: 'working', name: say`the working setting` },
        ]}
        onChange={(state) => settle((j) => ({ ...j, setting: { state } }))}
        tell={job.setting.state === 'test' ? say`A job never closes on a test setting.` : ''}
      />
      <p className="small soft mt-3">
        {say`A figure within its band is as predicted. One outside it holds the signature until it is put right and
          proved again, or stands by name where nothing can burn. What cannot be proved is noted with its reason and
          listed as such.`}
      </p>
      <Dial {...props} />
    </>
  )
}

export const proveStation: StationView = { Stage, Tray }
