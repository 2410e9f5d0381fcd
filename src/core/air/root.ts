/**
 * Where a falling or rising function crosses zero, by Chandrupatla's method: inverse quadratic steps where they are
 * safe, halving where they are not, so that it never does worse than bisection by more than a few steps.
 * @param f continuous, with different signs at the ends; where it has not, the end nearer to zero is returned
 * @param tolerance in the argument
 * @example rootBetween((x) => x * x - 2, 0, 2, 1e-9) //=> 1.414214
 */
export function rootBetween(f: (x: number) => number, low: number, high: number, tolerance: number): number {
  let [a, b] = [high, low]
  let [fa, fb] = [f(a), f(b)]
  if (fa === 0) return a
  if (fb === 0) return b
  if (fa > 0 === fb > 0) return Math.abs(fa) < Math.abs(fb) ? a : b
  let [c, fc] = [a, fa]
  let t = 0.5
  for (let n = 0; n < 80; n++) {
    const x = a + t * (b - a)
    const fx = f(x)
    if (fx > 0 === fa > 0) {
      c = a
      fc = fa
    } else {
      c = b
      fc = fb
      b = a
      fb = fa
    }
    a = x
    fa = fx
    const best = Math.abs(fa) < Math.abs(fb) ? a : b
    const limit = tolerance / Math.abs(b - a)
    if (fx === 0 || limit > 0.5) return best
    const xi = (a - b) / (c - b)
    const phi = (fa - fb) / (fc - fb)
    const safe = phi * phi < xi && (1 - phi) * (1 - phi) < 1 - xi
    t = safe ? (fa / (fb - fa)) * (fc / (fb - fc)) + ((c - a) / (b - a)) * (fa / (fc - fa)) * (fb / (fc - fb)) : 0.5
    t = Math.min(1 - limit, Math.max(limit, t))
  }
  return a
}
