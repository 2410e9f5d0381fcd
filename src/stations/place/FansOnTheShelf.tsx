'use client'

import Button from 'react-bootstrap/Button'
import Table from 'react-bootstrap/Table'
import { comparedFans } from '@/core/advice'
import { chooseFan, jobKinds } from '@/core/job'
import type { FanPart } from '@/core/parts'
import { format, percent } from '@/core/units'
import { say } from '@/core/words'
import { Sideways } from '@/ui/Sideways'
import type { StationProps } from '../station'

/** Every fan of the shelf in this place: what it would move, draw, and leave free. */
export function FansOnTheShelf({ job, shelf, settle }: Pick<StationProps, 'job' | 'shelf' | 'settle'>) {
  const u = job.units
  const rows = comparedFans(
    job,
    shelf.filter((p): p is FanPart => p.kind === 'fan'),
  )
  const mountsFan = jobKinds[job.kind].mountsFan
  return (
    <>
      <h2 className="mt-3">{say`Fans on the shelf, in this place`}</h2>
      {rows.length === 0 ? (
        <p className="say">{say`No fan is on the shelf yet.`}</p>
      ) : (
        <Sideways>
          <Table size="sm" className="align-middle">
            <thead>
              <tr>
                <th>{say`fan`}</th>
                <th>{say`depth over what it needs`}</th>
                {mountsFan && <th>{job.bay ? say`moves through the vents` : say`moves through the fins`}</th>}
                <th>{say`takes, running`}</th>
                <th>{job.trailer ? say`left over, leanest state` : say`left over at idle`}</th>
                <th>
                  <span className="visually-hidden">{say`choose`}</span>
                </th>
              </tr>
            </thead>
            <tbody>
              {rows.map(({ part, depthOverM, moved, runA, leanestNetA, otherVoltage, chosen }) => (
                <tr key={part.id} aria-current={chosen ? 'true' : undefined}>
                  <td>
                    <strong className="fw-medium">{part.name}</strong>{' '}
                    <span className="soft small">
                      {part.maker}, {format(part.housingM.value, 'length', u)}
                    </span>
                    {otherVoltage && <span className="verdict-short small"> {say`for ${part.ratedV} V`}</span>}
                  </td>
                  <td className={`figure-text ${depthOverM < 0 ? 'verdict-short' : ''}`}>
                    {format(depthOverM, 'length', u)}
                    {depthOverM < 0 ? say`, short` : ''}
                  </td>
                  {mountsFan && (
                    <td className="figure-text">
                      {moved ? `${format(moved.flowM3s, 'flow', u, 2)}` : '–'}
                      {moved && <span className="soft small"> {say`${percent(moved.ofBox)} of its box`}</span>}
                    </td>
                  )}
                  <td className="figure-text">{format(runA, 'current', u, 2)}</td>
                  <td className={`figure-text ${leanestNetA < 0 ? 'verdict-short' : ''}`}>
                    {format(leanestNetA, 'current', u, 2)}
                    {leanestNetA < 0 ? say`, short` : ''}
                  </td>
                  <td className="text-end">
                    {chosen ? (
                      <span className="fw-medium">{say`chosen`}</span>
                    ) : (
                      <Button
                        size="sm"
                        variant="outline-dark"
                        onClick={() => settle((j) => chooseFan(j, part))}
                        aria-label={say`Choose ${part.name}`}
                      >
                        {say`Choose`}
                      </Button>
                    )}
                  </td>
                </tr>
              ))}
            </tbody>
          </Table>
        </Sideways>
      )}
    </>
  )
}
