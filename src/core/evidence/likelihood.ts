import { observationFigures } from '../job'
import type { Prediction } from './predict'
import { MODEL_K, type Seen, sigmaOf, type Watched } from './seen'

/** Normal distribution below z (Abramowitz and Stegun 26.2.17, within 7.5e-8). */
function below(z: number): number {
  const t = 1 / (1 + 0.2316419 * Math.abs(z))
  const poly = t * (0.31938153 + t * (-0.356563782 + t * (1.781477937 + t * (-1.821255978 + t * 1.330274429))))
  const tail = (Math.exp((-z * z) / 2) / Math.sqrt(2 * Math.PI)) * poly
  return z >= 0 ? 1 - tail : tail
}

/** its logarithm, without the tail's running out of digits */
const logBelow = (z: number): number =>
  z > -6 ? Math.log(below(z)) : -(z * z) / 2 - Math.log(-z) - 0.5 * Math.log(2 * Math.PI)

/** a share of the time this small is none */
const LEAST_SHARE = 0.01

/**
 * How many σ a prediction that came to it, or did not, lies from a time at which it was seen. Where warming has nearly
 * come to rest a little heat is much time: what is within the model's kelvins there is within its time.
 */
function timeMisfit(p: Prediction, seconds: number, sigma: number): number {
  const reached = Number.isFinite(p.value)
  const time = Math.max(1, Math.min(p.value, p.horizonS))
  const slow = reached && p.slopeKs !== null && p.slopeKs > 0 ? MODEL_K / (p.slopeKs * time) : 0
  const z = Math.log(time / Math.max(1, seconds)) / Math.max(sigma, slow)
  const missed = reached || p.overK === null ? 0 : Math.max(0, -p.overK) / MODEL_K
  const far = Math.hypot(z, missed)
  return Math.sign(z || 1) * (p.wantingK === null ? far : Math.min(far, p.wantingK / MODEL_K))
}

/**
 * How far what was seen lies from a prediction, in σ; of a bound, how far on the side that it may not be.
 * @see engineering §0
 */
export function misfit(p: Prediction, seen: Seen): number {
  const sigma = sigmaOf(seen)
  if (seen.kind === 'proved') return (p.value - seen.seen) / sigma
  const figure = observationFigures[seen.kind]
  if (seen.sometime) return p.overK === null ? 0 : Math.max(0, -p.overK / MODEL_K)
  if (seen.seen === null) return Math.max(0, -boundMargin(p, seen, sigma))
  switch (figure) {
    case 'afterS':
      return timeMisfit(p, seen.seen, sigma)
    case 'share':
      return Math.log(Math.max(LEAST_SHARE, p.value) / Math.max(LEAST_SHARE, seen.seen)) / sigma
    default:
      return (p.value - seen.seen) / sigma
  }
}

/** How far a prediction keeps within a bound, in σ: above 0 it does. */
function boundMargin(p: Prediction, seen: Watched, sigma: number): number {
  if (seen.kind === 'hottest') return (seen.toC! - p.value) / sigma
  if (Number.isFinite(p.value)) return Math.log(Math.max(1, p.value) / Math.max(1, seen.forS!)) / sigma
  return -(p.overK ?? 0) / MODEL_K
}

/**
 * Logarithm of how likely a machine that comes to a prediction shows what was seen: normal in temperatures and volts,
 * log-normal in times and shares, the normal's tail where it was a bound.
 * @see engineering §0
 */
export function logLikelihood(p: Prediction, seen: Seen): number {
  if (seen.kind !== 'proved' && seen.sometime) return logBelow((p.overK ?? 0) / MODEL_K)
  if (seen.kind !== 'proved' && seen.seen === null) return logBelow(boundMargin(p, seen, sigmaOf(seen)))
  return -0.5 * misfit(p, seen) ** 2
}
