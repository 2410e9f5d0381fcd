/** Values with their names, as a choice takes them; a value without a name is its own. */
export const named = <const V extends string>(
  values: readonly V[],
  names: Partial<Record<V, string>> = {},
): { value: V; name: string }[] => values.map((value) => ({ value, name: names[value] ?? value }))

/** Ratings in a choice, with the one that is there among them; `none` names the empty one. */
export const ratings = (
  usual: readonly number[],
  present: number | null,
  none: string,
): { value: string; name: string }[] => [
  { value: '', name: none },
  ...[...new Set([...usual, ...(present === null ? [] : [present])])]
    .sort((a, b) => a - b)
    .map((a) => ({ value: String(a), name: `${a} A` })),
]

/** What was chosen of them. */
export const ratingOf = (value: string): number | null => (value === '' ? null : Number(value))
