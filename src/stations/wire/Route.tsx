'use client'

import Table from 'react-bootstrap/Table'
import { changeWiring, type Job, type JointKind, jointKinds } from '@/core/job'
import { groundPlan, jointChoices, joints, routeOf, setPassing } from '@/core/wiring'
import { worded } from '@/core/units'
import { ChoiceField } from '@/ui/ChoiceField'
import type { StationProps } from '../station'
import { Sideways } from '@/ui/Sideways'
import { say, spokenWord } from '@/core/words'

type Props = Pick<StationProps, 'job' | 'settle'>

/** What the loom's way passes, each looked at once the machine stands there. */
function Way({ job, settle }: Props) {
  return (
    <>
      <h2>{say`The way of the loom`}</h2>
      <p className="soft small mb-1">
        {say`With a string laid where the wires will lie: how does it pass each of these?`}
      </p>
      {routeOf(job).map(({ hazard, rule, how, wrong }) => (
        <div key={hazard} className="mb-2">
          <ChoiceField
            label={`${rule.name[0]!.toUpperCase()}${rule.name.slice(1)}`}
            value={how ?? ''}
            options={[
              { value: '', name: say`not looked at` },
              { value: 'keeps away', name: say`keeps away: ${worded(rule.keep, job.units)}` },
              { value: 'passes, guarded', name: say`passes it, guarded` },
              { value: 'touches', name: say`touches it` },
            ]}
            onChange={(v) => settle((j) => setPassing(j, hazard, v === '' ? null : v))}
          />
          {wrong && <p className="say say-short">{say`${wrong} Lay it another way.`}</p>}
          {how === 'passes, guarded' && !rule.never && (
            <p className="soft small mb-0">{say`Guard: ${worded(rule.guard, job.units)}.`}</p>
          )}
        </div>
      ))}
    </>
  )
}

function Joints({ job, settle }: Props) {
  const choices = jointChoices(job)
  return (
    <>
      <h2 className="mt-3">{say`How wires are joined`}</h2>
      <ChoiceField<JointKind>
        label={say`Joints`}
        value={job.wiring.joints}
        options={jointKinds.map((value) => ({ value, name: joints[value].name }))}
        onChange={(kind) => settle((j) => changeWiring(j, { joints: kind }))}
      />
      <ul className="plain-list" aria-label={say`Ways of joining, here`}>
        {choices.map(({ kind, fits, reasons }) => (
          <li key={kind}>
            <span className="fw-medium">{joints[kind].name}</span>:{' '}
            <span className={fits ? 'verdict-holds' : 'verdict-short'}>
              {fits ? say`right here` : say`not here, ${reasons.join(say` and `)}`}
            </span>
            . <span className="soft small">{worded(joints[kind].tell, job.units)}.</span>
          </li>
        ))}
      </ul>
    </>
  )
}

function Grounds({ job }: { readonly job: Job }) {
  const lines = groundPlan(job)
  return (
    <>
      <h2 className="mt-3">{say`Grounds`}</h2>
      <Sideways>
        <Table size="sm">
          <thead>
            <tr>
              <th scope="col">{say`wire`}</th>
              <th scope="col">{say`from`}</th>
              <th scope="col">{say`ends on`}</th>
            </tr>
          </thead>
          <tbody>
            {lines.map((l) => (
              <tr key={l.conductor}>
                <th scope="row" className="fw-normal">
                  {l.name}
                </th>
                <td>{l.from}</td>
                <td>
                  {spokenWord(l.at)}
                  {l.wrong && <div className="verdict-short small">{l.wrong}</div>}
                </td>
              </tr>
            ))}
          </tbody>
        </Table>
      </Sideways>
      <p className="soft small">
        {say`What carries a fan and what carries signals have a ring each: a fan that starts lifts its own stud, and a
          controller on the same one reads that as heat. A frame point is bare metal, a toothed washer, grease over
          it.`}
      </p>
    </>
  )
}

/** Where the wires lie, how they are joined, and where they end on negative. */
export function Route({ job, settle }: Props) {
  return (
    <>
      <Way job={job} settle={settle} />
      <Joints job={job} settle={settle} />
      <Grounds job={job} />
    </>
  )
}
