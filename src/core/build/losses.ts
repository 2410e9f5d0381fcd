import { CRIMP_OHM, RING_OHM, runningFan, wiresOhm, jointsOhm } from '../electrical'
import { circuitsOf, type FanCircuit, ratingOf, wiresOf, wiresWaitFor, runningAmps, startingAmps } from '../fan-circuit'
import type { Job } from '../job'
import type { Bench } from '../reading'
import { type BenchFigure, type BenchFigureKind, proofId } from '../wiring'
import { say } from '../words'

export type ProofFigureKind = BenchFigureKind | 'inrush' | 'loss-plus' | 'loss-minus'

/** A figure of a proof: those that are weighed as evidence, and those that only find a fault. */
export type ProofFigure = Omit<BenchFigure, 'kind'> & { readonly kind: ProofFigureKind }

/** an ordinary meter across a lead, V; a clamp that holds the highest, as a share */
const SLACK = { lossV: 0.05, inrush: 0.25 }

/**
 * Ohm on one side of a fan: its wires, and half of the joints; fuse and contacts where they sit. @see
 * engineering §1.2
 */
function ohmOn(bench: Bench, job: Job, circuit: FanCircuit, side: 'plus' | 'minus'): number {
  const run = wiresOf(bench, circuit)
  const amps = runningAmps(bench, circuit.fan!)
  const back = circuit.conductors.map((c) => c.role === 'return')
  const own = run.conductors.filter((_, i) => back[i] === (side === 'minus'))
  const wires = wiresOhm(amps, { conductors: own, frame: side === 'minus' && run.frame })
  const joints = (run.crimps * CRIMP_OHM + run.rings * RING_OHM) / 2
  const contacts = jointsOhm(run) - 2 * joints
  const switchedBack = circuit.run.switchedBy === 'controller' && job.wiring.side === 'ground'
  return wires + joints + (switchedBack === (side === 'minus') ? contacts : 0)
}

/** Volts lost on one side at the current that the fan then takes. @see engineering §1.2, §1.6 */
function lostOn(bench: Bench, job: Job, circuit: FanCircuit, side: 'plus' | 'minus'): number {
  const [plus, minus] = [ohmOn(bench, job, circuit, 'plus'), ohmOn(bench, job, circuit, 'minus')]
  const volts = bench.value('charging.regulatorV')
  return runningFan(ratingOf(bench, circuit.fan!), volts, plus + minus).currentA * (side === 'plus' ? plus : minus)
}

/** What is measured besides: the first instant, and what is lost on each side of a fan. */
export function lossFigures(job: Job): ProofFigure[] {
  return circuitsOf(job).flatMap((circuit, n): ProofFigure[] => {
    const { fan, suffix } = circuit
    const wired = fan !== null && wiresWaitFor(circuit) === null
    const of = (kind: ProofFigureKind) => ({ kind, id: proofId(kind, circuit, n), circuit })
    const loss = (side: 'plus' | 'minus'): ProofFigure => ({
      ...of(`loss-${side}`),
      name: side === 'plus' ? say`Lost on the way out${suffix}` : say`Lost on the way back${suffix}`,
      quantity: 'voltage',
      slack: SLACK.lossV,
      at: wired ? (b) => lostOn(b, job, circuit, side) : null,
    })
    return [
      {
        ...of('inrush'),
        name: say`Starting current${suffix}`,
        quantity: 'current',
        slack: fan ? SLACK.inrush * (fan.part.lockedA?.value ?? 4 * fan.part.ratedA.value) : 0,
        at: fan && ((b) => startingAmps(b, fan)),
      },
      loss('plus'),
      loss('minus'),
    ]
  })
}
