import { beliefs, fitting, type Found, proposals, type Table, within } from '../diagnose'
import type { Round } from './round'

export interface GoodStep {
  readonly title: string
  readonly shown: string | number
  readonly minutes: number
}

const MOST = 15
const SURE = 0.9

/**
 * A short good way through a round: at each step what settles most a minute, answered as the hidden fault would.
 * @param cells what the hidden cause makes of each move
 * @returns its steps, and the minutes they take with naming it
 * @see engineering §6
 */
export function goodPath(
  table: Table,
  round: Round,
  cells: Table['cells'][number],
): { steps: GoodStep[]; minutes: number } {
  const narrowed = within(table, ['circuit'])
  const found: Found[] = [round.complaint]
  const steps: GoodStep[] = []
  for (let n = 0; n < MOST; n++) {
    // one that alone makes all of it is named; so is one that is as good as certain
    if (fitting(narrowed, found).length === 1 || Math.max(...beliefs(narrowed, found)) > SURE) break
    const next = proposals(narrowed, found).find(({ move }) => cells[table.moves.indexOf(move)] !== null)
    if (!next) break
    const shown = cells[table.moves.indexOf(next.move)]!
    found.push({ move: next.move.id, found: shown })
    steps.push({ title: next.move.title, shown, minutes: next.move.minutes })
  }
  return { steps, minutes: steps.reduce((m, s) => m + s.minutes, 0.5) }
}
