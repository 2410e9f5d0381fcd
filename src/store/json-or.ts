/** A column's JSON; the second where it is none, so that one damaged row takes nothing else with it. */
export function jsonOr(text: string | null, otherwise: unknown): unknown {
  try {
    return text === null ? otherwise : (JSON.parse(text) as unknown)
  } catch {
    return otherwise
  }
}
