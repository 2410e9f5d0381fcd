import { z } from 'zod'
import { readingSchema } from '../reading'
import { definitionOf, type Quantity } from '../units'
import type { Field, Station } from './field'
import type { FieldTable } from './walk'

/** Beside each schema of a reading stands its field, so that the document itself is the table of all fields. */
const fieldOfSchema = new WeakMap<object, Field>()

/**
 * The schema of one reading of the document.
 * @param range lowest and highest value there can be, SI
 */
export function field(
  label: string,
  quantity: Quantity,
  range: readonly [number, number],
  station: Station,
  tell = '',
  wish = false,
) {
  const [min, max] = range
  const unit = definitionOf(quantity).units[0]!.symbol
  const schema = z
    .strictObject({ ...readingSchema.shape, value: z.number().min(min).max(max) })
    .meta({ title: label, description: `${label}${unit ? `, ${unit}` : ''}` })
  fieldOfSchema.set(schema, { label, quantity, limits: { min, max }, station, tell, wish })
  return schema
}

/** A reading that nobody can take at a bench: what was seen of the machine tells of it. */
export function seenOnly<S extends z.ZodType>(schema: S): S {
  fieldOfSchema.set(schema, { ...fieldOfSchema.get(schema)!, seenOnly: true })
  return schema
}

/** The parts of a Zod schema that a walk needs. */
interface Walkable {
  readonly def: { readonly type: string; readonly innerType?: Walkable; readonly element?: Walkable }
  readonly shape?: Readonly<Record<string, Walkable>>
}

/**
 * The fields of a schema as plain data, so that pages and workers need no schemas; null where there are none.
 * @see docs/adding.md
 */
export function fieldTableOf(wrapped: z.ZodType): FieldTable | null {
  const table = (schema: Walkable): FieldTable | null => {
    const field = fieldOfSchema.get(schema)
    if (field) return { field }
    if (schema.def.innerType && !schema.shape) return table(schema.def.innerType)
    if (schema.def.type === 'array') {
      const each = table(schema.def.element!)
      return each && { each }
    }
    const parts = Object.entries(schema.shape ?? {}).flatMap(([key, part]) => {
      const inner = table(part)
      return inner ? [[key, inner] as const] : []
    })
    return parts.length ? { parts: Object.fromEntries(parts) } : null
  }
  return table(wrapped)
}
