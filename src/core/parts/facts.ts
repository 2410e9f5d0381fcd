import { type PartKind } from './part'
import { type FormLine } from './form'
import { formOf } from './form'
import { type Part } from './part'
import { at } from './paths'
import { type Reading } from '../reading'
import { endsOf } from '../reading'
import { set } from './paths'
import { partSchema } from './part'

/** The readings of a part that facts can be about. */
export const factLines = (kind: PartKind): FormLine[] => formOf(kind).filter((l) => l.kind === 'reading')

/** Facts about one line that lie outside what the reading itself leaves open: the sources contradict each other. */
export function contradictions(part: Part): { readonly line: FormLine; readonly facts: Part['facts'] }[] {
  return factLines(part.kind).flatMap((line) => {
    const facts = part.facts.filter((f) => f.about === line.path)
    const r = at(part, line.path) as Reading | null | undefined
    if (!r || !facts.length) return []
    const { low, high } = endsOf(r, line.quantity!, { min: Number.NEGATIVE_INFINITY, max: Number.POSITIVE_INFINITY })
    return facts.some((f) => f.value < low || f.value > high) ? [{ line, facts }] : []
  })
}

/** The part with one of its facts taken as what counts. */
export function takeFact(part: Part, factId: string): Part {
  const fact = part.facts.find((f) => f.id === factId)
  if (!fact) return part
  const next = structuredClone(part) as unknown as Record<string, unknown>
  set(next, fact.about, {
    value: fact.value,
    source: fact.from === 'measured' ? 'measured' : 'label',
    typed: fact.typed,
  })
  return partSchema.parse(next)
}
