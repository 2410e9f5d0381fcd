import type { Reading } from '../reading'
import type { Field } from './field'

/** Where the readings of a document stand, and what they are: a reading, a list, or named parts. */
export type FieldTable =
  { readonly field: Field } | { readonly each: FieldTable } | { readonly parts: Readonly<Record<string, FieldTable>> }

export interface Found extends Field {
  readonly address: string
  readonly reading: Reading
}

/** What a piece of a document holds, where it stood when it was walked: pieces are immutable, and jobs share them. */
interface Walked {
  readonly table: FieldTable
  readonly address: string
  readonly found: readonly Found[]
}
const walkedBefore = new WeakMap<object, Walked>()

function walk(table: FieldTable, at: unknown, address: string): readonly Found[] {
  if (at === null || typeof at !== 'object') return []
  const before = walkedBefore.get(at)
  if (before?.table === table && before.address === address) return before.found
  const found = foundIn(table, at, address)
  walkedBefore.set(at, { table, address, found })
  return found
}

function foundIn(table: FieldTable, at: object, address: string): readonly Found[] {
  if ('field' in table) {
    const reading = at as Reading
    return [{ ...table.field, address, reading: table.field.wish ? { ...reading, spread: 0 } : reading }]
  }
  if ('each' in table)
    return (at as readonly { readonly id?: string }[]).flatMap((entry) =>
      walk(table.each, entry, `${address}.${entry.id ?? ''}`),
    )
  return Object.entries(table.parts).flatMap(([key, part]) =>
    walk(part, (at as Readonly<Record<string, unknown>>)[key], address ? `${address}.${key}` : key),
  )
}

/**
 * Every reading that stands in a value, by walking it beside its table. List entries are addressed by their id:
 * "fans.fan1.part.ratedA".
 */
export const walkFields = (table: FieldTable, value: unknown): readonly Found[] => walk(table, value, '')
