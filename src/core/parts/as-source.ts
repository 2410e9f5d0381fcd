import { format } from '../units'
import type { factSources } from './choices'
import { factLines } from './facts'
import type { Fact, Part } from './part'
import { at } from './paths'
import type { Reading } from '../reading'

type FactSource = (typeof factSources)[number]

const plainName = (part: Pick<Part, 'name' | 'maker'>): string =>
  `${part.name} ${part.maker}`.toLowerCase().replace(/[^\p{L}\p{N}]+/gu, '')

/** The part of a shelf that another description is of: by its id, else by kind, name and maker however written. */
export const sameAs = (shelf: readonly Part[], part: Part): Part | null =>
  shelf.find((p) => p.id === part.id && p.kind === part.kind) ??
  shelf.find((p) => p.kind === part.kind && plainName(p) === plainName(part)) ??
  null

const MOST_FACTS = 40
const MOST_NOTE = 160

/**
 * A part with what another description says of it noted beside what it had: nothing is replaced, and what contradicts
 * is marked. What the same source said already is not noted twice.
 * @param found where it was found
 * @param source the file or page that it stands in
 */
export function notedFrom(part: Part, told: Part, found: FactSource, source: string): Part {
  const note = [source, told.note].filter(Boolean).join(': ').slice(0, MOST_NOTE)
  const last = Math.max(0, ...part.facts.map((f) => Number(/\d+$/.exec(f.id)?.[0] ?? 0)))
  const fresh = factLines(part.kind).flatMap((line): Omit<Fact, 'id'>[] => {
    const reading = at(told, line.path) as Reading | null | undefined
    if (!reading || reading.source === 'typical') return []
    const again = part.facts.some(
      (f) => f.about === line.path && f.from === found && f.value === reading.value && f.note === note,
    )
    if (again) return []
    const typed = (reading.typed ?? format(reading.value, line.quantity!, 'metric')).slice(0, 80)
    return [{ about: line.path, from: found, value: reading.value, typed, note }]
  })
  const facts = fresh.map((f, i) => ({ ...f, id: `fact${last + 1 + i}` }))
  return { ...part, facts: [...part.facts, ...facts].slice(-MOST_FACTS) }
}
