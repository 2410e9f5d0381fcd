'use client'

import { Fragment } from 'react'
import { changeConductor, changeSizes, type Job } from '@/core/job'
import { nearestInOtherSystem, sizesOf, thinnerThan, type UnitSystem, type WireSize } from '@/core/units'
import { ChoiceField } from '@/ui/ChoiceField'
import { Readings } from '../Readings'
import type { StationProps } from '../station'
import { FuseFields } from './FuseFields'
import { Intent } from './Intent'
import { Path } from './Path'
import { say } from '@/core/words'

const sizeOptions = (units: UnitSystem, present: WireSize | null): { value: WireSize | ''; name: string }[] => {
  const own = sizesOf(units)
  return [
    ...(present === null ? [{ value: '' as const, name: say`choose …` }] : []),
    ...(present && !own.includes(present) ? [present] : []),
    ...own,
  ].map((s) => (typeof s === 'string' ? { value: s, name: `${s} (${nearestInOtherSystem(s)})` } : s))
}

const limits = (job: Job, part: Partial<Job['limits']>): Job => ({ ...job, limits: { ...job.limits, ...part } })
export function Tray(props: StationProps) {
  const { job, settle } = props
  const fanWires = job.conductors.filter((c) => job.runs.some((r) => r.conductors.includes(c.id)))
  const ofFan = (id: string): string => {
    const n = job.runs.findIndex((r) => r.conductors.includes(id))
    return job.runs.length > 1 ? say` of fan ${n + 1}` : ''
  }
  return (
    <>
      <Intent {...props} />
      <Path {...props} />
      <FuseFields job={job} settle={settle} />
      <Readings {...props} station="wire" only={(a) => a.startsWith('fuses')} />
      <h2>{say`Conductors`}</h2>
      {fanWires.map((c) => (
        <Fragment key={c.id}>
          <ChoiceField
            label={`${c.role === 'feed' ? say`Feed` : say`Way back`}${ofFan(c.id)}`}
            value={c.size ?? ''}
            options={sizeOptions(job.units, c.size)}
            onChange={(v) => {
              if (v) settle((j) => changeSizes(j, v, [c.id]))
            }}
          />
          {c.size !== null && (
            <ChoiceField
              label={say`Its size is known${ofFan(c.id)}`}
              value={c.sizeFrom}
              options={[
                { value: 'printed on it', name: say`by its print or its reel` },
                { value: 'by eye', name: say`by eye: reckoned as ${thinnerThan(c.size)}` },
              ]}
              onChange={(sizeFrom) => settle((j) => changeConductor(j, c.id, { sizeFrom }))}
            />
          )}
        </Fragment>
      ))}
      <Readings {...props} station="wire" only={(a) => a.startsWith('conductors') || a.startsWith('runs')} />
      <h2>{say`Limits`}</h2>
      <ChoiceField
        label={say`May be lost in wires`}
        value={String(job.limits.dropShare) as '0.02' | '0.03' | '0.05' | '0.1'}
        options={[
          { value: '0.02', name: '2 %' },
          { value: '0.03', name: '3 %' },
          { value: '0.05', name: '5 %' },
          { value: '0.1', name: '10 %' },
        ]}
        onChange={(v) => settle((j) => limits(j, { dropShare: Number(v) as Job['limits']['dropShare'] }))}
      />
      <ChoiceField
        label={say`Least for strength`}
        value={job.limits.leastAreaM2 === 0.5e-6 ? '0.5' : '0.75'}
        options={[
          { value: '0.75', name: '0.75 mm² (18 AWG)' },
          { value: '0.5', name: '0.5 mm² (20 AWG)' },
        ]}
        onChange={(v) => settle((j) => limits(j, { leastAreaM2: v === '0.5' ? 0.5e-6 : 0.75e-6 }))}
      />
    </>
  )
}
