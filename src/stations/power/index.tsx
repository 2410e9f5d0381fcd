'use client'

import dynamic from 'next/dynamic'
import { Bench } from '@/core/reading'
import { changeCharging, lookupOf, powerFlows, type Battery, type Job } from '@/core/job'
import { batteryKindName, batteryKinds } from '@/core/electrical'
import { format } from '@/core/units'
import { ChoiceField, YesNoField } from '@/ui/ChoiceField'
import { Readings } from '../Readings'
import type { StationProps, StationView } from '../station'

/** the chart package is only fetched when this station is looked at */
const FlowChart = dynamic(() => import('./FlowChart'), { ssr: false, loading: () => <div style={{ height: 300 }} /> })

function Stage({ job }: StationProps) {
  const { flows, breakevenRpm } = powerFlows(job, new Bench(lookupOf(job)))
  const u = job.units
  const idle = flows[0]!
  return (
    <>
      <h2>What comes in, and what is taken out</h2>
      <FlowChart flows={flows} />
      <p className="say">
        {job.fans.length === 0 ? 'No fan is chosen yet: only the other loads stand here. '
          : breakevenRpm === null ? 'With the fan running all the time nothing is left over at any engine speed. '
            : `Nothing is taken from the battery from ${format(breakevenRpm, 'engineSpeed', u, 2)} up. `}
        {job.fans.length > 0 && `At idle it can carry the fan ${Math.round(idle.largestShare * 100)} % of the time.`}
      </p>
      <p className="soft small">The fan counts as running all the time until a run is worked out.</p>
    </>
  )
}

const changeUse = (job: Job, part: Partial<Job['use']>): Job => ({ ...job, use: { ...job.use, ...part } })
const changeBattery = (job: Job, part: Partial<Battery>): Job => ({ ...job, batteries: job.batteries.map((b, i) => (i === 0 ? { ...b, ...part } : b)) })

function Tray(props: StationProps) {
  const { job, settle } = props
  const battery = job.batteries[0]!
  return (
    <>
      <h2>Charging</h2>
      <ChoiceField label="Known by" value={job.charging.known} options={[{ value: 'rating', name: 'its rated output' }, { value: 'points', name: 'a clamp at three speeds' }]} onChange={(known) => settle((j) => changeCharging(j, known))} />
      <Readings {...props} station="power" only={(a) => a.startsWith('charging')} />
      <h2>Battery</h2>
      <ChoiceField label="Kind" value={battery.kind} options={batteryKinds.map((value) => ({ value, name: batteryKindName(value) }))} onChange={(kind) => settle((j) => changeBattery(j, { kind }))} />
      <Readings {...props} station="power" only={(a) => a.startsWith('batteries') || a.startsWith('controllers')} />
      <h2>When it may run</h2>
      <ChoiceField label="Live" value={job.use.live} options={[{ value: 'key only', name: 'with the key only' }, { value: 'after-run', name: 'also after switch-off' }]} onChange={(live) => settle((j) => changeUse(j, { live }))} />
      <YesNoField label="May run while cranking" value={job.use.fanWhileCranking} onChange={(fanWhileCranking) => settle((j) => changeUse(j, { fanWhileCranking }))} />
      <Readings {...props} station="power" only={(a) => a.startsWith('use')} />
    </>
  )
}

export const powerStation: StationView = { Stage, Tray }
