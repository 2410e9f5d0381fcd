'use client'

import { changeIntent, controlIntents, otherSystems, outlivesKey, parkedIntents } from '@/core/job'
import { ChoiceField } from '@/ui/ChoiceField'
import { Readings } from '../Readings'
import type { StationProps } from '../station'
import { named } from './named'
import { say } from '@/core/words'

/** What the mechanic wants of the circuit, in plain choices. */
export function Intent(props: StationProps) {
  const { job, settle } = props
  const { intent } = job.wiring
  return (
    <>
      <h2>{say`What is wanted`}</h2>
      {job.engine !== null && (
        <ChoiceField
          label={say`Fan may be live`}
          value={job.use.live}
          options={[
            { value: 'key only', name: say`only with the key` },
            { value: 'after-run', name: say`also after switch-off, so long` },
            { value: 'isolator', name: say`by its own isolator` },
            { value: 'whenever hot', name: say`whenever it is hot, key or not` },
          ]}
          onChange={(live) => settle((j) => ({ ...j, use: { ...j.use, live } }))}
        />
      )}
      {outlivesKey(job) && <Readings {...props} station="power" only={(a) => a === 'use.afterRunS'} />}
      <ChoiceField
        label={say`Run by`}
        value={intent.control}
        options={named(controlIntents)}
        onChange={(control) => settle((j) => changeIntent(j, { control }))}
      />
      {(intent.control === 'thermostat and override' || intent.ifControllerDies === 'the override') &&
        job.engine !== null && (
          <ChoiceField
            label={say`Override may run it`}
            value={intent.overrideLive}
            options={[
              { value: 'as the fan', name: say`while the fan may be live` },
              { value: 'always', name: say`with the key off too` },
            ]}
            onChange={(overrideLive) => settle((j) => changeIntent(j, { overrideLive }))}
          />
        )}
      <ChoiceField
        label={say`Controller dead`}
        value={intent.ifControllerDies}
        options={[
          { value: 'nothing', name: say`nothing has to work` },
          { value: 'the override', name: say`the override must work` },
        ]}
        onChange={(ifControllerDies) => settle((j) => changeIntent(j, { ifControllerDies }))}
      />
      <ChoiceField
        label={say`Dead when parked`}
        value={intent.deadWhenParked}
        options={named(parkedIntents)}
        onChange={(deadWhenParked) => settle((j) => changeIntent(j, { deadWhenParked }))}
      />
      <ChoiceField
        label={say`May also be called by`}
        value={intent.alsoFor}
        options={named(otherSystems)}
        onChange={(alsoFor) => settle((j) => changeIntent(j, { alsoFor }))}
      />
    </>
  )
}
