'use client'

import { changeComplaintReading, changeSystemVoltage, typicalMachines, type Job } from '@/core/job'
import { complaintInWords } from '@/core/plan'
import { format } from '@/core/units'
import { ChoiceField, YesNoField } from '@/ui/ChoiceField'
import { QuantityField } from '@/ui/QuantityField'
import { Silhouette } from '@/ui/Silhouette'
import { Readings } from '../Readings'
import type { StationProps, StationView } from '../station'

const same = <const V extends string>(values: readonly V[]): { value: V; name: V }[] => values.map((value) => ({ value, name: value }))

function Stage({ job, settle }: StationProps) {
  const u = job.units
  const change = (part: Partial<Job['complaint']>): void => settle((j) => ({ ...j, complaint: { ...j.complaint, ...part } }))
  const callouts: readonly (readonly [string, string])[] = [
    ['coolant', `${format(job.cooling.volumeM3.value, 'volume', u)}, cap ${format(job.cooling.capPa.value, 'pressure', u)}`],
    ['cores', `${job.cooling.cores}${job.cooling.cores > 1 ? (job.cooling.coresJoined ? ', joined' : ', each fed by itself') : ''}`],
    ['thermostat opens', format(job.engine.thermostatOpensC.value, 'temperature', u)],
    ['charging', job.charging.known === 'rating' ? `${format(job.charging.ratedA.value, 'current', u)} at ${format(job.charging.ratedRpm.value, 'engineSpeed', u)}` : 'measured with a clamp'],
    ['battery', `${format(job.batteries[0]!.capacityAh.value, 'batteryCapacity', u)}, ${job.machine.systemV} V`],
    ['height', format(job.surroundings.heightM.value, 'height', u)],
  ]
  return (
    <>
      <p className="condensed fs-4 mb-1" data-testid="complaint">{complaintInWords(job)}</p>
      <div className="row g-2 mb-3">
        <div className="col-sm-4"><ChoiceField label="it" value={job.complaint.what} options={same(['boils', 'runs hot', 'stumbles when hot', 'cooks what is near it'])} onChange={(what) => change({ what })} /></div>
        <div className="col-sm-4"><ChoiceField label="on" value={job.complaint.on} options={same(['slow climbs', 'slow work', 'idling', 'after switch-off', 'any work'])} onChange={(on) => change({ on })} /></div>
        <div className="col-sm-4"><ChoiceField label="with" value={job.complaint.breeze} options={same(['no breeze', 'a breeze', 'any weather'])} onChange={(breeze) => change({ breeze })} /></div>
        <div className="col-sm-6"><QuantityField name="complaint.after.first" label="after" value={job.complaint.after?.value ?? null} quantity="minutes" system={u} check={(v) => (v < 0 || v > 86_400 ? 'Between 0 and 1440 minutes.' : null)} onSettle={(value, typed) => settle((j) => changeComplaintReading(j, 'after', value, typed))} /></div>
        <div className="col-sm-6"><QuantityField name="complaint.above.first" label="above, surroundings" value={job.complaint.aboveC?.value ?? null} quantity="temperature" system={u} check={(v) => (v < -40 || v > 60 ? `Between ${format(-40, 'temperature', u)} and ${format(60, 'temperature', u)}.` : null)} onSettle={(value, typed) => settle((j) => changeComplaintReading(j, 'aboveC', value, typed))} /></div>
      </div>
      <div className="d-flex flex-wrap gap-4 align-items-center">
        <Silhouette kind={job.machine.kind} width={300} />
        <dl className="row flex-grow-1 mb-0" style={{ maxWidth: 330 }}>
          {callouts.map(([name, value]) => [<dt key={name} className="col-5 fw-normal soft">{name}</dt>, <dd key={`${name}-`} className="col-7 figure-text mb-1">{value}</dd>])}
        </dl>
      </div>
      {(!job.machine.hasBattery || !job.machine.outputDc) && (
        <p className="say say-short">A fan needs direct current from a battery, or from a rectified output. Without it this job ends here, until one is fitted.</p>
      )}
      <p className="say">Before anything comes apart: is a fan the cure? Low or old coolant, a stuck engine thermostat, a blocked or bent core, a slipping pump, a blown fuse of a fan it already has, a leaking hose would each boil it too. Take the baseline run first; it cannot be had afterwards.</p>
    </>
  )
}

function Tray(props: StationProps) {
  const { job, settle } = props
  const machine = (part: Partial<Job['machine']>): void => settle((j) => ({ ...j, machine: { ...j.machine, ...part } }))
  return (
    <>
      <h2>{job.machine.name}, {typicalMachines[job.machine.kind].name}</h2>
      <YesNoField label="It has a battery" value={job.machine.hasBattery} onChange={(hasBattery) => machine({ hasBattery })} />
      <YesNoField label="Its output is DC" value={job.machine.outputDc} onChange={(outputDc) => machine({ outputDc })} />
      <ChoiceField label="System" value={String(job.machine.systemV) as '12' | '24'} options={[{ value: '12', name: '12 V' }, { value: '24', name: '24 V' }]} onChange={(v) => settle((j) => changeSystemVoltage(j, v === '24' ? 24 : 12))} />
      <h2>Where and how it works</h2>
      <Readings {...props} station="machine" only={(a) => !a.startsWith('complaint')} />
    </>
  )
}

export const machineStation: StationView = { Stage, Tray }
