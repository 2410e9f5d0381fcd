'use client'

import { chooseController, firstCircuit } from '@/core/fan-circuit'
import { useMemo } from 'react'
import Button from 'react-bootstrap/Button'
import { judgeSwitches, switchWindow, windowInWords } from '@/core/advice'
import { format } from '@/core/units'
import { Sideways } from '@/ui/Sideways'
import type { StationProps } from '../station'
import { say } from '@/core/words'

/** Which of the shelf's fixed switches suits this engine's thermostat, each run through the day. */
export function Switches({ job, shelf, settle }: Pick<StationProps, 'job' | 'shelf' | 'settle'>) {
  const u = job.units
  const judged = useMemo(() => judgeSwitches(job, shelf), [job, shelf])
  const present = firstCircuit(job).controller?.part.id
  return (
    <>
      <h2>{say`Which switch`}</h2>
      <p className="say">{windowInWords(switchWindow(job), u)}</p>
      <p className="soft small">
        {say`A fixed switch cannot be set: it suits this thermostat, or it does not. Where a run can be made, each is
          run through the hottest day.`}
      </p>
      {judged.length > 0 && (
        <Sideways>
          <table className="plain-table">
            <thead>
              <tr>
                <th>{say`switch`}</th>
                <th>{say`closes, opens`}</th>
                <th>{say`suits`}</th>
                <th>{say`peak`}</th>
                <th>{say`left`}</th>
                <th>
                  <span className="visually-hidden">{say`take`}</span>
                </th>
              </tr>
            </thead>
            <tbody>
              {judged.map((s) => (
                <tr key={s.part.id}>
                  <th scope="row">{s.part.name}</th>
                  <td className="figure-text">
                    {format(s.closesC, 'temperature', u, 3)}, {format(s.opensC, 'temperature', u, 3)}
                  </td>
                  <td className={`verdict-${s.suits ? 'holds' : 'short'}`}>
                    {s.suits ? say`yes` : say`no`}
                    {s.why.length ? `: ${s.why.join('; ')}` : ''}
                  </td>
                  <td className="figure-text">{s.peakC === null ? '–' : format(s.peakC, 'temperature', u, 3)}</td>
                  <td className="figure-text">
                    {s.leftK === null ? '–' : format(s.leftK, 'temperatureDifference', u, 2)}
                  </td>
                  <td>
                    {s.part.id === present ? (
                      say`chosen`
                    ) : (
                      <Button
                        size="sm"
                        variant="outline-dark"
                        onClick={() => settle((j) => chooseController(j, s.part, null))}
                      >
                        {say`Take`}
                        <span className="visually-hidden"> {s.part.name}</span>
                      </Button>
                    )}
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
        </Sideways>
      )}
      {judged.length === 0 && <p className="say">{say`There is no fixed switch on the shelf.`}</p>}
    </>
  )
}
