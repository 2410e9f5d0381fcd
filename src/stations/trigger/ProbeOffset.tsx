'use client'

import Button from 'react-bootstrap/Button'
import { shareSeen } from '@/core/control'
import { firstCircuit } from '@/core/fan-circuit'
import { seenEnds, withReading } from '@/core/job'
import { air, coolant, format, percent, probe, worded } from '@/core/units'
import { QuantityField } from '@/ui/QuantityField'
import type { StationProps } from '../station'
import { useFigures } from '../use-figures'
import { say } from '@/core/words'

const asked = {
  shown: say`the probe shows`,
  there: say`gauge, or contact thermometer there`,
  air: say`air around it`,
} as const
type Asked = keyof typeof asked

/** What probe and gauge show at once fixes how much of the coolant the probe sees. */
export function ProbeOffset({ job, settle }: Pick<StationProps, 'job' | 'settle'>) {
  const [typed, type, drop] = useFigures<Asked>('probe-offset')
  const { id } = firstCircuit(job).probe
  if (!job.cooling) return null
  const { shown, there, air: around } = typed
  const found =
    shown !== undefined && there !== undefined && around !== undefined
      ? shareSeen(probe(shown), coolant(there), air(around))
      : null
  return (
    <details className="unfold">
      <summary>
        <strong>{say`Probe against the gauge`}</strong>{' '}
        <span className="soft">{say`both at once, held for some minutes`}</span>
      </summary>
      <p className="small soft mb-1">{say`Engine hot, the cap stays on; hands and sleeves away from the fan.`}</p>
      {(Object.keys(asked) as Asked[]).map((name) => (
        <QuantityField
          key={name}
          name={`offset.${name}`}
          label={asked[name]}
          value={typed[name] ?? null}
          quantity="temperature"
          system={job.units}
          range={name === 'air' ? seenEnds.airC : seenEnds.fromC}
          onSettle={(value) => type(name, value)}
        />
      ))}
      {found && !found.ok && (
        <p className="say say-short" role="alert">
          {worded(found.message, job.units)}
        </p>
      )}
      {found?.ok && (
        <p className="say say-holds" role="status">
          {say`It reads ${format(there! - shown!, 'temperatureDifference', job.units, 2)} under the coolant: it sees
            ${percent(found.value, 2)} ± ${percent(found.spread, 1)} of its warmth.`}{' '}
          <Button
            size="sm"
            variant="outline-dark"
            onClick={() => {
              settle((j) =>
                withReading(j, `probes.${id}.kappa`, { value: found.value, source: 'measured', spread: found.spread }),
              )
              drop()
            }}
          >
            {say`Take it as measured`}
          </Button>
        </p>
      )}
    </details>
  )
}
