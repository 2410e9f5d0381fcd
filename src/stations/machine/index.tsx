'use client'

import dynamic from 'next/dynamic'
import { Coming, persistently } from '@/ui/persistently'
import {
  changeComplaintReading,
  changeSystemVoltage,
  choiceEnds,
  type Job,
  jobKinds,
  setIdentity,
  typicalMachines,
} from '@/core/job'
import { complaintInWords } from '@/core/plan'
import { ChoiceField, UnsaidField } from '@/ui/ChoiceField'
import { QuantityField } from '@/ui/QuantityField'
import { TextField } from '@/ui/TextField'
import { Readings } from '../Readings'
import type { StationProps, StationView } from '../station'
import { Plate } from './Plate'
import { say } from '@/core/words'

const EvidenceStrip = dynamic(
  () => persistently(() => import('../evidence/EvidenceStrip')).then((m) => m.EvidenceStrip),
  { ssr: false, loading: () => <Coming height={120} /> },
)
// it stands folded, below the picture: fetched when the page is there
const Story = dynamic(() => persistently(() => import('./Story')).then((m) => m.Story), {
  ssr: false,
  loading: () => <Coming height={280} />,
})

const same = <const V extends string>(values: readonly V[]): { value: V; name: V }[] =>
  values.map((value) => ({ value, name: value }))

function Stage(props: StationProps) {
  const { job, settle } = props
  const u = job.units
  const change = (part: Partial<Job['complaint']>): void =>
    settle((j) => ({ ...j, complaint: { ...j.complaint, ...part } }))
  const dead = job.machine.hasBattery === false || job.machine.outputDc === false
  return (
    <>
      <p className="condensed fs-4 mb-1" data-testid="complaint">
        {complaintInWords(job)}
      </p>
      <div className="row g-2 mb-2">
        <div className="col-sm-4">
          <ChoiceField
            label={say`it`}
            value={job.complaint.what}
            options={same(['boils', 'runs hot', 'stumbles when hot', 'cooks what is near it'])}
            onChange={(what) => change({ what })}
          />
        </div>
        <div className="col-sm-4">
          <ChoiceField
            label={say`on`}
            value={job.complaint.on}
            options={same(['slow climbs', 'slow work', 'idling', 'after switch-off', 'any work'])}
            onChange={(on) => change({ on })}
          />
        </div>
        <div className="col-sm-4">
          <ChoiceField
            label={say`with`}
            value={job.complaint.breeze}
            options={same(['no breeze', 'a breeze', 'any weather'])}
            onChange={(breeze) => change({ breeze })}
          />
        </div>
        <div className="col-sm-6">
          <QuantityField
            name="complaint.after.first"
            label={say`after`}
            value={job.complaint.after?.value ?? null}
            quantity="minutes"
            system={u}
            range={choiceEnds.complaintAfterS}
            onSettle={(value, typed) => settle((j) => changeComplaintReading(j, 'after', value, typed))}
          />
        </div>
        <div className="col-sm-6">
          <QuantityField
            name="complaint.above.first"
            label={say`above, surroundings`}
            value={job.complaint.aboveC?.value ?? null}
            quantity="temperature"
            system={u}
            range={choiceEnds.complaintAboveC}
            onSettle={(value, typed) => settle((j) => changeComplaintReading(j, 'aboveC', value, typed))}
          />
        </div>
      </div>
      <EvidenceStrip {...props} />
      <Plate job={job} />
      {dead && (
        <p className="say say-short">
          {job.machine.hasBattery === false
            ? say`A fan needs a battery, or an output that is rectified and held steady by a regulator with a
                capacitor.`
            : say`A fan needs direct current: a rectifier and regulator come first.`}{' '}
          {say`Without it this job ends here, until one is fitted.`}
        </p>
      )}
      <Story {...props} />
    </>
  )
}

const yesNo = [
  { value: 'yes', name: 'yes' },
  { value: 'no', name: 'no' },
] as const
const yesOrNo = (value: boolean): 'yes' | 'no' => (value ? 'yes' : 'no')
const said = (value: boolean | null): 'yes' | 'no' | null => (value === null ? null : yesOrNo(value))

/** What it is called, here and by its maker. */
function Identity({ job, settle }: Pick<StationProps, 'job' | 'settle'>) {
  const machine = (part: Partial<Job['machine']>): void => settle((j) => ({ ...j, machine: { ...j.machine, ...part } }))
  return (
    <>
      <TextField
        name="job.title"
        label={say`Job`}
        value={job.title}
        most={80}
        onSettle={(title) => (title.trim() ? settle((j) => ({ ...j, title: title.trim() })) : undefined)}
      />
      <TextField
        name="machine.name"
        label={say`Machine`}
        value={job.machine.name}
        most={80}
        onSettle={(name) => (name.trim() ? machine({ name: name.trim() }) : undefined)}
      />
      <TextField
        name="machine.owner"
        label={say`Owner`}
        value={job.machine.owner}
        most={80}
        onSettle={(owner) => machine({ owner: owner.trim() })}
      />
      <TextField
        name="identity.model"
        label={say`Model`}
        value={job.identity.model}
        most={60}
        onSettle={(model) => settle((j) => setIdentity(j, { model: model.trim() }))}
      />
      <TextField
        name="identity.serial"
        label={say`Serial number`}
        value={job.identity.serial}
        most={60}
        onSettle={(serial) => settle((j) => setIdentity(j, { serial: serial.trim() }))}
      />
    </>
  )
}

function Tray(props: StationProps) {
  const { job, settle } = props
  const machine = (part: Partial<Job['machine']>): void => settle((j) => ({ ...j, machine: { ...j.machine, ...part } }))
  return (
    <>
      <h2>{say`First of all`}</h2>
      <UnsaidField
        label={say`Is there a battery?`}
        value={said(job.machine.hasBattery)}
        options={yesNo}
        onChange={(v) => machine({ hasBattery: v === 'yes' })}
      />
      <UnsaidField
        label={say`Is its output DC?`}
        value={said(job.machine.outputDc)}
        options={yesNo}
        onChange={(v) => machine({ outputDc: v === 'yes' })}
      />
      <ChoiceField
        label={say`System`}
        value={String(job.machine.systemV) as '12' | '24'}
        options={[
          { value: '12', name: '12 V' },
          { value: '24', name: '24 V' },
        ]}
        onChange={(v) => settle((j) => changeSystemVoltage(j, v === '24' ? 24 : 12))}
      />
      {job.engine !== null && (
        <>
          <UnsaidField
            label={say`Air conditioning?`}
            value={said(job.machine.airConditioning)}
            options={yesNo}
            onChange={(v) => machine({ airConditioning: v === 'yes' })}
          />
          <UnsaidField
            label={say`Accessory circuit behind the key?`}
            value={said(job.machine.accessoryFeed)}
            options={yesNo}
            onChange={(v) => machine({ accessoryFeed: v === 'yes' })}
          />
        </>
      )}
      <h2>{job.machine.name}</h2>
      <p className="soft small mb-1">
        {typicalMachines[job.machine.kind].name}
        {job.machine.owner ? `, ${job.machine.owner}` : ''}; {jobKinds[job.kind].name}
      </p>
      <Identity {...props} />
      <Readings {...props} station="machine" only={(a) => !/^(complaint|baseline)/.test(a)} />
    </>
  )
}

export const machineStation: StationView = { Stage, Tray }
