'use client'

import { useState } from 'react'
import Button from 'react-bootstrap/Button'
import { replacement, replacementInWords, type Spread } from '@/core/advice'
import { chooseOldFan } from '@/core/job'
import { format, type Quantity } from '@/core/units'
import { PartPicker } from '../PartPicker'
import type { StationProps } from '../station'
import { Clocking } from './Clocking'
import { MakeshiftDialog } from './MakeshiftDialog'
import { say } from '@/core/words'

/** One fan against the other on one scale: each a dot with what the readings leave open. */
function Against({
  name,
  spreads,
  quantity,
  job,
}: {
  readonly name: string
  readonly spreads: { readonly old: Spread; readonly new: Spread }
  readonly quantity: Quantity
  readonly job: StationProps['job']
}) {
  const most = Math.max(spreads.old.high, spreads.new.high) * 1.05 || 1
  const words = (s: Spread): string =>
    say`${format(s.value, quantity, job.units, 3)} (${format(s.low, quantity, job.units, 3)} to
      ${format(s.high, quantity, job.units, 3)})`
  const rows = [
    [say`there now`, spreads.old],
    [say`new`, spreads.new],
  ] as const
  return (
    <tbody>
      {rows.map(([who, s]) => (
        <tr key={who}>
          <th scope="row">
            {name}, {who}
          </th>
          <td className="figure-text">{words(s)}</td>
          <td style={{ width: 180 }} aria-hidden="true">
            <svg viewBox="0 0 180 16" width="180" height="16">
              <path d={`M${(180 * s.low) / most} 8H${(180 * s.high) / most}`} stroke="var(--ink)" strokeWidth={2} />
              <circle
                cx={(180 * s.value) / most}
                cy={8}
                r={4.5}
                fill={who === 'new' ? 'var(--ink)' : 'var(--sheet)'}
                stroke="var(--ink)"
                strokeWidth={2}
              />
            </svg>
          </td>
        </tr>
      ))}
    </tbody>
  )
}

/** One fan in another's place: air, amps and fixing points, with how sure the answer is. */
export function Replacing({ job, shelf, settle }: Pick<StationProps, 'job' | 'shelf' | 'settle'>) {
  const [makeshift, setMakeshift] = useState(false)
  const found = replacement(job)
  return (
    <section aria-label={say`In place of another fan`}>
      <h2 className="mt-3">{say`In place of another fan`}</h2>
      <div className="d-flex flex-wrap gap-3 align-items-center">
        <div style={{ minWidth: 300 }}>
          <PartPicker
            system={job.units}
            kind="fan"
            label={say`Fan that comes off`}
            shelf={shelf}
            chosen={job.oldFan?.part ?? null}
            onChoose={(part) => settle((j) => chooseOldFan(j, part))}
          />
        </div>
        {job.oldFan && (
          <button type="button" className="word-button" onClick={() => settle((j) => chooseOldFan(j, null))}>
            {say`none comes off`}
          </button>
        )}
        {(job.oldFan ?? job.fans.length > 0) && (
          <Button variant="outline-dark" onClick={() => setMakeshift(true)}>
            {say`Measure without the right instrument`}
          </Button>
        )}
      </div>
      {found && (
        <>
          {replacementInWords(job, found, job.units).map((line, i) => (
            <p
              key={line}
              className={`say ${i === 0 && found.air.overlap ? 'say-unsure' : ''}`}
              data-testid={i === 0 ? 'replacement' : undefined}
            >
              {line}
            </p>
          ))}
          <table className="plain-table">
            <Against name={say`air through it`} spreads={found.air} quantity="flow" job={job} />
            <Against name={say`current`} spreads={found.amps} quantity="current" job={job} />
          </table>
        </>
      )}
      <Clocking job={job} />
      {makeshift && <MakeshiftDialog job={job} settle={settle} onHide={() => setMakeshift(false)} />}
    </section>
  )
}
