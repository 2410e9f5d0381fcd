import type { Cell, Move } from '@/core/diagnose'
import { format, type UnitSystem } from '@/core/units'
import { say } from '@/core/words'

/** What was found at a move, or what a cause makes of it, in words. */
export function inWords(move: Move, cell: Cell, units: UnitSystem): string {
  if (cell === null) return say`says nothing`
  if (typeof cell === 'number') return format(cell, move.figure?.quantity ?? 'voltage', units, 3)
  return move.answers?.find((a) => a.id === cell)?.words ?? cell
}

/** Beliefs are told in whole hundredths, and none as certain. */
export const shareInWords = (share: number): string => {
  if (share >= 0.995) return say`over 99 %`
  return share < 0.01 ? say`under 1 %` : `${Math.round(share * 100)} %`
}

export const tierWords: Readonly<Record<Move['tier'], string>> = {
  look: say`look and listen`,
  swap: say`swap or bridge`,
  meter: say`meter`,
  heat: say`run and watch`,
}
