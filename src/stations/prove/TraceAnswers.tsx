'use client'

import Button from 'react-bootstrap/Button'
import { answerTo, asPredicted, type TraceAnswer } from '@/core/build'
import { answerProof } from '@/core/job'
import { format } from '@/core/units'
import type { StationProps } from '../station'
import { say } from '@/core/words'

type Props = Pick<StationProps, 'job' | 'settle' | 'now'>

/** What the trace answers, beside what was predicted; each is taken by itself, or all that may be. */
export function TraceAnswers({ answers, job, settle, now }: Props & { readonly answers: readonly TraceAnswer[] }) {
  if (!answers.length) return null
  const stands = ({ proof, value }: TraceAnswer): boolean => answerTo(job, proof)?.measured?.value === value
  const may = answers.filter((a) => a.waits === null && !stands(a))
  const take = (list: readonly TraceAnswer[]): void => {
    const at = now().toISOString()
    settle((j) =>
      list.reduce((next, { proof, value }) => {
        const said = format(value, proof.predicted!.quantity, j.units, 3)
        const measured = { value, typed: say`${said}, by the logger` }
        return answerProof(next, proof.id, { measured, answer: null, notProved: null }, at)
      }, j),
    )
  }
  return (
    <>
      <table className="plain-table mt-2">
        <thead>
          <tr>
            <th>{say`proof`}</th>
            <th>{say`trace`}</th>
            <th>{say`predicted`}</th>
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
                        {fits ? say`as predicted` : say`differs`}{' '}
                        {stands({ proof, value, waits }) ? (
                          <span className="soft">{say`: answers its proof`}</span>
                        ) : (
                          <button
                            type="button"
                            className="word-button"
                            aria-label={say`take it: ${proof.name}`}
                            onClick={() => take([{ proof, value, waits }])}
                          >
                            {say`take it`}
                          </button>
                        )}
                      </>
                    )}
                  </span>
                </th>
                <td className={`figure-text ${fits ? '' : 'verdict-short'}`}>{said(value)}</td>
                <td className="figure-text">{say`${said(p.low)} to ${said(p.high)}`}</td>
              </tr>
            )
          })}
        </tbody>
      </table>
      {may.length > 1 && (
        <Button variant="dark" className="mt-2" onClick={() => take(may)}>
          {say`Answer ${may.length} proofs with it`}
        </Button>
      )}
    </>
  )
}
