'use client'

import Form from 'react-bootstrap/Form'
import Table from 'react-bootstrap/Table'
import { conductorName, wiresInUse } from '@/core/job'
import { dropKit, kitFuseWarnings, type KitLine, kitPlan, matchKitWire, takeKit } from '@/core/wiring'
import { format, type UnitSystem } from '@/core/units'
import { PartPicker } from '../PartPicker'
import type { StationProps } from '../station'
import { Sideways } from '@/ui/Sideways'
import { say } from '@/core/words'

type Props = Pick<StationProps, 'job' | 'shelf' | 'settle'>

function Reaches({ line: l, units }: { readonly line: KitLine; readonly units: UnitSystem }) {
  if (l.conductor === null) return <span className="soft">{say`no place in this circuit`}</span>
  if (l.spareM === null || l.needM === null) return <span className="verdict-unsure">{say`measure its way`}</span>
  const left = format(Math.abs(l.spareM), 'run', units, 2)
  return l.spareM < 0 ? (
    <span className="verdict-short">
      {say`${left} too short: lengthen it below, ${format(l.needM, 'run', units, 2)} are needed`}
    </span>
  ) : (
    <span className="verdict-holds">{say`reaches, ${left} left to lay in a loop or to shorten`}</span>
  )
}

/** Its wires, each with what it is here. */
function Leads({ job, settle, lines }: Pick<Props, 'job' | 'settle'> & { readonly lines: readonly KitLine[] }) {
  return (
    <Sideways>
      <Table size="sm" className="align-middle mt-2">
        <thead>
          <tr>
            <th scope="col">{say`its wire`}</th>
            <th scope="col">{say`its sheet says`}</th>
            <th scope="col">{say`here it is`}</th>
            <th scope="col">{say`length`}</th>
          </tr>
        </thead>
        <tbody>
          {lines.map((l) => (
            <tr key={l.wire}>
              <th scope="row" className="fw-normal">
                {l.lead.colour}, {l.lead.size ?? say`size not known`}, {format(l.lead.lengthM, 'run', job.units, 3)}
                {l.differs && <div className="verdict-unsure small">{l.differs}</div>}
              </th>
              <td>{l.lead.use || <span className="verdict-unsure">{say`nobody knows`}</span>}</td>
              <td>
                <Form.Select
                  size="sm"
                  style={{ minWidth: '9.5rem' }}
                  aria-label={say`What wire ${l.wire + 1} of the harness is`}
                  value={l.conductor ?? ''}
                  onChange={(e) => {
                    const id = e.target.value || null
                    settle((j) => matchKitWire(j, l.wire, id))
                  }}
                >
                  <option value="">{say`none of this circuit`}</option>
                  {wiresInUse(job).map((c) => (
                    <option key={c.id} value={c.id}>
                      {conductorName(job, c.id)}
                    </option>
                  ))}
                </Form.Select>
              </td>
              <td>
                <Reaches line={l} units={job.units} />
              </td>
            </tr>
          ))}
        </tbody>
      </Table>
    </Sideways>
  )
}

/** A harness that came ready made: which of its wires is which, whether each reaches, what it does not bring. */
export function Kit({ job, shelf, settle }: Props) {
  const plan = kitPlan(job)
  const { kit } = job.wiring
  return (
    <>
      <h2>{say`Ready-made harness`}</h2>
      <PartPicker
        system={job.units}
        kind="harness"
        label={say`It came with`}
        shelf={shelf}
        chosen={kit?.part ?? null}
        onChoose={(part) => settle((j) => takeKit(j, part))}
      />
      {plan && kit && (
        <>
          <Leads job={job} settle={settle} lines={plan.lines} />
          {plan.lacking.length > 0 && (
            <p className="say say-unsure">
              {say`It does not bring: ${plan.lacking.join(', ')}. Those are cut by hand.`}
            </p>
          )}
          {plan.lines.some((l) => l.conductor === null) && (
            <p className="say say-unsure">
              {say`What has no place here is cut off or tied back: staggered, each end sealed. A bare end may be live.`}
            </p>
          )}
          {kitFuseWarnings(job).map((w) => (
            <p key={w} className="say say-short">
              {w}
            </p>
          ))}
          {plan.swaps.map(([long, short]) => (
            <p key={`${long} ${short}`} className="say">
              {say`Change over ${long} and ${short}: both are of one size, and then both reach.`}
            </p>
          ))}
          <button type="button" className="word-button" onClick={() => settle(dropKit)}>
            {say`without it: cut every wire by hand`}
          </button>
        </>
      )}
    </>
  )
}
