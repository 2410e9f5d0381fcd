import { sizeAreaM2, sizesOf, type UnitSystem, type WireSize } from '../units'
import { type Conductor, conductorOhm } from './voltage-drop'
import { allowedAmps } from './wire'

/** What a conductor must do. */
export interface ConductorNeeds {
  readonly runA: number
  readonly fuseA: number | null
  /** volts that all wires and the frame may lose together */
  readonly dropLimitV: number
  /** ohm of frame and wires in the run that are not compared */
  readonly otherWiresOhm: number
  readonly leastAreaM2: number
  /** largest copper that the smallest terminal on the run accepts */
  readonly terminalAreaM2: number
}

export interface SizeCheck {
  readonly size: WireSize
  readonly allowedA: number
  readonly dropV: number
  readonly carries: boolean
  readonly guarded: boolean
  readonly dropOk: boolean
  readonly strong: boolean
  readonly fitsTerminal: boolean
  readonly verdict: 'will do' | 'too thin' | 'too thick for the terminal'
}

/** 0.8 of the allowed current is used. @see engineering §1.3 */
export const CONDUCTOR_DERATING = 0.8

/**
 * Every size of a system held against what the conductors of a run must do if all were of that size, thinnest first.
 * @param conductors as they run; their own sizes are ignored
 * @see engineering §1.3
 */
export function compareSizes(conductors: readonly Conductor[], needs: ConductorNeeds, system: UnitSystem): SizeCheck[] {
  return sizesOf(system).map((size) => {
    const sized = conductors.map((c) => ({ ...c, size }))
    const allowedA = Math.min(...sized.map((c) => allowedAmps(size, c)))
    const ohm = sized.reduce((sum, c) => sum + conductorOhm(needs.runA, c), needs.otherWiresOhm)
    const check = {
      size,
      allowedA,
      dropV: needs.runA * ohm,
      carries: needs.runA <= CONDUCTOR_DERATING * allowedA,
      guarded: needs.fuseA === null || allowedA >= needs.fuseA,
      dropOk: needs.runA * ohm <= needs.dropLimitV,
      strong: sizeAreaM2(size) >= needs.leastAreaM2 * 0.999,
      fitsTerminal: sizeAreaM2(size) <= needs.terminalAreaM2 * 1.001,
    }
    const meets = check.carries && check.guarded && check.dropOk && check.strong
    const ends = check.fitsTerminal ? ('will do' as const) : ('too thick for the terminal' as const)
    return { ...check, verdict: meets ? ends : ('too thin' as const) }
  })
}

export type ConductorChoice =
  | { readonly kind: 'size'; readonly size: WireSize }
  | { readonly kind: 'joint and tail'; readonly size: WireSize; readonly tail: WireSize | null }
  | { readonly kind: 'none' }

/**
 * Smallest size that does everything; where all that would do are too thick for the terminal,
 * the right size to a joint close by and a short tail that fits.
 * @see engineering §1.3
 */
export function chooseConductor(checks: readonly SizeCheck[]): ConductorChoice {
  const fit = checks.find((c) => c.verdict === 'will do')
  if (fit) return { kind: 'size', size: fit.size }
  const thick = checks.find((c) => c.verdict === 'too thick for the terminal')
  if (!thick) return { kind: 'none' }
  const tail = checks.filter((c) => c.fitsTerminal && c.carries).pop()
  return { kind: 'joint and tail', size: thick.size, tail: tail?.size ?? null }
}
