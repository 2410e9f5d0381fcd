'use client'

import { changeIntent, controlIntents, otherSystems, outlivesKey, parkedIntents } from '@/core/job'
import { ChoiceField } from '@/ui/ChoiceField'
import { Readings } from '../Readings'
import type { StationProps } from '../station'
import { named } from './named'

/** What the mechanic wants of the circuit, in plain choices. */
export function Intent(props: StationProps) {
  const { job, settle } = props
  const { intent } = job.wiring
  return (
    <>
      <h2>What is wanted</h2>
      {job.engine !== null && (
        <ChoiceField
          label="Fan may be live"
          value={job.use.live}
          options={[
            { value: 'key only', name: 'only with the key' },
            { value: 'after-run', name: 'also after switch-off, so long' },
            { value: 'isolator', name: 'by its own isolator' },
            { value: 'whenever hot', name: 'whenever it is hot, key or not' },
          ]}
          onChange={(live) => settle((j) => ({ ...j, use: { ...j.use, live } }))}
        />
      )}
      {outlivesKey(job) && <Readings {...props} station="power" only={(a) => a === 'use.afterRunS'} />}
      <ChoiceField
        label="Run by"
        value={intent.control}
        options={named(controlIntents)}
        onChange={(control) => settle((j) => changeIntent(j, { control }))}
      />
      {(intent.control === 'thermostat and override' || intent.ifControllerDies === 'the override') &&
        job.engine !== null && (
          <ChoiceField
            label="Override may run it"
            value={intent.overrideLive}
            options={[
              { value: 'as the fan', name: 'while the fan may be live' },
              { value: 'always', name: 'with the key off too' },
            ]}
            onChange={(overrideLive) => settle((j) => changeIntent(j, { overrideLive }))}
          />
        )}
      <ChoiceField
        label="Controller dead"
        value={intent.ifControllerDies}
        options={[
          { value: 'nothing', name: 'nothing has to work' },
          { value: 'the override', name: 'the override must work' },
        ]}
        onChange={(ifControllerDies) => settle((j) => changeIntent(j, { ifControllerDies }))}
      />
      <ChoiceField
        label="Dead when parked"
        value={intent.deadWhenParked}
        options={named(parkedIntents)}
        onChange={(deadWhenParked) => settle((j) => changeIntent(j, { deadWhenParked }))}
      />
      <ChoiceField
        label="May also be called by"
        value={intent.alsoFor}
        options={named(otherSystems)}
        onChange={(alsoFor) => settle((j) => changeIntent(j, { alsoFor }))}
      />
    </>
  )
}
