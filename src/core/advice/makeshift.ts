import { bladeFuseOhm } from '../electrical'
import { median, type Reading } from '../reading'

/** a meter or a thumb on a watch is never better than this, as a share (estimate) */
const LEAST_SPREAD = 0.03

/** Spread from the range of what was read, never less than {@link LEAST_SPREAD}. */
const fromRange = (value: number, all: readonly number[]): Reading => ({
  value,
  source: 'measured',
  spread: Math.max((Math.max(...all) - Math.min(...all)) / 2, LEAST_SPREAD * value),
})

/**
 * Air-flow from the time in which a fan fills a bag.
 * @param volumeM3 of the bag
 * @param seconds of each try; three are asked for
 * @returns the median, spread from the range, m³/s; null where a figure cannot be
 * @see engineering §1.11
 * @example flowByBag(0.12, [3, 3.2, 3.1])!.value //=> 0.0387
 */
export function flowByBag(volumeM3: number, seconds: readonly number[]): Reading | null {
  if (!(volumeM3 > 0) || !seconds.length || seconds.some((s) => !(s > 0))) return null
  return fromRange(
    volumeM3 / median(seconds)!,
    seconds.map((s) => volumeM3 / s),
  )
}

/**
 * Air-flow from a vane anemometer held in the middle of equal areas of a face.
 * @param metresPerSecond one for each area; backward ones negative
 * @returns mean × area, spread as the standard error of the mean, m³/s; null where a figure cannot be
 * @see engineering §1.11
 */
export function flowByAnemometer(areaM2: number, metresPerSecond: readonly number[]): Reading | null {
  const n = metresPerSecond.length
  if (!(areaM2 > 0) || n === 0 || metresPerSecond.some((v) => !Number.isFinite(v))) return null
  const mean = metresPerSecond.reduce((a, b) => a + b, 0) / n
  if (mean <= 0) return null
  const deviation = n > 1 ? Math.sqrt(metresPerSecond.reduce((s, v) => s + (v - mean) ** 2, 0) / (n - 1)) : 0.3 * mean
  return {
    value: areaM2 * mean,
    source: 'measured',
    spread: areaM2 * Math.max(deviation / Math.sqrt(n), LEAST_SPREAD * mean),
  }
}

/** a fuse warms as it carries: its resistance is known to this share (estimate) */
const FUSE_SPREAD = 0.2

/**
 * Current from the millivolts across a blade fuse.
 * @param volts across its two test points
 * @param ratingA stamped on it
 * @returns A, ± 20 %; null where a figure cannot be
 * @see engineering §1.11, §1.2
 */
export function currentByFuse(volts: number, ratingA: number): Reading | null {
  if (!(volts > 0) || !(ratingA > 0)) return null
  const value = volts / bladeFuseOhm(ratingA)
  return { value, source: 'measured', spread: FUSE_SPREAD * value }
}
