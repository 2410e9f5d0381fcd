'use client'

import dynamic from 'next/dynamic'
import { useMemo } from 'react'
import { coverage, type Curves, fanCurves } from '@/core/cooling'
import { format, percent } from '@/core/units'
import { say, spokenWord } from '@/core/words'
import { Coming, persistently } from '@/ui/persistently'
import type { StationProps } from '../station'

/** the chart package is only fetched when this station is looked at */
const FanChart = dynamic(() => persistently(() => import('./FanChart')), {
  ssr: false,
  loading: () => <Coming height={190} />,
})

/** The fan's curve against what it works against, in words and as a chart. */
export function Moves({ job }: Pick<StationProps, 'job'>) {
  const found = useMemo(() => fanCurves(job), [job])
  // the same figures are the same curves: a chart is costly, and a fan moved over whole fins changes nothing in it
  const said = JSON.stringify(found)
  const curves = useMemo(() => JSON.parse(said) as Curves | null, [said])
  if (!curves) return null
  const u = job.units
  const covers = coverage(job)
  return (
    <section aria-label={say`Air that it really moves`}>
      <h2 className="mt-2">{say`Air that it really moves, standing`}</h2>
      {curves.at.flow < 0 && (
        <p className="say say-short">
          {say`The engine’s own fan is stronger here: it drives the air back through this one.`}
        </p>
      )}
      <p className="say" data-testid="moves">
        {say`Moves`} <strong>{format(curves.at.flow, 'flow', u, 3)}</strong>{' '}
        {say`${
          job.bay ? say`through the vents` : say`through the fins`
        } (${format(curves.at.low, 'flow', u, 2)} to ${format(curves.at.high, 'flow', u, 2)}), of
          ${format(curves.free, 'flow', u, 3)} on the box${
            covers === null ? '' : say`; it covers ${percent(covers)} of the core`
          }. Black is the fan at the voltage that reaches it${
            job.bay?.flywheel ? say`, with the flywheel fan where they share a panel` : ''
          }, dashed is what the ${spokenWord(curves.against)} takes.`}
      </p>
      <FanChart curves={curves} units={u} />
    </section>
  )
}
