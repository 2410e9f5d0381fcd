'use client'

import { changeWiring, type DiodePlace, type Job } from '@/core/job'
import { fuseForms } from '@/core/electrical'
import { ChoiceField, YesNoField } from '@/ui/ChoiceField'
import type { StationProps } from '../station'
import { ratingOf, ratings } from './named'
import { say } from '@/core/words'

/** Diodes that the job's ways can have, by where they stand. */
const diodeLabels: Readonly<Record<DiodePlace, string>> = {
  control: say`Diode in the control’s feed`,
  override: say`Diode behind the override`,
  call: say`Diode behind the call`,
}

const diodesFor = ({ wiring, engine }: Job): DiodePlace[] => [
  ...(engine !== null && wiring.controlFrom === 'key' ? (['control'] as const) : []),
  ...(wiring.override !== 'none' ? (['override'] as const) : []),
  ...(wiring.call ? (['call'] as const) : []),
]

/** What joins the thermostat's way: timer and other systems, with the fuse and the diodes where they join. */
export function Joining({ job, settle }: Pick<StationProps, 'job' | 'settle'>) {
  const { wiring } = job
  const change = (of: Partial<Job['wiring']>): void => settle((j) => changeWiring(j, of))
  return (
    <>
      {job.engine !== null && (
        <>
          <YesNoField label={say`After-run timer`} value={wiring.timer} onChange={(timer) => change({ timer })} />
          {wiring.timer && (
            <ChoiceField
              label={say`Timer takes its current`}
              value={wiring.timerFrom}
              options={[
                { value: 'feed', name: say`behind the fan's fuse` },
                { value: 'battery', name: say`from the battery post, unfused` },
              ]}
              onChange={(timerFrom) => change({ timerFrom })}
            />
          )}
        </>
      )}
      <YesNoField label={say`Other system’s call`} value={wiring.call} onChange={(call) => change({ call })} />
      {wiring.call && (
        <ChoiceField
          label={say`Call takes its current`}
          value={wiring.callFrom}
          options={[
            {
              value: 'key',
              name: job.engine === null ? say`from the battery post, unfused` : say`from the switched wire`,
            },
            { value: 'feed', name: say`behind the fan's fuse` },
          ]}
          onChange={(callFrom) => change({ callFrom })}
        />
      )}
      {job.engine !== null && (
        <ChoiceField
          label={say`Own fuse at the switched wire`}
          value={wiring.tapFuseA === null ? '' : String(wiring.tapFuseA)}
          options={ratings(
            fuseForms.blade.ratings.filter((a) => a <= 10),
            wiring.tapFuseA,
            say`none`,
          )}
          onChange={(v) => change({ tapFuseA: ratingOf(v) })}
        />
      )}
      {diodesFor(job).map((place) => (
        <YesNoField
          key={place}
          label={diodeLabels[place]}
          value={wiring.diodes.includes(place)}
          onChange={(fitted) =>
            settle((j) =>
              changeWiring(j, {
                diodes: fitted
                  ? [...j.wiring.diodes.filter((d) => d !== place), place]
                  : j.wiring.diodes.filter((d) => d !== place),
              }),
            )
          }
        />
      ))}
    </>
  )
}
