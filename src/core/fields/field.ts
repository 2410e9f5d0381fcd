import { z } from 'zod'
import { readingSchema, type Limits } from '../reading'
import { definitionOf, type Quantity } from '../units'

export const stations = ['machine', 'measure', 'place', 'power', 'wire', 'trigger', 'build', 'prove', 'after'] as const
export type Station = (typeof stations)[number]

/** What a reading of the document is called, what it measures, what it can be, and where it is asked for. */
export interface Field {
  readonly label: string
  readonly quantity: Quantity
  readonly limits: Limits
  readonly station: Station
  /** how to take it, in a few words */
  readonly tell: string
  /** a wish, not a measurement: it has no spread and no source */
  readonly wish: boolean
}

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

/** The parts of a Zod schema that a walk needs. */
interface Walkable {
  readonly def: {
    readonly type: string
    readonly innerType?: Walkable
    readonly element?: Walkable
    readonly options?: readonly Walkable[]
  }
  readonly shape?: Readonly<Record<string, Walkable>>
  safeParse(value: unknown): { success: boolean }
}

export interface Found extends Field {
  readonly address: string
  readonly reading: z.infer<typeof readingSchema>
}

function unwrapped(schema: Walkable): Walkable {
  return schema.def.innerType && !schema.shape ? unwrapped(schema.def.innerType) : schema
}

/** What a piece of a document holds, where it stood when it was walked: pieces are immutable, and jobs share them. */
interface Walked {
  readonly schema: Walkable
  readonly address: string
  readonly found: readonly Found[]
}
const walkedBefore = new WeakMap<object, Walked>()

function walk(wrapped: Walkable, at: unknown, address: string): readonly Found[] {
  if (at === null || typeof at !== 'object') return []
  const schema = unwrapped(wrapped)
  const before = walkedBefore.get(at)
  if (before?.schema === schema && before.address === address) return before.found
  const found = foundIn(schema, at, address)
  walkedBefore.set(at, { schema, address, found })
  return found
}

function foundIn(schema: Walkable, at: object, address: string): readonly Found[] {
  const known = fieldOfSchema.get(schema)
  if (known) {
    const reading = at as Found['reading']
    return [{ ...known, address, reading: known.wish ? { ...reading, spread: 0 } : reading }]
  }
  if (schema.def.type === 'array' && Array.isArray(at))
    return at.flatMap((entry: unknown) =>
      walk(schema.def.element!, entry, `${address}.${(entry as { id?: string }).id ?? ''}`),
    )
  const { shape } = schema
  if (!shape) return []
  return Object.keys(shape).flatMap((key) =>
    walk(shape[key]!, (at as Record<string, unknown>)[key], address ? `${address}.${key}` : key),
  )
}

/**
 * Every reading that stands in a value, by walking it beside its schema. List entries are addressed by their id:
 * "fans.fan1.part.ratedA".
 */
export const walkFields = (schema: z.ZodType, value: unknown): readonly Found[] =>
  walk(schema as unknown as Walkable, value, '')
