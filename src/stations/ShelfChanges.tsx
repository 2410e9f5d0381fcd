'use client'

import Button from 'react-bootstrap/Button'
import { shelfChanges, takeUpPart } from '@/core/job'
import { type PartKind, partKinds } from '@/core/parts'
import type { Station } from '@/core/fields'
import type { StationProps } from './station'
import { say } from '@/core/words'

/** the station at which each kind of part is chosen */
const chosenAt: Readonly<Partial<Record<PartKind, Station>>> = {
  fan: 'place',
  probe: 'place',
  relay: 'wire',
  switch: 'wire',
  controller: 'trigger',
}

/**
 * Says where the shelf has gone on since a part was chosen: the job keeps it as it was until somebody takes the new one
 * up.
 */
export function ShelfChanges({
  job,
  shelf,
  settle,
  station,
}: Pick<StationProps, 'job' | 'shelf' | 'settle' | 'station'>) {
  const changes = shelfChanges(job, shelf).filter((c) => chosenAt[c.part.kind] === station)
  return changes.map(({ part, now, lines }) => (
    <div key={part.id} className="say say-unsure" role="note">
      {now === null ? (
        say`${part.name} is not on the shelf now; this job keeps the ${partKinds[part.kind].name} as it was chosen.`
      ) : (
        <>
          {say`The shelf’s ${part.name} has changed since it was chosen:`}
          <ul className="mb-1 ps-3">
            {lines.map((l) => (
              <li key={l.label}>{say`${l.label}: ${l.here} here, ${l.there} on the shelf`}</li>
            ))}
          </ul>
          <Button size="sm" variant="outline-dark" onClick={() => settle((j) => takeUpPart(j, now))}>
            {say`Take the shelf’s`}
          </Button>
        </>
      )}
    </div>
  ))
}
