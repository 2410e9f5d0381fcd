'use client'

import { useKept } from './evidence/use-kept'

/**
 * Figures that a helper is given one after another, kept until they are taken: a phone that sleeps between two of them
 * loses none.
 * @param name of the helper, within this job
 */
export function useFigures<N extends string>(
  name: string,
): [Readonly<Partial<Record<N, number>>>, (figure: N, value: number) => void, () => void] {
  const [text, keep] = useKept(name)
  const figures = read(text) as Partial<Record<N, number>>
  return [figures, (figure, value) => keep(JSON.stringify({ ...figures, [figure]: value })), () => keep(null)]
}

/** What was kept; a schema for it would weigh more than the page may. */
function read(text: string | null): Readonly<Record<string, number>> {
  try {
    const kept: unknown = JSON.parse(text ?? '{}')
    if (typeof kept !== 'object' || kept === null) return {}
    return Object.fromEntries(
      Object.entries(kept).filter((e): e is [string, number] => typeof e[1] === 'number' && Number.isFinite(e[1])),
    )
  } catch {
    return {}
  }
}
