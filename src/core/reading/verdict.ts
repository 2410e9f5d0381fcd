/** What a margin comes to. `open`: something it needs is not chosen or not worked out. */
export const verdicts = ['holds', 'unsure', 'open', 'short'] as const
export type Verdict = (typeof verdicts)[number]

/**
 * @param nominal margin over the requirement at the nominal readings
 * @param worst   the same at the worst corner
 * @see engineering §0
 */
export const verdictOf = (nominal: number, worst: number): Verdict =>
  nominal < 0 ? 'short' : worst < 0 ? 'unsure' : 'holds'

/** The gravest of several verdicts: short before open before unsure before holds. */
export const gravest = (list: readonly Verdict[]): Verdict =>
  list.reduce<Verdict>((g, v) => (verdicts.indexOf(v) > verdicts.indexOf(g) ? v : g), 'holds')
