import type { Place } from './step'

/** What an order is made from. */
export interface Orderable {
  readonly id: string
  readonly needs: readonly string[]
  readonly at: Place | null
  readonly hides: readonly Place[]
}

/**
 * For each step what must be done before it: what it names, and all that is worked where it closes the way. Names of
 * steps that are not in the list count for nothing.
 * @param steps in the order of the catalogue
 */
export function needsOf(steps: readonly Orderable[]): ReadonlyMap<string, readonly string[]> {
  const ids = new Set(steps.map((s) => s.id))
  return new Map(
    steps.map((s) => [
      s.id,
      [
        ...new Set([
          ...s.needs.filter((n) => ids.has(n) && n !== s.id),
          ...steps.filter((o) => o !== s && o.at !== null && s.hides.includes(o.at)).map((o) => o.id),
        ]),
      ],
    ]),
  )
}

/**
 * Steps in an order that respects every need; where several may come next, the one that stands first in the catalogue
 * does.
 * @throws RangeError where needs run in a circle: no order has them all
 */
export function inOrder<S extends Orderable>(steps: readonly S[]): S[] {
  const needs = needsOf(steps)
  const placed = new Set<string>()
  const left = [...steps]
  const order: S[] = []
  while (left.length) {
    const i = left.findIndex((s) => needs.get(s.id)!.every((n) => placed.has(n)))
    if (i < 0) throw new RangeError(`steps wait for each other: ${left.map((s) => s.id).join(', ')}`)
    const [next] = left.splice(i, 1)
    placed.add(next!.id)
    order.push(next!)
  }
  return order
}
