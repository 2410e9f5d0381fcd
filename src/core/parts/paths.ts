/** What stands at a path of a part; undefined where there is nothing. */
export const at = (value: unknown, path: string): unknown =>
  path
    .split('.')
    .reduce<unknown>(
      (v, key) => (typeof v === 'object' && v !== null ? (v as Record<string, unknown>)[key] : undefined),
      value,
    )

/** Puts a value at a path of one or two steps. */
export const set = (node: Record<string, unknown>, path: string, value: unknown): void => {
  const [head, tail] = path.split('.') as [string, string?]
  if (tail === undefined) node[head] = value
  else node[head] = { ...(node[head] as Record<string, unknown> | undefined), [tail]: value }
}
