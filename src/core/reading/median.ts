/**
 * The middle of some figures; of an even number the mean of the two in the middle. null of none.
 * @example median([9, 1, 3, 5]) //=> 4
 */
export function median(values: readonly number[]): number | null {
  const sorted = [...values].sort((a, b) => a - b)
  const [low, high] = [sorted[Math.floor((sorted.length - 1) / 2)], sorted[Math.floor(sorted.length / 2)]]
  return low === undefined || high === undefined ? null : (low + high) / 2
}
