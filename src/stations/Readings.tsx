'use client'

import type { Station } from '@/core/fields'
import { fieldsAt, withReading } from '@/core/job'
import { ReadingField } from '@/ui/ReadingField'
import type { StationProps } from './station'

/** The readings that a station asks for, in the order of the document. */
export function Readings({
  job,
  settle,
  preview,
  station,
  only,
  note,
}: Pick<StationProps, 'job' | 'settle' | 'preview'> & {
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
            note={field.reading.source === 'measured' ? undefined : note?.(field.address)}
            onPreview={(reading) => preview(reading ? (j) => withReading(j, field.address, reading) : null)}
            onSettle={(reading) => settle((j) => withReading(j, field.address, reading))}
          />
        ))}
    </>
  )
}
