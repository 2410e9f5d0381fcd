import type { Findings } from './findings'

/** Findings that speak of runs; null where only what was seen could be weighed. */
export const ranOf = (findings: Findings | null): Findings | null =>
  findings && Object.keys(findings.outcomes).length > 0 ? findings : null
