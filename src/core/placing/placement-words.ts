import type { Job } from '../job'
import { format, type UnitSystem, percent } from '../units'
import type { Lacking, Placement } from './placement'
import { say } from '../words'

/** Where on the core, in words: "low", "middle", "high". */
export const heightInWords = (job: Job, yM: number): string => {
  const share = yM / (job.cooling?.coreHeightM.value ?? 1)
  if (share < 0.42) return say`high`
  return share > 0.58 ? say`low` : say`middle`
}

export function lackingInWords({ what, from, byM }: Lacking, units: UnitSystem): string {
  const by = Number.isFinite(byM) ? format(byM, 'length', units, 2) : ''
  return {
    depth: say`needs ${by} more depth`,
    width: say`${by} too wide for the core`,
    height: say`${by} too high for the core`,
    voltage: say`made for ${from}`,
    distance: say`${by} too near to ${from}`,
  }[what]
}

/** Why a place lost against the best one. */
export function whyLost(best: Placement, other: Placement, units: UnitSystem): string {
  if (other.lacking) return lackingInWords(other.lacking, units)
  const less = 1 - other.flowM3s / best.flowM3s
  if (less > 0.01) return say`moves ${percent(less)} less`
  if (best.spareM - other.spareM > 0.0005)
    return say`the same air, ${format(best.spareM - other.spareM, 'length', units, 2)} less room`
  return say`as good`
}

/** One sentence for a search that found no place: what the nearest to fitting lacks. */
export function nothingFits(placements: readonly Placement[], units: UnitSystem): string {
  if (!placements.length) return say`No fan is on the shelf yet.`
  const nearest = placements
    .filter((p) => p.lacking && Number.isFinite(p.lacking.byM))
    .reduce<Placement | null>((a, b) => (a === null || b.lacking!.byM < a.lacking!.byM ? b : a), null)
  return nearest
    ? say`Nothing fits: ${nearest.part.name} comes nearest and ${lackingInWords(nearest.lacking!, units)}.`
    : say`Nothing fits: no fan on the shelf is for this voltage.`
}
