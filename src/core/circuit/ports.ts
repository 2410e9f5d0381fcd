import { Matrix, solve as solveSystem } from 'ml-matrix'
import { CUT_OUT_SHARE, jammedCurrent, motorConstants, motorCurve } from '../electrical'
import type { Motor } from './netlist'

const MOST_NEWTON = 60

/**
 * Conductance that stands for a turning fan while the nodes are solved; what its curve takes besides is found by
 * Newton.
 */
export const holding = ({ rating }: Motor): number =>
  rating.motor === 'brushed' ? 1 / motorConstants(rating).r : rating.ratedA / rating.ratedV

/**
 * Currents of fans at the ports of a linear circuit that has their {@link holding} in it: v + Z (i(v) − g v) = U, by
 * damped Newton.
 * @param open voltages at the ports with nothing besides taken, V
 * @param z    ohm, how far current at one port lowers the voltage at each
 * @returns each fan's current, and what of it the circuit's own conductance does not hold yet, A
 */
export function portCurrents(
  motors: readonly Motor[],
  open: readonly number[],
  z: readonly (readonly number[])[],
  cutOut = false,
): { readonly currentA: number; readonly besides: number }[] {
  if (motors.length === 0) return []
  const take = (m: Motor, v: number): { currentA: number; slope: number } => {
    if (cutOut && m.rating.motor === 'brushless') return { currentA: 0, slope: 0 }
    if (!m.jammed) return motorCurve(m.rating, v)
    return { currentA: v >= CUT_OUT_SHARE * m.rating.ratedV ? jammedCurrent(m.rating, v) : 0, slope: 0 }
  }
  const besides = (m: Motor, v: number): number => take(m, v).currentA - holding(m) * v
  const residual = (v: readonly number[]): number[] =>
    v.map((x, i) => x - open[i]! + motors.reduce((sum, m, k) => sum + z[i]![k]! * besides(m, v[k]!), 0))
  const size = (r: readonly number[]): number => Math.max(...r.map(Math.abs))
  let v = [...open]
  let wrong = residual(v)
  for (let n = 0; n < MOST_NEWTON && size(wrong) > 1e-12 * (1 + size(open)); n++) {
    const slopes = motors.map((m, k) => take(m, v[k]!).slope - holding(m))
    const step =
      motors.length === 1
        ? [wrong[0]! / (1 + z[0]![0]! * slopes[0]!)]
        : solveSystem(
            new Matrix(motors.map((_, i) => motors.map((__, k) => (i === k ? 1 : 0) + z[i]![k]! * slopes[k]!))),
            new Matrix(wrong.map((x) => [x])),
          ).to1DArray()
    let share = 1
    let trial = v
    do {
      trial = v.map((x, i) => x - share * step[i]!)
      share /= 2
    } while (share > 1e-4 && size(residual(trial)) > size(wrong))
    v = trial
    wrong = residual(v)
  }
  // a brushless fan that the circuit cannot hold above its cut-out voltage stands
  if (!cutOut && size(wrong) > 1e-9 && motors.some((m) => m.rating.motor === 'brushless'))
    return portCurrents(motors, open, z, true)
  return motors.map((m, k) => ({ currentA: take(m, v[k]!).currentA, besides: besides(m, v[k]!) }))
}
