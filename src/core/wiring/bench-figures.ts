import { runningFan } from '../electrical'
import {
  circuitsOf,
  type FanCircuit,
  hasThermostat,
  pointsOf,
  ratingOf,
  wiresWaitFor,
  runningAmps,
  ohmBefore,
} from '../fan-circuit'
import type { Job } from '../job'
import type { Bench } from '../reading'
import type { Quantity } from '../units'
import { parkedDraw } from './parked-draw'
import { say } from '../words'

export type BenchFigureKind = 'amps' | 'volts' | 'starts' | 'stops' | 'standby'

/** A figure that is measured once it is built, and what the readings make of it. */
export interface BenchFigure {
  readonly kind: BenchFigureKind
  /** the proof's: the first fan's are plain, as they were before there were several; others carry their run's */
  readonly id: string
  /** whose it is; null: of everything together */
  readonly circuit: FanCircuit | null
  readonly name: string
  readonly quantity: Quantity
  /** what an ordinary meter and a probe against a thermometer may be off by, in the figure's unit */
  readonly slack: number
  /** null where a choice is still missing */
  readonly at: ((bench: Bench) => number) | null
}

const METER = { volts: 0.15, amps: 0.1, standbyA: 0.001, kelvin: 2 }

/** Ids of what is proved of a fan. */
export const proofId = (id: string, circuit: FanCircuit, n: number): string =>
  n === 0 ? id : `${id}-${circuit.run.id}`

/** Voltage across a fan's own plug, engine at cruise, V. @see engineering §1.2, §1.8 */
function voltsAtFan(bench: Bench, circuit: FanCircuit): number {
  const fan = circuit.fan!
  const ohm = ohmBefore(bench, { ...circuit, fan })
  const volts = bench.value('charging.regulatorV')
  return volts - ohm * runningFan(ratingOf(bench, fan), volts, ohm).currentA
}

function figuresOfFan(job: Job, circuit: FanCircuit, n: number): BenchFigure[] {
  const { fan, controller, suffix } = circuit
  const common = (kind: BenchFigureKind) => ({ kind, id: proofId(kind, circuit, n), circuit })
  const figures: BenchFigure[] = [
    {
      ...common('amps'),
      name: say`Running current${suffix}`,
      quantity: 'current',
      slack: METER.amps,
      at: fan && ((b) => runningAmps(b, fan)),
    },
    {
      ...common('volts'),
      name: say`Voltage at the fan${suffix}`,
      quantity: 'voltage',
      slack: METER.volts,
      at: fan !== null && wiresWaitFor(circuit) === null ? (b) => voltsAtFan(b, circuit) : null,
    },
  ]
  // what a controller does is proved with the first fan that it calls
  const own = controller !== null && circuitsOf(job).findIndex((c) => c.controller?.id === controller.id) === n
  if (!own || !hasThermostat(circuit)) return figures
  const point = (kind: 'starts' | 'stops', edge: 'on' | 'off', verb: string): BenchFigure => ({
    ...common(kind),
    name: say`${verb}, as the probe shows${suffix}`,
    quantity: 'temperature',
    slack: METER.kelvin,
    at: (b) => pointsOf(b, circuit)[edge].c,
  })
  return [...figures, point('starts', 'on', say`Starts`), point('stops', 'off', say`Stops`)]
}

/** Every figure that is measured of a job once it is built. @see engineering §1, §3.1, §5 */
export function benchFigures(job: Job): BenchFigure[] {
  return [
    ...circuitsOf(job).flatMap((c, n) => figuresOfFan(job, c, n)),
    ...(job.controllers.length
      ? [
          {
            kind: 'standby' as const,
            id: 'standby',
            circuit: null,
            name: say`Draw with the key off`,
            quantity: 'current' as const,
            slack: METER.standbyA,
            at: (b: Bench) => parkedDraw(b, job),
          },
        ]
      : []),
  ]
}
