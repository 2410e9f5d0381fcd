import type { Verdict } from '../reading'
import { xOf } from './deciding'
import type { Evaluation, PartResult } from './evaluation'

/** A mark of the ladder, or what is pressed on the controller. */
export type Mark = 'on' | 'off' | 'band' | 'set'

/** Which mark each rule of a setting is about, by the beginning of its part's id. @see engineering §3.2 */
const about: Readonly<Record<Mark, readonly string[]>> = {
  on: ['warm-up', 'boil', 'in time', 'second on'],
  off: ['stops', 'second off'],
  band: ['band', 'starts'],
  set: ['controller'],
}

/** What the rules say of one mark: the one that is nearest to not holding. */
export interface MarkRule {
  readonly mark: Mark
  readonly verdict: Verdict
  readonly part: PartResult
}

const order: readonly Verdict[] = ['short', 'unsure', 'open', 'holds']

/** Every mark that a rule speaks of, with the rule that matters most there. */
export function markRules({ margins }: Evaluation): MarkRule[] {
  const parts = margins
    .filter((m) => m.id === 'trigger' || m.id === 'boil')
    .flatMap((m) => m.parts)
    .filter((p) => !p.warns && p.value !== null)
  return (Object.keys(about) as Mark[]).flatMap((mark): MarkRule[] => {
    const own = parts.filter((p) => about[mark].some((id) => p.id.startsWith(id)))
    if (!own.length) return []
    const depth = (p: PartResult): number => xOf(p, p.verdict === 'unsure' ? 'worst' : 'value')
    const part = [...own].sort((a, b) => order.indexOf(a.verdict) - order.indexOf(b.verdict) || depth(a) - depth(b))[0]!
    return [{ mark, verdict: part.verdict, part }]
  })
}
