/** What a margin comes to. `open`: something it needs is not chosen or not worked out. */
export const verdicts = ['holds', 'unsure', 'open', 'short'] as const
export type Verdict = (typeof verdicts)[number]

/**
 * @param nominal margin over the requirement at the nominal readings
 * @param worst   the same at the worst corner
 * @returns open where either is no figure
 * @see engineering §0
 */
export function verdictOf(nominal: number, worst: number): Verdict {
  // what is no figure compares with nothing, and so would hold
  if (!Number.isFinite(nominal) || Number.isNaN(worst)) return 'open'
  if (nominal < 0) return 'short'
  return worst < 0 ? 'unsure' : 'holds'
}

/** The gravest of several verdicts: short before open before unsure before holds. */
export const gravest = (list: readonly Verdict[]): Verdict =>
  list.reduce<Verdict>((g, v) => (verdicts.indexOf(v) > verdicts.indexOf(g) ? v : g), 'holds')
