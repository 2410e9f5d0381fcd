import { type FanPart } from '../parts'
import { corners, NotingBench, type Bench } from '../reading'
import type { Quantity } from '../units'
import { runningFan, wiresResistance, contactsResistance } from '../electrical'
import { type Job, jobKinds, lookupOf, typicalMachines, sharesContact } from '../job'
import {
  circuitsOf,
  type FanCircuit,
  isThermostat,
  pointsOf,
  ratingOf,
  runCurrent,
  wiresOf,
  wiresWaitFor,
} from '../fan-circuit'
import { parkedDraw } from '../wiring'
import { stepsOf } from './steps'

/** What a proof should show: a figure with the band that the readings leave it, or a yes. */
export interface Prediction {
  readonly value: number
  readonly low: number
  readonly high: number
  readonly quantity: Quantity
}

export interface Proof {
  readonly id: string
  readonly name: string
  readonly how: string
  /** null for a yes-or-no proof, or where a choice is still missing */
  readonly predicted: Prediction | null
  readonly kind: 'figure' | 'yes or no'
  /** motor of the fan whose turning is proved */
  readonly turns?: FanPart['motor']
}

/** The band that a figure can have with the readings as they are. */
function predict(job: Job, quantity: Quantity, slack: number, compute: (bench: Bench) => number): Prediction {
  const lookup = lookupOf(job)
  const bench = new NotingBench(lookup)
  const value = compute(bench)
  const { worst, best } = corners(compute, lookup, bench.touched, value)
  return { value, low: worst - slack, high: best + slack, quantity }
}

/** what an ordinary meter and a probe against a thermometer may be off by */
const SLACK = { volts: 0.15, amps: 0.1, kelvin: 2 }

/** The first fan's proofs have plain ids, as they had before there were several; others carry their run's. */
const proofId = (id: string, circuit: FanCircuit, n: number): string => (n === 0 ? id : `${id}-${circuit.run.id}`)

/** Figures of one fan; what its controller does is proved with the first fan that it calls. */
function figures(job: Job, circuit: FanCircuit, n: number, where: string): Proof[] {
  const { fan, controller, suffix } = circuit
  const own = controller !== null && circuitsOf(job).findIndex((c) => c.controller?.id === controller.id) === n
  const parted = circuitsOf(job).some(
    (o) =>
      o !== circuit && (sharesContact(o.run, circuit.run) || (o.run.fuse !== null && o.run.fuse === circuit.run.fuse)),
  )
  const ready = fan !== null && wiresWaitFor(circuit) === null
  const proofs: Proof[] = [
    {
      id: proofId('amps', circuit, n),
      name: `Running current${suffix}`,
      kind: 'figure',
      how: `Clamp on ${parted ? 'its own wire, where the feeds have parted' : 'the feed'}, ${where}, fan held on.`,
      predicted: fan ? predict(job, 'current', SLACK.amps, (b) => runCurrent(b, fan).value) : null,
    },
    {
      id: proofId('volts', circuit, n),
      name: `Voltage at the fan${suffix}`,
      kind: 'figure',
      how: `Across its own plug while it runs, ${where}.`,
      predicted: ready
        ? predict(job, 'voltage', SLACK.volts, (b) => {
            const run = wiresOf(b, circuit)
            const ohm = wiresResistance(runCurrent(b, fan).value, run).value + contactsResistance(run).value
            const volts = b.value('charging.regulatorV')
            return volts - ohm * runningFan(ratingOf(b, fan), volts, ohm).currentA
          })
        : null,
    },
  ]
  if (controller && own && isThermostat(controller.part)) {
    const points = (edge: 'on' | 'off') =>
      predict(job, 'temperature', SLACK.kelvin, (b) => pointsOf(b, { ...circuit, controller })[edge].c)
    proofs.push(
      {
        id: proofId('starts', circuit, n),
        name: `Starts, as the probe shows${suffix}`,
        kind: 'figure',
        how: 'Working setting, warm it up outdoors and watch the controller.',
        predicted: points('on'),
      },
      {
        id: proofId('stops', circuit, n),
        name: `Stops, as the probe shows${suffix}`,
        kind: 'figure',
        how: 'Let it run; note where it stops.',
        predicted: points('off'),
      },
    )
  }
  return proofs
}

/** What all controllers take with everything off. */
const standby = (job: Job): Proof => ({
  id: 'standby',
  name: 'Draw with the key off',
  kind: 'figure',
  how: 'Meter in series at the battery, fan still.',
  predicted: predict(job, 'current', 0.001, (b) => parkedDraw(b, job)),
})

/** the proof that nothing is fed back into the machine's own loom */
export const NOT_FED_BACK = 'not-fed-back'

const yes = (id: string, name: string, how: string): Proof => ({ id, name, how, kind: 'yes or no', predicted: null })

/** How the direction of the air is seen. */
const paperTest = (job: Job): string =>
  job.bay
    ? job.place.side === 'puller'
      ? 'Test setting. A strip of paper at the vent is drawn in, and blown away at the fan.'
      : 'Test setting. A strip of paper at the fan is drawn in, and blown away at the vent.'
    : job.place.side === 'puller'
      ? 'Test setting. A strip of paper in front of the core is drawn to it.'
      : 'Test setting. A strip of paper behind the core is blown away from it.'

/** Everything that is proved before covers go back, with what the plan predicts. */
export function proofsOf(job: Job): Proof[] {
  const circuits = circuitsOf(job)
  const opened = stepsOf(job).some((s) => s.id === 'drain')
  const steers = typicalMachines[job.machine.kind].steers
  const where = job.trailer ? 'battery full, on its charger' : 'engine at cruise'
  return [
    ...circuits.map((c, n) => ({
      ...yes(proofId('turns', c, n), `It turns, the right way${c.suffix}`, paperTest(job)),
      ...(c.fan ? { turns: c.fan.part.motor } : {}),
    })),
    ...circuits.flatMap((c, n) => figures(job, c, n, where)),
    ...(job.controllers.length ? [standby(job)] : []),
    job.trailer || job.use.live === 'isolator'
      ? yes('key-off', 'Isolator off: it stops', 'Fan running, isolator off, hands away.')
      : yes(
          'key-off',
          job.use.live === 'key only' ? 'Key off: it stops' : 'Key off: it stops by itself in time',
          'Fan running, key off, hands away.',
        ),
    ...(job.wiring.override !== 'none'
      ? [
          yes(
            'override',
            'Override: it runs cold, and stops with it',
            job.engine && job.wiring.override === 'key'
              ? 'Key on, engine cold: on, then off; then key off with it left on: nothing runs.'
              : 'Cold: on, then off.',
          ),
        ]
      : []),
    ...(job.wiring.call
      ? [
          yes(
            'call',
            'The other system calls it',
            'Air conditioning or hydraulics on as its maker says, engine cold: the fan runs.',
          ),
        ]
      : []),
    ...(job.wiring.diodes.length
      ? [
          yes(
            NOT_FED_BACK,
            'Key off while it runs: nothing else stays alive',
            'Engine hot, key off: lamps, dash and pump of the machine are dead, the fan as it was asked.',
          ),
        ]
      : []),
    yes(
      'clear',
      steers ? 'Nothing caught, lock to lock' : 'Nothing caught, all travel',
      steers
        ? 'Engine off, steering from lock to lock, suspension pressed down.'
        : 'All off: covers, doors and what moves through their travel.',
    ),
    ...(job.cooling && opened ? [yes('leaks', 'No leaks', 'Warm, then cold: hoses, clips and drain.')] : []),
    ...(job.cooling && jobKinds[job.kind].mountsFan
      ? [yes('level', 'Coolant level, after the first heat cycle', 'Cold again: cap off, level as before.')]
      : []),
  ]
}

/** Whether a measured value lies in what was predicted. */
export const asPredicted = (predicted: Prediction, measured: number): boolean =>
  measured >= predicted.low && measured <= predicted.high
