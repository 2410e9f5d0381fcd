import { beliefs, fitting, proposals, type Proposed } from './belief'
import { doubtful } from './speaks'
import type { Cause, Found, Table } from './table'

/** How far a search has come. */
export type Word = 'nothing seen' | 'seeking' | 'likely' | 'alike' | 'contradicts'

export interface Standing {
  readonly word: Word
  /** causes with what is believed of each, the likeliest first */
  readonly ranked: readonly { readonly cause: Cause; readonly index: number; readonly share: number }[]
  readonly next: readonly Proposed[]
  /** how many causes make all that was found */
  readonly left: number
  /** the move to be made again, where no cause makes all */
  readonly doubt: string | null
}

/** so much believed is told as likely; of a cause that alone makes all that was found, less will do */
const LIKELY = 0.9
const LIKELY_ALONE = 0.5

function wordOf(found: readonly Found[], left: number, best: number, bestFits: boolean, more: number): Word {
  if (!found.length) return 'nothing seen'
  if (left === 0) return 'contradicts'
  if (bestFits && best >= (left === 1 ? LIKELY_ALONE : LIKELY)) return 'likely'
  return more === 0 ? 'alike' : 'seeking'
}

/** Where a search stands: what is believed, what to do next, and whether it comes to nothing. @see engineering §6 */
export function standingOf(table: Table, found: readonly Found[]): Standing {
  const belief = beliefs(table, found)
  const fit = fitting(table, found)
  const ranked = table.causes
    .map((cause, index) => ({ cause, index, share: belief[index]! }))
    .sort((a, b) => b.share - a.share)
  const next = proposals(table, found)
  const best = ranked[0]
  return {
    word: wordOf(found, fit.length, best?.share ?? 0, best !== undefined && fit.includes(best.index), next.length),
    ranked,
    next,
    left: fit.length,
    doubt: doubtful(table, found),
  }
}
