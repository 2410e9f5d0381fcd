import { typical } from '../reading'
import { fanGuesses } from './fan-guess'
import type { FanPart } from './part'
import { say } from '../words'

/** Axial fans with brushes at 12 V by the width over their blades: what most take, move and weigh (estimates). */
const SIZES = [
  { diameterM: 0.08, amps: 1, flowM3s: 0.018, depthM: 0.028, massKg: 0.14 },
  { diameterM: 0.12, amps: 2.2, flowM3s: 0.05, depthM: 0.038, massKg: 0.34 },
  { diameterM: 0.15, amps: 4, flowM3s: 0.085, depthM: 0.048, massKg: 0.7 },
  { diameterM: 0.19, amps: 5.5, flowM3s: 0.14, depthM: 0.055, massKg: 0.95 },
  { diameterM: 0.225, amps: 7, flowM3s: 0.21, depthM: 0.06, massKg: 1.2 },
  { diameterM: 0.255, amps: 8, flowM3s: 0.27, depthM: 0.062, massKg: 1.4 },
  { diameterM: 0.305, amps: 10, flowM3s: 0.38, depthM: 0.066, massKg: 1.8 },
  { diameterM: 0.355, amps: 13, flowM3s: 0.52, depthM: 0.072, massKg: 2.4 },
] as const

/** a brushless motor does the same with so much of the current, in so much of the depth (estimates) */
const BRUSHLESS = { amps: 0.8, depth: 0.85 }
const LEAD_M = 0.4

/** Size classes that are on sale, m. */
export const fanSizes: readonly number[] = SIZES.map((s) => s.diameterM)

/** A figure between those of the sizes beside it; outside them as the nearest. */
function between(diameterM: number, of: 'amps' | 'flowM3s' | 'depthM' | 'massKg'): number {
  const above = SIZES.findIndex((s) => s.diameterM >= diameterM)
  if (above === 0) return SIZES[0][of]
  if (above < 0) return SIZES.at(-1)![of]
  const [low, high] = [SIZES[above - 1]!, SIZES[above]!]
  const share = (diameterM - low.diameterM) / (high.diameterM - low.diameterM)
  return low[of] + share * (high[of] - low[of])
}

const tidy = (v: number): number => Number(v.toPrecision(3))

export interface FanClass {
  readonly diameterM: number
  readonly motor: FanPart['motor']
  /** what it is made for, V: at another voltage the same power */
  readonly ratedV: number
}

/**
 * A fan as most of its size are, nothing of it known better.
 * @see engineering §2.3
 * @example typicalFan({ diameterM: 0.12, motor: 'brushed', ratedV: 24 }).ratedA.value //=> 1.1
 */
export function typicalFan({ diameterM, motor, ratedV }: FanClass): FanPart {
  const name = say`Generic fan ${Math.round(diameterM * 1000)} mm`
  const quiet = motor === 'brushless' ? BRUSHLESS : { amps: 1, depth: 1 }
  return {
    id: `generic-fan-${Math.round(diameterM * 1000)}-${motor}-${ratedV}`,
    name: `${name}, ${motor === 'brushed' ? say`with brushes` : 'brushless'}, ${ratedV} V`,
    maker: '',
    note: say`typical of its size: put in what its label says`,
    facts: [],
    kind: 'fan',
    motor,
    ratedV,
    ratedA: typical(tidy((between(diameterM, 'amps') * quiet.amps * 12) / ratedV)),
    lockedA: null,
    diameterM: typical(diameterM, 0.003),
    depthM: typical(tidy(between(diameterM, 'depthM') * quiet.depth)),
    freeFlowM3s: typical(tidy(between(diameterM, 'flowM3s'))),
    massKg: typical(tidy(between(diameterM, 'massKg'))),
    leadM: typical(LEAD_M),
    ingress: null,
    ...fanGuesses(diameterM),
  }
}
