'use client'

import Button from 'react-bootstrap/Button'
import Table from 'react-bootstrap/Table'
import { chooseFan, chooseProbe, comparedFans, depthStack, jobKinds, neighbours, type FanPart, type Job } from '@/core/job'
import { mounts, mountsFor } from '@/core/plan'
import { format } from '@/core/units'
import { ChoiceField } from '@/ui/ChoiceField'
import { PartPicker } from '../PartPicker'
import { Readings } from '../Readings'
import type { StationProps, StationView } from '../station'

const changePlace = (job: Job, part: Partial<Job['place']>): Job => ({ ...job, place: { ...job.place, ...part } })

/** Section through core, what holds the fan, the fan, and what is behind it; to scale along the depth. */
function Section({ job }: Pick<StationProps, 'job'>) {
  const { coreM, standOffM, fanM, freeM, leftM, requiredM } = depthStack(job)
  const scale = 360 / (coreM + Math.max(freeM, standOffM + (fanM ?? 0)) + 0.01)
  const x0 = 30
  const face = x0 + coreM * scale
  const fanFrom = face + standOffM * scale
  const fanTo = fanFrom + (fanM ?? 0) * scale
  const wall = face + freeM * scale
  const tight = leftM < requiredM
  return (
    <svg viewBox="0 0 560 250" width="100%" style={{ maxWidth: 640 }} role="img" aria-label={`${format(leftM, 'length', job.units)} left behind the fan, ${format(requiredM, 'length', job.units)} needed`}>
      <rect x={x0} y={30} width={coreM * scale} height={170} fill="none" stroke="var(--ink)" strokeWidth={1.6} />
      {Array.from({ length: 16 }, (_, i) => <line key={i} x1={x0} x2={face} y1={40 + i * 10} y2={40 + i * 10} stroke="var(--line)" />)}
      <text x={x0} y={22} fontSize={13}>{job.bay ? 'panel' : 'core'}</text>
      {fanM !== null && (
        <>
          <rect x={face} y={60} width={Math.max(1, standOffM * scale)} height={12} fill="var(--line)" stroke="var(--ink)" />
          <rect x={face} y={158} width={Math.max(1, standOffM * scale)} height={12} fill="var(--line)" stroke="var(--ink)" />
          <rect x={fanFrom} y={55} width={fanM * scale} height={120} fill="none" stroke="var(--ink)" strokeWidth={1.8} />
          <rect x={fanFrom + fanM * scale * 0.35} y={95} width={fanM * scale * 0.65} height={40} fill="var(--hair)" stroke="var(--ink)" />
          <text x={fanFrom} y={48} fontSize={13}>fan</text>
        </>
      )}
      <line x1={wall} x2={wall} y1={24} y2={206} stroke="var(--soft)" strokeWidth={5} />
      <text x={wall + 8} y={40} fontSize={13}>{neighbours[job.place.neighbour].name}</text>
      <path d={`M${fanTo} 190 H${wall} M${fanTo - 4} 195 l8 -10 M${wall - 4} 195 l8 -10`} stroke="var(--ink)" fill="none" />
      <text className="figure-text" x={wall + 8} y={188} fontSize={14} style={{ fill: tight ? 'var(--short)' : 'var(--holds)' }}>{format(leftM, 'length', job.units)} left</text>
      <text x={wall + 8} y={206} fontSize={12}>{format(requiredM, 'length', job.units)} needed</text>
    </svg>
  )
}

function Stage({ job, shelf, settle }: StationProps) {
  const u = job.units
  const rows = comparedFans(job, shelf.filter((p): p is FanPart => p.kind === 'fan'))
  const mountsFan = jobKinds[job.kind].mountsFan
  return (
    <>
      {mountsFan ? <><h2>Section through the place</h2><Section job={job} /></> : <p className="say">The fan stays where it is: say below which it is, with its figures as measured.</p>}
      <h2 className="mt-3">Fans on the shelf, in this place</h2>
      {rows.length === 0 ? <p className="say">No fan is on the shelf yet.</p> : (
        <div className="scroll-sideways">
          <Table size="sm" className="align-middle">
            <thead><tr><th>fan</th><th>depth over what it needs</th>{mountsFan && <th>{job.bay ? 'moves through the vents' : 'moves through the fins'}</th>}<th>takes, running</th><th>{job.trailer ? 'left over, leanest state' : 'left over at idle'}</th><th><span className="visually-hidden">choose</span></th></tr></thead>
            <tbody>
              {rows.map(({ part, depthOverM, moved, runA, leanestNetA, otherVoltage, chosen }) => (
                <tr key={part.id} aria-current={chosen ? 'true' : undefined}>
                  <td><strong className="fw-medium">{part.name}</strong> <span className="soft small">{part.maker}, {format(part.diameterM.value, 'length', u)}</span>{otherVoltage && <span className="verdict-short small"> for {part.ratedV} V</span>}</td>
                  <td className={`figure-text ${depthOverM < 0 ? 'verdict-short' : ''}`}>{format(depthOverM, 'length', u)}{depthOverM < 0 ? ', short' : ''}</td>
                  {mountsFan && <td className="figure-text">{moved ? `${format(moved.flowM3s, 'flow', u, 2)}` : '–'}{moved && <span className="soft small"> {Math.round(moved.ofBox * 100)} % of its box</span>}</td>}
                  <td className="figure-text">{format(runA, 'current', u, 2)}</td>
                  <td className={`figure-text ${leanestNetA < 0 ? 'verdict-short' : ''}`}>{format(leanestNetA, 'current', u, 2)}{leanestNetA < 0 ? ', short' : ''}</td>
                  <td className="text-end">{chosen ? <span className="fw-medium">chosen</span> : <Button size="sm" variant="outline-dark" onClick={() => settle((j) => chooseFan(j, part))} aria-label={`Choose ${part.name}`}>Choose</Button>}</td>
                </tr>
              ))}
            </tbody>
          </Table>
        </div>
      )}
      {mountsFan && <p className="say">What it moves is an estimate: standing still on the hottest day, {job.bay ? 'vents open' : 'core clean, fan in the middle'}, at the voltage that reaches it. {job.bay ? 'Whether that is enough, Air says.' : 'Whether that is enough is not worked out yet: Air stays open.'}</p>}
    </>
  )
}

function Tray(props: StationProps) {
  const { job, shelf, settle } = props
  return (
    <>
      {jobKinds[job.kind].mountsFan && (
        <>
          <h2>How it sits</h2>
          <ChoiceField label="Held by" value={job.place.mount} options={mountsFor(job).map((value) => ({ value, name: mounts[value].name }))} onChange={(mount) => settle((j) => changePlace(j, { mount }))}
            tell={job.bay ? 'A hole in the machine: the owner is asked for it.' : mounts[job.place.mount].coreComesOff || job.newCore ? 'The core comes off: the coolant is drained and refilled.' : 'The core stays on: no coolant steps.'} />
          <ChoiceField label={job.bay ? 'Way of the air' : 'Side'} value={job.place.side} options={job.bay ? [{ value: 'puller', name: 'draws the hot air out' }, { value: 'pusher', name: 'pushes cool air in' }] : [{ value: 'puller', name: 'behind, pulling' }, { value: 'pusher', name: 'in front, pushing' }]} onChange={(side) => settle((j) => changePlace(j, { side }))} />
          <ChoiceField label="Behind it is" value={job.place.neighbour} options={(Object.keys(neighbours) as (keyof typeof neighbours)[]).map((value) => ({ value, name: neighbours[value].name }))} onChange={(neighbour) => settle((j) => changePlace(j, { neighbour }))} />
        </>
      )}
      <h2>Parts</h2>
      <PartPicker kind="fan" label="Fan" shelf={shelf} chosen={job.fans[0]?.part ?? null} onChoose={(part) => settle((j) => chooseFan(j, part))} />
      <PartPicker kind="probe" label="Probe" shelf={shelf} chosen={job.probes[0]!.part} onChoose={(part) => settle((j) => chooseProbe(j, part))} />
      <h2>Readings</h2>
      <Readings {...props} station="place" />
    </>
  )
}

export const placeStation: StationView = { Stage, Tray }
