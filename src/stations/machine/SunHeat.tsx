'use client'

import { useState } from 'react'
import Button from 'react-bootstrap/Button'
import { type Roof, SUN_SPREAD, sunHeat } from '@/core/air'
import { withReading } from '@/core/job'
import { format } from '@/core/units'
import { ChoiceField } from '@/ui/ChoiceField'
import { QuantityField } from '@/ui/QuantityField'
import type { StationProps } from '../station'
import { useFigures } from '../use-figures'
import { Unfold } from './Unfold'
import { say, spokenWord } from '@/core/words'

const roofs = [
  { value: 'bright', name: say`bright` },
  { value: 'dark', name: 'dark' },
] as const

/** What a closed space takes from the sun, where nobody has measured its heat. */
export function SunHeat({ job, settle }: Pick<StationProps, 'job' | 'settle'>) {
  const [typed, type, drop] = useFigures<'long' | 'wide' | 'inside'>('sun-heat')
  const [roof, setRoof] = useState<Roof>('dark')
  if (!job.trailer || !job.bay?.heatW) return null
  const { long, wide, inside = 0 } = typed
  const found = long === undefined || wide === undefined ? null : sunHeat(long * wide, roof, inside)
  return (
    <Unfold title={say`Heat of the sun`} says={say`from its roof, where nobody has measured the heat inside`}>
      {(['long', 'wide'] as const).map((side) => (
        <QuantityField
          key={side}
          name={`sun.${side}`}
          label={say`roof, ${spokenWord(side)}`}
          value={typed[side] ?? null}
          quantity="run"
          system={job.units}
          range={[0.2, 12]}
          onSettle={(value) => type(side, value)}
        />
      ))}
      <ChoiceField label={say`Its roof is`} value={roof} options={roofs} onChange={setRoof} />
      <QuantityField
        name="sun.inside"
        label={say`given off inside besides`}
        value={typed.inside ?? null}
        quantity="power"
        system={job.units}
        range={[0, 20_000]}
        onSettle={(value) => type('inside', value)}
      />
      {/* horsepower of sunshine tells nobody anything */}
      {found && (
        <p className="say" role="status">
          {say`Standing in the sun it takes ${format(found.value, 'heat', job.units, 2)}, by two fifths more or less:
            a thermometer inside after an hour tells it better.`}{' '}
          <Button
            size="sm"
            variant="outline-dark"
            onClick={() => {
              const { value } = found
              settle((j) => withReading(j, 'bay.heatW', { value, source: 'typical', spread: SUN_SPREAD * value }))
              drop()
            }}
          >
            {say`Take it as its heat`}
          </Button>
        </p>
      )}
    </Unfold>
  )
}
