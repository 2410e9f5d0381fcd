'use client'

import { useState } from 'react'
import Button from 'react-bootstrap/Button'
import { asPredicted, type TraceAnswer } from '@/core/build'
import { answerProof } from '@/core/job'
import { format } from '@/core/units'
import type { StationProps } from '../station'

type Props = Pick<StationProps, 'job' | 'settle' | 'now'>

/** What the trace answers, beside what was predicted; each is taken by itself, or all that may be. */
export function TraceAnswers({ answers, job, settle, now }: Props & { readonly answers: readonly TraceAnswer[] }) {
  const [taken, setTaken] = useState<string | null>(null)
  if (!answers.length) return null
  const may = answers.filter((a) => a.waits === null)
  const take = (list: readonly TraceAnswer[]): void => {
    const at = now().toISOString()
    settle((j) =>
      list.reduce((next, { proof, value }) => {
        const said = format(value, proof.predicted!.quantity, j.units, 3)
        const measured = { value, typed: `${said}, by the logger` }
        return answerProof(next, proof.id, { measured, answer: null, notProved: null }, at)
      }, j),
    )
    setTaken(list.map((a) => a.proof.name).join(', '))
  }
  return (
    <>
      <table className="plain-table mt-2">
        <thead>
          <tr>
            <th>proof</th>
            <th>trace</th>
            <th>predicted</th>
          </tr>
        </thead>
        <tbody>
          {answers.map(({ proof, value, waits }) => {
            const p = proof.predicted!
            const said = (v: number): string => format(v, p.quantity, job.units, 3)
            const fits = asPredicted(p, value)
            return (
              <tr key={proof.id}>
                <th scope="row">
                  {proof.name}
                  <span className="d-block small fw-normal">
                    {waits ?? (
                      <>
                        {fits ? 'as predicted' : 'differs'}{' '}
                        <button
                          type="button"
                          className="word-button"
                          aria-label={`take it: ${proof.name}`}
                          onClick={() => take([{ proof, value, waits }])}
                        >
                          take it
                        </button>
                      </>
                    )}
                  </span>
                </th>
                <td className={`figure-text ${fits ? '' : 'verdict-short'}`}>{said(value)}</td>
                <td className="figure-text">
                  {said(p.low)} to {said(p.high)}
                </td>
              </tr>
            )
          })}
        </tbody>
      </table>
      {may.length > 1 && (
        <Button variant="dark" className="mt-2" onClick={() => take(may)}>
          Answer {may.length} proofs with it
        </Button>
      )}
      {taken && (
        <p className="say mt-2" role="status">
          Taken: {taken}.
        </p>
      )}
    </>
  )
}
