import { type Result } from './result'
import type { UnitSystem } from './quantity'
import { say } from '../words'

/** Names are the sizes themselves; nothing is converted, the other system's nearest only stands beside it. */
export const wireSizes = [
  '22 AWG',
  '20 AWG',
  '18 AWG',
  '16 AWG',
  '14 AWG',
  '12 AWG',
  '10 AWG',
  '8 AWG',
  '6 AWG',
  '0.35 mm²',
  '0.5 mm²',
  '0.75 mm²',
  '1 mm²',
  '1.5 mm²',
  '2.5 mm²',
  '4 mm²',
  '6 mm²',
  '10 mm²',
] as const
export type WireSize = (typeof wireSizes)[number]

const isAwg = (size: WireSize): boolean => size.endsWith('AWG')

/** The sizes of one system, thinnest first. */
export const sizesOf = (system: UnitSystem): WireSize[] => wireSizes.filter((s) => isAwg(s) === (system === 'imperial'))

/**
 * The next thinner size of the same system, the thinnest where there is none: what a size told by eye counts as.
 * @example thinnerThan('2.5 mm²') //=> '1.5 mm²'
 */
export function thinnerThan(size: WireSize): WireSize {
  const own = wireSizes.filter((s) => isAwg(s) === isAwg(size))
  return own[Math.max(0, own.indexOf(size) - 1)]!
}

/**
 * Diameter of a solid conductor by gauge number.
 * @returns metres
 * @see engineering §1.1 (ASTM B258)
 * @example awgDiameterM(36) //=> 0.000127
 */
export const awgDiameterM = (gauge: number): number => 0.127e-3 * 92 ** ((36 - gauge) / 39)

/**
 * Copper cross-section of a size.
 * @returns m²
 * @see engineering §1.1
 * @example sizeAreaM2('2.5 mm²') //=> 2.5e-6
 */
export function sizeAreaM2(size: WireSize): number {
  const number = Number.parseFloat(size)
  return isAwg(size) ? (Math.PI / 4) * awgDiameterM(number) ** 2 : number * 1e-6
}

/**
 * The size of the other system whose copper is nearest.
 * @example nearestInOtherSystem('2.5 mm²') //=> '14 AWG'
 */
export function nearestInOtherSystem(size: WireSize): WireSize {
  const area = sizeAreaM2(size)
  const others = sizesOf(isAwg(size) ? 'metric' : 'imperial')
  return others.reduce((best, s) =>
    Math.abs(Math.log(sizeAreaM2(s) / area)) < Math.abs(Math.log(sizeAreaM2(best) / area)) ? s : best,
  )
}

/**
 * Reads a typed size: "2.5 mm2", "16 AWG", "16awg", or a bare number in the current system.
 * @returns the size, or a message that lists what is accepted
 * @example parseWireSize('2.5 mm2', 'metric') //=> { ok: true, size: '2.5 mm²' }
 */
export function parseWireSize(text: string, system: UnitSystem): Result<{ size: WireSize }> {
  const list = say`${sizesOf('metric')
    .map((s) => Number.parseFloat(s))
    .join(', ')} mm² or ${sizesOf('imperial')
    .map((s) => Number.parseFloat(s))
    .join(', ')} AWG`
  const match = /^\s*#?\s*(\d+(?:[.,]\d+)?)\s*(awg|ga|gauge|mm2|mm²|sqmm)?\s*$/i.exec(text)
  if (!match) return { ok: false, message: say`This is not a wire size. There are ${list}.` }
  const number = Number(match[1]!.replace(',', '.'))
  const awg = match[2] ? /^(awg|ga)/i.test(match[2]) : system === 'imperial'
  const size = wireSizes.find((s) => isAwg(s) === awg && Number.parseFloat(s) === number)
  return size
    ? { ok: true, size }
    : { ok: false, message: say`${match[1]} ${awg ? 'AWG' : 'mm²'} is not a size we know. There are ${list}.` }
}
