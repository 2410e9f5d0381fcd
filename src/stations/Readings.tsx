'use client'

import type { Station } from '@/core/fields'
import { fieldsAt, type PlacedField, withReading } from '@/core/job'
import type { Evaluation } from '@/core/margins'
import { shown, type UnitSystem } from '@/core/units'
import { ReadingField } from '@/ui/ReadingField'
import type { StationProps } from './station'
import { say } from '@/core/words'

/** What was seen tells of a reading: its figure by it, beside the one that stands in the field. */
function informedNote(field: PlacedField, evaluation: Evaluation | undefined, units: UnitSystem): string | undefined {
  const found = evaluation?.informed?.find((r) => r.address === field.address)
  if (!found || found.was.value !== field.reading.value) return undefined
  const { quantity } = field
  const [value, low, high] = [found.value, found.low, found.high].map((v) => shown(v, quantity, units, 2).number)
  return say`by what was seen ${value}, ${low} to ${high} ${shown(found.value, quantity, units).unit}`.trim()
}

/** The readings that a station asks for, in the order of the document. */
export function Readings({
  job,
  settle,
  preview,
  station,
  only,
  note,
  evaluation,
}: Pick<StationProps, 'job' | 'settle' | 'preview'> & {
  readonly evaluation?: Evaluation
  readonly station: Station
  readonly only?: (address: string) => boolean
  readonly note?: (address: string) => string | undefined
}) {
  return (
    <>
      {fieldsAt(job, station)
        .filter((f) => only?.(f.address) ?? true)
        .map((field) => (
          <ReadingField
            key={field.address}
            field={field}
            system={job.units}
            note={
              informedNote(field, evaluation, job.units) ??
              (field.reading.source === 'measured' ? undefined : note?.(field.address))
            }
            onPreview={(reading) => preview(reading ? (j) => withReading(j, field.address, reading) : null)}
            onSettle={(reading) => settle((j) => withReading(j, field.address, reading))}
          />
        ))}
    </>
  )
}
