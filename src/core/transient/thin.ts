/**
 * Rows of a trace that a chart needs: of each stretch the first, and the least and greatest of every column, so that no
 * peak is lost.
 * @param columns columns of equal length
 * @param most about how many rows may be kept
 * @returns indices, rising
 */
export function thinned(columns: readonly ArrayLike<number>[], rows: number, most: number): number[] {
  if (rows <= most) return Array.from({ length: rows }, (_, i) => i)
  const stretches = Math.max(1, Math.floor(most / (1 + 2 * columns.length)))
  const kept = new Set<number>([0, rows - 1])
  for (let s = 0; s < stretches; s++) {
    const from = Math.floor((s * rows) / stretches)
    const to = Math.floor(((s + 1) * rows) / stretches)
    kept.add(from)
    for (const column of columns) {
      let [low, high] = [from, from]
      for (let i = from + 1; i < to; i++) {
        if (column[i]! < column[low]!) low = i
        if (column[i]! > column[high]!) high = i
      }
      kept.add(low).add(high)
    }
  }
  return [...kept].sort((a, b) => a - b)
}
