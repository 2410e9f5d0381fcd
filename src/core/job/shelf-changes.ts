import { formOf, formText, type Part } from '../parts'
import type { UnitSystem } from '../units'
import { chosenParts } from './changes/parts'
import type { Job } from './document'
import { say } from '../words'

/** How a part that a job has chosen stands against the shelf of today. */
export interface ShelfChange {
  readonly part: Part
  /** the shelf's own, null where it is no longer there */
  readonly now: Part | null
  readonly lines: readonly { readonly label: string; readonly here: string; readonly there: string }[]
}

/** Chosen parts that the shelf has changed or no longer has; the job keeps them as they were chosen. */
export function shelfChanges(job: Job, shelf: readonly Part[], units: UnitSystem = job.units): ShelfChange[] {
  return chosenParts(job).flatMap((part): ShelfChange[] => {
    const now = shelf.find((p) => p.id === part.id && p.kind === part.kind) ?? null
    if (!now) return [{ part, now, lines: [] }]
    const [here, there] = [formText(part, units), formText(now, units)]
    const lines = formOf(part.kind)
      .filter((l) => !l.ofShelf && here[l.path] !== there[l.path])
      .map((l) => ({ label: l.label, here: here[l.path] || say`none`, there: there[l.path] || say`none` }))
    return lines.length ? [{ part, now, lines }] : []
  })
}
