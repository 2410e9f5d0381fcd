'use client'

import Table from 'react-bootstrap/Table'
import { heatsOf, heatWords, stateInWords, turns, type Conditions, type ProvedState } from '@/core/circuit'
import type { Job } from '@/core/job'
import { fansInWords, type JobProof } from '@/core/wiring'
import { Carried, Guards, Held, Parked } from './Proved'
import { Sideways } from '@/ui/Sideways'
import { say } from '@/core/words'

/** Colour of a state's cell: not as asked, turning, standing. */
function toneOf(s: ProvedState): string {
  if (s.mismatch) return 'verdict-short'
  return s.fans.some(turns) ? 'verdict-holds' : 'soft'
}

/** A row's switches in words, its heat left out. */
const rowName = (s: ProvedState, proof: JobProof): string => stateInWords(s.conditions, { ...proof.net, controls: [] })

/** What the fan does in one state; a press shows it. */
function Cell({
  state: s,
  units,
  pressed,
  onShow,
}: {
  readonly state: ProvedState
  readonly units: Job['units']
  readonly pressed: boolean
  readonly onShow: (c: Conditions) => void
}) {
  return (
    <button
      type="button"
      className="state-cell"
      aria-pressed={pressed}
      title={s.mismatch ?? ''}
      onClick={() => onShow(s.conditions)}
    >
      <span className={`figure-text ${toneOf(s)}`}>
        {s.mismatch ? '! ' : ''}
        {s.solution.chattering.length ? say`chatters` : fansInWords(s.fans, units)}
      </span>
      <span className="visually-hidden">
        {say`${s.mismatch ? say`, not as asked: ${s.mismatch}` : say`, as asked`}; show it`}
      </span>
    </button>
  )
}

/**
 * Every state of the circuit: what the fan does there, and whether that was asked; what is live when parked; what each
 * switch carries.
 */
export function StateTable({
  job,
  proof,
  shown,
  onShow,
  faulty,
}: {
  readonly job: Job
  readonly proof: JobProof
  readonly shown: Conditions
  readonly onShow: (c: Conditions) => void
  readonly faulty: boolean
}) {
  const u = job.units
  const heats = heatsOf(proof.net)
  const wrong = proof.rows.flatMap((r) => r.states).filter((s) => s.mismatch).length
  const of = proof.rows.flatMap((r) => r.states).length
  // what is not chosen yet is reckoned as a usual one: then this is no promise
  const supposed = proof.net.problems.some((p) => p.level === 'waits')
  const isShown = (c: Conditions): boolean =>
    (Object.keys(c) as (keyof Conditions)[]).every((k) =>
      k === 'isolator'
        ? c[k] === shown[k] || !proof.net.elements.some((e) => e.kind === 'switch' && e.by === 'isolator')
        : c[k] === shown[k],
    )
  return (
    <>
      <h2 className="mt-3">
        {say`Every state${faulty ? say`, with these faults` : ''}:`}{' '}
        {wrong ? (
          <span className="verdict-short">{say`${wrong} of ${of} not as asked`}</span>
        ) : (
          <>
            <span className={supposed ? 'verdict-unsure' : 'verdict-holds'}>{say`all ${of} as asked`}</span>
            {supposed && say`, if what is not chosen yet is as it is reckoned`}
          </>
        )}
        {proof.latches.some((l) => l.mismatch) && (
          <span className="verdict-short">{say`; not in what comes before`}</span>
        )}
      </h2>
      <Sideways>
        <Table size="sm" className="align-middle states">
          <thead>
            <tr>
              <th scope="col">{say`switches`}</th>
              {heats.map((h) => (
                <th key={h} scope="col">
                  {heats.length > 1 ? heatWords[h] : say`fan`}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {proof.rows.map((r) => (
              <tr key={JSON.stringify(r.switches)}>
                <th scope="row">{rowName(r.states[0]!, proof)}</th>
                {r.states.map((s) => (
                  <td key={s.conditions.heat} className={s.mismatch ? 'not-as-asked' : ''}>
                    <Cell state={s} units={u} pressed={isShown(s.conditions)} onShow={onShow} />
                  </td>
                ))}
              </tr>
            ))}
          </tbody>
        </Table>
      </Sideways>
      <Held proof={proof} onShow={onShow} />
      <Parked proof={proof} units={u} />
      <Carried proof={proof} units={u} />
      <Guards job={job} />
    </>
  )
}
