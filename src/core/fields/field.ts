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

/**
 * Every reading that stands in a value, by walking it beside its schema. List entries are addressed by their id:
 * "fans.fan1.part.ratedA".
 */
export function walkFields(schema: z.ZodType, value: unknown): Found[] {
  const found: Found[] = []
  const walk = (wrapped: Walkable, at: unknown, address: string): void => {
    if (at === null || typeof at !== 'object') return
    const node = unwrapped(wrapped)
    const known = fieldOfSchema.get(node)
    if (known) {
      const reading = at as Found['reading']
      found.push({ ...known, address, reading: known.wish ? { ...reading, spread: 0 } : reading })
    } else if (node.def.type === 'array' && Array.isArray(at)) {
      for (const entry of at) walk(node.def.element!, entry, `${address}.${(entry as { id?: string }).id ?? ''}`)
    } else if (node.shape) {
      for (const key of Object.keys(node.shape))
        walk(node.shape[key]!, (at as Record<string, unknown>)[key], address ? `${address}.${key}` : key)
    }
  }
  walk(schema as unknown as Walkable, value, '')
  return found
}
